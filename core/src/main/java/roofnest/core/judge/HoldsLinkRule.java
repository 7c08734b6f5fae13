package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.PathLoss;

/** Two bars at the camera's place, with 95 % certainty. */
final class HoldsLinkRule implements PromiseRule<Promise.HoldsLink> {
    /** A reading this near to the lens was made where it hangs, metres. */
    static final double READ_HERE_M = 2;

    @Override
    public Class<Promise.HoldsLink> type() {
        return Promise.HoldsLink.class;
    }

    @Override
    public Sighted judge(Promise.HoldsLink promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        HouseholdFacts facts = hearing.facts();
        Band band = Links.band(camera, facts);
        Optional<LinkBudget> link = hearing.link(camera);
        if (link.isEmpty()) {
            return Sighted.of(Finding.untried(key, Limit.atLeast(LinkBudget.TWO_BARS_DBM, 0, Unit.DBM), "The plan shows no router yet."),
                    camera);
        }
        LinkBudget budget = link.get();
        Limit limit = Limit.atLeast(LinkBudget.TWO_BARS_DBM, budget.sureMarginDb(), Unit.DBM);
        double sure = 100 * budget.chanceAtLeast(LinkBudget.TWO_BARS_DBM);
        String through = budget.ray().walls().isEmpty() && budget.ray().slabs() == 0 ? "in sight of it"
                : "walls and floors take " + Numbers.fixed(budget.ray().wallsDb() + budget.ray().slabsDb(), 0) + " dB";
        boolean read = facts.readings().stream().anyMatch(reading -> reading.band() == band);
        String reason = Numbers.fixed(budget.ray().distanceM(), 1) + " m to " + budget.peer() + ", " + through
                + (read ? ", readings taken in; " : "; ") + Numbers.fixed(sure, 0)
                + " % sure of two bars (" + Unit.DBM.format(LinkBudget.TWO_BARS_DBM) + ").";
        List<Remedy> remedies = new ArrayList<>();
        double missingDb = limit.value() + limit.tolerance() - budget.rssiDbm();
        if (missingDb > 0) {
            budget.ray().walls().stream()
                    .max(Comparator.comparingDouble(wall -> PathLoss.wallDb(wall, band)))
                    .ifPresent(wall -> remedies.add(new Remedy(
                            "Find a line to the router that misses the " + wall.material().words() + " wall",
                            "about " + Numbers.fixed(PathLoss.wallDb(wall, band), 0) + " dB better")));
            remedies.add(new Remedy("Bring the router or an access point nearer", Numbers.fixed(missingDb, 0) + " dB are wanting"));
        }
        boolean here = facts.readings().stream().anyMatch(reading -> reading.band() == band
                && reading.at().distanceM(camera.pose().lens()) <= READ_HERE_M);
        return Sighted.of(Finding.of(key, budget.rssiDbm(), limit, here ? Evidence.READ : Evidence.PREDICTED, reason, remedies), camera);
    }

    @Override
    public String wording(Promise.HoldsLink promise, Names names) {
        return "Holds its Wi-Fi link";
    }
}
