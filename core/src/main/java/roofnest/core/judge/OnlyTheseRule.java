package roofnest.core.judge;

import java.util.List;
import java.util.stream.Collectors;

import roofnest.core.access.Access;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** Nobody who has left, and nobody of the firm once it is handed over, can look. */
final class OnlyTheseRule implements PromiseRule<Promise.OnlyThese> {
    @Override
    public Class<Promise.OnlyThese> type() {
        return Promise.OnlyThese.class;
    }

    @Override
    public Sighted judge(Promise.OnlyThese promise, Hearing hearing) {
        PromiseKey key = promise.key();
        HouseholdFacts facts = hearing.facts();
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (facts.access().grants().isEmpty()) {
            return Sighted.ofNone(Finding.untried(key, none, "Nobody has been given access yet."));
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
        return Sighted.ofNone(Finding.of(key, intruders.size(), none, Evidence.PREDICTED, reason, remedies));
    }

    @Override
    public String wording(Promise.OnlyThese promise, Names names) {
        return "Only the people agreed can look";
    }
}
