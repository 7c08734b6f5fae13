package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.SetUp;

class StateBeliefTest {
    private static final Catalogue CATALOGUE = Catalogue.shipped();
    private static final SetUp POST = CATALOGUE.get("dunmark-post").setUp();
    private static final HubModel PERCH = CATALOGUE.hubs().iterator().next();

    @Test
    void time_alone_turns_starting_into_ready() {
        assertThat(expected(HandsOn.POWER_ON, 3).likeliest()).isEqualTo(DeviceState.BOOTING);
        assertThat(expected(HandsOn.POWER_ON, POST.bootSeconds()).share(DeviceState.READY))
                .isCloseTo(expected(HandsOn.POWER_ON, POST.bootSeconds()).share(DeviceState.BOOTING), within(0.01));
        assertThat(expected(HandsOn.POWER_ON, 3 * POST.bootSeconds()).likeliest()).isEqualTo(DeviceState.READY);
    }

    @Test
    void sent_details_join_first_and_after_giving_up_the_waiting_light_is_likelier_than_before() {
        assertThat(expected(HandsOn.SEND_DETAILS, 2).likeliest()).isEqualTo(DeviceState.JOINING);
        assertThat(expected(HandsOn.SEND_DETAILS, 30).likeliest()).isEqualTo(DeviceState.JOINED);
        assertThat(expected(HandsOn.SEND_DETAILS, 90).share(DeviceState.READY))
                .isGreaterThan(2 * expected(HandsOn.SEND_DETAILS, 10).share(DeviceState.READY));
    }

    @Test
    void what_is_seen_outweighs_what_was_expected() {
        StateBelief belief
                = StateBelief.given(POST, Optional.of(HandsOn.POWER_ON), 5, StateBelief.Seen.of(POST.cue(DeviceState.READY)), List.of());
        assertThat(belief.likeliest()).isEqualTo(DeviceState.READY);
        assertThat(belief.impossible()).isEmpty();
    }

    @Test
    void a_rhythm_easily_taken_for_another_leaves_both_open() {
        // Amber quick is joining, amber slow is ready; a minute after power-on nobody has sent details, so it is ready that was seen.
        StateBelief belief = StateBelief.given(POST, Optional.of(HandsOn.POWER_ON), 60,
                new StateBelief.Seen(Cue.Light.AMBER, Cue.Rhythm.QUICK, Optional.empty()), List.of());
        assertThat(belief.likeliest()).isEqualTo(DeviceState.READY);
        assertThat(belief.share(DeviceState.JOINING)).isGreaterThan(0.05);
    }

    /** What is expected of a device before anybody looks, at every act and moment that differs; shares in per cent. */
    @ParameterizedTest
    @CsvSource({
        // It was powered on: starting at first, ready in the end, with a little left for a flat pack and a dead device.
        "POWER_ON, 2, BOOTING, 87", "POWER_ON, 2, OFF, 5", "POWER_ON, 2, FAILED, 3", "POWER_ON, 300, READY, 87",
        "CHANGE_PACK, 300, READY, 87", "RESET, 2, BOOTING, 87",
        // Details were sent: four of five are right, one in twelve is never heard.
        "SEND_DETAILS, 1, JOINING, 80", "SEND_DETAILS, 40, JOINED, 64", "SEND_DETAILS, 40, JOINING, 14", "SEND_DETAILS, 3600, JOINED, 69",
        "SEND_DETAILS, 3600, READY, 20", "SEND_DETAILS, 3600, FAILED, 6", "SEND_DETAILS, 3600, JOINING, 1",
        "SEND_DETAILS, 1, LISTENING, 8", "SEND_DETAILS, 3600, LISTENING, 1",
        // An update runs its time and leaves it joined.
        "UPDATE, 5, UPDATING, 93", "UPDATE, 3600, JOINED, 93",
        // Looked at live, it has joined; not touched at all, it waits or is off.
        "LOOK_LIVE, 5, JOINED, 93", "PHONE_HOME, 5, JOINED, 93", "LOOK_OVER, 5, READY, 65", "LOOK_OVER, 5, OFF, 27"})
    void each_act_has_its_course(HandsOn act, double seconds, DeviceState state, double percent) {
        assertThat(100 * expected(act, seconds).share(state)).isCloseTo(percent, within(1.0));
    }

    /** A colour beside is mixed up now and then, one far off hardly ever; a rhythm oftener than either; a lamp that is out never. */
    @ParameterizedTest
    @CsvSource({"AMBER, SLOW, 100", "AMBER, QUICK, 6.7", "WHITE, SLOW, 3.3", "RED, SLOW, 3.3", "GREEN, SLOW, 0.2", "BLUE, SLOW, 0.2",
        "GREEN, QUICK, 0.2"})
    void what_is_mixed_up_is_what_looks_alike(Cue.Light light, Cue.Rhythm rhythm, double percentOfRight) {
        assertThat(100 * weight(light, rhythm) / weight(Cue.Light.AMBER, Cue.Rhythm.SLOW)).isCloseTo(percentOfRight, within(0.1));
    }

