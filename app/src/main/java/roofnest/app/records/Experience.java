package roofnest.app.records;

import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.visit.Learned;
import roofnest.core.visit.Pace;

/** What a firm's own runs and tasks have come to. */
public record Experience(List<Runs> runs, Pace pace) {
    /**
     * All of a firm's real runs with a model, a way and a family of phones.
     *
     * @param timed those that worked and were not left lying
     * @param minutes that these took together
     */
    record Runs(String modelKey, PairingMethod.Way way, PhoneKind phone, int worked, int failed, int timed, double minutes) {}

    /** A run that took longer was left lying, and says nothing of its way. */
    static boolean tells(Duration took) {
        return took.toMillis() / 60_000.0 <= Learned.LONGEST_MINUTES;
    }

    /** How the ways in of a model went, with any phone and with this family of phones. */
    public Map<PairingMethod.Way, MethodOrder.Log> log(String modelKey, PhoneKind phone) {
        Map<PairingMethod.Way, MethodOrder.Log> logs = new EnumMap<>(PairingMethod.Way.class);
        for (PairingMethod.Way way : PairingMethod.Way.values()) {
            List<Runs> all = of(modelKey, way);
            if (!all.isEmpty()) {
                logs.put(way, new MethodOrder.Log(counts(all), counts(all.stream().filter(each -> each.phone() == phone).toList()),
                        all.stream().mapToInt(Runs::timed).sum(), all.stream().mapToDouble(Runs::minutes).sum()));
            }
        }
        return logs;
    }

    /** What a way in takes with a model, as the firm's own runs teach it. */
    public Learned learned(double priorMinutes, String modelKey, PairingMethod.Way way) {
        List<Runs> all = of(modelKey, way);
        return Learned.from(priorMinutes, all.stream().mapToInt(Runs::timed).sum(), all.stream().mapToDouble(Runs::minutes).sum());
    }

    private List<Runs> of(String modelKey, PairingMethod.Way way) {
        return runs.stream().filter(each -> each.modelKey().equals(modelKey) && each.way() == way).toList();
    }

    private static MethodOrder.Counts counts(List<Runs> runs) {
        return new MethodOrder.Counts(runs.stream().mapToInt(Runs::worked).sum(), runs.stream().mapToInt(Runs::failed).sum());
    }
}
