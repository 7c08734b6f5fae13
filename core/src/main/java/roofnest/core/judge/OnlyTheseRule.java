package roofnest.core.judge;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.core.access.Access;
import roofnest.core.access.Kit;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** Nobody who has left, and nobody of the firm once it is handed over, can look. */
final class OnlyTheseRule implements PromiseRule<Promise.OnlyThese> {
    private static final int SAID = 3;

    @Override
    public Class<Promise.OnlyThese> type() {
        return Promise.OnlyThese.class;
    }

    @Override
    public Sighted judge(Promise.OnlyThese promise, Hearing hearing) {
        PromiseKey key = promise.key();
        HouseholdFacts facts = hearing.facts();
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        Access access = facts.access();
        List<Kit> kit = facts.kit();
        List<Access.Person> lookers = access.lookers(facts.today(), kit);
        List<String> screens = access.screens().stream().map(screen -> screen.name() + " in " + screen.room()).toList();
        if (lookers.isEmpty() && access.grants().isEmpty()) {
            return Sighted.ofNone(Finding.untried(key, none, "Nobody has been given access yet."));
        }
        List<Access.Intruder> intruders = facts.intruders();
        String agreed = switch (lookers.size()) {
            case 0 -> "Nobody can look yet: a guest's first day is to come, or nobody was told the password that is in force.";
            case 1 -> "One person can look, as agreed.";
            default -> lookers.size() + " people can look, all of them agreed.";
        };
        String more = (screens.isEmpty() ? "" : " So can whoever stands before " + String.join(" or ", screens) + ".")
                + proved(access, kit);
        String kept = agreed.length() + more.length() <= Finding.LONGEST_REASON ? agreed + more : agreed + " Share says by what.";
        String reason = intruders.isEmpty() ? kept : said(intruders);
        List<Remedy> remedies = intruders.stream().limit(3)
                .map(intruder -> new Remedy("Shut " + intruder.person().name() + " out", "one fewer who can look")).toList();
        return Sighted.ofNone(Finding.of(key, intruders.size(), none, Evidence.PREDICTED, reason, remedies));
    }

    private static String said(List<Access.Intruder> intruders) {
        String said = intruders.stream().limit(SAID).map(intruder -> intruder.person().name() + " (" + intruder.why() + ") can still look: "
                + intruder.ways().stream().map(Access.Way::how).collect(Collectors.joining("; ")) + ".").collect(Collectors.joining(" "));
        String more = intruders.size() > SAID ? " And " + (intruders.size() - SAID) + " more." : "";
        if (said.length() + more.length() <= Finding.LONGEST_REASON) {
            return said + more;
        }
        return intruders.stream().limit(SAID).map(intruder -> intruder.person().name() + " (" + intruder.why() + ")")
                .collect(Collectors.joining(", ")) + " can still look." + more;
    }

    /** Where a leaver's own try was refused is named; elsewhere they are shut out by what is written, and no more. */
    private static String proved(Access access, List<Kit> kit) {
        return access.people().stream().filter(person -> person.tie() == Access.Tie.LEFT).map(leaver -> {
            Set<Long> refused = access.refusedAt(leaver.id());
            String where = kit.stream().filter(each -> refused.contains(each.cameraId())).map(Kit::name).collect(Collectors.joining(", "));
            return where.isEmpty() ? "" : " " + leaver.name() + "'s own try to look was refused at " + where + ".";
        }).collect(Collectors.joining());
    }

    @Override
    public String wording(Promise.OnlyThese promise, Names names) {
        return "Only the people agreed can look";
    }
}
