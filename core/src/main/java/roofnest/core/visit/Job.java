package roofnest.core.visit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.lang.Require;

/**
 * What a visit has to do.
 *
 * @param networkMinutes of changes at the router; 0 for none
 * @param rejoining other things that have to rejoin afterwards
 * @param people who are given access
 * @param pace of the firm's own hands
 * @param practice of the firm: what its work takes before anybody has timed it
 */
public record Job(double networkMinutes, int rejoining, int people, List<Work> cameras, Pace pace, Practice practice) {
    /** Ordinary practice, minutes; a firm's own log takes their place as it grows. */
    private static final int MINUTES_A_REJOIN = 2;

    public Job {
        Require.inRange("minutes at the router", networkMinutes, 0, 600);
        Require.inRange("things that rejoin", rejoining, 0, 500);
        Require.inRange("people", people, 0, 100);
        cameras = List.copyOf(cameras);
    }

    /** At the ordinary pace. */
    public Job(double networkMinutes, int rejoining, int people, List<Work> cameras) {
        this(networkMinutes, rejoining, people, cameras, Pace.ORDINARY, Practice.USUAL);
    }

    /**
     * One camera's share of the work.
     *
     * @param camera its number
     * @param pairing how it is joined
     * @param pairingMinutes hands and waiting together, as learned from the log
     */
    public record Work(long camera, String name, DeviceModel model, PairingMethod.Way pairing, double pairingMinutes, double overFootM,
            boolean joined, boolean mounted) {}

    /** Its tasks, in the order in which they are done without a plan. */
    public List<Task> tasks() {
        List<Task> tasks = new ArrayList<>();
        Set<String> network = new HashSet<>();
        if (networkMinutes > 0) {
            tasks.add(new Task("router", Task.About.house(Task.Kind.ROUTER), "House", "Change the router", (int) Math.ceil(networkMinutes),
                    3, Set.of(),
                    Set.of(Task.Need.PHONE)));
            network.add("router");
        }
        if (rejoining > 0) {
            tasks.add(new Task("rejoin", Task.About.house(Task.Kind.REJOIN), "House",
                    "Rejoin " + rejoining + (rejoining == 1 ? " other thing" : " other things"),
                    pace.minutes(Task.Kind.REJOIN, MINUTES_A_REJOIN * rejoining), 0, network, Set.of()));
        }
        Set<String> proved = new HashSet<>();
        for (int i = 0; i < cameras.size(); i++) {
            proved.add(camera(tasks, cameras.get(i), "camera " + (i + 1) + " ", network));
        }
        if (people > 0) {
            tasks.add(new Task("share", Task.About.house(Task.Kind.SHARE), "House",
                    "Give " + people + (people == 1 ? " person" : " people") + " access",
                    pace.minutes(Task.Kind.SHARE, of(Figure.A_PERSON) * people), 0, proved, Set.of(Task.Need.PHONE)));
            proved = Set.of("share");
        }
        tasks.add(new Task("hand over", Task.About.house(Task.Kind.HAND_OVER), "House", "Hand over",
                pace.minutes(Task.Kind.HAND_OVER, of(Figure.HAND_OVER)), 0, proved, Set.of()));
        return tasks;
    }

    /** @return the camera's last task */
    private String camera(List<Task> tasks, Work work, String id, Set<String> network) {
        DeviceModel model = work.model();
        String last = null;
        if (!work.joined()) {
            int boot = minutes(model.setUp().bootSeconds());
            int join = minutes(model.setUp().joinSeconds());
            int hands = Math.max(2, (int) Math.ceil(work.pairingMinutes()) - boot - join);
            tasks.add(new Task(id + "unpack", Task.About.camera(Task.Kind.UNPACK, work.camera()), work.name(),
                    "Unpack, photograph the sticker, power on", pace.minutes(Task.Kind.UNPACK, of(Figure.UNPACK)), boot,
                    Set.of(), Set.of()));
            Set<String> ready = new HashSet<>(network);
            ready.add(id + "unpack");
            tasks.add(
                    new Task(id + "pair", Task.About.camera(Task.Kind.PAIR, work.camera()), work.name(),
                            "Join it: " + work.pairing().words(), hands, join, ready, Set.of(Task.Need.PHONE)));
            tasks.add(new Task(id + "secure", Task.About.camera(Task.Kind.SECURE, work.camera()), work.name(),
                    "Own password, name, start the update",
                    pace.minutes(Task.Kind.SECURE, of(Figure.SECURE)), (int) Math.round(of(Figure.UPDATE)), Set.of(id + "pair"),
                    Set.of(Task.Need.PHONE)));
            last = id + "secure";
        }
        if (!work.mounted()) {
            Climb climb = practice.climb(work.overFootM());
            Set<Task.Need> ladder = climb == Climb.LADDER ? Set.of(Task.Need.LADDER) : Set.of();
            tasks.add(new Task(id + "try", Task.About.camera(Task.Kind.TRY, work.camera()), work.name(),
                    "Try its place with the live picture", pace.minutes(Task.Kind.TRY, of(Figure.TRY_THE_PLACE)), 0,
                    last == null ? Set.of() : Set.of(last), both(ladder)));
            tasks.add(new Task(id + "mount", Task.About.camera(Task.Kind.MOUNT, work.camera()), work.name(), "Drill and mount",
                    pace.minutes(Task.Kind.MOUNT, of(Figure.MOUNT) + of(Figure.A_SCREW) * model.mount().screws() + practice.minutes(climb)),
                    0, Set.of(id + "try"),
                    ladder));
            tasks.add(new Task(id + "aim", Task.About.camera(Task.Kind.AIM, work.camera()), work.name(), "Aim, mask and tune",
                    pace.minutes(Task.Kind.AIM, of(Figure.AIM)), 0, Set.of(id + "mount"),
                    both(ladder)));
            last = id + "aim";
        }
        tasks.add(new Task(id + "prove", Task.About.camera(Task.Kind.PROVE, work.camera()), work.name(), "Walk test, alert, look from away",
                pace.minutes(Task.Kind.PROVE, of(Figure.WALK_TEST)), 2,
                last == null ? Set.of() : Set.of(last), Set.of(Task.Need.PHONE)));
        return id + "prove";
    }

    private static Set<Task.Need> both(Set<Task.Need> ladder) {
        return ladder.isEmpty() ? Set.of(Task.Need.PHONE) : Set.of(Task.Need.PHONE, Task.Need.LADDER);
    }

    private double of(Figure figure) {
        return practice.of(figure);
    }

    private static int minutes(int seconds) {
        return (int) Math.ceil(seconds / 60.0);
    }
}
