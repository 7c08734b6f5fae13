package roofnest.core.judge;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import roofnest.core.access.Access;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;

/**
 * What tests on site make of what was predicted. Of each camera and light the newest test counts, while it still hangs and is set as
 * it was then. What one camera is enough for is kept by any that passed, in every light that was promised; what each has to do is
 * broken by any that failed, and kept once all were tried.
 */
final class Proved {
    private static final int NAMES_SAID = 3;

    private final Hearing hearing;
    private final Map<Long, Camera> cameras = new LinkedHashMap<>();
    private final Map<Long, ProofMark> marks = new HashMap<>();
    private final Promise promise;
    private final Finding predicted;

    /** The camera that is predicted to keep it, or comes nearest to that. */
    private final Optional<Long> relied;

    private Proved(Hearing hearing, Promise promise, Sighted sighted) {
        this.hearing = hearing;
        hearing.cameras().forEach(camera -> cameras.put(camera.id(), camera));
        this.promise = promise;
        this.predicted = sighted.finding();
        this.relied = sighted.cameraId();
    }

    static Finding of(Hearing hearing, Promise promise, Sighted sighted) {
        List<Proof> tests = hearing.facts().proofs().stream().filter(proof -> proof.promise().equals(promise.key()))
                .sorted(Comparator.comparing(Proof::at)).toList();
        return tests.isEmpty() ? sighted.finding() : new Proved(hearing, promise, sighted).by(tests);
    }

    private Finding by(List<Proof> tests) {
        List<Proof> ofCameras = tests.stream().filter(proof -> cameras.containsKey(proof.cameraId())).toList();
        if (ofCameras.isEmpty()) {
            return because("The camera that it was tested with has left: to be tested again.");
        }
        List<Proof> holding = ofCameras.stream().filter(proof -> changedSince(proof).isEmpty()).toList();
        if (holding.isEmpty()) {
            return because(moved(ofCameras));
        }
        List<Optional<Light>> lights = lights();
        List<Proof> counting = new ArrayList<>();
        List<String> untried = new ArrayList<>();
        for (Optional<Light> light : lights) {
            Optional<Proof> counts = counting(holding, light);
            counts.ifPresent(counting::add);
            if (counts.isEmpty()) {
                untried.add(light.orElseThrow() == Light.DAY ? "by day" : "in the dark");
            }
        }
        Optional<Proof> failed = counting.stream().filter(this::failed).findFirst();
        if (failed.isPresent()) {
            return untestedRelied(holding, failed.get()).map(other -> because(cameras.get(failed.get().cameraId()).name()
                    + " did not show it on site; " + other.name() + " is still to be tried."))
                    .orElseGet(() -> told(List.of(failed.get())));
        }
        if (promise instanceof Promise.HoldsLink && counting.get(0).measured().isEmpty()) {
            return because("A moving picture came on site; its signal was not read.");
        }
        Optional<Proof> silentPhone = holding.stream().flatMap(proof -> proof.phones().keySet().stream()
                .filter(person -> expected(proof.cameraId()).contains(person)).flatMap(person -> newest(holding, proof.cameraId(), person)
                        .filter(newest -> !newest.phones().get(person)).stream()))
                .findFirst();
        if (silentPhone.isPresent()) {
            return told(List.of(silentPhone.get()));
        }
        if (promise instanceof Promise.BatteryLasts && counting.get(0).measured().isEmpty()) {
            return because("It lived through a frost on site; the dark months are still to come.");
        }
        List<String> silent = ofEachCamera() ? untestedOf(holding) : List.of();
        if (!silent.isEmpty()) {
            return because(
                    "It was so for the others tested; " + named(silent) + (silent.size() == 1 ? " is" : " are") + " still to be tried.");
        }
        List<String> phones = untriedPhones(holding);
        if (!phones.isEmpty()) {
            return because("It was so on the phones tried; " + (phones.size() > NAMES_SAID ? phones.size() + " more are"
                    : String.join("; ", phones) + (phones.size() == 1 ? " is" : " are")) + " still to be tried.");
        }
        return untried.isEmpty() ? told(counting)
                : because((counting.isEmpty() ? "Tried" : "Seen on site") + (untried.get(0).equals("by day") ? " in the dark" : " by day")
                        + (counting.isEmpty() ? " only; " : "; ") + untried.get(0) + " it is still to be tried.");
    }

    /** What came too late or too weak has failed, whether or not it came. */
    private boolean failed(Proof proof) {
        return !proof.passed() || proof.measured().isPresent()
                && predicted.limit().standing(proof.measured().getAsDouble()) == Standing.BROKEN;
    }

    private Set<Long> expected(long cameraId) {
        return TestsWanted.phones(promise, cameraId, hearing.facts()).stream().map(Access.Person::id).collect(Collectors.toSet());
    }

    /** The newest test at a camera in which somebody's phone was tried, if they still have that one. */
    private Optional<Proof> newest(List<Proof> holding, long cameraId, long personId) {
        return holding.stream().filter(proof -> proof.cameraId() == cameraId && proof.phones().containsKey(personId)
                && !now(cameraId).phoneIsNew(personId, proof.mark(), day(proof)))
                .reduce((older, newer) -> newer);
    }

