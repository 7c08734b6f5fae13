package roofnest.app.web;

import java.util.List;
import java.util.Locale;

import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judged;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/**
 * One promise as it is listed.
 *
 * @param standing in lower case, for the egg's drawing
 * @param camera that it is about; empty when it is about the whole house
 */
public record PromiseLine(
        String key, String wording, String camera, String standing, String word, String measured, String limit, String evidence,
        String reason, List<Remedy> remedies) {
    public static PromiseLine of(Judged judged, HouseholdFacts facts) {
        Finding finding = judged.finding();
        String camera = judged.promise().key().value().startsWith("c")
                ? judged.cameraId().flatMap(id -> facts.cameras().stream().filter(c -> c.id() == id).findFirst()).map(Camera::name)
                        .orElse("")
                : "";
        return new PromiseLine(
                finding.promise().value(), judged.wording(), camera, finding.standing().name().toLowerCase(Locale.ROOT),
                finding.standing().word(), measured(finding), finding.limit().toString(), evidence(judged.promise(), finding),
                finding.reason(),
                finding.remedies());
    }

    /** Counts of faults read better as words than as a bare number. */
    private static String measured(Finding finding) {
        if (finding.limit().unit() == Unit.FAULTS && finding.measured().isPresent()) {
            return finding.measured().getAsDouble() == 0 ? "yes" : "no · " + finding.measuredText();
        }
        return finding.measuredText();
    }

    private static String evidence(Promise promise, Finding finding) {
        if (promise instanceof Promise.OnlyThese && finding.evidence() == Evidence.PREDICTED) {
            return "from what was noted of people";
        }
        return finding.evidence() == Evidence.PROVED && finding.standing() == Standing.BROKEN ? "found by a test"
                : finding.evidence().words();
    }

    /** Tells two states of the line apart. */
    public String mark() {
        return Integer.toHexString(hashCode());
    }

    public boolean broken() {
        return standing.equals("broken");
    }
}
