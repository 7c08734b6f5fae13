package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;

class RunStateTest {
    private static final Instant NINE = Instant.parse("2026-12-03T09:00:00Z");
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final Script SCRIPT = Scripts.of(PairingMethod.Way.HOTSPOT, POST, "weirhouse");

    private static final List<Script> EVERY_SCRIPT = everyScript().toList();

    private final List<RunEvent> events = new ArrayList<>();

    @Test
    void the_plain_way_leads_to_done() {
        answer("ready");
        answer("on-hotspot");
        answer("joining");
        answer("joined");
        answer("live");
        fill();
        answer("updated");
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
        assertThat(state().step().id()).isEqualTo("look-over");
        answer("antenna-loose");
        answer("put-right");
        assertThat(state().step().id()).isEqualTo("hotspot");
    }

    @Test
    void two_failures_ask_for_another_method() {
        for (int i = 0; i < 2; i++) {
            if (i == 0) {
                answer("ready");
            }
            answer("on-hotspot");
            answer("joining");
            answer("ready");
            answer("ready");
            answer("nothing-odd");
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
        assertThat(state().step().answers()).hasSize(7);
        answer("joined");
        assertThat(state().step().id()).isEqualTo("live");
    }

    @Test
    void still_waiting_stays_where_it_is() {
        answer("booting");
        events.add(new RunEvent.Waited(NINE, "Jory", "boot"));
        assertThat(state().step().id()).isEqualTo("boot");
    }

    static Stream<Script> everyScript() {
        return Stream.concat(Catalogue.shipped().models().stream(), Catalogue.shipped().hubs().stream())
                .flatMap(device -> device.setUp().methods().stream()
                        .map(method -> Scripts.of(method.way(), new Setting(device, "weirhouse", PhoneKind.ONE_TAP, Optional.empty(),
                                Optional.of("Visit it."),
                                List.of(new Setting.Extra("First", "Do it.", 10, true), new Setting.Extra("Last", "Do it.", 10, false))))));
    }

    @ParameterizedTest
    @MethodSource("everyScript")
    void no_run_closes_without_password_update_clock_sticker_and_name(Script script) {
        Set<Step.Form> forms = script.steps().stream().map(Step::form).collect(Collectors.toSet());
        assertThat(forms).containsExactlyInAnyOrder(Step.Form.values());
        for (Step.Form form : Set.of(Step.Form.DEVICE_PASSWORD, Step.Form.SETTLE, Step.Form.STICKER, Step.Form.NAME)) {
            assertThat(reached(script, step -> step.form() != form)).as("without " + form).doesNotContain(Script.DONE);
        }
        assertThat(reached(script, step -> !step.id().equals("update"))).doesNotContain(Script.DONE);
    }

    @ParameterizedTest
    @MethodSource("everyScript")
    void every_step_of_every_script_can_be_reached_and_says_what_to_do(Script script) {
        assertThat(reached(script, step -> true)).hasSameSizeAs(script.steps());
        assertThat(script.steps()).allSatisfy(step -> assertThat(step.instruction()).isNotBlank().doesNotContain("null"));
        assertThat(script.steps())
                .allSatisfy(step -> assertThat(step.answers().stream().map(Answer::id)).as(step.id()).doesNotHaveDuplicates());
    }

    /** Whatever is tapped in whatever order: no event is lost, the state is the replay of all of them, and none skips the password. */
    @Property(tries = 200)
    void random_taps_never_break_a_run(@ForAll long seed) {
        Random random = new Random(seed);
        Script script = EVERY_SCRIPT.get(random.nextInt(EVERY_SCRIPT.size()));
        List<RunEvent> taps = new ArrayList<>();
        boolean filled = false;
        for (int i = 0; i < 120; i++) {
            RunState now = RunState.replay(script, taps);
            if (now.finished()) {
                break;
            }
            Step at = random.nextInt(10) == 0 ? script.steps().get(random.nextInt(script.steps().size())) : now.step();
            RunEvent tap = switch (random.nextInt(8)) {
                case 0 -> new RunEvent.Undone(NINE, "Jory");
                case 1 -> new RunEvent.LookedAgain(NINE, "Jory", at.id());
                case 2 -> new RunEvent.Waited(NINE, "Jory", at.id());
                case 3, 4 -> new RunEvent.Filled(NINE, "Jory", at.id(), "typed");
                default -> new RunEvent.Answered(NINE, "Jory", at.id(),
                        at.answers().isEmpty() ? "x" : at.answers().get(random.nextInt(at.answers().size())).id());
            };
            taps.add(tap);
            if (!(tap instanceof RunEvent.Undone)) {
                assertThat(RunState.replay(script, taps)).isEqualTo(now.after(script, tap));
            }
            filled |= tap instanceof RunEvent.Filled fill && fill.stepId().equals("password") && now.step().id().equals("password");
        }
        if (RunState.replay(script, taps).finished()) {
            assertThat(filled).isTrue();
        }
    }

    private static Set<String> reached(Script script, Predicate<Step> passable) {
        Set<String> reached = new HashSet<>();
        Deque<Step> open = new ArrayDeque<>(List.of(script.first()));
        script.lookAgain().map(script::step).ifPresent(open::add);
        while (!open.isEmpty()) {
            Step step = open.poll();
            if (reached.add(step.id()) && passable.test(step)) {
                step.answers().forEach(answer -> open.add(script.step(answer.next())));
                if (step.form() != Step.Form.NONE) {
                    open.add(script.afterForm(step));
                }
            }
        }
        return reached;
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
