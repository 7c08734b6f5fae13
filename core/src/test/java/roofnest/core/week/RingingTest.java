package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec.Kind;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;

/** Whom an ordinary week rings, against what each phone and each hour is set to. */
class RingingTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final Conditions MILD = Conditions.of(3, 10, 0, new boolean[24]);
    private static final Walk ACROSS = new Walk("w", "way", List.of(new PlanPoint(4, -6), new PlanPoint(4, 6)));
    private static final ModeWeek OUT = ModeWeek.USUAL.with(hour -> hour % 24 >= 8 && hour % 24 < 16, Mode.AWAY);
    private static final int WEEKS = 60;

    private static Watch watch(long id, double y, Set<Kind> kinds) {
        DeviceModel device = Catalogue.shipped().get("tarrowby-turn");
        Vision vision
                = new Vision(new Eye(new WallCrossings(FIELD), device.lens(), new CameraPose(0, y, 2.4, 90, 10)), device.mask(), Set.of());
        return new Watch(id, "Eye " + id, device, vision, List.of(), new WatchSetting(1, kinds, 10, 0), DetailLevel.DETECT, false);
    }

    private static Watch watch(long id) {
        return watch(id, 0, Set.of(Kind.ANY));
    }

    private static Source source(SourceKind kind, double anHour) {
        double[] hours = new double[Week.HOURS];
        Arrays.fill(hours, anHour);
        return new Source(kind, hours, List.of(new Source.Way("w", "way", ACROSS, 1, 0, kind == SourceKind.VISITOR ? "door" : "")));
    }

    private static WeekOutcome run(List<Watch> watches, Ringing ringing, Source... sources) {
        return new Weeks(FIELD, new Ground(FIELD), List.of(sources), watches, MILD, ringing, 11).run(WEEKS);
    }

    private static Ear ear(Set<Kind> kinds, Optional<QuietHours> quiet, int pause) {
        return new Ear(5, "Ann", Map.of(1L, kinds), quiet, pause);
    }

    private static Ringing ringing(AlertPlan plan, Ear... ears) {
        return new Ringing(plan, List.of(ears));
    }

    private static AlertPlan athome(Does does) {
        return new AlertPlan(OUT, Map.of(1L, Map.of(Mode.HOME, does)), Map.of(), List.of());
    }

    /** Clips are the same; who sleeps through a storm is told of less and of nothing more. */
    @Test
    void aLongerSnoozeNeverRingsMoreAndChangesNoClip() {
        double before = Double.MAX_VALUE;
        for (int minutes : List.of(0, 5, 30, 240)) {
            WeekOutcome out = run(List.of(watch(1)), ringing(AlertPlan.USUAL, new Ear(5, "Ann", Map.of(1L, Set.of(Kind.ANY)),
                    Optional.empty(), 0, minutes)), source(SourceKind.VISITOR, 200));
            assertThat(out.phones().get(0).rings().mean()).as(minutes + " min").isLessThan(before);
            before = out.phones().get(0).rings().mean();
            assertThat(out.cameras().get(0).clips().mean()).isEqualTo(run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL),
                    source(SourceKind.VISITOR, 200)).cameras().get(0).clips().mean());
        }
    }

    private static final Ear ALL = ear(Set.of(Kind.ANY), Optional.empty(), 0);

    @Test
    void aCameraThatIsOffMakesNoClipInThoseHours() {
        WeekOutcome always = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL), source(SourceKind.VISITOR, 2));
        WeekOutcome off = run(List.of(watch(1)), ringing(athome(Does.OFF), ALL), source(SourceKind.VISITOR, 2));
        assertThat(off.cameras().get(0).clips().mean()).isCloseTo(always.cameras().get(0).clips().mean() / 3, within(6.0));
        double[] byHour = off.cameras().get(0).byHour();
        for (int hour = 0; hour < Week.HOURS; hour++) {
            assertThat(byHour[hour] > 0).isEqualTo(OUT.at(hour) == Mode.AWAY);
        }
        assertThat(off.arrivals().get(0).recordedInHundred()).isCloseTo(33, within(3.0));
    }

    @Test
    void aCameraThatOnlyRecordsMakesTheSameClipsAndRingsNobody() {
        WeekOutcome always = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL), source(SourceKind.VISITOR, 2));
        WeekOutcome records = run(List.of(watch(1)), ringing(athome(Does.RECORDS), ALL), source(SourceKind.VISITOR, 2));
        assertThat(records.cameras().get(0).clips()).isEqualTo(always.cameras().get(0).clips());
        assertThat(records.arrivals().get(0).recordedInHundred()).isEqualTo(always.arrivals().get(0).recordedInHundred());
        assertThat(records.arrivals().get(0).toldInHundred()).isCloseTo(33, within(3.0));
        assertThat(records.rings().mean()).isCloseTo(always.rings().mean() / 3, within(6.0));
    }

    @Test
    void aPhoneThatSleepsDoesNotRingAndAnotherStillTells() {
        Ear sleeps = ear(Set.of(Kind.ANY), Optional.of(new QuietHours(22, 6)), 0);
        Ear awake = new Ear(6, "Bo", Map.of(1L, Set.of(Kind.ANY)), Optional.empty(), 0);
        WeekOutcome both = run(List.of(watch(1)), ringing(AlertPlan.USUAL, sleeps, awake), source(SourceKind.VISITOR, 2));
        WeekOutcome.OfPhone ann = both.phones().get(0);
        for (int hour = 0; hour < Week.HOURS; hour++) {
            assertThat(ann.byHour()[hour] > 0).isEqualTo(hour % 24 >= 6 && hour % 24 < 22);
        }
        assertThat(both.phones().get(1).rings()).isEqualTo(both.rings());
        assertThat(ann.rings().mean()).isCloseTo(both.rings().mean() * 2 / 3, within(6.0));
        assertThat(both.loudestPhone().orElseThrow().name()).isEqualTo("Bo");
        assertThat(both.missed())
                .isEqualTo(run(List.of(watch(1)), ringing(AlertPlan.USUAL, awake), source(SourceKind.VISITOR, 2)).missed());
    }

    /** A phone that rests τ between rings rings λ/(1 + λτ) times: dead time that goes on for nothing. */
    @Test
    void aPauseBetweenRingsIsADeadTime() {
        WeekOutcome rested = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ear(Set.of(Kind.ANY), Optional.empty(), 20)),
                source(SourceKind.PASSER_BY, 3));
        double clips = rested.cameras().get(0).clips().mean() / Week.HOURS;
        assertThat(rested.phones().get(0).rings().mean() / Week.HOURS).isCloseTo(clips / (1 + clips / 3), within(0.03));
    }

    @Test
    void aPhoneThatAsksForPeopleIsSilentAboutVehicles() {
        Ear people = ear(Set.of(Kind.PERSON), Optional.empty(), 0);
        WeekOutcome week = run(List.of(watch(1)), ringing(AlertPlan.USUAL, people), source(SourceKind.VEHICLE, 4));
        double clips = week.cameras().get(0).clips().mean();
        assertThat(week.rings().mean() / clips).isCloseTo(Kinds.VEHICLE_FOR_PERSON, within(0.01));
        assertThat(week.cameras().get(0).ringsByKind().getOrDefault(SourceKind.VEHICLE, 0.0)).isEqualTo(week.rings().mean());
        assertThat(week.cameras().get(0).byKind().get(SourceKind.VEHICLE)).isEqualTo(clips);
    }

    @Test
    void whereNobodyIsRungNothingRingsAndNobodyIsTold() {
        WeekOutcome week = run(List.of(watch(1)), ringing(AlertPlan.USUAL), source(SourceKind.VISITOR, 2));
        assertThat(week.rings().mean()).isZero();
        assertThat(week.arrivals().get(0).toldInHundred()).isZero();
        assertThat(week.arrivals().get(0).recordedInHundred()).isGreaterThan(90);
        assertThat(week.loudestPhone()).isEmpty();
    }

    @Test
    void aRuleMakesAnotherRecordAndRingsNobody() {
        // The second camera looks away from everybody: without the rule it has nothing.
        Watch away = watch(2, 500, Set.of(Kind.ANY));
        DeviceRule rule = new DeviceRule(1, Kind.ANY, DeviceRule.At.ALWAYS, DeviceRule.Act.RECORD, 2);
        Ringing with = ringing(AlertPlan.USUAL.withRules(List.of(rule)), ALL);
        WeekOutcome before = run(List.of(watch(1), away), ringing(AlertPlan.USUAL, ALL), source(SourceKind.VISITOR, 2));
        WeekOutcome after = run(List.of(watch(1), away), with, source(SourceKind.VISITOR, 2));
        assertThat(before.cameras().get(1).clips().mean()).isZero();
        assertThat(after.held().get(0).aWeek()).isCloseTo(after.cameras().get(0).clips().mean(), within(1e-9));
        assertThat(after.cameras().get(1).clips().mean()).isGreaterThan(0.9 * after.cameras().get(0).clips().mean());
        assertThat(after.rings()).isEqualTo(before.rings());
    }

    @Test
    void aRuleForTheDarkDoesNotHoldByDay() {
        DeviceRule siren = new DeviceRule(1, Kind.ANY, DeviceRule.At.DARK, DeviceRule.Act.SIREN, 1);
        WeekOutcome week = run(List.of(watch(1)), ringing(AlertPlan.USUAL.withRules(List.of(siren)), ALL), source(SourceKind.WILD, 2));
        assertThat(week.held()).extracting(WeekOutcome.OfRule::aWeek).containsExactly(0.0);
    }

    @Test
    void aRuleOfACameraThatIsGoneHoldsNever() {
        DeviceRule gone = new DeviceRule(9, Kind.ANY, DeviceRule.At.ALWAYS, DeviceRule.Act.SIREN, 1);
        WeekOutcome week = run(List.of(watch(1)), ringing(AlertPlan.USUAL.withRules(List.of(gone)), ALL), source(SourceKind.WILD, 2));
        assertThat(week.held()).isEmpty();
    }

    @Test
    void manyRingsInTwoMinutesAreAStorm() {
        WeekOutcome calm = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL), source(SourceKind.PASSER_BY, 1));
        WeekOutcome wild = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL), source(SourceKind.PASSER_BY, 240));
        assertThat(calm.phones().get(0).stormsAWeek()).isLessThan(0.1);
        assertThat(wild.phones().get(0).stormsAWeek()).isGreaterThan(100);
        WeekOutcome paused = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ear(Set.of(Kind.ANY), Optional.empty(), 1)),
                source(SourceKind.PASSER_BY, 240));
        assertThat(paused.phones().get(0).stormsAWeek()).isZero();
    }

    @Test
    void whatAPhoneIsSetToChangesNoClip() {
        WeekOutcome all = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ALL), source(SourceKind.VISITOR, 2));
        WeekOutcome some = run(List.of(watch(1)), ringing(AlertPlan.USUAL, ear(Set.of(Kind.PERSON), Optional.of(new QuietHours(1, 2)), 5)),
                source(SourceKind.VISITOR, 2));
        assertThat(some.cameras().get(0).clips()).isEqualTo(all.cameras().get(0).clips());
        assertThat(some.cameras().get(0).recordedS()).isEqualTo(all.cameras().get(0).recordedS());
    }
}
