package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.TODAY;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.model;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.Survival;

/** What a theft leaves, and who has to change what. */
class TheftTest {
    private static final CloudPlan PLAN = new CloudPlan(1, "Watch", "Dunmark", 349, 1, 14, 60, Set.of());

    private static Camera joined(long id, String key, int cardGb) {
        return new Camera(id, "Eye " + id, model(key), door(), Set.of(), Camera.Settings.DEFAULT.withCardGb(cardGb), true, true, true,
                Optional.empty());
    }

    private static Theft.Taken taken(Set<Long> cameras, Set<String> hubs, boolean router) {
        return new Theft.Taken(cameras, hubs, router, false, TODAY);
    }

    private static FootagePlan footage(Map<Long, Keeping> cameras, Map<String, Integer> hubs) {
        return new FootagePlan(cameras, hubs, 0, OptionalDouble.empty());
    }

    private static Theft.Left left(Theft theft, long camera) {
        return theft.left().stream().filter(each -> each.camera() == camera).findFirst().orElseThrow();
    }

    private static String changes(Theft theft) {
        return String.join(" | ", theft.changes().stream().map(change -> change.who() + ": " + change.what() + " " + change.why())
                .toList());
    }

    @Test
    void aCardThatWentWithItsCameraLeavesNothingAndOneThatStayedDoes() {
        HouseholdFacts facts = facts(HOUSE, List.of(), joined(7, "dunmark-post", 64), joined(8, "dunmark-post", 64));
        Theft theft = Theft.of(facts, taken(Set.of(7L), Set.of(), false));
        assertThat(left(theft, 7).place()).isEmpty();
        assertThat(left(theft, 7).taken()).isTrue();
        assertThat(left(theft, 8).place()).contains(Survival.Place.CARD);
        assertThat(left(theft, 8).until()).as("it goes on over what it holds").hasValueSatisfying(day -> assertThat(day).isAfter(TODAY));
        assertThat(changes(theft)).contains("Leave what is gone in the account", "Change the Wi-Fi password", "read out of Eye 7",
                "card of Eye 7", "ask").doesNotContain("Eye 8", "ID of");
    }

    /** What is on a hub whose only camera is gone is written over by nobody; of two, by the other. */
    @Test
    void aHubOutlivesItsCamera() {
        FootagePlan hub = footage(Map.of(), Map.of("pellan-perch", 64));
        Theft alone = Theft.of(facts(HOUSE, List.of(), joined(7, "pellan-drift", 0)).withFootage(hub), taken(Set.of(7L), Set.of(), false));
        assertThat(left(alone, 7).place()).contains(Survival.Place.HUB);
        assertThat(left(alone, 7).lostS()).isEqualTo(Survival.HUB_LAG_S);
        assertThat(left(alone, 7).until()).isEmpty();
        assertThat(changes(alone)).as("it never knew the Wi-Fi, its hub does").doesNotContain("Wi-Fi password");
        HouseholdFacts two = facts(HOUSE, List.of(), joined(7, "pellan-drift", 0), joined(8, "pellan-drift", 0)).withFootage(hub);
        assertThat(left(Theft.of(two, taken(Set.of(7L), Set.of(), false)), 7).until()).isPresent();
        Theft both = Theft.of(two, taken(Set.of(), Set.of("pellan-perch"), false));
        assertThat(left(both, 7).place()).as("it hangs there still, and its footage is gone").isEmpty();
        assertThat(left(both, 7).taken()).isFalse();
        assertThat(changes(both)).contains("Change the Wi-Fi password", "read out of the hub.");
    }

    @Test
    void aPlanKeepsItForItsDays() {
        HouseholdFacts facts = facts(HOUSE, List.of(), joined(7, "dunmark-post", 64)).withFootage(footage(Map.of(7L, new Keeping(
                Keeping.When.EVENT, 0, 0, false, false, Optional.of(PLAN))), Map.of()));
        Theft theft = Theft.of(facts, taken(Set.of(7L), Set.of(), false));
        assertThat(left(theft, 7).place()).contains(Survival.Place.CLOUD);
        assertThat(left(theft, 7).until()).contains(TODAY.plusDays(14));
        assertThat(left(theft, 7).lostS()).isPositive();
    }

    @Test
    void aRouterThatIsGoneKnowsItsPasswordAndOneWhoseIdWasToldIsWarnedOf() {
        HouseholdFacts facts = facts(HOUSE, List.of(), joined(7, "vellin-dome", 0), joined(8, "dunmark-post", 64));
        assertThat(changes(Theft.of(facts, taken(Set.of(), Set.of(), true)))).contains("new Wi-Fi password, not the old", "the router")
                .doesNotContain("Leave what is gone");
        assertThat(changes(Theft.of(facts, taken(Set.of(7L), Set.of(), false)))).contains("told the ID of Eye 7").doesNotContain(
                "on the card");
    }

    @Test
    void nothingTakenChangesNothingAndWhatIsNotThereCannotBeTaken() {
        HouseholdFacts facts = facts(HOUSE, List.of(), joined(7, "dunmark-post", 64));
        assertThat(Theft.of(facts, taken(Set.of(), Set.of(), false)).changes()).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> Theft.of(facts, taken(Set.of(9L), Set.of(), false)));
    }

    /** A camera that never joined recorded nothing that could be left. */
    @Test
    void whatNeverJoinedHasNoFootageAndKnowsNoWifi() {
        Camera planned = new Camera(7, "Eye 7", model("dunmark-post"), door(), Set.of(), Camera.Settings.DEFAULT.withCardGb(0), false,
                false, true, Optional.empty());
        Theft theft = Theft.of(facts(HOUSE, List.of(), planned), taken(Set.of(7L), Set.of(), false));
        assertThat(theft.left()).isEmpty();
        assertThat(changes(theft)).doesNotContain("Wi-Fi", "account");
    }
}
