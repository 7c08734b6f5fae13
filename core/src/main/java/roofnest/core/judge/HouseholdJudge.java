package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import roofnest.core.catalogue.Band;
import roofnest.core.footage.Retention;
import roofnest.core.power.BatteryYear;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.MaskCell;

/** Judges one household. Holds its plan's geometry, so that judging again after a move is quick. */
public final class HouseholdJudge {
    /** Eyes kept: enough for a day's dragging of one camera between the same few spots. */
    private static final int EYES_KEPT = 256;

    private final Rules rules = new Rules();
    private final Optional<House> house;
    private final LoadingCache<CameraEye.Key, CameraEye> eyes;
    private final BatteryYears years;

    public HouseholdJudge(Optional<House> house) {
        this.house = house;
        this.eyes = Caffeine.newBuilder().executor(Runnable::run).maximumSize(EYES_KEPT)
                .build(key -> new CameraEye(house.orElseThrow(), key));
        this.years = new BatteryYears(house, this::eye);
    }

    /** A judge of the house that these facts are of. */
    public static HouseholdJudge of(HouseholdFacts facts) {
        return new HouseholdJudge(facts.plan().map(plan -> new House(plan, facts.readings())));
    }

    public static Judgement judge(HouseholdFacts facts) {
        return of(facts).again(facts);
    }

    /** The cells of a camera's picture that show what is promised never to be shown; empty when it cannot mask. */
    public Set<MaskCell> cellsShowing(HouseholdFacts facts, Camera camera) {
        Set<MaskCell> cells = new TreeSet<>();
        if (camera.model().mask().canMask() && house.isPresent()) {
            for (Promise promise : facts.written()) {
                if (promise instanceof Promise.NeverShows never) {
                    house.get().plan().area(never.areaId()).ifPresent(area -> cells.addAll(eye(camera).exposure(area).cells()));
                }
            }
        }
        return cells;
    }

    public Optional<House> house() {
        return house;
    }

    /** How high a camera hangs over the ground or floor under it, metres; over the plan's level while there is no plan. */
    public double overFootM(Camera camera) {
        return house.map(h -> h.overFootM(camera.pose())).orElse(camera.pose().heightM());
    }

    private CameraEye eye(Camera camera) {
        return eyes.get(CameraEye.Key.of(camera));
    }

    private Hearing hearing(HouseholdFacts facts) {
        return new Hearing(facts, house, this::eye, years);
    }

    /** Judges facts over the plan that this judge was made for. */
    public Judgement again(HouseholdFacts facts) {
        Hearing hearing = hearing(facts);
        Names names = new Names(facts.plan());
        List<Judged> judged = new ArrayList<>();
        facts.written().forEach(promise -> judged.add(judged(promise, hearing, names)));
        facts.cameras().forEach(camera -> standing(camera).forEach(promise -> judged.add(judged(promise, hearing, names))));
        return new Judgement(judged);
    }

    private Judged judged(Promise promise, Hearing hearing, Names names) {
        Sighted sighted = rules.judge(promise, hearing);
        return new Judged(promise, rules.wording(promise, names), proved(hearing.facts(), promise, sighted.finding()), sighted.cameraId());
    }

    /** The computed year of a battery camera with nobody charging it, for planning charges. */
    public BatteryYear.Outcome untouchedYear(HouseholdFacts facts, Camera camera) {
        return years.of(facts, camera, link(facts, camera), 0);
    }

    /** The computed year of a battery camera as it is charged and set. */
    public BatteryYear.Outcome batteryYear(HouseholdFacts facts, Camera camera) {
        return years.of(facts, camera, link(facts, camera), camera.settings().chargeEveryDays());
    }

    /** How a camera's panel had best lean and face, and whether a little more lead would bring it into more sun. */
    public Optional<PanelAdvice> panelAdvice(HouseholdFacts facts, Camera camera) {
        Optional<LinkBudget> link = link(facts, camera);
        return camera.model().power().panelW() == 0 || house.isEmpty() ? Optional.empty()
                : Optional.of(PanelAdvice.of(camera,
                        tried -> years.of(facts, tried, link, tried.settings().chargeEveryDays()).lowest().percent()));
    }

    public Optional<LinkBudget> link(HouseholdFacts facts, Camera camera) {
        return hearing(facts).link(camera);
    }

