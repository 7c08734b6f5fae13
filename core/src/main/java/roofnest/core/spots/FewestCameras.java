package roofnest.core.spots;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/**
 * How few cameras of one model keep everything that a household was promised to have seen. Each candidate pose is judged
 * alone: the promises it keeps are what it covers, and a pose that breaks a promise of its own (shows what must not be
 * shown, even when all that shows it is masked; has no link; blinds itself; hangs in reach) is left out. The fewest that
 * cover every promise is a set cover, solved exactly by {@link SetCover}.
 */
public final class FewestCameras {
    /** Poses judged in full. */
    public static final int JUDGED = 400;

    /** A promise kept thinly is a promise kept, but a spot that keeps it well is worth this much more cable. */
    private static final double THIN_AS_METRES = 5;

    private FewestCameras() {}

    /** One camera of the answer, with what it keeps. */
    public record Hung(CameraPose pose, String on, List<String> keeps) {}

    /**
     * @param cameras the fewest, empty when nothing can be kept by any
     * @param proved whether the solver proved that fewer cannot
     * @param hopeless promises that no candidate keeps
     * @param candidates how many poses were judged
     */
    public record Outcome(List<Hung> cameras, boolean proved, List<String> hopeless, int candidates, int asked) {}

    private record Option(Candidates.Posed posed, Set<Integer> covers, double cost) {}

    public static Outcome of(HouseholdJudge judge, HouseholdFacts facts, DeviceModel model) {
        var house = judge.house().orElseThrow(() -> new IllegalArgumentException("fewest cameras need a plan"));
        List<Promise> seen
                = facts.written().stream().filter(p -> p instanceof Promise.MakeOut || p instanceof Promise.RecordedBefore).toList();
        Map<PromiseKey, String> wording = new LinkedHashMap<>();
        judge.again(facts.withCameras(List.of())).promises().forEach(judged -> wording.put(judged.promise().key(), judged.wording()));
        List<Candidates.Posed> candidates = new Candidates(house, model, seen).best(JUDGED);
        // Of poses that cover the same, only the cheapest can matter.
        Map<Set<Integer>, Option> options = new LinkedHashMap<>();
        for (Candidates.Posed candidate : candidates) {
            option(judge, facts, model, seen, candidate)
                    .ifPresent(option -> options.merge(option.covers(), option, (a, b) -> a.cost() <= b.cost() ? a : b));
        }
        List<Option> kept = new ArrayList<>(options.values());
        kept.sort(Comparator.comparing(option -> option.posed().pose().toString()));
        Set<Integer> coverable = new TreeSet<>();
        kept.forEach(option -> coverable.addAll(option.covers()));
        List<String> hopeless = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++) {
            if (!coverable.contains(i)) {
                hopeless.add(wording.get(seen.get(i).key()));
            }
        }
        SetCover.Answer answer
                = SetCover.solve(coverable, kept.stream().map(option -> new SetCover.Choice(option.covers(), option.cost())).toList());
        List<Hung> hung = answer.chosen().stream().map(kept::get).map(option -> new Hung(option.posed().pose(), option.posed().mount().on(),
                option.covers().stream().map(i -> wording.get(seen.get(i).key())).toList())).toList();
        return new Outcome(hung, answer.proved(), hopeless, candidates.size(), seen.size());
    }

    private static Optional<Option> option(
            HouseholdJudge judge, HouseholdFacts facts, DeviceModel model, List<Promise> seen, Candidates.Posed candidate) {
        Camera camera = new Camera(1, "candidate", model, candidate.pose(), Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.empty());
        Camera masked = camera.withMasked(judge.cellsShowing(facts, camera));
        Judgement alone = judge.again(facts.withCameras(List.of(masked)));
        Set<Integer> covers = new TreeSet<>();
        int thin = 0;
        for (Judged judged : alone.promises()) {
            Standing standing = judged.finding().standing();
            Promise promise = judged.promise();
            boolean own
                    = promise instanceof Promise.NeverShows || promise instanceof Promise.HoldsLink || promise instanceof Promise.ClearLens
                            || promise instanceof Promise.OutOfReach;
            if (own && standing == Standing.BROKEN) {
                return Optional.empty();
            }
            int index = seen.indexOf(promise);
            if (index >= 0 && (standing == Standing.KEPT || standing == Standing.THIN)) {
                covers.add(index);
                thin += standing == Standing.THIN ? 1 : 0;
            }
        }
        double cost = THIN_AS_METRES * thin + Costs.of(judge.house().orElseThrow(), model, candidate.pose(), alone, facts).asMetres();
        return covers.isEmpty() ? Optional.empty() : Optional.of(new Option(candidate, covers, cost));
    }
}
