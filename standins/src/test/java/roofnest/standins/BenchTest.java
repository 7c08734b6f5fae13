package roofnest.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.Sight;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Step;

class BenchTest {
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final long BOOT_MS = POST.setUp().bootSeconds() * 1000L;
    private static final long JOIN_MS = POST.setUp().joinSeconds() * 1000L;
    private static final long GIVE_UP_MS = POST.setUp().giveUpSeconds() * 1000L;

    private final List<BenchAct> acts = new ArrayList<>();
    private Place place = Place.plain("weirhouse");
    private long clockMs;

    @Test
    void the_plain_way_joins_after_the_catalogues_times() {
        hands(HandsOn.POWER_ON);
        assertThat(at(clockMs).deviceState()).isEqualTo(DeviceState.BOOTING);
        assertThat(at(clockMs).nextChange()).hasValueSatisfying(change -> assertThat(change.atMs()).isEqualTo(BOOT_MS));
        assertThat(at(BOOT_MS - 1).deviceState()).isEqualTo(DeviceState.BOOTING);
        assertThat(at(BOOT_MS).deviceState()).isEqualTo(DeviceState.READY);
        pass(BOOT_MS);
        hands(HandsOn.JOIN_HOTSPOT);
        assertThat(at(clockMs).phoneWifi()).startsWith("POST-");
        hands(HandsOn.SEND_DETAILS);
        assertThat(at(clockMs).deviceState()).isEqualTo(DeviceState.JOINING);
        assertThat(at(clockMs + JOIN_MS).deviceState()).isEqualTo(DeviceState.JOINED);
        pass(JOIN_MS);
        hands(HandsOn.PHONE_HOME);
        assertThat(at(clockMs).phoneSays()).isEqualTo("Live picture");
        assertThat(at(clockMs).deviceCue()).isEqualTo(POST.setUp().cues().get(DeviceState.JOINED));
    }

    /** What a person could see before anything is sent, the bench shows: bars, the phone's band, another monitor. */
    @Test
    void what_bars_the_way_is_to_be_seen_until_it_is_put_right() {
        assertThat(at(0).bars()).isEqualTo(3);
        assertThat(at(0).otherMonitorOn() || at(0).phoneOnBand5()).isFalse();
        place = place.oneBar();
        assertThat(at(0).bars()).isEqualTo(1);
        hands(HandsOn.LOOK_OVER);
        assertThat(at(clockMs).sight()).contains(Sight.TOO_FAR);
        hands(HandsOn.COME_NEARER);
        assertThat(at(clockMs).bars()).isEqualTo(3);
        acts.add(new BenchAct.Set(clockMs, Fault.PHONE_ON_5));
        acts.add(new BenchAct.Set(clockMs, Fault.OTHER_MONITOR));
        assertThat(at(clockMs).otherMonitorOn() && at(clockMs).phoneOnBand5()).isTrue();
        acts.add(new BenchAct.Hands(clockMs, HandsOn.MONITOR_OFF, Way.PHONE_CODE));
        assertThat(at(clockMs).otherMonitorOn()).isFalse();
    }

    @Test
    void one_wrong_character_brings_the_waiting_light_back_and_the_second_try_joins() {
        acts.add(new BenchAct.Set(0, Fault.PASSWORD_MISTYPED));
        ready();
        hands(HandsOn.JOIN_HOTSPOT);
        hands(HandsOn.SEND_DETAILS);
        assertThat(at(clockMs + JOIN_MS).deviceState()).isEqualTo(DeviceState.JOINING);
        assertThat(at(clockMs + GIVE_UP_MS).deviceState()).isEqualTo(DeviceState.READY);
        pass(GIVE_UP_MS);
        hands(HandsOn.REMOVE_HALF_ADDED);
        hands(HandsOn.JOIN_HOTSPOT);
        hands(HandsOn.SEND_DETAILS);
        assertThat(at(clockMs + JOIN_MS).deviceState()).isEqualTo(DeviceState.JOINED);
    }

