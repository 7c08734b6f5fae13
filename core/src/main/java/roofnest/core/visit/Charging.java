package roofnest.core.visit;

import java.util.List;
import java.util.Set;

import roofnest.core.lang.Require;

/**
 * Which pack goes on which charger when, so that all are full soonest: packs are tasks, chargers the hands.
 *
 * @param timeline its installers are chargers, minutes from the start of charging
 */
public record Charging(Timeline timeline, int chargers) {
    /** Part of the charger's current that ends up in the pack. */
    public static final double EFFICIENCY = 0.85;
    /** Constant-voltage tail of a lithium pack, share of the time added (battery makers' usual charge curve). */
    public static final double TAIL = 0.15;

    /** @param fullShare charge it has now, 0 to 1 */
    public record Pack(String name, double capacityMah, double fullShare) {
        public Pack {
            Require.inRange("capacity in mAh", capacityMah, 1, 100_000);
            Require.inRange("charge", fullShare, 0, 1);
        }
    }

    /** Minutes until a pack is full. */
    public static int minutes(Pack pack, double chargerMa) {
        Require.inRange("charger's current in mA", chargerMa, 100, 10_000);
        double hours = pack.capacityMah() * (1 - pack.fullShare()) / (chargerMa * EFFICIENCY) * (1 + TAIL);
        return (int) Math.ceil(60 * hours);
    }

    public static Charging plan(List<Pack> packs, int chargers, double chargerMa) {
        List<Task> tasks = packs.stream()
                .map(pack -> new Task(pack.name(), Task.About.house(Task.Kind.CHARGE), pack.name(), "Charge " + pack.name(),
                        minutes(pack, chargerMa), 0,
                        Set.of(), Set.of()))
                .filter(task -> task.handsOnMinutes() > 0).toList();
        return new Charging(Timeline.shortest(tasks, chargers), chargers);
    }

    /** Minutes before departure at which charging has to begin at the latest. */
    public int minutesNeeded() {
        return timeline.finishMinutes();
    }
}
