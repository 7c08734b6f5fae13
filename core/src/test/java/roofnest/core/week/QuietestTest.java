package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.Houses;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec.Kind;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Projection;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

/** The bungalow on the road whose phone rings all day: what its camera's own settings can do about it. */
class QuietestTest {
    private static final HousePlan PLAN = Houses.plan("bungalow");
    private static final Ground GROUND = new Ground(PLAN);
    private static final List<Source> SOURCES = new Sources(PLAN, Rates.shipped(), HouseKind.LANE, Map.of()).all();

    private static Conditions mild() {
        boolean[] dark = new boolean[24];
        Arrays.fill(dark, 0, 7, true);
        Arrays.fill(dark, 19, 24, true);
        return Conditions.of(3, 9, 7, dark);
    }

    private static Watch eye(String model, CameraPose pose) {
        DeviceModel device = Catalogue.shipped().get(model);
        return new Watch(4, "Road eye", device, Vision.unmasked(new Eye(new WallCrossings(PLAN), device.lens(), pose)), List.of(),
                WatchSetting.usual(device.alerts(), 30, device.alerts().coolDownSeconds().get(0)), DetailLevel.OBSERVE, false);
    }

    private static Quietest.Found found(Watch watch) {
        return new Quietest(PLAN, GROUND, SOURCES, watch, mild(), 5).find();
    }

    private static final CameraPose ROAD = new CameraPose(3.2, -0.35, 2.4, 215, 10);

    @Test
    void hundreds_of_rings_from_the_road_become_a_handful_with_hardly_an_arrival_missed() {
        for (String model : List.of("dunmark-post", "cairnlow-eave")) {
            Quietest.Found found = found(eye(model, ROAD));
            assertThat(found.arrivals()).as("who come to the door").isGreaterThan(60);
            assertThat(found.now().ringsADay()).as(model + " as it comes").isGreaterThan(100);
            assertThat(found.middle().ringsADay()).as(model + " " + found.middle()).isLessThan(found.now().ringsADay() / 8);
            assertThat(found.quiet().ringsADay()).isLessThanOrEqualTo(found.middle().ringsADay());
            assertThat(found.watchful().missedInHundred()).isLessThanOrEqualTo(found.middle().missedInHundred());
            assertThat(found.quiet().missedInHundred()).isLessThanOrEqualTo(Quietest.QUIET_MISSES);
            assertThat(found.quiet().zoning()).as("the road is zoned out").isEqualTo(Quietest.Zoning.FOUND);
        }
    }

    @Test
    void no_setting_of_the_front_is_beaten_by_another_that_was_tried() {
        Quietest.Found found = found(eye("dunmark-post", ROAD));
        assertThat(found.all()).hasSizeGreaterThan(40).contains(found.now());
        assertThat(found.front()).isNotEmpty().isSortedAccordingTo((a, b) -> Double.compare(a.ringsADay(), b.ringsADay()));
        for (Quietest.Choice choice : found.front()) {
            assertThat(found.all()).noneMatch(other -> other.ringsADay() < choice.ringsADay()
                    && other.missedInHundred() <= choice.missedInHundred());
            assertThat(choice.setting().sensitivity()).isLessThan(3);
            assertThat(Catalogue.shipped().get("dunmark-post").alerts().coolDownSeconds()).contains(choice.setting().coolDownSeconds());
        }
        for (int i = 1; i < found.front().size(); i++) {
            assertThat(found.front().get(i).missedInHundred()).isLessThan(found.front().get(i - 1).missedInHundred());
        }
    }

    @Test
    void only_what_the_model_offers_is_tried() {
        Quietest.Found plain = found(eye("pellan-drift", ROAD));
        assertThat(plain.all()).as("it has no zones").allSatisfy(choice -> assertThat(choice.zoning()).isNotEqualTo(Quietest.Zoning.FOUND));
        Quietest.Found one = found(eye("tarrowby-turn", ROAD));
        assertThat(one.all()).as("it tells no kinds")
                .allSatisfy(choice -> assertThat(choice.setting().kinds()).isEqualTo(Set.of(Kind.ANY)));
    }

    private static Quietest.Found found(Watch watch, AlertPlan alerts, Quietest.Pack pack) {
        return new Quietest(PLAN, GROUND, SOURCES, watch, mild(), alerts, pack, 5).find();
    }

    private static final Quietest.Pack PACK = (clips, seconds, dark) -> OptionalDouble.of(5000 / (1 + clips + seconds / 10));

    /** By night and while nobody is at home whoever comes is the one that matters; ordinary weeks do not hold them. */
    @Test
    void silentHoursAreOfferedByDaylightAndWhileSomebodyIsAtHomeOnly() {
        AlertPlan out = AlertPlan.USUAL.withWeek(ModeWeek.USUAL.with(hour -> hour < 120 && hour % 24 >= 9 && hour % 24 < 12, Mode.AWAY));
        Quietest.Found found = found(eye("dunmark-post", ROAD), out, PACK);
        List<QuietHours> silent = found.all().stream().flatMap(choice -> choice.silent().stream()).distinct().toList();
        assertThat(silent).isNotEmpty().allSatisfy(hours -> {
            for (int hour = 0; hour < 24; hour++) {
                assertThat(hours.covers(hour) && (hour < 7 || hour >= 19)).as(hours.words() + " in the dark").isFalse();
                assertThat(hours.covers(hour) && hour >= 9 && hour < 12).as(hours.words() + " with nobody at home").isFalse();
            }
        });
    }

