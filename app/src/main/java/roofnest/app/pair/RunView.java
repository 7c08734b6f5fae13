package roofnest.app.pair;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.drawing.LampView;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.Recovery;
import roofnest.core.lang.Numbers;
import roofnest.core.catalogue.Sight;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.Attention;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Step;
import roofnest.core.pairing.StateBelief;
import roofnest.standins.Bench;
import roofnest.standins.Fault;

/**
 * A run as its page shows it.
 *
 * @param likely in which state the device probably is by now, in a sentence; empty where no light is watched
 * @param events how many are stored, so that a page can tell whether it is behind
 */
record RunView(
        long id, String camera, String model, String way, String network, String startedAt, String startedBy, boolean finished,
        boolean needsWifiPassword, boolean asksForLight, String stepId, String title, String instruction, String question, String form,
        int expectedSeconds, long elapsedSeconds, int speed, List<AnswerView> answers, boolean canUndo, boolean canLookAgain,
        Optional<String> actWords, boolean changeMethod, Optional<String> patience,
        Optional<String> likely, boolean recovery, List<String> history, Optional<BenchView> bench, int events) {

    /** @param key the digit that gives this answer */
    record AnswerView(int key, String id, String label, String meaning, Optional<LampView> lamp) {}

    /** @param run number of its open run; 0 when it has none */
    record DeviceLine(String name, String words, String state, long run, long secondsLeft) {}

    /**
     * @param nextInMs real milliseconds until the light changes of itself
     * @param bars of three, at the device
     * @param found by looking it over; empty until somebody has
     */
    record BenchView(
            LampView lamp, String deviceSays, String kind, String phoneWifi, String phoneSays, boolean autoJoin, boolean cable,
            boolean routerListens, boolean hub, boolean hubListens, Optional<Long> nextInMs,
            List<FaultView> faults, int bars, boolean onBand5, boolean otherMonitor, Optional<String> found) {}

    record FaultView(String key, String words, boolean pending) {}

    static RunView of(Open open, OffsetDateTime now, ZoneId zone) {
        RunState state = open.state();
        Step step = state.step();
        List<AnswerView> answers = new ArrayList<>();
        for (Answer answer : step.answers()) {
            answers.add(new AnswerView(answers.size() + 1, answer.id(), answer.label(), answer.meaning(), answer.cue().map(LampView::of)));
        }
        return new RunView(
                open.run().id(), open.deviceName(), open.device().fullName(), open.run().way().words(), open.run().networkName(),
                open.run().startedAt().atZoneSameInstant(zone).format(DateTimeFormatter.ofPattern("HH:mm")), open.run().startedBy(),
                state.finished(), step.is(Step.Trait.NEEDS_WIFI_PASSWORD), step.is(Step.Trait.ASKS_FOR_LIGHT), step.id(), step.title(),
                step.instruction(), step.question(), step.form().name(),
                (int) step.expected().toSeconds(), open.speed() * elapsed(state, now).toSeconds(), open.speed(), answers,
                state.canUndo() && !state.finished(),
                open.script().lookAgain().isPresent() && !step.answers().isEmpty() && !open.script().lookAgain().get().equals(step.id()),
                step.act().map(HandsOn::words), state.changeMethod(), step.patience(), likely(open, now),
                open.device().setUp().recovery() == Recovery.MAIL,
                history(open), open.bench().map(bench -> bench(open, bench)), open.events().size());
    }

    static Duration elapsed(RunState state, OffsetDateTime now) {
        return state.since().map(since -> Duration.between(since, now.toInstant())).filter(elapsed -> !elapsed.isNegative())
                .orElse(Duration.ZERO);
    }

    /** What was last done to the device, and when. */
    record LastAct(Optional<HandsOn> act, double secondsSince) {
        static LastAct of(Open open, OffsetDateTime now) {
            Optional<HandsOn> act = Optional.empty();
            Instant at = open.run().startedAt().toInstant();
            List<RunEvent> soFar = new ArrayList<>();
            RunState state = RunState.start(open.script());
            for (int i = 0; i <= open.events().size(); i++) {
                Optional<HandsOn> here = state.step().act().filter(each -> each != HandsOn.LOOK_OVER && each != HandsOn.CHECK);
                if (here.isPresent()) {
                    act = here;
                    at = state.since().orElse(open.run().startedAt().toInstant());
                }
                if (i < open.events().size()) {
                    soFar.add(open.events().get(i));
                    state = RunState.replay(open.script(), soFar);
                }
            }
            return new LastAct(act, open.speed() * Math.max(0, Duration.between(at, now.toInstant()).toMillis() / 1000.0));
        }
    }

    private static Optional<String> likely(Open open, OffsetDateTime now) {
        boolean watched = open.state().step().answers().stream().anyMatch(answer -> answer.state().isPresent());
        if (!watched) {
            return Optional.empty();
        }
        LastAct last = LastAct.of(open, now);
        return Optional.of("By the time that has passed it is most likely "
                + words(StateBelief.expected(open.device().setUp(), last.act(), last.secondsSince()), 2) + ".");
    }

    /** "joining the Wi-Fi, 81 %; waiting to be set up, 17 %". */
    static String words(StateBelief belief, int most) {
        return String.join("; ", belief.likely().stream().limit(most).filter(each -> each.share() >= 0.03)
                .map(each -> each.state().words() + ", " + Numbers.fixed(100 * each.share(), 0) + " %").toList());
    }

    static DeviceLine line(Attention attention, long run) {
        String words = switch (attention.kind()) {
            case NOW, DONE, BLOCKED -> attention.words();
            case WAITING -> attention.words() + ", " + attention.secondsLeft() + " s left";
        };
        return new DeviceLine(attention.device(), words, attention.kind().name().toLowerCase(Locale.ROOT), run, attention.secondsLeft());
    }

    private static List<String> history(Open open) {
        List<String> lines = new ArrayList<>();
        for (RunEvent event : open.events()) {
            String by = open.run().startedBy().equals(event.by()) ? "" : " (" + event.by() + ")";
            if (event instanceof RunEvent.Answered answered) {
                Step step = open.script().step(answered.stepId());
                lines.add(step.title() + ": " + step.answer(answered.answerId()).map(Answer::label).orElse(answered.answerId()) + by);
            } else if (event instanceof RunEvent.Filled filled) {
                lines.add(open.script().step(filled.stepId()).title() + ": " + filled.note() + by);
            } else if (event instanceof RunEvent.LookedAgain looked) {
                lines.add(open.script().step(looked.stepId()).title() + ": not what was seen" + by);
            } else if (event instanceof RunEvent.Waited waited) {
                lines.add(open.script().step(waited.stepId()).title() + ": still waiting" + by);
            } else {
                lines.add("Undone by " + event.by());
            }
        }
        return lines;
    }

    private static BenchView bench(Open open, Bench bench) {
        String voice = bench.deviceCue().voice();
        boolean hub = open.run().way() == Way.HUB_BUTTON;
        return new BenchView(LampView.of(bench.deviceCue()), voice == null ? "" : "“" + voice + "”", kind(open), bench.phoneWifi(),
                bench.phoneSays(), bench.phoneAutoJoin(), bench.cableIn(), bench.routerListens(), hub,
                bench.hubListens(), bench.nextChange().map(next -> Math.max(0, next.atMs() - bench.nowMs()) / open.speed()),
                open.camera().isEmpty() ? List.of() : Arrays.stream(Fault.values()).filter(fault -> fault.concerns(open.run().way()))
                        .map(fault -> new FaultView(fault.name(), fault.words(), bench.pendingFaults().contains(fault))).toList(),
                bench.bars(), bench.phoneOnBand5(), bench.otherMonitorOn(), bench.sight().flatMap(RunView::found));
    }

    /** What a look over the things on the bench finds. */
    private static Optional<String> found(Sight sight) {
        return switch (sight) {
            case ANTENNA_LOOSE -> Optional.of("The antenna wobbles on its thread.");
            case APP_OLD -> Optional.of("The phone's store offers an update of the app.");
            case PHONE_ON_5 -> Optional.of("The phone's Wi-Fi page says 5 GHz.");
            case MONITOR_ON -> Optional.of("Another monitor is on, and its light answers the code.");
            case TOO_FAR -> Optional.of("One bar here, at the device as on the phone.");
            case NOTHING_ODD -> Optional.of("All sits tight. Nothing odd is found.");
            default -> Optional.empty();
        };
    }

    /** Which body is drawn: the one that its document says. */
    private static String kind(Open open) {
        if (open.device() instanceof DeviceModel model && model.body() != DeviceModel.Body.CAMERA) {
            return model.body().name().toLowerCase(Locale.ROOT);
        }
        return open.device() instanceof HubModel ? "hub" : open.device().radio().antenna() ? "antenna" : "camera";
    }
}
