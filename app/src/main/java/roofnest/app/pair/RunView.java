package roofnest.app.pair;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.survey.CameraRepository;
import roofnest.core.catalogue.Cue;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.Meanwhile;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;
import roofnest.standins.Fault;

/** A run as its page shows it. */
record RunView(
        long id, String camera, String model, String way, String network, String startedAt, String startedBy, boolean finished,
        String stepId, String title, String instruction, String question, String form, int expectedSeconds, long elapsedSeconds,
        List<AnswerView> answers, boolean canUndo, boolean canLookAgain, Optional<String> actWords, Optional<String> changeMethod,
        Optional<String> patience, List<String> meanwhile, List<DeviceLine> devices, List<String> history, Optional<BenchView> bench) {

    private static final Duration WORTH_USING = Duration.ofSeconds(15);

    /** @param key the digit that gives this answer */
    record AnswerView(int key, String id, String label, String meaning, Optional<LampView> lamp) {}

    /** A light with its rhythm strip: stretches of light over four seconds, on a scale of 0 to 160. */
    record LampView(String light, String rhythm, String words, List<Bar> strip, int litMs, int darkMs) {
        record Bar(double x, double width) {}

        static LampView of(Cue cue) {
            double scale = 160.0 / Cue.STRIP_MS;
            return new LampView(cue.light().name().toLowerCase(Locale.ROOT), cue.rhythm().name().toLowerCase(Locale.ROOT), cue.words(),
                    cue.strip().stream().map(bar -> new Bar(bar[0] * scale, Math.max(2, bar[1] * scale))).toList(),
                    cue.rhythm().litMs(), cue.rhythm().darkMs());
        }
    }

    record DeviceLine(String name, String words, String state) {}

    /** @param nextInMs milliseconds until the light changes of itself */
    record BenchView(
            LampView lamp, String cameraSays, String phoneWifi, String phoneSays, boolean autoJoin, Optional<Long> nextInMs,
            Optional<LampView> nextLamp, List<FaultView> faults) {}

    record FaultView(String key, String words, boolean pending) {}

    static RunView of(Runs.Open open, List<CameraRepository.Record> cameras, int thingsToRejoin, OffsetDateTime now, ZoneId zone) {
        RunState state = open.state();
        Step step = state.step();
        List<AnswerView> answers = new ArrayList<>();
        for (Answer answer : step.answers()) {
            answers.add(new AnswerView(answers.size() + 1, answer.id(), answer.label(), answer.meaning(), answer.cue().map(LampView::of)));
        }
        long elapsed = state.since().map(since -> Duration.between(since, now.toInstant()).toSeconds()).orElse(0L);
        return new RunView(
                open.run().id(), open.camera().camera().name(), open.model().fullName(), open.run().way().words(), open.run().networkName(),
                open.run().startedAt().atZoneSameInstant(zone).format(DateTimeFormatter.ofPattern("HH:mm")), open.run().startedBy(),
                state.finished(), step.id(), step.title(), step.instruction(), step.question(), step.form().name(),
                (int) step.expected().toSeconds(), elapsed, answers, state.canUndo() && !state.finished(),
                open.script().lookAgain().isPresent() && !step.answers().isEmpty() && !open.script().lookAgain().get().equals(step.id()),
                step.act().map(act -> actWords(act.name())), changeMethod(open),
                step.patience(), meanwhile(open, cameras, thingsToRejoin), cameras.stream().map(camera -> line(camera, open)).toList(), history(open), open.bench().map(RunView::bench));
    }

    private static List<String> meanwhile(Runs.Open open, List<CameraRepository.Record> cameras, int thingsToRejoin) {
        if (open.state().step().expected().compareTo(WORTH_USING) < 0) {
            return List.of();
        }
        List<String> waiting = cameras.stream().filter(record -> !record.camera().joined() && record.id() != open.camera().id())
                .map(record -> record.camera().name()).toList();
        return Meanwhile.of(open.camera().serial() != null, open.model().setUp().stickerPlace(), waiting, thingsToRejoin);
    }

    private static Optional<String> changeMethod(Runs.Open open) {
        if (!open.state().changeMethod()) {
            return Optional.empty();
        }
        return open.model().setUp().methods().stream().filter(method -> method.way() != open.run().way()).findFirst()
                .map(method -> "Twice is enough: the password is still wrong, or this way does not suit the house. Check it at Ready, or try by "
                        + method.way().words() + ".")
                .or(() -> Optional.of("Twice is enough: check the Wi-Fi name and password at Ready before trying again."));
    }

    private static String actWords(String act) {
        return switch (act) {
            case "POWER_ON" -> "Power the camera on";
            case "JOIN_HOTSPOT" -> "Join the camera's network";
            case "STOP_AUTO_JOIN" -> "Auto-join off, join again";
            case "REMOVE_HALF_ADDED" -> "Remove the half-added camera";
            case "SEND_DETAILS" -> "Type and send the details";
            default -> "Bring the phone home";
        };
    }

    private static DeviceLine line(CameraRepository.Record record, Runs.Open open) {
        boolean now = record.id() == open.camera().id();
        String words = now && !open.state().finished() ? open.state().step().title()
                : record.camera().ownPassword() ? "joined, own password"
                : record.camera().joined() ? "joined, still on its factory password" : "waiting its turn";
        String state = now && !open.state().finished() ? "now" : record.camera().joined() ? "done" : "waiting";
        return new DeviceLine(record.camera().name(), words, state);
    }

    private static List<String> history(Runs.Open open) {
        List<String> lines = new ArrayList<>();
        for (RunEvent event : open.events()) {
            if (event instanceof RunEvent.Answered answered) {
                Step step = open.script().step(answered.stepId());
                lines.add(step.title() + ": " + step.answer(answered.answerId()).map(Answer::label).orElse(answered.answerId()));
            } else if (event instanceof RunEvent.Filled filled) {
                lines.add(open.script().step(filled.stepId()).title() + ": " + filled.note());
            } else if (event instanceof RunEvent.LookedAgain looked) {
                lines.add(open.script().step(looked.stepId()).title() + ": not what was seen");
            } else if (event instanceof RunEvent.Waited waited) {
                lines.add(open.script().step(waited.stepId()).title() + ": still waiting");
            } else {
                lines.add("Undone by " + event.by());
            }
        }
        return lines;
    }

    private static BenchView bench(Bench bench) {
        String voice = bench.cameraCue().voice();
        return new BenchView(LampView.of(bench.cameraCue()), voice == null ? "" : "“" + voice + "”", bench.phoneWifi(), bench.phoneSays(),
                bench.phoneAutoJoin(), bench.nextChange().map(next -> Math.max(0, next.atMs() - bench.nowMs())),
                bench.nextChange().map(next -> LampView.of(next.cue())),
                Arrays.stream(Fault.values()).map(fault -> new FaultView(fault.name(), fault.words(), bench.pendingFaults().contains(fault))).toList());
    }
}
