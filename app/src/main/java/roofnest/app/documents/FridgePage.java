package roofnest.app.documents;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.care.NextCharges;
import roofnest.app.household.Frame;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;

/**
 * The pack's first page, to be hung where everybody sees it: what each camera watches, what the phone does, what to do when it goes
 * quiet. Only what is kept is said to be watched; what was not tried is said not to have been.
 *
 * @param phone what rings whom, in sentences
 */
record FridgePage(List<Watch> watches, List<String> phone, List<String> later) {
    /** @param sees in sentences; what is not kept is not among them */
    record Watch(int number, String camera, List<String> sees) {}

    static FridgePage of(Frame frame, PackWords words) {
        List<Watch> watches = new ArrayList<>();
        for (Camera camera : frame.facts().cameras()) {
            List<String> sees
                    = frame.judgement().promises().stream().filter(judged -> watched(judged, camera))
                            .map(judged -> words.promise(judged, frame.facts())).toList();
            watches.add(new Watch(watches.size() + 1, camera.name(), sees));
        }
        List<String> later = NextCharges.of(frame).stream().map(due -> words.say("charge", due.camera(), words.day(due.on()))).toList();
        return new FridgePage(watches, phone(frame, words), later);
    }

    private static boolean watched(Judged judged, Camera camera) {
        boolean sight = judged.promise() instanceof Promise.MakeOut || judged.promise() instanceof Promise.RecordedBefore;
        boolean kept = judged.finding().standing() == Standing.KEPT || judged.finding().standing() == Standing.THIN;
        return sight && kept && judged.cameraId().equals(Optional.of(camera.id()));
    }

    private static List<String> phone(Frame frame, PackWords words) {
        List<String> said = new ArrayList<>();
        Access access = frame.facts().access();
        List<String> rung = access.people().stream()
                .filter(person -> access.grants().stream().anyMatch(grant -> grant.personId() == person.id() && grant.alerts()))
                .filter(person -> person.tie() != Access.Tie.FIRM && person.tie() != Access.Tie.LEFT).map(Access.Person::name).toList();
        said.add(rung.isEmpty() ? words.say("rings-none") : words.say("rings", String.join(", ", rung)));
        frame.judgement().promises().stream().filter(judged -> judged.promise() instanceof Promise.AlertWithin)
                .forEach(judged -> said.add(rings(judged.finding(), words)));
        frame.judgement().promises().stream().filter(judged -> judged.promise() instanceof Promise.KeepsDays
                && judged.finding().standing() != Standing.UNTRIED)
                .forEach(judged -> said.add(words.say(judged.finding().standing() == Standing.BROKEN ? "keeps-broken" : "keeps",
                        ((Promise.KeepsDays) judged.promise()).days())));
        return said;
    }

    private static String rings(Finding finding, PackWords words) {
        String promised = words.plain(finding.limit().value());
        if (finding.standing() == Standing.UNTRIED || finding.evidence() != Evidence.PROVED) {
            return words.say("alert-untried", promised);
        }
        return finding.standing() == Standing.BROKEN ? words.say("alert-broken", promised)
                : words.say("alert-proved", words.number(finding.measured().orElse(0), finding.limit().unit().decimals()));
    }

    /** Names of the cameras that watch nothing that was promised. */
    String idle() {
        return watches.stream().filter(watch -> watch.sees().isEmpty()).map(Watch::camera).collect(Collectors.joining(", "));
    }
}
