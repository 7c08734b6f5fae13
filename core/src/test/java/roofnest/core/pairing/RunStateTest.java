package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;

class RunStateTest {
    private static final Instant NINE = Instant.parse("2026-12-03T09:00:00Z");
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final Script SCRIPT = Scripts.of(PairingMethod.Way.HOTSPOT, POST, "weirhouse");

    private final List<RunEvent> events = new ArrayList<>();

    @Test
    void the_plain_way_leads_to_done() {
        answer("ready");
        answer("on-hotspot");
        answer("joining");
        answer("joined");
        answer("live");
        fill();
        fill();
        fill();
        assertThat(state().finished()).isTrue();
        assertThat(state().failures()).isZero();
    }

    @Test
    void a_wrong_password_leads_back_to_the_hotspot_and_counts_as_a_failure() {
        answer("ready");
        answer("on-hotspot");
        answer("joining");
        answer("ready");
        assertThat(state().step().id()).isEqualTo("wrong-details");
        assertThat(state().failures()).isEqualTo(1);
        assertThat(state().changeMethod()).isFalse();
        answer("ready");
        assertThat(state().step().id()).isEqualTo("hotspot");
    }

    @Test
    void two_failures_ask_for_another_method() {
        for (int i = 0; i < 2; i++) {
            answer("ready");
            answer("on-hotspot");
            answer("joining");
            answer("ready");
        }
        assertThat(state().changeMethod()).isTrue();
    }

    @Test
    void a_phone_that_went_home_is_brought_back() {
        answer("ready");
        answer("went-home");
        assertThat(state().step().id()).isEqualTo("went-home");
        answer("on-hotspot");
        assertThat(state().step().id()).isEqualTo("details");
    }

    @Test
    void an_undo_is_an_event_that_takes_back_one_event_and_can_be_repeated() {
        answer("ready");
        answer("on-hotspot");
        events.add(new RunEvent.Undone(NINE, "Jory"));
        assertThat(state().step().id()).isEqualTo("hotspot");
        events.add(new RunEvent.Undone(NINE, "Jory"));
        assertThat(state().step().id()).isEqualTo("power");
        events.add(new RunEvent.Undone(NINE, "Jory"));
        assertThat(state().step().id()).as("nothing left to undo").isEqualTo("power");
        assertThat(state().canUndo()).isFalse();
    }

    @Test
    void an_answer_to_a_step_that_is_past_changes_nothing() {
        answer("ready");
        events.add(new RunEvent.Answered(NINE, "Tamsin", "power", "off"));
        assertThat(state().step().id()).isEqualTo("hotspot");
    }

    @Test
    void not_what_i_see_leads_to_looking_again_and_every_light_leads_on() {
        events.add(new RunEvent.LookedAgain(NINE, "Jory", "power"));
        assertThat(state().step().answers()).hasSize(6);
        answer("joined");
        assertThat(state().step().id()).isEqualTo("phone-home");
    }

    @Test
    void still_waiting_stays_where_it_is() {
        answer("booting");
        events.add(new RunEvent.Waited(NINE, "Jory", "boot"));
        assertThat(state().step().id()).isEqualTo("boot");
    }

    @Test
    void the_run_cannot_close_without_password_sticker_and_name() {
        List<String> forms = SCRIPT.steps().stream().filter(step -> step.form() != Step.Form.NONE).map(step -> step.form().name()).toList();
        assertThat(forms).containsExactly("DEVICE_PASSWORD", "STICKER", "NAME");
        assertThat(reachableWithoutForms()).doesNotContain(Script.DONE);
    }

    @ParameterizedTest
    @EnumSource(PairingMethod.Way.class)
    void every_way_has_a_script_in_which_every_step_can_be_reached(PairingMethod.Way way) {
        Script script = Scripts.of(way, POST, "weirhouse");
        Set<String> reached = new HashSet<>();
        Deque<Step> open = new ArrayDeque<>(List.of(script.first()));
        script.lookAgain().map(script::step).ifPresent(open::add);
        while (!open.isEmpty()) {
            Step step = open.poll();
            if (reached.add(step.id())) {
                step.answers().forEach(answer -> open.add(script.step(answer.next())));
                if (step.form() != Step.Form.NONE) {
                    open.add(script.afterForm(step));
                }
            }
        }
        assertThat(reached).hasSameSizeAs(script.steps());
    }

    @Test
    void names_are_suggested_from_places_and_kept_apart() {
        assertThat(CameraName.suggest("river stairs", List.of())).isEqualTo("Stairs eye");
        assertThat(CameraName.suggest("river stairs", List.of("stairs eye"))).isEqualTo("Stairs eye 2");
        assertThat(CameraName.fault("STAIRS EYE", List.of("Stairs eye"))).isPresent();
        assertThat(CameraName.fault("x".repeat(25), List.of())).get().asString().contains("25 characters");
        assertThat(CameraName.fault("Stairs <eye>", List.of())).isPresent();
        assertThat(CameraName.fault("Stairs eye", List.of())).isEmpty();
    }

    private Set<String> reachableWithoutForms() {
        Set<String> reached = new HashSet<>();
        Deque<Step> open = new ArrayDeque<>(List.of(SCRIPT.first(), SCRIPT.step("look-again")));
        while (!open.isEmpty()) {
            Step step = open.poll();
            if (reached.add(step.id())) {
                step.answers().forEach(answer -> open.add(SCRIPT.step(answer.next())));
            }
        }
        return reached;
    }

    private void answer(String answerId) {
        events.add(new RunEvent.Answered(NINE, "Jory", state().step().id(), answerId));
    }

    private void fill() {
        events.add(new RunEvent.Filled(NINE, "Jory", state().step().id(), "kept"));
    }

    private RunState state() {
        return RunState.replay(SCRIPT, events);
    }
}
