package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.week.HouseKind;
import roofnest.core.week.SourceKind;

/** A round of views: who is looked at is seen, who comes behind it is missed. */
class PatrolTest {
    private static final HousePlan YARD = HousePlan.blank("yard", 50)
            .withPlaces(List.of(new Place("n", "north door", new PlanPoint(0, 4), 0),
                    new Place("s", "south door", new PlanPoint(0, -4), 0)))
            .withPaths(List.of(
                    new Walk("to-n", "from the north-west", List.of(new PlanPoint(-6, 5), new PlanPoint(0, 4))),
                    new Walk("to-s", "from the south-west", List.of(new PlanPoint(-6, -5), new PlanPoint(0, -4)))));
    private static final Promise NORTH = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "n", Light.DAY);
    private static final Promise SOUTH = new Promise.MakeOut(PromiseKey.written(2), DetailLevel.DETECT, "s", Light.DAY);
    private static final Patrol.View LOOKS_NORTH = new Patrol.View("north", 0, 15, 30);
    private static final Patrol.View LOOKS_SOUTH = new Patrol.View("south", 180, 15, 30);

    private static Camera turn() {
        return new Camera(7, "Turn", Judging.model("tarrowby-turn"), new CameraPose(0, 0, 2.6, 0, 15), Set.of(), Camera.Settings.DEFAULT,
                true,
                true, true, Optional.empty());
    }

    private static HouseholdFacts facts() {
        HouseholdFacts facts = Judging.facts(YARD, List.of(NORTH, SOUTH), turn());
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, facts.access(), List.of(),
                facts.climate(), facts.today(), false, List.of(), facts.practice(),
                new ComingsAndGoings(HouseKind.VILLAGE, Map.of(SourceKind.VISITOR, 10.0, SourceKind.POST, 0.0)));
    }

    private static Patrol patrol(Patrol.View... views) {
        HouseholdFacts facts = facts();
        return HouseholdJudge.of(facts).patrol(facts, turn(), List.of(views)).orElseThrow();
    }

    private static Patrol.Kept kept(Patrol patrol, Promise promise) {
        return patrol.promises().stream().filter(kept -> kept.key().equals(promise.key())).findFirst().orElseThrow();
    }

    @Test
    void eachViewKeepsItsOwnPromises() {
        Patrol round = patrol(LOOKS_NORTH, LOOKS_SOUTH);
        assertThat(kept(round, NORTH).standings()).containsExactly(Standing.KEPT, Standing.BROKEN);
        assertThat(kept(round, SOUTH).standings()).containsExactly(Standing.BROKEN, Standing.KEPT);
        assertThat(kept(round, NORTH).share()).isEqualTo(30 / 68.0);
    }

    /** What another camera keeps anyway is none of its doing, and what it shows though it must not is. */
    @Test
    void aPromiseToWhichItMakesNoDifferenceIsNotTold() {
        HousePlan next = YARD.withAreas(List.of(new Area("next", "next door", Area.Kind.NEIGHBOUR, List.of(new PlanPoint(-6, -7),
                new PlanPoint(6, -7), new PlanPoint(6, -12), new PlanPoint(-6, -12)))));
        Promise never = new Promise.NeverShows(PromiseKey.written(3), "next");
        Camera other = new Camera(8, "Other", Judging.model("dunmark-post"), new CameraPose(3, 0, 2.6, 323, 15), Set.of(),
                Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        HouseholdFacts facts = Judging.facts(next, List.of(NORTH, SOUTH, never), turn(), other);
        Patrol round = HouseholdJudge.of(facts).patrol(facts, turn(), List.of(LOOKS_NORTH, LOOKS_SOUTH)).orElseThrow();
        assertThat(round.promises()).extracting(Patrol.Kept::key).containsExactlyInAnyOrder(SOUTH.key(), never.key());
        assertThat(kept(round, never).standings()).containsExactly(Standing.KEPT, Standing.BROKEN);
        assertThat(kept(round, never).share()).isCloseTo(38 / 68.0, within(1e-9));
    }

    @Test
    void sharesOfTheRoundAddUpWithTheTurning() {
        Patrol round = patrol(LOOKS_NORTH, new Patrol.View("south", 180, 15, 60));
        assertThat(round.views()).extracting(Patrol.Seen::share).containsExactly(30 / 98.0, 60 / 98.0);
        assertThat(round.turningShare()).isEqualTo(8 / 98.0);
        assertThat(patrol(LOOKS_NORTH).turningShare()).isZero();
        assertThat(patrol(LOOKS_NORTH).views().get(0).share()).isEqualTo(1);
    }

    @Test
    void whoComesWhileItLooksElsewhereIsMissed() {
        Patrol parked = patrol(LOOKS_NORTH);
        Patrol round = patrol(LOOKS_NORTH, LOOKS_SOUTH);
        double parkedNorth = told(parked, "n").onRound();
        assertThat(parkedNorth).isGreaterThan(50);
        assertThat(told(parked, "s").onRound()).isLessThan(20);
        assertThat(told(round, "n").best()).isCloseTo(parkedNorth, within(1e-9));
        assertThat(told(round, "n").bestView()).isEqualTo("north");
        assertThat(told(round, "s").bestView()).isEqualTo("south");
        // Half of the round less the turns, and nothing while it turns.
        assertThat(told(round, "n").onRound()).isCloseTo(30 / 68.0 * (parkedNorth + told(patrol(LOOKS_SOUTH), "n").onRound()),
                within(1e-6));
        assertThat(told(round, "n").onRound()).isLessThan(parkedNorth);
    }

    private static Patrol.Arriving told(Patrol patrol, String place) {
        return patrol.arrivals().stream().filter(each -> each.placeId().equals(place)).findFirst().orElseThrow();
    }

    @Test
    void aRoundOfNothingIsRefused() {
        assertThatThrownBy(() -> patrol()).hasMessageContaining("views");
        assertThatThrownBy(() -> new Patrol.View("x", 0, 0, 4)).hasMessageContaining("seconds at a view");
        assertThatThrownBy(() -> new Patrol.View("x", Double.NaN, 0, 40)).hasMessageContaining("heading");
    }
}
