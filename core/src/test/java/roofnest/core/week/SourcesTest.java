package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;

import org.junit.jupiter.api.Test;

import roofnest.core.Houses;
import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.motion.Track;
import roofnest.core.motion.WalkTest;
import roofnest.core.motion.Walker;
import roofnest.core.plan.Area;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

/** Who comes, by which ways of a plan; and one sensing for the week and for the walk of one person. */
class SourcesTest {
    private static final Rates RATES = Rates.shipped();

    private static Source of(HousePlan plan, SourceKind kind) {
        return new Sources(plan, RATES, HouseKind.LANE, Map.of()).all().stream().filter(source -> source.kind() == kind).findFirst()
                .orElseThrow();
    }

    private static double share(Source source) {
        return source.ways().stream().mapToDouble(Source.Way::share).sum();
    }

    @Test
    void every_kind_is_there_once_and_its_ways_share_it_out() {
        for (String name : List.of("bungalow", "weir-steps", "maltings")) {
            HousePlan plan = Houses.plan(name);
            List<Source> all = new Sources(plan, RATES, HouseKind.LANE, Map.of()).all();
            assertThat(all).extracting(Source::kind).containsExactly(SourceKind.values());
            assertThat(share(of(plan, SourceKind.HOUSEHOLD))).isCloseTo(1, within(1e-9));
            assertThat(share(of(plan, SourceKind.VEHICLE))).isCloseTo(1, within(1e-9));
            assertThat(share(of(plan, SourceKind.PASSER_BY))).isCloseTo(1, within(1e-9));
            assertThat(share(of(plan, SourceKind.PET))).isCloseTo(1, within(1e-9));
            Source visitors = of(plan, SourceKind.VISITOR);
            assertThat(share(visitors)).as("there and back").isCloseTo(2, within(1e-9));
            assertThat(visitors.ways().stream().filter(Source.Way::arrives).mapToDouble(Source.Way::share).sum()).isCloseTo(1,
                    within(1e-9));
            assertThat(visitors.ways().stream().filter(Source.Way::arrives)).allSatisfy(way -> {
                PlanPoint last = way.walk().points().get(way.walk().points().size() - 1);
                assertThat(plan.place(way.toPlace()).orElseThrow().at().distanceM(last)).isLessThanOrEqualTo(Sources.LEADS_TO_M);
            });
        }
    }

    @Test
    void traffic_keeps_to_its_side_and_who_passes_by_walks_on_the_houses_edge() {
        HousePlan plan = Houses.plan("bungalow");
        Area road = plan.areas().stream().filter(area -> area.kind() == Area.Kind.ROAD).findFirst().orElseThrow();
        Ground ground = new Ground(plan);
        for (SourceKind kind : List.of(SourceKind.VEHICLE, SourceKind.CYCLIST, SourceKind.PASSER_BY)) {
            for (Source.Way way : of(plan, kind).ways()) {
                Walk.Position on = way.walk().at(way.walk().lengthM() / 2);
                PlanPoint at = on.point().towards(on.headingDeg() + 90, way.asideM());
                assertThat(Segments.polygon(road.outline()).contains(Segments.polygon(road.outline()).getFactory()
                        .createPoint(Segments.coordinate(at)))).as(kind + " on " + way.name()).isTrue();
                if (kind == SourceKind.PASSER_BY) {
                    assertThat(at.yM()).as("the road lies from −9 to −5 and the house north of it").isCloseTo(-5.6, within(0.01));
                }
            }
        }
        assertThat(ground.heightM(new PlanPoint(0, 0))).isZero();
    }

    @Test
    void a_plan_without_paths_or_roads_gives_no_ways_and_invents_none() {
        HousePlan bare = HousePlan.blank("bare", 50);
        for (Source source : new Sources(bare, RATES, HouseKind.TERRACE, Map.of()).all()) {
            assertThat(source.ways()).as(source.kind().words()).isEmpty();
            assertThat(source.aWeek() > 0).isEqualTo(source.kind() != SourceKind.WASHING);
        }
    }

