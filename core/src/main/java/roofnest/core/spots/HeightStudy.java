package roofnest.core.spots;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.plan.Place;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Sightline;

/**
 * What every height of one camera at its place on the wall gains and loses, judged by the same word as everything else.
 *
 * @param rows from the lowest up
 * @param plannedM the height of the row where it is planned
 * @param promises that this camera decides at one of the heights and that do not stand alike at all of them, as they are worded
 * @param places that it is the one to make somebody out at
 */
public record HeightStudy(List<Row> rows, double plannedM, List<Judged> promises, List<Place> places) {
    /** Between heights, metres. */
    static final double STEP_M = 0.1;
    /** The lowest over what one stands on, metres. */
    static final double LEAST_M = 1.2;
    /** The highest: more is no work of this trade, metres. */
    static final double MOST_M = 5;
    private static final double SAME_M = 0.02;
    private static final double SAME_VALUE = 1e-6;

    /**
     * One height.
     *
     * @param heightM above the plan's ground, and {@code overFootM} above what one stands on there
     * @param blindM of ground under it that it does not show; empty when it shows none at all
     * @param findings by promise
     * @param faceDeg how steeply a face at each of the places is looked down on
     */
    public record Row(double heightM, double overFootM, Optional<Double> blindM, Map<PromiseKey, Finding> findings,
            List<Double> faceDeg) {}

    public HeightStudy {
        rows = List.copyOf(rows);
        promises = List.copyOf(promises);
        places = List.copyOf(places);
    }

    /** @param topM of what it hangs on there, metres above the plan's ground */
    public static HeightStudy of(HouseholdJudge judge, HouseholdFacts facts, Camera camera, double topM) {
        House house = judge.house().orElseThrow(() -> new IllegalArgumentException("heights are weighed on a plan"));
        CameraPose now = camera.pose();
        double foot = house.underfootM(now.onPlan(), now.heightM());
        NavigableSet<Double> heights = new TreeSet<>();
        for (int i = (int) Math.round(LEAST_M / STEP_M); i <= Math.round(MOST_M / STEP_M); i++) {
            double height = foot + i * STEP_M;
            if (height <= topM && Math.abs(height - now.heightM()) > SAME_M && height <= CameraPose.MOST_HEIGHT_M) {
                heights.add(height);
            }
        }
        heights.add(now.heightM());
        Map<Double, Judgement> judged = new HashMap<>();
        Set<PromiseKey> own = new LinkedHashSet<>();
        for (double height : heights) {
            Judgement there = height == now.heightM() ? judge.again(facts) : judge.again(facts.withCamera(camera.withPose(
                    now.atHeight(height))));
            judged.put(height, there);
            there.ofCamera(camera.id()).forEach(each -> own.add(each.promise().key()));
        }
        List<Judged> promises = judged.get(now.heightM()).promises().stream().filter(each -> own.contains(each.promise().key()))
                .filter(each -> differs(each.promise().key(), judged)).toList();
        List<Place> places = promises.stream().map(Judged::promise).filter(Promise.MakeOut.class::isInstance)
                .map(promise -> ((Promise.MakeOut) promise).placeId()).distinct().flatMap(id -> house.plan().place(id).stream()).toList();
        List<Row> rows = new ArrayList<>();
        for (double height : heights) {
            CameraPose pose = now.atHeight(height);
            double blind = Sightline.blindGroundM(camera.model().lens(), pose, height - foot);
            Map<PromiseKey, Finding> findings = new HashMap<>();
            judged.get(height).promises().forEach(each -> findings.put(each.promise().key(), each.finding()));
            findings.keySet().retainAll(promises.stream().map(each -> each.promise().key()).toList());
            rows.add(new Row(height, height - foot, Double.isInfinite(blind) ? Optional.empty() : Optional.of(blind), Map.copyOf(findings),
                    places.stream().map(place -> Sightline.faceAngleDeg(height, place.groundM(), now.onPlan().distanceM(place.at())))
                            .toList()));
        }
        return new HeightStudy(rows, now.heightM(), promises, places);
    }

    private static boolean differs(PromiseKey key, Map<Double, Judgement> judged) {
        Finding first = null;
        for (Judgement there : judged.values()) {
            Finding finding = there.promises().stream().filter(each -> each.promise().key().equals(key)).findFirst().orElseThrow()
                    .finding();
            if (first != null && (first.standing() != finding.standing()
                    || Math.abs(first.measured().orElse(0) - finding.measured().orElse(0)) > SAME_VALUE)) {
                return true;
            }
            first = first == null ? finding : first;
        }
        return false;
    }
}
