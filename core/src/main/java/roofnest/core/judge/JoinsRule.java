package roofnest.core.judge;

import java.util.List;

import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.network.SafeCredentials;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** Name, password, band and security of the house suit the model. */
final class JoinsRule implements PromiseRule<Promise.Joins> {
    @Override
    public Class<Promise.Joins> type() {
        return Promise.Joins.class;
    }

    @Override
    public Sighted judge(Promise.Joins promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        HouseholdFacts facts = hearing.facts();
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (facts.network().isEmpty()) {
            return Sighted.of(Finding.untried(key, none, "The house's Wi-Fi name and password are not written down yet."), camera);
        }
        List<FitIssue> issues = CredentialFit.judge(facts.network().get(), camera.model());
        long blocking = issues.stream().filter(FitIssue::blocks).count();
        // Something that only has to be done first is no fault, but the margin is gone.
        Limit limit = Limit.atMost(0, issues.size() > blocking ? 1 : 0, Unit.FAULTS);
        String reason = issues.isEmpty()
                ? "Name, password, band and security all suit " + camera.model().fullName() + "."
                : issues.get(0).sentence();
        String cost = SafeCredentials.rejoinCost(facts.otherThings());
        List<Remedy> remedies = issues.stream().limit(3)
                .map(issue -> new Remedy(issue.remedy(), issue.blocks() ? cost : "nothing has to rejoin")).toList();
        return Sighted.of(Finding.of(key, blocking, limit, Evidence.PREDICTED, reason, remedies), camera);
    }

    @Override
    public String wording(Promise.Joins promise, Names names) {
        return "Can join the house's Wi-Fi";
    }
}