    /** "Ida's phone at Front eye": what one phone does says nothing of another. */
    private List<String> untriedPhones(List<Proof> holding) {
        return cameras.values().stream().flatMap(camera -> TestsWanted.phones(promise, camera.id(), hearing.facts()).stream()
                .filter(person -> newest(holding, camera.id(), person.id()).isEmpty())
                .map(person -> person.name() + "’s phone at " + camera.name())).toList();
    }

    private List<ProofMark.Part> changedSince(Proof proof) {
        ProofMark now = now(proof.cameraId());
        return Stream.concat(now.changedSince(proof.mark()).stream(), now.happenedSince(proof.mark(), day(proof)).stream()).toList();
    }

    private ProofMark now(long cameraId) {
        return marks.computeIfAbsent(cameraId, id -> ProofMark.of(promise, cameras.get(id), hearing));
    }

    private static LocalDate day(Proof proof) {
        return LocalDate.ofInstant(proof.at(), ZoneOffset.UTC);
    }

    /** The camera that was relied on, where another one failed and that one was not tried in the same light. */
    private Optional<Camera> untestedRelied(List<Proof> holding, Proof failed) {
        boolean untested = oneIsEnough() && relied.isPresent() && relied.get() != failed.cameraId() && holding.stream()
                .noneMatch(proof -> proof.cameraId() == relied.get() && proof.light().equals(failed.light()));
        return untested && predicted.standing() != Standing.BROKEN ? relied.map(cameras::get) : Optional.empty();
    }

    /** What one camera shows says nothing of another. */
    private boolean ofEachCamera() {
        return promise instanceof Promise.AlertWithin || promise instanceof Promise.LiveAway || promise instanceof Promise.NeverShows
                || promise instanceof Promise.KeepsDays || promise instanceof Promise.SurvivesTheft;
    }

    private boolean oneIsEnough() {
        return promise instanceof Promise.MakeOut || promise instanceof Promise.RecordedBefore;
    }

    /** The lights in which it has to be tried, each on its own; one without a name where light is no matter. */
    private List<Optional<Light>> lights() {
        Light light = promise instanceof Promise.MakeOut makeOut ? makeOut.light()
                : promise instanceof Promise.RecordedBefore before ? before.light() : null;
        return light == null ? List.of(Optional.empty())
                : light == Light.BOTH ? List.of(Optional.of(Light.DAY), Optional.of(Light.NIGHT)) : List.of(Optional.of(light));
    }

    private Optional<Proof> counting(List<Proof> holding, Optional<Light> light) {
        Map<Long, Proof> newest = new LinkedHashMap<>();
        holding.stream().filter(proof -> light.isEmpty() || proof.light().equals(light))
                .forEach(proof -> newest.put(proof.cameraId(), proof));
        if (newest.isEmpty()) {
            return Optional.empty();
        }
        Comparator<Proof> worse = Comparator.comparing(Proof::passed)
                .thenComparing(proof -> proof.measured().isPresent() ? predicted.limit().margin(proof.measured().getAsDouble()) : 0);
        return Optional.of(oneIsEnough() ? Collections.max(newest.values(), worse) : Collections.min(newest.values(), worse));
    }

    /** Cameras without a test that holds. */
    private List<String> untestedOf(List<Proof> holding) {
        return cameras.values().stream().filter(camera -> holding.stream().noneMatch(proof -> proof.cameraId() == camera.id()))
                .map(Camera::name).toList();
    }

    private static String named(List<String> names) {
        return names.size() > NAMES_SAID ? names.size() + " cameras" : String.join(" and ", names);
    }

    /** By the newest test of each camera: what is no longer as it was then. */
    private String moved(List<Proof> tests) {
        Map<Long, Proof> newest = new LinkedHashMap<>();
        tests.forEach(proof -> newest.put(proof.cameraId(), proof));
        if (newest.size() > NAMES_SAID) {
            return newest.size() + " cameras were moved or set anew since the test: to be tested again.";
        }
        return newest.values().stream().map(proof -> cameras.get(proof.cameraId()).name() + " " + changedSince(proof).stream()
                .map(ProofMark.Part::words).collect(Collectors.joining(", "))).collect(Collectors.joining("; "))
                + " since the test: to be tested again.";
    }

    private Finding because(String also) {
        return new Finding(predicted.promise(), predicted.measured(), predicted.limit(), predicted.evidence(), predicted.standing(),
                predicted.reason() + " " + also, predicted.remedies());
    }

    /** A test that says only yes or no leaves the measure as it was predicted, else at its limit. */
    private Finding told(List<Proof> counting) {
        Proof proof = counting.get(0);
        String lights = counting.stream().flatMap(each -> each.light().stream())
                .map(light -> light == Light.DAY ? "by day" : "in the dark").collect(Collectors.joining(" and "));
        double measured = proof.measured().orElse(predicted.measured().orElse(predicted.limit().value()));
        Standing standing = !proof.passed() ? Standing.BROKEN
                : proof.measured().isPresent() ? predicted.limit().standing(measured) : Standing.KEPT;
        String reason = (proof.passed() ? "Tested on site by " : "The test on site failed, by ") + proof.by() + ", "
                + cameras.get(proof.cameraId()).name()
                + (lights.isEmpty() ? "" : ", " + lights)
                + ": " + proof.said() + (predicted.standing() == Standing.UNTRIED ? "" : " Predicted: " + predicted.measuredText() + ".");
        return new Finding(promise.key(), OptionalDouble.of(measured), predicted.limit(), Evidence.PROVED, standing, reason,
                predicted.remedies());
    }
}