    @Test
    void silenceRingsLessAndMissesNoFewerAndTakesNothingFromThePack() {
        Quietest.Found found = found(eye("dunmark-post", ROAD), AlertPlan.USUAL, PACK);
        for (Quietest.Choice choice : found.front().stream().filter(each -> each.silent().isPresent()).toList()) {
            Quietest.Choice loud = found.all().stream().filter(each -> each.silent().isEmpty() && each.setting().equals(choice.setting())
                    && each.zones().equals(choice.zones())).findFirst().orElseThrow();
            assertThat(choice.ringsADay()).isLessThanOrEqualTo(loud.ringsADay());
            assertThat(choice.missedInHundred()).isGreaterThanOrEqualTo(loud.missedInHundred());
            assertThat(choice.packDays()).isEqualTo(loud.packDays());
        }
        assertThat(found.tried()).isGreaterThan(found.all().size());
    }

    /** Three axes: every choice of the front is beaten by none in all three, and some lie behind the line of two. */
    @Test
    void daysOfThePackAreAnAxisOfTheFront() {
        Quietest.Found flat = found(eye("dunmark-post", ROAD), AlertPlan.USUAL, (clips, seconds, dark) -> OptionalDouble.empty());
        Quietest.Found packed = found(eye("dunmark-post", ROAD), AlertPlan.USUAL, PACK);
        assertThat(packed.front().size()).isGreaterThan(flat.front().size());
        for (Quietest.Choice choice : packed.front()) {
            assertThat(packed.all()).noneMatch(other -> other.ringsADay() <= choice.ringsADay()
                    && other.missedInHundred() <= choice.missedInHundred()
                    && Math.floor(other.packDays().orElseThrow()) > Math.floor(choice.packDays().orElseThrow()));
        }
        assertThat(packed.middle().missedInHundred()).isLessThanOrEqualTo(Math.max(Quietest.QUIET_MISSES,
                packed.watchful().missedInHundred()));
    }

    /** The same setting, drawn as a thousand whole weeks. */
    @Test
    void what_a_setting_is_said_to_ring_is_what_its_weeks_ring() {
        Watch watch = eye("dunmark-post", ROAD);
        Quietest.Choice middle = found(watch).middle();
        WeekOutcome weeks = new Weeks(PLAN, GROUND, SOURCES, List.of(watch.withZones(middle.zones()).with(middle.setting())), mild(), 9)
                .run(400);
        assertThat(weeks.rings().aDay()).isCloseTo(middle.ringsADay(), within(0.1 * weeks.rings().aDay() + 0.3));
        assertThat(100 - weeks.arrivals().get(0).toldInHundred()).isCloseTo(middle.missedInHundred(), within(4.0));
    }

    @Test
    void zones_that_are_found_hold_the_way_to_the_door_and_none_of_the_road() {
        Watch watch = eye("cairnlow-eave", ROAD);
        List<Zone> zones = FoundZones.of(watch, SOURCES, GROUND);
        assertThat(zones).isNotEmpty().hasSizeLessThanOrEqualTo(4)
                .allSatisfy(zone -> assertThat(zone.corners()).hasSizeLessThanOrEqualTo(Zone.MOST_CORNERS));
        assertThat(inZone(watch, zones, 1.3, -2.5)).as("on the path").isTrue();
        assertThat(inZone(watch, zones, 1.3, -8)).as("on the far lane").isFalse();
        assertThat(inZone(watch, zones, 3, -6)).as("on the near lane").isFalse();
        assertThat(FoundZones.of(eye("pellan-drift", ROAD), SOURCES, GROUND)).as("a model without zones").isEmpty();
        assertThat(FoundZones.of(eye("cairnlow-eave", new CameraPose(5, 7.6, 2.4, 0, 12)), SOURCES, GROUND))
                .as("behind the house nothing has to be kept out").isEmpty();
    }

    private static boolean inZone(Watch watch, List<Zone> zones, double x, double y) {
        Projection.Pixel pixel = watch.vision().sees(x, y, 1.05).orElseThrow();
        return zones.stream().anyMatch(zone -> zone.contains(pixel, watch.vision().eye().lens()));
    }

    @Test
    void a_camera_that_nobody_comes_by_misses_nobody_and_is_said_to_have_had_none() {
        Quietest.Found found = found(eye("dunmark-post", new CameraPose(5, 7.6, 2.4, 0, 12)));
        assertThat(found.arrivals()).isZero();
        assertThat(found.now().missedInHundred()).isZero();
        assertThat(found.front()).hasSize(1);
        assertThat(found.quiet()).isEqualTo(found.watchful()).isEqualTo(found.middle());
    }
}