    @Test
    void what_somebody_knows_better_wins_over_ordinary_rates() {
        Source post = new Sources(WeirSteps.plan(), RATES, HouseKind.LANE, Map.of(SourceKind.POST, 10.0)).all().get(2);
        assertThat(post.kind()).isEqualTo(SourceKind.POST);
        assertThat(post.aWeek()).isCloseTo(10 * (5 + 2 * 0.5), within(1e-9));
        Source none = new Sources(WeirSteps.plan(), RATES, HouseKind.LANE, Map.of(SourceKind.POST, 0.0)).all().get(2);
        assertThat(none.aWeek()).isZero();
    }

    /** At 10 °C, at the step in the middle, the week notices whom the walk of one person notices, and when. */
    @Test
    void the_week_senses_as_the_walk_does() {
        HousePlan plan = WeirSteps.plan();
        WallCrossings crossings = new WallCrossings(plan);
        Ground ground = new Ground(plan);
        Random random = new Random(11);
        int noticed = 0;
        for (String key : List.of("dunmark-post", "cairnlow-eave", "pellan-drift")) {
            DeviceModel model = Catalogue.shipped().get(key);
            WatchSetting middle = WatchSetting.usual(model.alerts(), 12, 30);
            for (int i = 0; i < 60; i++) {
                CameraPose pose = new CameraPose(11.4 + random.nextDouble() * 8, -1 + random.nextDouble() * 12, 2.4,
                        random.nextDouble() * 360, 12);
                Vision vision = Vision.unmasked(new Eye(crossings, model.lens(), pose));
                // Every third with a zone, which counts only where the model has any.
                List<Zone> zones = i % 3 == 0 ? List.of(new Zone("left", List.of(new Zone.Corner(0, 0), new Zone.Corner(0.6, 0),
                        new Zone.Corner(0.6, 1), new Zone.Corner(0, 1)))) : List.of();
                Walk walk = plan.paths().get(i % plan.paths().size());
                boolean night = i % 2 == 0;
                OptionalDouble one = new WalkTest(model, vision, zones, night).walk(new Track(walk, Walker.GROWN, ground),
                        DetailLevel.DETECT, 12).triggerS();
                Optional<Passage.Noticed> other = new Passage(new Watch(1, "Eye", model, vision, zones, middle, DetailLevel.DETECT,
                        false), new Source.Way("w", "way", walk, 1, 0, ""), SourceKind.Body.GROWN, ground).notice(1, night);
                assertThat(other.isPresent()).as(key + " from " + pose).isEqualTo(one.isPresent());
                if (one.isPresent()) {
                    noticed++;
                    assertThat(other.get().triggerS()).isCloseTo(one.getAsDouble(), within(1e-9));
                }
            }
        }
        assertThat(noticed).isGreaterThan(30);
    }

    @Test
    void why_somebody_is_not_noticed_is_said_by_what_hinders() {
        HousePlan plan = HousePlan.blank("field", 50);
        DeviceModel model = Catalogue.shipped().get("dunmark-post");
        Vision vision = Vision.unmasked(new Eye(new WallCrossings(plan), model.lens(), new CameraPose(0, 0, 2.4, 90, 10)));
        Watch watch = new Watch(1, "Eye", model, vision, List.of(), WatchSetting.usual(model.alerts(), 12, 30), DetailLevel.DETECT, false);
        assertThat(why(watch, new PlanPoint(-4, -6), new PlanPoint(-4, 6))).isEqualTo("out of its sight");
        assertThat(why(watch, new PlanPoint(12, -6), new PlanPoint(12, 6))).isEqualTo("too far for its sensor");
        assertThat(why(watch, new PlanPoint(3, 0), new PlanPoint(3, 0.05))).isEqualTo("not long enough in range");
    }

    private static String why(Watch watch, PlanPoint from, PlanPoint to) {
        Passage passage = new Passage(watch, new Source.Way("w", "way", new Walk("w", "way", List.of(from, to)), 1, 0, ""),
                SourceKind.Body.GROWN, new Ground(HousePlan.blank("field", 50)));
        assertThat(passage.notice(1, false)).isEmpty();
        return passage.why(1, false).words();
    }
}
