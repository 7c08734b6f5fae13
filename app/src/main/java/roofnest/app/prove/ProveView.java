package roofnest.app.prove;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import roofnest.core.trial.Protocol;
import roofnest.core.judge.TestsWanted;
import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.access.Access;
import roofnest.core.judge.Judged;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;

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
    record Test(Protocol kind, String standing, String result, String said, String rehearsal) {}

    static ProveView of(
            Frame frame, List<CameraRepository.Record> cameras, List<TrialRepository.Trial> trials,
            Optional<TrialRepository.Signature> signature) {
        boolean night = frame.judgement().promises().stream().map(Judged::promise)
                .anyMatch(promise -> promise instanceof Promise.MakeOut makeOut && makeOut.light().coversNight()
                        || promise instanceof Promise.RecordedBefore before && before.light().coversNight());
        List<CameraTests> all = cameras.stream().map(record -> new CameraTests(
                record.id(), record.camera().name(), record.camera().model().fullName(), record.camera().joined(),
                record.rehearsedAt() != null,
                TestsWanted.of(record.camera(), frame.judgement().promises().stream().map(Judged::promise).toList(),
                        frame.facts().climate()).stream()
                        .map(kind -> test(kind, record.id(), night, trials, TestsWanted.phones(kind, record.id(), frame.facts())))
                        .toList()))
                .toList();
        List<Test> now = all.stream().flatMap(camera -> camera.tests().stream()).filter(test -> !test.kind().later()).toList();
        int passed = (int) now.stream().filter(test -> test.standing().equals("kept")).count();
        return new ProveView(all, signature,
                signature.map(s -> s.at().format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH))).orElse(""),
                passed, now.size(),
                trials.stream().filter(trial -> trial.onStandIns() && trial.decided()).count());
    }

    private static Test test(Protocol kind, long cameraId, boolean nightPromised, List<TrialRepository.Trial> trials,
            List<Access.Person> phones) {
        List<TrialRepository.Trial> own = trials.stream().filter(trial -> trial.cameraId() == cameraId && trial.kind() == kind
                && trial.decided()).toList();
        String rehearsal = newest(own.stream().filter(TrialRepository.Trial::onStandIns))
                .map(trial -> "rehearsed on stand-ins, " + trial.decidedAt().format(DAY) + (trial.passed() ? "" : ": it failed"))
                .orElse("");
        List<TrialRepository.Trial> real = own.stream().filter(trial -> !trial.onStandIns()).toList();
        if (real.isEmpty()) {
            return new Test(kind, "untried",
                    kind == Protocol.FROST ? "after the first frost" : kind.later() ? "a week after the first clip" : "not tried", "",
                    rehearsal);
        }
        TrialRepository.Trial last = real.get(real.size() - 1);
        if (!phones.isEmpty()) {
            return onPhones(kind, phones, real, rehearsal);
        }
        if (kind != Protocol.WALK) {
            return new Test(kind, standing(last), result(last), said(last), rehearsal);
        }
        // By day and in the dark are two walks; the worse of them is how the test stands.
        Optional<TrialRepository.Trial> day = newest(real.stream().filter(trial -> trial.light().equals(Optional.of(Light.DAY))));
        Optional<TrialRepository.Trial> dark = newest(real.stream().filter(trial -> trial.light().equals(Optional.of(Light.NIGHT))));
        List<TrialRepository.Trial> walked = Stream.of(day, dark).flatMap(Optional::stream).toList();
        boolean failed = walked.stream().anyMatch(trial -> !trial.passed());
        boolean whole = day.isPresent() && (dark.isPresent() || !nightPromised);
        return new Test(kind, failed ? "broken" : whole ? "kept" : "untried",
                failed ? "failed" : whole ? result(last) : day.isEmpty() ? "by day not tried" : "in the dark not tried",
                walked.stream().map(ProveView::said).collect(Collectors.joining(" ")), rehearsal);
    }

    /** Each phone by the newest test in which it was tried: any that failed is a failure, any that is wanting leaves the test open. */
    private static Test onPhones(Protocol kind, List<Access.Person> phones, List<TrialRepository.Trial> real, String rehearsal) {
        List<String> failed = new ArrayList<>();
        List<String> untried = new ArrayList<>();
        List<TrialRepository.Trial> counting = new ArrayList<>();
        for (Access.Person person : phones) {
            Optional<TrialRepository.Trial> last = newest(real.stream().filter(trial -> trial.phones().containsKey(person.id())));
            if (last.isEmpty()) {
                untried.add(person.name());
            } else if (!last.get().phones().get(person.id())) {
                failed.add(person.name());
            }
            last.filter(trial -> !counting.contains(trial)).ifPresent(counting::add);
        }
        TrialRepository.Trial last = real.get(real.size() - 1);
        String said = (counting.isEmpty() ? Stream.of(last) : counting.stream()).map(ProveView::said).collect(Collectors.joining(" "));
        boolean lastFailed = !last.passed();
        return new Test(kind, !failed.isEmpty() || lastFailed ? "broken" : untried.isEmpty() ? "kept" : "untried",
                !failed.isEmpty() ? "failed: " + String.join(", ", failed) : lastFailed ? "failed"
                        : untried.isEmpty() ? result(last) : "not tried: " + String.join(", ", untried),
                said, rehearsal);
    }

    private static String standing(TrialRepository.Trial trial) {
        return trial.passed() ? "kept" : "broken";
    }

    private static String result(TrialRepository.Trial trial) {
        return (trial.passed() ? "passed · " : "failed · ") + trial.decidedAt().format(DAY);
    }

    private static String said(TrialRepository.Trial trial) {
        return trial.said() + (trial.timed() == null ? " By " : trial.timed() == TrialRepository.Timed.TYPED ? " Typed, by "
                : " Timed by the phone, by ") + trial.decidedBy() + ".";
    }

    private static Optional<TrialRepository.Trial> newest(Stream<TrialRepository.Trial> trials) {
        return trials.reduce((older, newer) -> newer);
    }
}
