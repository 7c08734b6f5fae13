package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.RandomHouses;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Plane;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.WallCrossings;
import roofnest.core.power.PanelLight;

/** What is left out for speed changes no answer. */
class ShortCutLawTest {
    private static final DeviceModel.MaskGrid GRID = new DeviceModel.MaskGrid(12, 8);

    /** Rays that pass over or under an obstacle skip it: the plain loop over everything says the same. */
    @Property(tries = 60)
    void a_point_is_in_sight_by_sectors_just_when_it_is_by_trying_everything(@ForAll long seed) {
        Random random = new Random(seed);
        WallCrossings crossings = new WallCrossings(RandomHouses.plan(random.nextInt(100_000)));
        CameraPose pose = RandomHouses.pose(random);
        RaysFrom rays = crossings.from(pose.xM(), pose.yM());
        for (int i = 0; i < 2000; i++) {
            double x = pose.xM() + 40 * (random.nextDouble() - 0.5);
            double y = pose.yM() + 40 * (random.nextDouble() - 0.5);
            double z = i % 5 == 0 ? pose.heightM() : 14 * random.nextDouble() - 1;
            assertThat(rays.inSight(pose.heightM(), x, y, z)).as("%s to %s %s %s", pose, x, y, z)
                    .isEqualTo(crossings.inSight(new SpacePoint(pose.xM(), pose.yM(), pose.heightM()), new SpacePoint(x, y, z)));
        }
    }

    /** The sun's ray is followed no higher than the house: followed for 120 m it is as clear, or not. */
    @Property(tries = 25)
    void the_sun_reaches_a_panel_just_when_its_whole_ray_is_clear(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan plan = RandomHouses.plan(random.nextInt(100_000));
        WallCrossings crossings = new WallCrossings(plan);
        CameraPose pose = RandomHouses.pose(random);
        SunTrack sun = new SunTrack(-70 + 140 * random.nextDouble(), 0);
        boolean[][] lit = PanelShade.of(new Eye(crossings, new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 100, 8), pose), sun,
                pose.heightM(), 30, 180, PanelLight.STEPS_A_DAY).lit();
        SpacePoint panel = pose.lens();
        for (int month = 0; month < 12; month++) {
            for (int step = 0; step < PanelLight.STEPS_A_DAY; step++) {
                SunTrack.Sun at = sun.at(LocalDate.of(2026, month + 1, 15),
                        LocalTime.ofSecondOfDay((long) ((step + 0.5) * 86_400 / PanelLight.STEPS_A_DAY)));
                SunTrack.Towards to = SunTrack.Towards.of(at.headingDeg(), at.altitudeDeg());
                boolean clear = at.up() && crossings.inSight(panel, new SpacePoint(panel.xM() + 120 * to.east(),
                        panel.yM() + 120 * to.north(), panel.zM() + 120 * to.up()));
                assertThat(lit[month][step]).as("%s month %s step %s", pose, month, step).isEqualTo(clear);
            }
        }
    }

    /** Only lines inside the box of an area's outline are followed: following all of them finds the same cells. */
    @Property(tries = 80)
    void an_area_shows_in_just_the_cells_that_following_every_line_finds(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan plan = RandomHouses.plan(random.nextInt(100_000));
        LensSpec lens = new LensSpec(random.nextInt(4) == 0 ? LensSpec.Projection.EQUIDISTANT : LensSpec.Projection.RECTILINEAR, 1920, 1080,
                50 + 60 * random.nextDouble(), 8);
        Eye eye = new Eye(new WallCrossings(plan), lens, RandomHouses.pose(random));
        double x = eye.pose().xM() + 30 * (random.nextDouble() - 0.5);
        double y = eye.pose().yM() + 30 * (random.nextDouble() - 0.5);
        Area area = new Area("own", "own", Area.Kind.PRIVATE,
                RandomHouses.rectangle(x, y, x + 1 + 12 * random.nextDouble(), y + 1 + 12 * random.nextDouble()));
        Privacy.Exposure exposure = Privacy.of(eye, area, GRID, Set.of());
        assertThat(exposure.cells()).isEqualTo(everyLine(eye, area));
    }

    private static Set<MaskCell> everyLine(Eye eye, Area area) {
        Polygon polygon = Segments.polygon(area.outline());
        Plane ground = area.plane();
        Set<MaskCell> cells = new TreeSet<>();
        int columns = GRID.columns() * 4;
        int rows = GRID.rows() * 4;
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double[] d = eye.projection().direction(new Projection.Pixel((column + 0.5) / columns * eye.lens().widthPx(),
                        (row + 0.5) / rows * eye.lens().heightPx()));
                double fall = ground.gx() * d[0] + ground.gy() * d[1] - d[2];
                double reach = (eye.pose().heightM() - ground.atM(eye.pose().xM(), eye.pose().yM())) / fall;
                if (fall > 1e-9 && reach > 0 && reach <= 80) {
                    double x = eye.pose().xM() + reach * d[0];
                    double y = eye.pose().yM() + reach * d[1];
                    if (polygon.covers(new GeometryFactory().createPoint(new Coordinate(x, y))) && eye.clearTo(x, y, ground.atM(x, y))) {
                        cells.add(new MaskCell(column / 4, row / 4));
                    }
                }
            }
        }
        return cells;
    }
}
