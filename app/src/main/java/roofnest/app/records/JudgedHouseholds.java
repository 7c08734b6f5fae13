package roofnest.app.records;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.watch.Metrics;
import roofnest.core.judge.Happened;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.plan.HousePlan;

/**
 * Gathers everything that a household is judged by, and judges it. What was gathered is kept for as long as the household
 * counts no further change and the day is the same; its Wi-Fi password never is, so the network is read for each request.
 */
@Component
public class JudgedHouseholds {
    private static final int KEPT = 128;

    private final HouseholdRepository households;
    private final ReadPlans plans;
    private final CameraRepository cameras;
    private final PoseReadingRepository poses;
    private final SpotLookRepository looks;
    private final SaidLeadRepository leads;
    private final PromiseRepository promises;
    private final NetworkRepository networks;
    private final OtherThingRepository otherThings;
    private final AccessRepository access;
    private final ProofRepository proofs;
    private final ReadingRepository readings;
    private final ClimateRepository climates;
    private final PracticeRepository practices;
    private final ComingsRepository comings;
    private final AlertRepository alerts;
    private final FootageRepository footage;
    private final LogRepository log;
    private final Judges judges;
    private final Metrics metrics;
    private final Clock clock;
    private final Cache<Long, Kept> kept;

    JudgedHouseholds(
            HouseholdRepository households, ReadPlans plans, CameraRepository cameras, PoseReadingRepository poses,
            SpotLookRepository looks, SaidLeadRepository leads,
            PromiseRepository promises,
            NetworkRepository networks, OtherThingRepository otherThings,
            AccessRepository access, ProofRepository proofs, ReadingRepository readings, ClimateRepository climates,
            PracticeRepository practices, ComingsRepository comings, AlertRepository alerts, FootageRepository footage, LogRepository log,
            Judges judges,
            Metrics metrics, Clock clock) {
        this.households = households;
        this.plans = plans;
        this.cameras = cameras;
        this.poses = poses;
        this.looks = looks;
        this.leads = leads;
        this.promises = promises;
        this.networks = networks;
        this.otherThings = otherThings;
        this.access = access;
        this.proofs = proofs;
        this.readings = readings;
        this.climates = climates;
        this.practices = practices;
        this.comings = comings;
        this.alerts = alerts;
        this.footage = footage;
        this.log = log;
        this.judges = judges;
        this.metrics = metrics;
        this.clock = clock;
        this.kept = metrics.watched("households", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build());
    }

    /**
     * A household as it was judged when it had seen {@code changes} changes.
     *
     * @param facts without the network
     */
    record Kept(long changes, LocalDate today, HouseholdFacts facts, List<CameraRepository.Record> cameras, Judgement judgement) {}

    public JudgedHousehold of(long householdId) {
        Household household = households.get(householdId);
        Kept now = kept.getIfPresent(householdId);
        if (now == null || now.changes() != household.changes() || !now.today().equals(LocalDate.now(clock))) {
            Gathered gathered = gather(household);
            if (!TransactionSynchronizationManager.isActualTransactionActive()) {
                // Inside a change nothing is kept that could still be rolled back.
                keep(householdId, gathered.kept(household.changes()));
            }
            return new JudgedHousehold(household, gathered.facts(), gathered.cameras(), gathered.judge(), gathered.judgement());
        }
        HouseholdFacts facts = now.facts().withNetwork(networks.homeNetwork(householdId));
        return new JudgedHousehold(household, facts, now.cameras(), judges.of(facts), now.judgement());
    }

    /** Gathered and judged inside a change, of which nobody else may see anything before it is committed. */
    Anew anew(Household household) {
        Gathered gathered = gather(household);
        return new Anew(gathered.kept(household.changes()), gathered.facts(), gathered.judge());
    }

    /** What was gathered and judged inside a change. @param facts with the network, which is not kept */
    record Anew(Kept kept, HouseholdFacts facts, HouseholdJudge judge) {}

    void keep(long householdId, Kept now) {
        kept.asMap().merge(householdId, now, (before, after) -> before.changes() > after.changes() ? before : after);
    }

    private record Gathered(HouseholdFacts facts, List<CameraRepository.Record> cameras, HouseholdJudge judge, Judgement judgement) {
        private Kept kept(long changes) {
            return new Kept(changes, facts.today(), facts.withNetwork(Optional.empty()), cameras, judgement);
        }
    }

    /** Each camera in the pose in which it hangs, where that was read, still stands and nobody moved it since; else as it is planned. */
    private List<CameraRepository.Record> hanging(long id, List<CameraRepository.Record> planned, Optional<HousePlan> plan,
            List<Happened> happened) {
        Map<Long, PoseReadingRepository.Row> read = poses.of(id);
        Map<Long, SaidLeadRepository.Row> led = leads.of(id);
        Map<Long, SpotLookRepository.Row> looked = looks.of(id);
        return planned.stream().map(record -> Optional.ofNullable(read.get(record.id())).filter(row -> row.stands(record, plan))
                .filter(row -> happened.stream().noneMatch(each -> each.kind() == Happened.Kind.MOVED
                        && each.about().filter(camera -> camera == record.id()).isPresent() && each.on().isAfter(row.at().toLocalDate())))
                .map(row -> record.hanging(row.pose(), row.spread())).orElse(record))
                .map(record -> Optional.ofNullable(looked.get(record.id())).map(row -> record.seen(row.look())).orElse(record))
                .map(record -> Optional.ofNullable(led.get(record.id())).map(row -> record.led(row.lead())).orElse(record)).toList();
    }

    private Gathered gather(Household household) {
        long id = household.id();
        Optional<HousePlan> plan = households.planDocument(id).map(plans::plan);
        List<Happened> happened = log.happened(id);
        List<CameraRepository.Record> records = hanging(id, cameras.records(id), plan, happened);
        HouseholdFacts facts = new HouseholdFacts(
                plan, records.stream().map(CameraRepository.Record::camera).toList(),
                promises.of(id),
                networks.homeNetwork(id), otherThings.count(id), access.of(id), proofs.of(id),
                climates.climate(climates.of(id), plan),
                LocalDate.now(clock), household.handedOver(), readings.of(id), practices.ofHousehold(id), comings.of(id).comings(),
                alerts.of(id).plan(), footage.of(id), happened);
        HouseholdJudge judge = judges.of(facts);
        return new Gathered(facts, records, judge, metrics.judging(() -> judge.again(facts)));
    }
}