    /** The band that a camera will use in this house. */
    public static Band bandOf(Camera camera, HouseholdFacts facts) {
        return Links.band(camera, facts);
    }

    /** Retention of one camera as it is set; it must have a card. */
    public static Retention retention(Camera camera) {
        return Retentions.of(camera);
    }

    private static List<Promise> standing(Camera camera) {
        List<Promise> promises = new ArrayList<>(List.of(
                new Promise.HoldsLink(PromiseKey.ofCamera(camera.id(), "link"), camera.id()),
                new Promise.Joins(PromiseKey.ofCamera(camera.id(), "joins"), camera.id()),
                new Promise.OwnPassword(PromiseKey.ofCamera(camera.id(), "password"), camera.id()),
                new Promise.ClearLens(PromiseKey.ofCamera(camera.id(), "clear"), camera.id()),
                new Promise.OutOfReach(PromiseKey.ofCamera(camera.id(), "reach"), camera.id())));
        if (camera.model().power().onBattery()) {
            promises.add(new Promise.BatteryLasts(PromiseKey.ofCamera(camera.id(), "battery"), camera.id()));
        }
        if (!camera.model().power().onBattery()) {
            promises.add(new Promise.LeadCarries(PromiseKey.ofCamera(camera.id(), "lead"), camera.id()));
        }
        return promises;
    }

    /**
     * Tests win over what was predicted: of each camera its newest one, if it still hangs and is set as it was then. What one
     * camera is enough for is kept by any that passed; what each has to do is broken by any that failed.
     */
    private static Finding proved(HouseholdFacts facts, Promise promise, Finding predicted) {
        Map<Long, Proof> newest = new TreeMap<>();
        facts.proofs().stream().filter(proof -> proof.promise().equals(promise.key())).sorted(Comparator.comparing(Proof::at))
                .forEach(proof -> newest.put(proof.cameraId(), proof));
        Map<Long, Camera> cameras = new TreeMap<>();
        facts.cameras().forEach(camera -> cameras.put(camera.id(), camera));
        boolean tested = !newest.isEmpty();
        newest.keySet().retainAll(cameras.keySet());
        List<Proof> holding = newest.values().stream()
                .filter(proof -> cameras.get(proof.cameraId()).proofMark(promise).equals(proof.mark())).toList();
        if (holding.isEmpty()) {
            return !tested ? predicted : because(predicted, newest.isEmpty()
                    ? "The camera that it was tested with has left: to be tested again."
                    : newest.values().stream().map(proof -> cameras.get(proof.cameraId()).name()).collect(Collectors.joining(" and "))
                            + (newest.size() == 1 ? " was" : " were") + " moved, masked or set anew since the test: to be tested again.");
        }
        boolean oneIsEnough = promise instanceof Promise.MakeOut || promise instanceof Promise.RecordedBefore;
        Comparator<Proof> worse = Comparator.comparing(Proof::passed)
                .thenComparing(proof -> proof.measured().isPresent() ? predicted.limit().margin(proof.measured().getAsDouble()) : 0);
        Proof counts = oneIsEnough ? Collections.max(holding, worse) : Collections.min(holding, worse);
        return told(promise, counts, cameras.get(counts.cameraId()), predicted);
    }

    private static Finding because(Finding predicted, String also) {
        return new Finding(predicted.promise(), predicted.measured(), predicted.limit(), predicted.evidence(), predicted.standing(),
                predicted.reason() + " " + also, predicted.remedies());
    }

    /** A test that says only yes or no leaves the measure as it was predicted, else at its limit. */
    private static Finding told(Promise promise, Proof proof, Camera camera, Finding predicted) {
        double measured = proof.measured().orElse(predicted.measured().orElse(predicted.limit().value()));
        Standing standing = !proof.passed() ? Standing.BROKEN
                : proof.measured().isPresent() ? predicted.limit().standing(measured) : Standing.KEPT;
        String reason = (proof.passed() ? "Tested on site by " : "The test on site failed, by ") + proof.by() + ", " + camera.name() + ": "
                + proof.said() + " " + (predicted.standing() == Standing.UNTRIED ? "" : "Predicted: " + predicted.measuredText() + ".");
        return new Finding(promise.key(), OptionalDouble.of(measured), predicted.limit(), Evidence.PROVED, standing, reason.strip(),
                predicted.remedies());
    }
}
