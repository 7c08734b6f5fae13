package roofnest.core.spots;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Finding;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/**
 * Finds better spots for one camera of a household: the candidate poses are each judged on every promise with all other
 * cameras where they are. Fewer broken promises win over fewer thin ones, those over more margin, that over less cost.
 */
public final class BetterSpot {
    /** Poses judged in full. */
    public static final int JUDGED = 400;
    private static final int SUGGESTED = 3;
    /** Suggestions are at least this far apart, so that they are choices, metres. */
    private static final double APART_M = 1.5;
    /** Sums of margins that differ by less are taken as the same. */
    private static final double SAME_MARGIN = 0.05;

    private BetterSpot() {}

    /** How one promise changes. */
    public record Change(String wording, Standing before, Standing after, String measuredBefore, String measuredAfter) {
        public boolean better() {
            return after.ordinal() < before.ordinal();
        }
    }

    /**
     * @param on what it would be screwed to
     * @param masked cells of the picture that are blacked out there for what is said to hold
     */
    public record Suggestion(CameraPose pose, String on, List<Change> changes, Costs costs, double movedM, Set<MaskCell> masked) {}

    /**
     * @param judged how many poses were judged in full
     * @param now what the camera's present spot costs
     */
    public record Outcome(List<Suggestion> suggestions, int judged, Costs now) {}

    private record Scored(Candidates.Posed posed, Judgement judgement, Score score) {}

    private record Score(long broken, long thin, double margin) implements Comparable<Score> {
        static Score of(Judgement judgement) {
            double margin = judgement.promises().stream().mapToDouble(judged -> share(judged.finding())).sum();
            return new Score(judgement.count(Standing.BROKEN), judgement.count(Standing.THIN), margin);
        }

        /** Margin in tolerances, between −1 and 1, so that no one promise outweighs the others. */
        private static double share(Finding finding) {
            if (finding.margin().isEmpty() || finding.limit().tolerance() == 0) {
                return 0;
            }
            return Math.max(-1, Math.min(1, finding.margin().getAsDouble() / finding.limit().tolerance() / 4));
        }

        @Override
        public int compareTo(Score other) {
            if (broken != other.broken) {
                return Long.compare(broken, other.broken);
            }
            if (thin != other.thin) {
                return Long.compare(thin, other.thin);
            }
            return Math.abs(margin - other.margin) < SAME_MARGIN ? 0 : Double.compare(other.margin, margin);
        }
    }

    /** At most three spots that are better than where the camera is now, best first. */
    public static Outcome forCamera(HouseholdJudge judge, HouseholdFacts facts, Camera camera) {
        var house = judge.house().orElseThrow(() -> new IllegalArgumentException("a better spot needs a plan"));
        Judgement now = judge.again(facts);
        Score present = Score.of(now);
        List<Candidates.Posed> candidates = new Candidates(house, camera.model(), facts.written()).best(JUDGED);
        List<Scored> better = new ArrayList<>();
        for (Candidates.Posed candidate : candidates) {
            Camera hung = camera.withPose(candidate.pose());
            Judgement there = judge.again(facts.withCamera(hung.withMasked(judge.cellsShowing(facts, hung))));
            Score score = Score.of(there);
            if (score.compareTo(present) < 0) {
                better.add(new Scored(candidate, there, score));
            }
        }
        // Margins are compared with some slack, which is no order to sort by; they are rounded to it instead.
        better.sort(Comparator.comparingLong((Scored s) -> s.score().broken()).thenComparingLong(s -> s.score().thin())
                .thenComparingLong(s -> -Math.round(s.score().margin() / SAME_MARGIN))
                .thenComparingDouble(s -> s.posed().pose().heightM()));
        List<Suggestion> suggestions = new ArrayList<>();
        for (Scored scored : better) {
            CameraPose pose = scored.posed().pose();
            boolean apart = suggestions.stream().allMatch(other -> other.pose().onPlan().distanceM(pose.onPlan()) >= APART_M);
            if (apart && suggestions.size() < SUGGESTED) {
                Camera hung = camera.withPose(pose);
                suggestions.add(new Suggestion(pose, scored.posed().mount().on(), changes(now, scored.judgement()),
                        Costs.of(house, camera.model(), pose, alone(judge, facts, hung.withMasked(Set.of())), facts),
                        pose.onPlan().distanceM(camera.pose().onPlan()), judge.cellsShowing(facts, hung)));
            }
        }
        return new Outcome(suggestions, candidates.size(),
                Costs.of(house, camera.model(), camera.pose(), alone(judge, facts, camera), facts));
    }

    private static Judgement alone(HouseholdJudge judge, HouseholdFacts facts, Camera camera) {
        return judge.again(facts.withCameras(List.of(camera)));
    }

    /** The promises that stand differently. */
    public static List<Change> changes(Judgement before, Judgement after) {
        Map<PromiseKey, Judged> then = new HashMap<>();
        after.promises().forEach(judged -> then.put(judged.promise().key(), judged));
        List<Change> changes = new ArrayList<>();
        for (Judged judged : before.promises()) {
            Judged other = then.get(judged.promise().key());
            if (other != null && other.finding().standing() != judged.finding().standing()) {
                changes.add(new Change(judged.wording(), judged.finding().standing(), other.finding().standing(),
                        judged.finding().measuredText(), other.finding().measuredText()));
            }
        }
        return changes;
    }
}
