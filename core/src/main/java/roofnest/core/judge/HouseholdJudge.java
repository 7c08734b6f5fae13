package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.footage.Retention;
import roofnest.core.lang.Numbers;
import roofnest.core.power.BatteryYear;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.MaskCell;

/** Judges one household. Holds its plan's geometry, so that judging again after a move is quick. */
public final class HouseholdJudge {
    private static final double RETENTION_TOLERANCE_SHARE = 0.1;
    private static final double ALERT_TOLERANCE_SHARE = 0.15;

    /** Eyes kept: enough for a day's dragging of one camera between the same few spots. */
    private static final int EYES_KEPT = 256;

    private final Optional<House> house;
    private final Map<CameraEye.Key, CameraEye> eyes = lately(EYES_KEPT);
    private final Map<CameraRules.BatteryKey, BatteryYear.Outcome> years = lately(EYES_KEPT);

    private static <K, V> Map<K, V> lately(int kept) {
        return Collections.synchronizedMap(new LinkedHashMap<>(kept, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > kept;
            }
        });
    }

    public HouseholdJudge(Optional<House> house) {
        this.house = house;
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

    private CameraEye eye(Camera camera) {
        return eyes.computeIfAbsent(CameraEye.Key.of(camera), key -> new CameraEye(house.orElseThrow(), key));
    }

    /** Judges facts over the plan that this judge was made for. */
    public Judgement again(HouseholdFacts facts) {
        Wording wording = new Wording(facts.plan());
        List<Judged> judged = new ArrayList<>();
        for (Promise promise : facts.written()) {
            judged.add(judged(facts, wording, promise, written(facts, promise)));
        }
        for (Camera camera : facts.cameras()) {
            standing(camera).forEach(promise -> judged.add(
                    judged(facts, wording, promise, new SightRules.Sighted(ofCamera(facts, camera, promise), Optional.of(camera.id())))));
        }
        return new Judgement(judged);
    }

    /** The computed year of a battery camera with nobody charging it, for planning charges. */
    public BatteryYear.Outcome untouchedYear(HouseholdFacts facts, Camera camera) {
        return new CameraRules(facts, years).batteryYear(camera, link(facts, camera), 0);
    }

    /** The computed year of a battery camera as it is charged and set. */
    public BatteryYear.Outcome batteryYear(HouseholdFacts facts, Camera camera) {
        return new CameraRules(facts, years).batteryYear(camera, link(facts, camera), camera.settings().chargeEveryDays());
    }

    public Optional<LinkBudget> link(HouseholdFacts facts, Camera camera) {
        return house.flatMap(h -> CameraRules.link(camera, facts, h.signal()));
    }

    /** The band that a camera will use in this house. */
    public static Band bandOf(Camera camera, HouseholdFacts facts) {
        return CameraRules.band(camera, facts);
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
        return promises;
    }

    private Judged judged(HouseholdFacts facts, Wording wording, Promise promise, SightRules.Sighted sighted) {
        Finding finding = proved(facts, promise, sighted.finding());
        return new Judged(promise, wording.of(promise), finding, sighted.cameraId());
    }

    /** The newest proof that still holds wins over what was predicted. */
    private static Finding proved(HouseholdFacts facts, Promise promise, Finding predicted) {
        Optional<Proof> newest = facts.proofs().stream()
                .filter(proof -> proof.promise().equals(promise.key()))
                .max(Comparator.comparing(Proof::at));
        if (newest.isEmpty()) {
            return predicted;
        }
        Proof proof = newest.get();
        boolean moved = facts.cameras().stream()
                .noneMatch(camera -> camera.id() == proof.cameraId() && camera.poseMark().equals(proof.poseMark()));
        if (moved) {
            return new Finding(predicted.promise(), predicted.measured(), predicted.limit(), predicted.evidence(), predicted.standing(),
                    predicted.reason() + " The camera was moved or masked since it was proved: test again.", predicted.remedies());
        }
        return Finding.of(promise.key(), proof.measured(), predicted.limit(), Evidence.PROVED,
                "Tested on site by " + proof.by() + ". " + predicted.reason(), predicted.remedies());
    }

    private SightRules.Sighted written(HouseholdFacts facts, Promise promise) {
        boolean ofSight
                = promise instanceof Promise.MakeOut || promise instanceof Promise.NeverShows || promise instanceof Promise.RecordedBefore;
        if (ofSight && house.isEmpty()) {
            Limit limit = Limit.atLeast(0, 0, Unit.PX_PER_M);
            return new SightRules.Sighted(Finding.untried(promise.key(), limit, "The house has no plan yet."), Optional.empty());
        }
        if (promise instanceof Promise.MakeOut makeOut) {
            return sight().makeOut(makeOut, facts.cameras());
        }
        if (promise instanceof Promise.NeverShows never) {
            return sight().neverShows(never, facts.cameras());
        }
        if (promise instanceof Promise.RecordedBefore before) {
            return sight().recordedBefore(before, facts.cameras());
        }
        if (promise instanceof Promise.KeepsDays keeps) {
            return keepsDays(keeps, facts);
        }
        if (promise instanceof Promise.AlertWithin alert) {
            Limit limit = Limit.atMost(alert.seconds(), alert.seconds() * ALERT_TOLERANCE_SHARE, Unit.SECONDS);
            return new SightRules.Sighted(Finding.untried(promise.key(), limit, "Timed at Prove, on the householder's own phone."),
                    Optional.empty());
        }
        return new SightRules.Sighted(onlyThese(promise.key(), facts), Optional.empty());
    }

    private SightRules sight() {
        return new SightRules(house.orElseThrow().plan(), this::eye);
    }

    private Finding ofCamera(HouseholdFacts facts, Camera camera, Promise promise) {
        CameraRules rules = new CameraRules(facts, years);
        if (promise instanceof Promise.HoldsLink) {
            return rules.holdsLink(promise.key(), camera, link(facts, camera));
        }
        if (promise instanceof Promise.Joins) {
            return rules.joins(promise.key(), camera);
        }
        if (promise instanceof Promise.OwnPassword) {
            return rules.ownPassword(promise.key(), camera);
        }
        if (promise instanceof Promise.ClearLens) {
            return rules.clearLens(promise.key(), camera, house.map(h -> eye(camera).bounce()));
        }
        if (promise instanceof Promise.OutOfReach) {
            return rules.outOfReach(promise.key(), camera);
        }
        return rules.batteryLasts(promise.key(), camera, link(facts, camera));
    }

    /** The camera whose card runs out first decides. */
    private static SightRules.Sighted keepsDays(Promise.KeepsDays promise, HouseholdFacts facts) {
        Limit limit = Limit.atLeast(promise.days(), promise.days() * RETENTION_TOLERANCE_SHARE, Unit.DAYS);
        Optional<Camera> without = facts.cameras().stream().filter(camera -> camera.settings().cardGb() == 0).findFirst();
        if (without.isPresent()) {
            return new SightRules.Sighted(Finding.of(promise.key(), 0, limit, Evidence.PREDICTED, without.get().name() + " has no card.",
                    List.of(new Remedy("Put a card into " + without.get().name(), "footage is kept at all"))),
                    Optional.of(without.get().id()));
        }
        record Kept(Camera camera, Retention retention) {}
        Optional<Kept> least = facts.cameras().stream()
                .map(camera -> new Kept(camera, retention(camera)))
                .min(Comparator.comparingDouble(kept -> kept.retention().days()));
        if (least.isEmpty()) {
            return new SightRules.Sighted(Finding.untried(promise.key(), limit, "No camera is on the plan yet."), Optional.empty());
        }
        Camera camera = least.get().camera();
        Retention kept = least.get().retention();
        String reason = camera.name() + " with " + camera.settings().cardGb() + " GB: " + Numbers.fixed(kept.clipsWorstWeek(), 0)
                + " clips of " + camera.settings().clipSeconds() + " s in a bad week, " + Numbers.fixed(kept.gbPerDay(), 2) + " GB a day.";
        return new SightRules.Sighted(
                Finding.of(promise.key(), kept.days(), limit, Evidence.PREDICTED, reason, cardRemedy(promise, camera, kept)),
                Optional.of(camera.id()));
    }

    /** Retention of one camera as it is set; it must have a card. */
    public static Retention retention(Camera camera) {
        return Retention.onCard(camera.settings().cardGb(), camera.settings().clipsPerDay(), camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps());
    }

    private static List<Remedy> cardRemedy(Promise.KeepsDays promise, Camera camera, Retention kept) {
        double enoughDays = promise.days() * (1 + RETENTION_TOLERANCE_SHARE);
        if (kept.days() >= enoughDays) {
            return List.of();
        }
        double neededGb = enoughDays * kept.gbPerDay() / Retention.USABLE_SHARE;
        for (int size = 16; size <= camera.model().recording().cardMaxGb(); size *= 2) {
            if (size >= neededGb) {
                return List.of(
                        new Remedy("A " + size + " GB card", Numbers.fixed(kept.days() * size / camera.settings().cardGb(), 0) + " days"));
            }
        }
        int seconds = Math.max(camera.model().recording().clipMinSeconds(), camera.settings().clipSeconds() / 2);
        return List.of(new Remedy("Clips of " + seconds + " s",
                "about " + Numbers.fixed(kept.days() * camera.settings().clipSeconds() / seconds, 0) + " days"));
    }

    private static Finding onlyThese(PromiseKey key, HouseholdFacts facts) {
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (facts.access().grants().isEmpty()) {
            return Finding.untried(key, none, "Nobody has been given access yet.");
        }
        List<Access.Intruder> intruders = facts.access().intruders(facts.today(), facts.handedOver());
        long lookers = facts.access().grants().stream().map(Access.Grant::personId).distinct().count();
        String reason = intruders.isEmpty()
                ? (lookers == 1 ? "One person can look, as agreed." : lookers + " people can look, all of them agreed.")
                : intruders.stream().map(intruder -> intruder.person().name() + " (" + intruder.why() + ")")
                        .collect(Collectors.joining(", "))
                        + " can still look.";
        List<Remedy> remedies = intruders.stream().limit(3)
                .map(intruder -> new Remedy("Take access from " + intruder.person().name(), "one fewer who can look")).toList();
        return Finding.of(key, intruders.size(), none, Evidence.PREDICTED, reason, remedies);
    }
}
