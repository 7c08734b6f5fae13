package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

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