    @Test
    void a_phone_that_falls_back_stays_once_auto_join_is_off() {
        acts.add(new BenchAct.Set(0, Fault.PHONE_FALLS_BACK));
        ready();
        hands(HandsOn.JOIN_HOTSPOT);
        assertThat(at(clockMs).phoneWifi()).isEqualTo("weirhouse");
        hands(HandsOn.STOP_AUTO_JOIN);
        assertThat(at(clockMs).phoneWifi()).startsWith("POST-");
        assertThat(at(clockMs).phoneAutoJoin()).isFalse();
    }

    @Test
    void details_sent_from_the_wrong_network_never_arrive() {
        ready();
        hands(HandsOn.SEND_DETAILS);
        assertThat(at(clockMs + GIVE_UP_MS).deviceState()).isEqualTo(DeviceState.READY);
        assertThat(at(clockMs).phoneSays()).isEqualTo("Not connected to the camera");
    }

    @Test
    void no_camera_network_is_listed_before_the_ready_light() {
        hands(HandsOn.POWER_ON);
        hands(HandsOn.JOIN_HOTSPOT);
        assertThat(at(clockMs).phoneSays()).contains("No such network");
    }

    @Test
    void a_house_that_does_not_suit_the_model_never_lets_it_in() {
        place = Place.plain("Wéir & Mill").suiting(false);
        ready();
        hands(HandsOn.JOIN_HOTSPOT);
        hands(HandsOn.SEND_DETAILS);
        assertThat(at(clockMs + GIVE_UP_MS).deviceState()).isEqualTo(DeviceState.READY);
    }

    @Test
    void the_same_acts_give_the_same_bench() {
        ready();
        hands(HandsOn.JOIN_HOTSPOT);
        assertThat(at(clockMs)).usingRecursiveComparison().isEqualTo(at(clockMs));
    }

    @Test
    void the_cloud_is_repeatable_and_slowest_on_its_first_relay() {
        CloudStandIn cloud = new CloudStandIn(5);
        double first = cloud.liveAwaySeconds(POST, true);
        double later = cloud.liveAwaySeconds(POST, false);
        assertThat(first).isGreaterThan(later);
        assertThat(new CloudStandIn(5).liveAwaySeconds(POST, true)).isEqualTo(first, within(0.0));
        assertThat(cloud.alertSeconds(POST, 0.3)).isGreaterThan(cloud.alertSeconds(POST, 20));
        assertThat(cloud.liveAtHomeSeconds(POST)).isLessThan(later);
    }

    private void ready() {
        hands(HandsOn.POWER_ON);
        pass(BOOT_MS);
    }

    /** Whatever a run tells a person to do, hands on the stand-ins can do, in every way in and on every model that has it. */
    @Test
    void every_act_of_every_way_is_known_to_the_stand_ins() {
        Set<Way> tried = EnumSet.noneOf(Way.class);
        for (DeviceModel model : Catalogue.shipped().models()) {
            for (PairingMethod method : model.setUp().methods()) {
                tried.add(method.way());
                for (Step step : Scripts.of(method.way(), model, "weirhouse").steps()) {
                    step.act().ifPresent(act -> {
                        List<BenchAct> one = List.of(new BenchAct.Hands(0, act, method.way()));
                        assertThatCode(() -> Bench.replay(model, Place.plain("weirhouse"), one, 1000))
                                .as(model.key() + " by " + method.way() + " at " + step.id()).doesNotThrowAnyException();
                    });
                }
            }
        }
        assertThat(tried).containsExactlyInAnyOrder(Way.values());
        assertThatThrownBy(
                () -> Bench.replay(POST, Place.plain("weirhouse"), List.of(new BenchAct.Hands(0, HandsOn.SHOW_CODE, Way.HOTSPOT)), 0))
                .as("what is not done in a way is not taken").isInstanceOf(IllegalStateException.class);
    }

    private void pass(long ms) {
        clockMs += ms;
        acts.add(new BenchAct.Waited(clockMs));
    }

    private void hands(HandsOn act) {
        acts.add(new BenchAct.Hands(clockMs, act, Way.HOTSPOT));
    }

    private Bench at(long ms) {
        return Bench.replay(POST, place, acts, ms);
    }
}
