package roofnest.app.household;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.brief.PromiseRepository;
import roofnest.app.prove.ProofRepository;
import roofnest.app.ready.NetworkRepository;
import roofnest.app.share.AccessRepository;
import roofnest.app.survey.CameraRepository;
import roofnest.app.survey.ReadingRepository;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;

/** Gathers everything that a household is judged by. */
@Component
public class FactsLoader {
    private final HouseholdRepository households;
    private final ReadPlans plans;
    private final CameraRepository cameras;
    private final PromiseRepository promises;
    private final NetworkRepository networks;
    private final AccessRepository access;
    private final ProofRepository proofs;
    private final ReadingRepository readings;
    private final Clock clock;

    FactsLoader(
            HouseholdRepository households, ReadPlans plans, CameraRepository cameras, PromiseRepository promises,
            NetworkRepository networks, AccessRepository access, ProofRepository proofs,
            ReadingRepository readings, Clock clock) {
        this.readings = readings;
        this.households = households;
        this.plans = plans;
        this.cameras = cameras;
        this.promises = promises;
        this.networks = networks;
        this.access = access;
        this.proofs = proofs;
        this.clock = clock;
    }

    public HouseholdFacts load(long householdId) {
        return new HouseholdFacts(
                plan(householdId), cameras.of(householdId), promises.of(householdId), networks.homeNetwork(householdId),
                networks.otherThingsCount(householdId), access.of(householdId), proofs.of(householdId), Climate.MILD_COAST,
                LocalDate.now(clock), households.get(householdId).handedOver(), readings.of(householdId));
    }

    private Optional<HousePlan> plan(long householdId) {
        return households.planDocument(householdId).map(plans::plan);
    }
}
