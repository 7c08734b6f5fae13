package roofnest.app.ready;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Service;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import roofnest.app.household.Frame;
import roofnest.app.records.Experience;
import roofnest.app.records.ExperienceRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.watch.Metrics;
import roofnest.app.watch.Solving;
import roofnest.core.access.Access;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.judge.Camera;
import roofnest.core.network.FitMatrix;
import roofnest.core.network.SafeCredentials;
import roofnest.core.visit.Charging;
import roofnest.core.visit.Job;
import roofnest.core.visit.Learned;
import roofnest.core.visit.Task;
import roofnest.core.visit.Timeline;

/** Works out a household's visit and the charging before it. */
@Service
public class Hours {
    /** What a pack holds as it comes out of its box, as the makers ship it. */
    static final double BOXED_SHARE = 0.3;
    private static final int KEPT = 256;

    private final RouterRepository routers;
    private final ExperienceRepository experience;
    private final LoadingCache<Solved, Timeline> solved;
    private final LoadingCache<Charged, Charging> charged;
    private final Clock clock;

    Hours(RouterRepository routers, ExperienceRepository experience, Solving solving, Metrics metrics, Clock clock) {
        this.routers = routers;
        this.experience = experience;
        this.clock = clock;
        this.solved = metrics.watched("hours", Caffeine.newBuilder().maximumSize(KEPT).recordStats()
                .build(asked -> solving.solve(() -> Timeline.shortest(asked.tasks(), asked.installers()))));
        this.charged = metrics.watched("charging", Caffeine.newBuilder().maximumSize(KEPT).recordStats()
                .build(asked -> solving.solve(() -> Charging.plan(asked.packs(), asked.chargers(), asked.chargerMa()))));
    }

    private record Charged(List<Charging.Pack> packs, int chargers, int chargerMa) {}

    /** The same tasks have the same shortest order; it is found once. */
    private record Solved(List<Task> tasks, int installers) {}

    /**
     * @param learned for each camera that is still to be joined, where its minutes come from
     * @param leave when the van goes
     * @param startBy when charging has to begin; empty without packs
     * @param late whether that is past
     */
    public record Planned(
            Timeline shortest, Timeline straight, int installers, Map<String, Learned> learned, Charging charging, LocalDateTime leave,
            Optional<LocalDateTime> startBy, boolean late) {}

    /** @param chargerMa current of each charger */
    public record Asked(int installers, int chargers, int chargerMa, LocalTime leave) {}

    public Planned plan(Frame frame, Asked asked) {
        Map<String, Learned> learned = new HashMap<>();
        List<Task> tasks = job(frame, learned).tasks();
        Charging charging
                = charged.get(new Charged(packs(frame.facts().cameras()), asked.chargers(), asked.chargerMa()));
        LocalDate day = frame.household().dueOn() == null || frame.household().dueOn().isBefore(LocalDate.now(clock))
                ? LocalDate.now(clock).plusDays(1) : frame.household().dueOn();
        LocalDateTime leave = day.atTime(asked.leave());
        Optional<LocalDateTime> startBy
                = charging.minutesNeeded() == 0 ? Optional.empty() : Optional.of(leave.minusMinutes(charging.minutesNeeded()));
        return new Planned(solved.get(new Solved(tasks, asked.installers())), Timeline.straight(tasks), asked.installers(), learned,
                charging, leave, startBy,
                startBy.filter(at -> at.isBefore(LocalDateTime.now(clock))).isPresent());
    }

    private Job job(Frame frame, Map<String, Learned> learned) {
        Experience own = experience.of(frame.household().firmId());
        List<Job.Work> work
                = frame.facts().cameras().stream().map(camera -> work(own, camera, frame.judge().overFootM(camera), learned)).toList();
        List<FitMatrix.Device> waiting = frame.facts().cameras().stream().filter(camera -> !camera.joined())
                .map(camera -> new FitMatrix.Device(camera.name(), camera.model())).toList();
        Optional<FitMatrix.Plan> atRouter = frame.facts().network().flatMap(network -> FitMatrix.cheapest(network,
                routers.of(frame.household().id()).makesNames(), waiting, frame.facts().otherThings()));
        int rejoining = Math.max(0, atRouter.map(FitMatrix.Plan::rejoining).orElse(0));
        long people = frame.facts().access().people().stream().filter(person -> person.tie() == Access.Tie.LIVES_HERE).count();
        return new Job(atRouter.map(plan -> plan.minutes() - rejoining * SafeCredentials.MINUTES_A_THING).orElse(0.0), rejoining,
                (int) people, work, own.pace(), frame.facts().practice());
    }

    private static Job.Work work(Experience own, Camera camera, double overFootM, Map<String, Learned> learned) {
        DeviceModel model = camera.model();
        PairingMethod method = model.setUp().methods().stream()
                .min(Comparator.comparingDouble(way -> way.minutes() + (1 - way.chance()) * way.minutesLost())).orElseThrow();
        Learned minutes = own.learned(method.minutes() + (1 - method.chance()) * method.minutesLost(), model.key(), method.way());
        if (!camera.joined()) {
            learned.put(camera.name(), minutes);
        }
        return new Job.Work(camera.id(), camera.name(), model, method.way(), minutes.minutes(), overFootM, camera.joined(),
                camera.mounted());
    }

    private static List<Charging.Pack> packs(List<Camera> cameras) {
        return cameras.stream().filter(camera -> camera.model().power().onBattery() && !camera.mounted())
                .map(camera -> new Charging.Pack(camera.name(), camera.model().power().capacityMah(), BOXED_SHARE)).toList();
    }
}
