package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Bell;
import roofnest.core.alert.Content;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Phone;
import roofnest.core.alert.QuietHours;
import roofnest.core.alert.ModeWeek;
import roofnest.core.catalogue.AlertSpec.Kind;
import roofnest.core.catalogue.BellSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.view.CameraPose;
import roofnest.core.week.Ear;

/** Whom cameras ring, as far as it was said. */
class EarsTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final Access.Person ANN = new Access.Person(1, "Ann", Access.Tie.LIVES_HERE, Optional.empty());
    private static final Access.Person BO = new Access.Person(2, "Bo", Access.Tie.LEFT, Optional.of(Judging.TODAY));

    private static Camera camera(long id, String model, CameraPose pose) {
        return new Camera(id, "Eye " + id, Judging.model(model), pose, Set.of(), Camera.Settings.DEFAULT, true, true, true,
                Optional.empty());
    }

    private static HouseholdFacts facts(Access access, Camera... cameras) {
        HouseholdFacts facts = Judging.facts(FIELD, List.of(), cameras);
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, access, List.of(), facts.climate(),
                facts.today(), false, List.of());
    }

    private static Access access(boolean alerts) {
        return new Access(List.of(ANN, BO), List.of(new Access.Grant(1, 7, Access.Role.OWNER, Optional.empty(), Optional.empty(), alerts),
                new Access.Grant(2, 8, Access.Role.OWNER, Optional.empty())));
    }

    private static final Camera FIRST = camera(7, "cairnlow-eave", new CameraPose(0, 0, 2.6, 0, 12));
    private static final Camera SECOND = camera(8, "cairnlow-eave", new CameraPose(0, 12, 2.6, 180, 12));

    @Test
    void aCameraThatNobodyWasGivenRingsAPhoneThatIsNobodysYet() {
        assertThat(Ears.of(facts(new Access(List.of(), List.of()), FIRST, SECOND)).ears()).singleElement()
                .satisfies(ear -> assertThat(ear.cameras()).containsOnlyKeys(7L, 8L));
        // Who has left does not count as given.
        assertThat(Ears.of(facts(access(true), FIRST, SECOND)).ears()).extracting(Ear::personId, ear -> ear.cameras().keySet())
                .containsExactly(org.assertj.core.groups.Tuple.tuple(1L, Set.of(7L)), org.assertj.core.groups.Tuple.tuple(0L, Set.of(8L)));
    }

    @Test
    void whereEverybodyWantsNoAlertsNothingRings() {
        assertThat(Ears.of(facts(access(false), FIRST)).ears()).isEmpty();
    }

    @Test
    void aPhoneIsRungAsItIsSet() {
        Phone phone = new Phone(Optional.of(new QuietHours(22, 6)), Content.TEXT, 15, Map.of(7L, Set.of(Kind.PERSON)));
        assertThat(Ears.of(facts(access(true), FIRST).withAlerts(AlertPlan.USUAL.withPhone(1, phone))).ears()).containsExactly(
                new Ear(1, "Ann", Map.of(7L, Set.of(Kind.PERSON)), Optional.of(new QuietHours(22, 6)), 15));
        Phone deaf = new Phone(Optional.empty(), Content.TEXT, 0, Map.of(7L, Set.of()));
        assertThat(Ears.of(facts(access(true), FIRST).withAlerts(AlertPlan.USUAL.withPhone(1, deaf))).ears()).isEmpty();
    }

    /** A bell whose phones are all quiet is heard by what chimes in the house, or by nobody. */
    @Test
    void aBellIsUnheardWhereEveryPhoneIsQuietAndNothingChimes() {
        Camera bell = camera(7, "pellan-knock", FIRST.pose());
        Phone night = new Phone(Optional.of(new QuietHours(22, 6)), Content.TEXT, 0, Map.of());
        HouseholdFacts chimes = facts(access(true), bell).withAlerts(AlertPlan.USUAL.withPhone(1, night));
        HouseholdJudge judge = HouseholdJudge.of(chimes);
        assertThat(judge.unheardBell(chimes, bell)).as("its hub chimes").containsOnly(false);
        Bell phones = new Bell(BellSpec.Chime.PHONES, Optional.of("We are out."), 20, List.of());
        HouseholdFacts silent = chimes.withAlerts(chimes.alerts().withBell(7, phones));
        assertThat(ModeWeek.said(judge.unheardBell(silent, bell))).isEqualTo("every day 0–6 h, 22–24 h");
        HouseholdFacts awake = silent.withAlerts(AlertPlan.USUAL.withBell(7, phones));
        assertThat(judge.unheardBell(awake, bell)).containsOnly(false);
        HouseholdFacts nobody = facts(access(false), bell).withAlerts(AlertPlan.USUAL.withBell(7, phones));
        assertThat(judge.unheardBell(nobody, bell)).as("nobody was given its alerts").containsOnly(true);
        assertThat(judge.unheardBell(silent, FIRST)).as("no bell").containsOnly(false);
        assertThat(SettingSheet.of(bell, silent.alerts())).filteredOn(step -> step.key().equals("message")).singleElement()
                .satisfies(step -> assertThat(step.value()).isEqualTo("after 20 s: We are out."));
    }

    @Test
    void aPictureThatSeesTheOthersLightMakesACircleAndASensorOfWarmthDoesNot() {
        List<DeviceRule> rules = List.of(rule(7, 8), rule(8, 7));
        HouseholdFacts facing = facts(access(true), FIRST, SECOND).withAlerts(AlertPlan.USUAL.withRules(rules));
        assertThat(HouseholdJudge.of(facing).circles(facing)).containsExactly(rules.subList(0, 1));
        List<DeviceRule> toWarmth = List.of(rule(7, 8), rule(8, 7));
        HouseholdFacts warm = facts(access(true), camera(7, "dunmark-post", FIRST.pose()), camera(8, "dunmark-post", SECOND.pose()))
                .withAlerts(AlertPlan.USUAL.withRules(toWarmth));
        assertThat(HouseholdJudge.of(warm).circles(warm)).isEmpty();
        HouseholdFacts apart = facts(access(true), FIRST, camera(8, "cairnlow-eave", new CameraPose(0, -60, 2.6, 180, 12)))
                .withAlerts(AlertPlan.USUAL.withRules(List.of(rule(7, 8))));
        assertThat(HouseholdJudge.of(apart).circles(apart)).as("behind it").isEmpty();
        HouseholdFacts gone = facts(access(true), FIRST).withAlerts(AlertPlan.USUAL.withRules(rules));
        assertThat(HouseholdJudge.of(gone).circles(gone)).isEmpty();
    }

    private static DeviceRule rule(long when, long then) {
        return new DeviceRule(when, Kind.ANY, DeviceRule.At.DARK, DeviceRule.Act.LIGHT, then);
    }
}
