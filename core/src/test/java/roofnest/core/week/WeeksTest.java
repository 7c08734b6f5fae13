package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec.Kind;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.Area;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.Wall;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

/** Weeks on an open field, against closed forms and laws. */
class WeeksTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final CameraPose EAST = new CameraPose(0, 0, 2.4, 90, 10);
    private static final Conditions MILD = Conditions.of(3, 10, 0, new boolean[24]);
    /** Watches its picture, keeps 2 s from before, and ends no clip early. */
    private static final String PICTURE = "tarrowby-turn";
    private static final String INFRARED = "dunmark-post";
    private static final Walk ACROSS = new Walk("w", "way", List.of(new PlanPoint(4, -6), new PlanPoint(4, 6)));

    static Watch watch(String model, WatchSetting setting, Set<MaskCell> masked, List<Zone> zones) {
        return watch(FIELD, model, setting, masked, zones);
    }

    private static Watch watch(HousePlan plan, String model, WatchSetting setting, Set<MaskCell> masked, List<Zone> zones) {
        DeviceModel device = Catalogue.shipped().get(model);
        return new Watch(1, "Eye", device, new Vision(new Eye(new WallCrossings(plan), device.lens(), EAST), device.mask(), masked), zones,
                setting, DetailLevel.OBSERVE, false);
    }

    private static WatchSetting any(String model, int clip, int coolDown) {
        return WatchSetting.usual(Catalogue.shipped().get(model).alerts(), clip, coolDown);
    }

    private static Source source(SourceKind kind, double anHour, Walk walk) {
        double[] hours = new double[Week.HOURS];
        Arrays.fill(hours, anHour);
        return new Source(kind, hours, List.of(new Source.Way("w", "way", walk, 1, 0, "")));
    }

    private static WeekOutcome run(Watch watch, int weeks, Source... sources) {
        return run(FIELD, watch, MILD, weeks, sources);
    }

    private static WeekOutcome run(HousePlan plan, Watch watch, Conditions conditions, int weeks, Source... sources) {
        return new Weeks(plan, new Ground(plan), List.of(sources), List.of(watch), conditions, 7).run(weeks);
    }

    private static double clips(WeekOutcome outcome) {
        return outcome.cameras().get(0).clips().mean();
    }

    @Test
    void nothing_that_comes_begins_no_clip() {
        WeekOutcome none = run(watch(PICTURE, any(PICTURE, 30, 30), Set.of(), List.of()), 20);
        assertThat(none.rings().high()).isZero();
        assertThat(none.cameras().get(0).recordedS().mean()).isZero();
        assertThat(none.arrivals()).isEmpty();
        WeekOutcome never = run(watch(PICTURE, any(PICTURE, 30, 30), Set.of(), List.of()), 20, source(SourceKind.VISITOR, 0, ACROSS));
        assertThat(clips(never)).isZero();
    }

    /** λ/(1 + λτ): six an hour, dead for 75 s after each, 5.333 an hour. The pre-roll is in the clip and not after the trigger. */
    @Test
    void a_dead_time_lets_through_what_the_queue_says() {
        WeekOutcome outcome = run(watch(PICTURE, any(PICTURE, 30, 47), Set.of(), List.of()), 1000, source(SourceKind.VISITOR, 6, ACROSS));
        assertThat(clips(outcome) / Week.HOURS).isCloseTo(5.333, within(0.012));
        assertThat(outcome.cameras().get(0).noticedAWeek() / Week.HOURS).as("before it").isCloseTo(6, within(0.012));
        assertThat(outcome.cameras().get(0).recordedS().mean()).isCloseTo(30 * clips(outcome), within(1e-6));
        assertThat(outcome.rings().low()).isLessThan(outcome.rings().middle());
        assertThat(outcome.rings().high()).isGreaterThan(outcome.rings().middle());
        assertThat(Arrays.stream(outcome.cameras().get(0).byHour()).sum()).isCloseTo(clips(outcome), within(1e-6));
    }

    /** Poisson without any dead time: mean and variance are one. */
    @Test
    void without_filters_the_counts_are_poisson() {
        WeekOutcome outcome = run(watch(INFRARED, any(INFRARED, 5, 0), Set.of(), List.of()), 1000, source(SourceKind.VISITOR, 0.3, ACROSS));
        double mean = 0.3 * Week.HOURS;
        assertThat(outcome.cameras().get(0).noticedAWeek()).isCloseTo(mean, within(4 * Math.sqrt(mean / 1000)));
        assertThat(outcome.rings().low()).as("Poisson 50.4, five in a hundred").isBetween(37.0, 41.0);
        assertThat(outcome.rings().high()).isBetween(60.0, 64.0);
    }

    @Test
    void the_same_seed_draws_the_same_weeks_and_any_of_them_can_be_looked_into() {
        Watch watch = watch(PICTURE, any(PICTURE, 30, 30), Set.of(), List.of());
        List<Source> sources = List.of(source(SourceKind.VISITOR, 0.5, ACROSS), source(SourceKind.VEHICLE, 2, ACROSS));
        Weeks weeks = new Weeks(FIELD, new Ground(FIELD), sources, List.of(watch), MILD, 3);
        WeekOutcome outcome = weeks.run(41);
        assertThat(weeks.run(41).rings()).isEqualTo(outcome.rings());
        assertThat(new Weeks(FIELD, new Ground(FIELD), sources, List.of(watch), MILD, 4).run(41).rings()).isNotEqualTo(outcome.rings());
        List<Weeks.Event> middle = weeks.events(outcome.middleWeek());
        assertThat(middle.stream().filter(Weeks.Event::rang).count()).isEqualTo(Math.round(outcome.rings().middle()));
        assertThat(middle).isSortedAccordingTo((a, b) -> Double.compare(a.atS(), b.atS()));
        assertThat(middle).allSatisfy(event -> assertThat(event.answers().get(0).why()).contains("m away"));
    }

    @Test
    void twice_as_many_come_twice_as_many_are_noticed_and_no_more_than_that_ring() {
        Watch watch = watch(PICTURE, any(PICTURE, 30, 60), Set.of(), List.of());
        WeekOutcome once = run(watch, 400, source(SourceKind.VISITOR, 4, ACROSS));
        WeekOutcome twice = run(watch, 400, source(SourceKind.VISITOR, 4, ACROSS).times(2));
        assertThat(twice.cameras().get(0).noticedAWeek()).isCloseTo(2 * once.cameras().get(0).noticedAWeek(), within(8.0));
        assertThat(clips(twice)).isBetween(clips(once), 2 * clips(once));
    }

    @Test
    void a_longer_cool_down_never_begins_more_clips() {
        double before = Double.MAX_VALUE;
        for (int coolDown : new int[] {0, 5, 30, 60, 300, 3600}) {
            double now = clips(run(watch(PICTURE, any(PICTURE, 20, coolDown), Set.of(), List.of()), 50,
                    source(SourceKind.VISITOR, 10, ACROSS)));
            assertThat(now).isLessThanOrEqualTo(before);
            before = now;
        }
        assertThat(before).isLessThan(Week.HOURS);
    }

    @Test
    void a_larger_zone_never_notices_less_and_a_masked_picture_never_rings() {
        double before = 0;
        for (double share : new double[] {0.2, 0.4, 0.6, 0.8, 1}) {
            Zone zone = new Zone("z", List.of(new Zone.Corner(0, 0), new Zone.Corner(share, 0), new Zone.Corner(share, 1),
                    new Zone.Corner(0, 1)));
            double now = run(watch("cairnlow-eave", any("cairnlow-eave", 10, 5), Set.of(), List.of(zone)), 30,
                    source(SourceKind.VISITOR, 3, ACROSS)).cameras().get(0).noticedAWeek();
            assertThat(now).isGreaterThanOrEqualTo(before);
            before = now;
        }
        assertThat(before).isPositive();
        DeviceModel eave = Catalogue.shipped().get("cairnlow-eave");
        Set<MaskCell> all = new HashSet<>();
        for (int column = 0; column < eave.mask().columns(); column++) {
            for (int row = 0; row < eave.mask().rows(); row++) {
                all.add(new MaskCell(column, row));
            }
        }
        assertThat(clips(run(watch("cairnlow-eave", any("cairnlow-eave", 10, 5), all, List.of()), 30,
                source(SourceKind.VISITOR, 3, ACROSS), source(SourceKind.BIRD, 3, ACROSS)))).isZero();
    }

    @Test
    void people_only_drops_the_vehicles_but_one_in_a_hundred() {
        WatchSetting people = new WatchSetting(3, Set.of(Kind.PERSON), 10, 5);
        double all = clips(run(watch("cairnlow-eave", any("cairnlow-eave", 10, 5), Set.of(), List.of()), 400,
                source(SourceKind.VEHICLE, 3, ACROSS)));
        double few = clips(run(watch("cairnlow-eave", people, Set.of(), List.of()), 400, source(SourceKind.VEHICLE, 3, ACROSS)));
        assertThat(all).isGreaterThan(400);
        assertThat(few / (3.0 * Week.HOURS)).isCloseTo(0.01, within(0.001));
    }

    @Test
    void a_warm_week_is_a_quiet_one_for_an_infrared_sensor_and_none_for_a_picture() {
        Walk far = new Walk("w", "way", List.of(new PlanPoint(7.5, -8), new PlanPoint(7.5, 8)));
        Conditions hot = Conditions.of(7, 26, 0, new boolean[24]);
        Watch infrared = watch(INFRARED, any(INFRARED, 10, 5), Set.of(), List.of());
        assertThat(clips(run(FIELD, infrared, MILD, 30, source(SourceKind.VISITOR, 1, far)))).isGreaterThan(100);
        assertThat(clips(run(FIELD, infrared, hot, 30, source(SourceKind.VISITOR, 1, far)))).isLessThan(1);
        Watch picture = watch("cairnlow-eave", any("cairnlow-eave", 10, 5), Set.of(), List.of());
        assertThat(clips(run(FIELD, picture, hot, 30, source(SourceKind.VISITOR, 1, far))))
                .isEqualTo(clips(run(FIELD, picture, MILD, 30, source(SourceKind.VISITOR, 1, far))));
    }

    @Test
    void what_stirs_before_the_lens_is_noticed_by_a_picture_alone() {
        Source birds = source(SourceKind.BIRD, 1, ACROSS);
        assertThat(clips(run(watch(PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), 30, birds))).isGreaterThan(100);
        assertThat(clips(run(watch(INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()), 30, birds))).isZero();
        HousePlan garden = FIELD.withThings(List.of(new Thing("t", "birch", Thing.Kind.TREE, new PlanPoint(5, 0), 6, 1.0),
                new Thing("v", "boiler vent", Thing.Kind.VENT, new PlanPoint(4, 2), 2)));
        Source branch = source(SourceKind.BRANCH, 1, ACROSS);
        double felt = clips(run(garden, watch(garden, INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()), MILD, 100, branch));
        double seen = clips(run(garden, watch(garden, PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), MILD, 100, branch));
        assertThat(seen).isPositive();
        assertThat(felt).isBetween(0.5, 0.3 * seen);
        Source vent = source(SourceKind.VENT, 1, ACROSS);
        assertThat(clips(run(garden, watch(garden, INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()), MILD, 30, vent)))
                .isGreaterThan(100);
        assertThat(clips(run(garden, watch(garden, PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), MILD, 30, vent))).isZero();
        assertThat(clips(run(garden, watch(garden, INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()),
                Conditions.of(7, 22, 4, new boolean[24]), 30, vent))).as("nobody heats").isZero();
        boolean[] dark = new boolean[24];
        Arrays.fill(dark, true);
        Source insects = source(SourceKind.INSECT, 1, ACROSS);
        assertThat(clips(run(FIELD, watch(PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), Conditions.of(7, 15, 0, dark), 30, insects)))
                .isGreaterThan(100);
        assertThat(clips(run(FIELD, watch(PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), Conditions.of(1, 15, 0, dark), 30, insects)))
                .as("in winter").isZero();
    }

    @Test
    void rain_washing_and_a_television_stir_where_they_are_and_by_their_light() {
        boolean[] dark = new boolean[24];
        Arrays.fill(dark, true);
        Conditions night = Conditions.of(3, 10, 0, dark);
        Watch picture = watch(PICTURE, any(PICTURE, 10, 0), Set.of(), List.of());
        Source rain = source(SourceKind.RAIN, 1, ACROSS);
        assertThat(clips(run(FIELD, picture, night, 30, rain))).isGreaterThan(100);
        assertThat(clips(run(FIELD, picture, MILD, 30, rain))).as("by day").isZero();
        assertThat(clips(run(FIELD, watch(INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()), night, 30, rain))).isZero();
        HousePlan garden = FIELD.withAreas(List.of(new Area("l", "lawn", Area.Kind.LAWN, List.of(new PlanPoint(3, -2), new PlanPoint(7, -2),
                new PlanPoint(7, 2), new PlanPoint(3, 2)))));
        Source washing = source(SourceKind.WASHING, 1, ACROSS);
        double seen = clips(run(garden, watch(garden, PICTURE, any(PICTURE, 10, 0), Set.of(), List.of()), MILD, 100, washing));
        double felt = clips(run(garden, watch(garden, INFRARED, any(INFRARED, 10, 0), Set.of(), List.of()), MILD, 100, washing));
        assertThat(seen).isGreaterThan(100);
        assertThat(felt).isBetween(0.05 * seen, 0.3 * seen);
        assertThat(clips(run(FIELD, picture, MILD, 30, washing))).as("no grass for a line to stand on").isZero();
        Source television = source(SourceKind.TELEVISION, 1, ACROSS);
        for (boolean pane : new boolean[] {true, false}) {
            HousePlan house
                    = FIELD.withWalls(List.of(new Wall("w", "ground", new PlanPoint(5, 3), new PlanPoint(5, -3), Material.BRICK, 0.2,
                            2.5, pane ? List.of(new Opening(Opening.Kind.WINDOW, 2, 2, 0.9, 2.1, null)) : List.of())));
            Watch before = watch(house, PICTURE, any(PICTURE, 10, 0), Set.of(), List.of());
            assertThat(clips(run(house, before, night, 30, television)) > 0).isEqualTo(pane);
            assertThat(clips(run(house, before, MILD, 30, television))).as("by day").isZero();
        }
    }

    /** The mean is the integral of rate and notice over the hours, whatever is drawn. */
    @Test
    void the_drawn_weeks_agree_with_adding_up_the_hours() {
        double[] hours = new double[Week.HOURS];
        for (int hour = 0; hour < hours.length; hour++) {
            hours[hour] = 0.2 + 0.1 * (hour % 24);
        }
        boolean[] dark = new boolean[24];
        Arrays.fill(dark, 0, 7, true);
        Conditions swinging = Conditions.of(6, 17, 12, dark);
        Walk far = new Walk("w", "way", List.of(new PlanPoint(6, -8), new PlanPoint(6, 8)));
        Source source = new Source(SourceKind.VISITOR, hours, List.of(new Source.Way("w", "way", far, 0.8, 0, "")));
        Watch watch = watch(INFRARED, any(INFRARED, 10, 0), Set.of(), List.of());
        Passage passage = new Passage(watch, source.ways().get(0), SourceKind.Body.GROWN, new Ground(FIELD));
        double sum = 0;
        int dull = 0;
        for (int offset = 0; offset < 3; offset++) {
            for (int hour = 0; hour < Week.HOURS; hour++) {
                double warmth = Math.round(Warmth.factor(SourceKind.Body.GROWN, swinging.airC(hour % 24, offset)) / 0.02) * 0.02;
                boolean noticed = passage.notice(warmth, dark[hour % 24]).isPresent();
                sum += noticed ? Conditions.OFFSET_SHARES[offset] * 0.8 * hours[hour] : 0;
                dull += noticed ? 0 : 1;
            }
        }
        assertThat(dull).as("some hours are too warm, some are not").isBetween(50, 450);
        WeekOutcome outcome = run(FIELD, watch, swinging, 4000, source);
        assertThat(outcome.cameras().get(0).noticedAWeek()).isCloseTo(sum, within(0.02 * sum));
    }

    @Test
    void as_many_weeks_as_can_be_drawn_and_no_more() {
        Weeks weeks = new Weeks(FIELD, new Ground(FIELD), List.of(), List.of(), MILD, 1);
        assertThat(weeks.run(1).cameras()).isEmpty();
        assertThatThrownBy(() -> weeks.run(0)).hasMessageContaining("weeks");
        assertThatThrownBy(() -> weeks.run(Weeks.MOST_WEEKS + 1)).hasMessageContaining("weeks");
    }
}
