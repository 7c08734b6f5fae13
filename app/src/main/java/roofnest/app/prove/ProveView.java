package roofnest.app.prove;

import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;

/** The tests of every camera, newest result each; rehearsals beside them and never among them. */
record ProveView(List<CameraTests> cameras, Optional<TrialRepository.Signature> signature, String signedAt, int passed, int wanted,
        long rehearsals) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** @param rehearsed whether its run was made on stand-ins, so that its tests may be too */
    record CameraTests(long id, String name, String model, boolean joined, boolean rehearsed, List<Test> tests) {}

    /**
     * @param standing for the egg
     * @param rehearsal how the newest rehearsal went; empty without one
     */
    record Test(TrialRepository.Kind kind, String standing, String result, String said, String rehearsal) {}

    static ProveView of(
            Frame frame, List<CameraRepository.Record> cameras, List<TrialRepository.Trial> trials,
            Optional<TrialRepository.Signature> signature) {
        List<CameraTests> all = cameras.stream().map(record -> new CameraTests(
                record.id(), record.camera().name(), record.camera().model().fullName(), record.camera().joined(),
                record.rehearsedAt() != null,
                Arrays.stream(TrialRepository.Kind.values()).map(kind -> test(kind, record.id(), trials)).toList())).toList();
        int passed = (int) all.stream().flatMap(camera -> camera.tests().stream()).filter(test -> test.standing().equals("kept")).count();
        return new ProveView(all, signature,
                signature.map(s -> s.at().format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH))).orElse(""),
                passed, all.size() * TrialRepository.Kind.values().length,
                trials.stream().filter(trial -> trial.onStandIns() && trial.decided()).count());
    }

    private static Test test(TrialRepository.Kind kind, long cameraId, List<TrialRepository.Trial> trials) {
        String rehearsal = newest(kind, cameraId, true, trials)
                .map(trial -> "rehearsed on stand-ins, " + trial.decidedAt().format(DAY) + (trial.passed() ? "" : ": it failed"))
                .orElse("");
        return newest(kind, cameraId, false, trials).map(trial -> new Test(kind, trial.passed() ? "kept" : "broken",
                (trial.passed() ? "passed · " : "failed · ") + trial.decidedAt().format(DAY),
                trial.said() + (trial.timed() == null ? " By " : trial.timed() == TrialRepository.Timed.TYPED ? " Typed, by "
                        : " Timed by the phone, by ") + trial.decidedBy(),
                rehearsal))
                .orElse(new Test(kind, "untried", "not tried", "", rehearsal));
    }

    private static Optional<TrialRepository.Trial> newest(TrialRepository.Kind kind, long cameraId, boolean onStandIns,
            List<TrialRepository.Trial> trials) {
        return trials.stream().filter(trial -> trial.cameraId() == cameraId && trial.kind() == kind && trial.decided()
                && trial.onStandIns() == onStandIns).reduce((older, newer) -> newer);
    }
}
