package roofnest.core.spots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

class FirstSpotTest {
    private static final DeviceModel EAVE = Catalogue.shipped().get("cairnlow-eave");
    private static final HousePlan HOUSE = WeirSteps.plan();
    private static final Promise DOOR = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.OBSERVE, "lane-door", Light.DAY);
    private static final Promise HIVES = new Promise.MakeOut(PromiseKey.written(2), DetailLevel.OBSERVE, "hives", Light.DAY);

    @Test
    void the_first_camera_keeps_the_first_promise_and_the_second_the_next() {
        HouseholdFacts none = facts(List.of(DOOR, HIVES), List.of());
        FirstSpot.Spot first = FirstSpot.of(HouseholdJudge.of(none), none, EAVE);
        assertThat(first.promise()).contains(DOOR.key());
        HouseholdFacts one = facts(List.of(DOOR, HIVES), List.of(camera(1, first.pose())));
        assertThat(standing(one, DOOR)).isIn(Standing.KEPT, Standing.THIN);
        FirstSpot.Spot second = FirstSpot.of(HouseholdJudge.of(one), one, EAVE);
        assertThat(second.promise()).contains(HIVES.key());
        HouseholdFacts two = facts(List.of(DOOR, HIVES), List.of(camera(1, first.pose()), camera(2, second.pose())));
        assertThat(standing(two, HIVES)).isIn(Standing.KEPT, Standing.THIN);
        assertThat(second.pose().onPlan().distanceM(first.pose().onPlan())).isGreaterThanOrEqualTo(FirstSpot.APART_M);
    }

    /** Nothing is wanting any more, and still no two cameras are put in one place, however many come. */
    @Test
    void whatever_comes_then_hangs_beside_the_others_and_looks_at_the_first_place() {
        List<Camera> cameras = new ArrayList<>();
        PlanPoint watched = HOUSE.places().get(0).at();
        for (int i = 1; i <= 12; i++) {
            HouseholdFacts facts = facts(List.of(), cameras);
            FirstSpot.Spot spot = FirstSpot.of(HouseholdJudge.of(facts), facts, EAVE);
            assertThat(spot.promise()).isEmpty();
            assertThat(spot.pose().headingDeg()).isCloseTo(spot.pose().onPlan().headingToDeg(watched), within(1e-6));
            assertThat(cameras).allSatisfy(other -> assertThat(other.pose().onPlan().distanceM(spot.pose().onPlan()))
                    .isGreaterThanOrEqualTo(FirstSpot.APART_M - 1e-9));
            cameras.add(camera(i, spot.pose()));
        }
        CameraPose first = cameras.get(0).pose();
        assertThat(HOUSE.walls()).anySatisfy(wall -> assertThat(Segments.distanceM(first.onPlan(), wall.from(), wall.to()))
                .isLessThan(wall.thicknessM() / 2 + 0.2));
    }

    @Test
    void two_that_share_a_spot_hang_side_by_side_on_the_same_wall() {
        CameraPose pose = FirstSpot.of(HouseholdJudge.of(facts(List.of(), List.of())), facts(List.of(), List.of()), EAVE).pose();
        List<Camera> cameras = new ArrayList<>(List.of(camera(1, pose)));
        for (int i = 2; i <= 4; i++) {
            CameraPose next = FirstSpot.beside(HOUSE, pose, cameras).orElseThrow();
            assertThat(next.headingDeg()).isEqualTo(pose.headingDeg());
            assertThat(next.heightM()).isEqualTo(pose.heightM());
            assertThat(HOUSE.nearestWall(next.onPlan())).isEqualTo(HOUSE.nearestWall(pose.onPlan()));
            assertThat(cameras).allSatisfy(other -> assertThat(other.pose().onPlan().distanceM(next.onPlan()))
                    .isGreaterThanOrEqualTo(FirstSpot.APART_M - 1e-9));
            cameras.add(camera(i, next));
        }
        assertThat(FirstSpot.beside(HOUSE.withWalls(List.of()), pose, cameras)).as("no wall, no beside").isEmpty();
    }

    /** What no spot keeps is passed over for what one does. */
    @Test
    void a_promise_that_no_spot_keeps_holds_up_no_other() {
        Promise hopeless = new Promise.MakeOut(PromiseKey.written(9), DetailLevel.OBSERVE, "nowhere", Light.DAY);
        HouseholdFacts facts = facts(List.of(hopeless, DOOR), List.of());
        assertThat(FirstSpot.of(HouseholdJudge.of(facts), facts, EAVE).promise()).contains(DOOR.key());
    }

    @Test
    void a_house_without_walls_or_places_has_room_for_a_camera_too() {
        HousePlan field = HOUSE.withWalls(List.of()).withPlaces(List.of());
        assertThat(FirstSpot.onTheWall(field, List.of()).heightM()).isEqualTo(2.4);
    }

    private static Standing standing(HouseholdFacts facts, Promise promise) {
        return HouseholdJudge.judge(facts).promises().stream().filter(judged -> judged.promise().key().equals(promise.key())).findFirst()
                .orElseThrow().finding().standing();
    }

    private static Camera camera(long id, CameraPose pose) {
        return new Camera(id, "Eye " + id, EAVE, pose, Set.of(), Camera.Settings.DEFAULT, false, false, false, Optional.empty());
    }

    private static HouseholdFacts facts(List<Promise> written, List<Camera> cameras) {
        HomeNetwork network = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
        return new HouseholdFacts(Optional.of(HOUSE), cameras, written, Optional.of(network), 9, new Access(List.of(), List.of()),
                List.of(),
                Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
    }
}
