package roofnest.app.prove;

import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.lang.Numbers;

/** The tests of every camera, newest result each. */
record ProveView(List<CameraTests> cameras, Optional<TrialRepository.Signature> signature, String signedAt, int passed, int wanted) {
    record CameraTests(long id, String name, String model, boolean joined, List<Test> tests) {}

    /** @param standing for the egg */
    record Test(TrialRepository.Kind kind, String standing, String result) {}

    static ProveView of(
            Frame frame, List<CameraRepository.Record> cameras, List<TrialRepository.Trial> trials,
            Optional<TrialRepository.Signature> signature) {
        List<CameraTests> all = cameras.stream().map(record -> new CameraTests(
                record.id(), record.camera().name(), record.camera().model().fullName(), record.camera().joined(),
                Arrays.stream(TrialRepository.Kind.values()).map(kind -> test(kind, record.id(), trials)).toList())).toList();
        int passed = (int) all.stream().flatMap(camera -> camera.tests().stream()).filter(test -> test.standing().equals("kept")).count();
        return new ProveView(all, signature,
                signature.map(s -> s.at().format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH))).orElse(""),
                passed, all.size() * TrialRepository.Kind.values().length);
    }

    private static Test test(TrialRepository.Kind kind, long cameraId, List<TrialRepository.Trial> trials) {
        Optional<TrialRepository.Trial> newest = trials.stream()
                .filter(trial -> trial.cameraId() == cameraId && trial.kind() == kind && trial.passed() != null)
                .reduce((older, newer) -> newer);
        if (newest.isEmpty()) {
            return new Test(kind, "untried", "not tried");
        }
        String day = newest.get().begunAt().format(DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH));
        String took = Numbers.fixed(newest.get().seconds(), 1) + " s";
        return newest.get().passed()
                ? new Test(kind, "kept", kind == TrialRepository.Kind.WALK ? "caught · " + day : took + " · " + day)
                : new Test(kind, "broken", "failed · " + day);
    }
}
