package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

import org.junit.jupiter.api.Test;

import roofnest.core.RandomHouses;
import roofnest.core.catalogue.Band;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Roof;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Walk;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.radio.PathLoss;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** A house is solid: nothing that stands or lies in the way is passed through, and where the house stands does not matter. */
class SolidHouseLawTest {
    private static final List<Promise> WRITTEN = List.of(
            new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "door", Light.DAY),
            new Promise.MakeOut(PromiseKey.written(2), DetailLevel.RECOGNISE, "shed", Light.BOTH),
            new Promise.MakeOut(PromiseKey.written(3), DetailLevel.OBSERVE, "top", Light.DAY),
            new Promise.RecordedBefore(PromiseKey.written(4), DetailLevel.DETECT, "door", "way", Light.BOTH),
            new Promise.NeverShows(PromiseKey.written(5), "next"));
    /** Rays through the very edge of something may fall to either side once everything is turned. */
    private static final double ROUNDING = 1e-6;

    private static HousePlan plan(Random random) {
        HousePlan plan = RandomHouses.plan(random.nextInt(100_000));
        return plan.withPaths(List.of(new Walk("way", "the way in", List.of(new PlanPoint(-4, -11), new PlanPoint(2, -3),
                plan.places().get(0).at()))));
    }

    /** The gap between a ceiling and the next floor let a ray through that lost nothing. */
    @Test
    void no_air_is_left_between_a_ceiling_and_the_floor_above() {
        HousePlan plan = Judging.HOUSE;
        PathLoss paths = new PathLoss(plan);
        SpacePoint router = plan.router().orElseThrow().position();
        double last = -1000;
        for (double height = 2.4; height < 3.6; height += 0.05) {
            double signal = 15 - paths.between(router, new SpacePoint(0.40, -0.37, height), Band.GHZ_2_4).totalDb();
            assertThat(signal).as("%.2f m", height).isLessThan(-59);
            assertThat(last == -1000 ? signal : last).as("only ever less with a floor more, %.2f m", height)
                    .isGreaterThanOrEqualTo(signal - 1e-9);
            last = signal;
        }
    }

    @Property(tries = 40)
    void nobody_looks_into_a_house_whose_openings_are_closed(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan open = RandomHouses.plan(random.nextInt(100_000));
        HousePlan closed = open.withWalls(open.walls().stream().map(wall -> new Wall(wall.id(), wall.storey(), wall.from(), wall.to(),
                wall.material(), wall.thicknessM(), wall.heightM(), List.of())).toList())
                .withStoreys(open.storeys().stream().map(s -> s.roof() == null || s.roof().kind() != Roof.Kind.NONE ? s
                        : new Storey(s.id(), s.name(), s.floorM(), s.heightM(), s.slab(), s.stairwells(), null)).toList());
        WallCrossings crossings = new WallCrossings(closed);
        Shell shell = crossings.shell();
        int tried = 0;
        for (int i = 0; i < 400; i++) {
            SpacePoint in = point(random, 10, 0, 5);
            SpacePoint out = point(random, 30, 0.1, 9);
            if (shell.room(in.onPlan(), in.zM()).isPresent() && !shell.indoors(out.onPlan(), out.zM())) {
                assertThat(crossings.inSight(in, out)).as("%s %s of %s", in, out, closed).isFalse();
                assertThat(crossings.from(in.xM(), in.yM()).inSight(in.zM(), out.xM(), out.yM(), out.zM())).isFalse();
                tried++;
            }
        }
        assertThat(tried).isPositive();
    }

    private static SpacePoint point(Random random, double extent, double least, double most) {
        return new SpacePoint(5 + extent * (random.nextDouble() - 0.5), 4 + extent * (random.nextDouble() - 0.5),
                least + (most - least) * random.nextDouble());
    }

    @Property(tries = 40)
    void more_wall_floor_bank_or_mask_never_keeps_what_was_broken(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan plan = plan(random);
        Camera camera = Judging.post(RandomHouses.pose(random));
        Camera masked = camera;
        HousePlan more = plan;
        switch (random.nextInt(4)) {
            case 0 -> {
                PlanPoint from = new PlanPoint(-6 + 20 * random.nextDouble(), -10 + 24 * random.nextDouble());
                more = plan.withWalls(plus(plan.walls(), new Wall("more", "g", from,
                        from.towards(360 * random.nextDouble(), 1 + 4 * random.nextDouble()), Material.BRICK, 0.1, 2.0, null)));
            }
            case 1 -> {
                double x = -6 + 14 * random.nextDouble();
                double y = -9 + 14 * random.nextDouble();
                more = plan.withStoreys(plus(plan.storeys(), new Storey("deck", "Deck", 1.8 + 3 * random.nextDouble(), 2.2,
                        RandomHouses.rectangle(x, y, x + 4, y + 4), null, Roof.none())));
            }
            case 2 -> {
                double x = -6 + 14 * random.nextDouble();
                double y = -9 + 18 * random.nextDouble();
                // Beside the places: somebody who stands higher is another promise.
                List<PlanPoint> mound = RandomHouses.rectangle(x, y, x + 1.5, y + 1.5);
                Area bank = new Area("mound", "mound", Area.Kind.LAWN, mound, 1.5, null);
                boolean clear = plan.places().stream().noneMatch(place -> bank.covers(place.at()))
                        && plan.paths().get(0).points().stream().noneMatch(bank::covers) && apart(plan.paths().get(0), bank);
                more = clear ? plan.withAreas(plus(plan.areas(), bank)) : plan;
            }
            default -> masked = camera.withMasked(cells(random, camera));
        }
        Judgement before = HouseholdJudge.judge(Judging.facts(plan, WRITTEN.subList(0, 4), camera));
        Judgement after = HouseholdJudge.judge(Judging.facts(more, WRITTEN.subList(0, 4), masked));
        for (int i = 0; i < 4; i++) {
            if (before.promises().get(i).finding().standing() == Standing.BROKEN) {
                assertThat(after.promises().get(i).finding().standing()).as(before.promises().get(i).wording()).isEqualTo(Standing.BROKEN);
            }
        }
    }

    private static boolean apart(Walk path, Area area) {
        for (double along = 0; along < path.lengthM(); along += 0.05) {
            if (area.covers(path.at(along).point())) {
                return false;
            }
        }
        return true;
    }

    private static Set<MaskCell> cells(Random random, Camera camera) {
        Set<MaskCell> cells = new HashSet<>();
        for (MaskCell cell : Judging.allCells(camera.model())) {
            if (random.nextInt(3) == 0) {
                cells.add(cell);
            }
        }
        return cells;
    }

    private static <T> List<T> plus(List<T> list, T one) {
        List<T> more = new ArrayList<>(list);
        more.add(one);
        return more;
    }

    @Property(tries = 30)
    void turned_and_shifted_or_a_metre_higher_every_finding_is_the_same(@ForAll long seed, @ForAll @IntRange(max = 2) int how) {
        Random random = new Random(seed);
        HousePlan plan = plan(random);
        plan = plan.withAreas(plan.areas().stream().filter(area -> !area.id().equals("hollow")).toList());
        CameraPose pose = RandomHouses.pose(random);
        double turn = how == 0 ? 360 * random.nextDouble() : 0;
        double dx = how == 1 ? 100 * random.nextDouble() : 0;
        double up = how == 2 ? 1 : 0;
        UnaryOperator<PlanPoint> move = p -> {
            double angle = Math.toRadians(turn);
            return new PlanPoint(p.xM() * Math.cos(angle) + p.yM() * Math.sin(angle) + dx,
                    -p.xM() * Math.sin(angle) + p.yM() * Math.cos(angle) - dx / 2);
        };
        HousePlan moved = moved(plan, move, turn, up);
        PlanPoint lens = move.apply(pose.onPlan());
        CameraPose there = new CameraPose(lens.xM(), lens.yM(), pose.heightM() + up, pose.headingDeg() + turn, pose.tiltDeg());
        Judgement one = HouseholdJudge.judge(Judging.facts(plan, WRITTEN, Judging.post(pose)));
        Judgement other = HouseholdJudge.judge(Judging.facts(moved, WRITTEN, Judging.post(there)));
        for (int i = 0; i < one.promises().size(); i++) {
            Finding a = one.promises().get(i).finding();
            Finding b = other.promises().get(i).finding();
            String as = seed + "/" + how + " " + one.promises().get(i).wording();
            if (one.promises().get(i).promise() instanceof Promise.BatteryLasts) {
                // The sun is looked at every quarter of an hour, and behind an edge it goes sooner or later by one look.
                assertThat(b.measured().getAsDouble()).as(as).isCloseTo(a.measured().getAsDouble(), within(3.0));
                continue;
            }
            assertThat(b.measured().orElse(-1)).as(as).isCloseTo(a.measured().orElse(-1),
                    within(ROUNDING * Math.max(1, a.measured().orElse(1))));
            assertThat(b.standing()).as(as).isEqualTo(a.standing());
            assertThat(b.reason()).as(as).isEqualTo(a.reason());
        }
    }

    private static HousePlan moved(HousePlan plan, UnaryOperator<PlanPoint> move, double turn, double up) {
        List<Area> areas = new ArrayList<>();
        plan.areas().forEach(a -> areas.add(new Area(a.id(), a.name(), a.kind(), a.outline().stream().map(move).toList(),
                (a.heightM() == null ? 0 : a.heightM()) + up,
                a.slope() == null ? null : new Area.Slope(a.slope().riseM(), (a.slope().uphillDeg() + turn) % 360))));
        if (up > 0) {
            areas.add(new Area("world", "world", Area.Kind.LAWN, RandomHouses.rectangle(-300, -300, 300, 300), up, null));
        }
        return new HousePlan(plan.format(), plan.name(), plan.latitudeDeg(),
                plan.storeys().stream().map(s -> new Storey(s.id(), s.name(), s.floorM() + up, s.heightM(),
                        s.slab().stream().map(move).toList(),
                        s.stairwells().stream().map(well -> well.stream().map(move).toList()).toList(), roof(s.roof(), turn, up))).toList(),
                plan.walls().stream().map(w -> new Wall(w.id(), w.storey(), move.apply(w.from()), move.apply(w.to()), w.material(),
                        w.thicknessM(), w.heightM(), w.openings())).toList(),
                areas,
                plan.paths().stream().map(w -> new Walk(w.id(), w.name(), w.points().stream().map(move).toList())).toList(),
                plan.places().stream().map(p -> new Place(p.id(), p.name(), move.apply(p.at()), p.groundM() + up)).toList(),
                plan.things().stream().map(t -> new Thing(t.id(), t.name(), t.kind(), move.apply(t.at()), t.heightM() + up, t.radiusM()))
                        .toList(),
                List.of(), List.of(), turn);
    }

    private static Roof roof(Roof roof, double turn, double up) {
        return roof == null ? null : new Roof(roof.kind(), roof.eavesM() == null ? null : Double.valueOf(roof.eavesM() + up),
                roof.ridgeM() == null ? null : Double.valueOf(roof.ridgeM() + up),
                roof.ridgeDeg() == null ? null : Double.valueOf((roof.ridgeDeg() + turn) % 360), roof.overhangM(), roof.material());
    }

    /** What was promised of a face is not kept by a lens that is blacked out, nor by one that looks straight down. */
    @Test
    void before_they_reach_a_place_asks_what_making_out_asks() {
        HousePlan field
                = Judging.field(0).withPaths(List.of(new Walk("w", "the way", List.of(new PlanPoint(14, 0.5), new PlanPoint(0, 0.5)))));
        List<Promise> faces = List.of(new Promise.RecordedBefore(Judging.KEY, DetailLevel.RECOGNISE, "spot", "w", Light.DAY));
        Camera level = Judging.camera(7, "cairnlow-eave", new CameraPose(-6, 0.5, 2.4, 90, 8));
        assertThat(Judging.finding(Judging.facts(field, faces, level), Judging.KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(Judging.finding(Judging.facts(field, faces, level.withMasked(Judging.allCells(level.model()))), Judging.KEY).standing())
                .isEqualTo(Standing.BROKEN);
        Camera down = level.withPose(new CameraPose(2, 0.5, 4, 90, 90));
        assertThat(Judging.finding(Judging.facts(field, faces, down), Judging.KEY).standing()).isEqualTo(Standing.BROKEN);
        List<Promise> always = List.of(new Promise.RecordedBefore(Judging.KEY, DetailLevel.DETECT, "spot", "w", Light.BOTH));
        List<Promise> byDay = List.of(new Promise.RecordedBefore(Judging.KEY, DetailLevel.DETECT, "spot", "w", Light.DAY));
        Camera blind = Judging.camera(7, "spare-phone", new CameraPose(-2, 0.5, 2.4, 90, 8));
        assertThat(Judging.finding(Judging.facts(field, byDay, blind), Judging.KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(Judging.finding(Judging.facts(field, always, blind), Judging.KEY).standing()).as("it has no light").isEqualTo(
                Standing.BROKEN);
    }

    /** A lens just over an upper floor saw through it. */
    @Test
    void a_floor_hides_what_is_under_it_but_not_through_its_stairwell() {
        List<PlanPoint> slab = RandomHouses.rectangle(-3, -3, 3, 3);
        List<Promise> seen = List.of(new Promise.MakeOut(Judging.KEY, DetailLevel.DETECT, "spot", Light.DAY));
        Camera above = Judging.post(new CameraPose(0, 0, 3.0, 90, 30));
        for (boolean hole : new boolean[] {false, true}) {
            Storey upper = new Storey("u", "Upper", 2.8, 2.4, slab, hole ? List.of(RandomHouses.rectangle(0, -1, 1, 1)) : null, null);
            HousePlan house = Judging.field(2).withStoreys(List.of(Judging.HOUSE.storeys().get(0), upper));
            Finding finding = Judging.finding(Judging.facts(house, seen, above), Judging.KEY);
            assertThat(finding.standing()).isEqualTo(hole ? Standing.KEPT : Standing.BROKEN);
            assertThat(finding.reason().contains("hidden by a floor")).isEqualTo(!hole);
        }
    }
}