    private static double weight(Cue.Light light, Cue.Rhythm rhythm) {
        return StateBelief.likelihood(new StateBelief.Seen(light, rhythm, Optional.empty()),
                new Cue(Cue.Light.AMBER, Cue.Rhythm.SLOW, null));
    }

    /** Somebody who hears nothing may have missed it; somebody who hears another voice hears another device. */
    @Test
    void voices_are_missed_more_often_than_mistaken() {
        Cue said = new Cue(Cue.Light.WHITE, Cue.Rhythm.STEADY, "Ready");
        Cue silent = new Cue(Cue.Light.WHITE, Cue.Rhythm.STEADY, null);
        double heard = StateBelief.likelihood(new StateBelief.Seen(said.light(), said.rhythm(), Optional.of("ready")), said);
        assertThat(StateBelief.likelihood(new StateBelief.Seen(said.light(), said.rhythm(), Optional.empty()), said) / heard)
                .isEqualTo(0.6);
        assertThat(StateBelief.likelihood(new StateBelief.Seen(said.light(), said.rhythm(), Optional.of("Joined")), said) / heard)
                .isEqualTo(0.02);
        assertThat(StateBelief.likelihood(new StateBelief.Seen(said.light(), said.rhythm(), Optional.empty()), silent)).isEqualTo(heard);
    }

    /** A lamp that is out is not mistaken for one that blinks. */
    @Test
    void a_dark_lamp_is_no_rhythm() {
        Cue off = POST.cue(DeviceState.OFF);
        assertThat(off.rhythm()).isEqualTo(Cue.Rhythm.OFF);
        assertThat(StateBelief.likelihood(new StateBelief.Seen(off.light(), Cue.Rhythm.SLOW, Optional.empty()), off)).isEqualTo(0.002);
        Cue blinks = new Cue(off.light(), Cue.Rhythm.SLOW, null);
        assertThat(StateBelief.likelihood(new StateBelief.Seen(off.light(), Cue.Rhythm.OFF, Optional.empty()), blinks)).isEqualTo(0.002);
    }

    @Test
    void a_voice_decides_between_lights_that_look_alike() {
        SetUp dome = CATALOGUE.get("vellin-dome").setUp();
        Cue updating = dome.cue(DeviceState.UPDATING);
        assertThat(StateBelief.given(dome, Optional.of(HandsOn.UPDATE), 60, StateBelief.Seen.of(updating), List.of())
                .share(DeviceState.UPDATING)).isGreaterThan(0.9);
        StateBelief silent = StateBelief.given(dome, Optional.of(HandsOn.SEND_DETAILS), 10,
                new StateBelief.Seen(updating.light(), updating.rhythm(), Optional.empty()), List.of());
        assertThat(silent.likeliest()).isEqualTo(DeviceState.JOINING);
    }

    @Test
    void a_light_that_the_model_cannot_show_is_said_to_be_anothers() {
        StateBelief belief = StateBelief.given(POST, Optional.of(HandsOn.POWER_ON), 20,
                new StateBelief.Seen(Cue.Light.BLUE, Cue.Rhythm.STEADY, Optional.empty()), List.of(PERCH));
        assertThat(belief.impossible())
                .hasValueSatisfying(words -> assertThat(words).contains("does not exist on this model", "Pellan Perch"));
        assertThat(StateBelief.given(POST, Optional.of(HandsOn.POWER_ON), 20,
                new StateBelief.Seen(Cue.Light.BLUE, Cue.Rhythm.STEADY, Optional.empty()), List.of()).impossible())
                .hasValueSatisfying(words -> assertThat(words).contains("look once more"));
    }

    /** Shares are shares, whatever is seen whenever. */
    @Property(tries = 300)
    void shares_sum_to_one(@ForAll HandsOn act, @ForAll @DoubleRange(min = 0, max = 5000) double seconds, @ForAll Cue.Light light,
            @ForAll Cue.Rhythm rhythm) {
        StateBelief belief
                = StateBelief.given(POST, Optional.of(act), seconds, new StateBelief.Seen(light, rhythm, Optional.empty()), List.of());
        assertThat(belief.likely()).hasSize(DeviceState.values().length).allSatisfy(each -> assertThat(each.share()).isBetween(0.0, 1.0));
        assertThat(belief.likely().stream().mapToDouble(StateBelief.Likely::share).sum()).isCloseTo(1, within(1e-9));
    }

    private static StateBelief expected(HandsOn act, double seconds) {
        return StateBelief.expected(POST, Optional.of(act), seconds);
    }
}
