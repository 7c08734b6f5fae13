package roofnest.core.judge;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.lang.Require;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;
import roofnest.core.week.WeekOutcome;

/**
 * A camera that turns by motor from one named view to the next: what is promised at each, what share of the time each is watched, and what
 * is missed while it looks elsewhere. Somebody who comes does so at any moment of its round.
 *
 * @param arrivals by place
 */
public record Patrol(List<Seen> views, double turningShare, List<Arriving> arrivals) {
    /** From one view to the next it takes so long, and sees nothing of use meanwhile, seconds. */
    public static final double TURN_S = 4;
    public static final int MOST_VIEWS = 16;
    public static final int LEAST_DWELL_S = 5;
    public static final int MOST_DWELL_S = 3600;

    /** @param dwellS how long it stays, seconds */
    public record View(String name, double headingDeg, double tiltDeg, int dwellS) {
        public View {
            name = Require.text("name of a view", name, 40);
            Require.inRange("heading in degrees", headingDeg, 0, 360);
            Require.inRange("tilt in degrees", tiltDeg, -30, 90);
            Require.inRange("seconds at a view", dwellS, LEAST_DWELL_S, MOST_DWELL_S);
        }

        /** A camera that looks so. */
        public Camera of(Camera camera) {
            CameraPose pose = camera.pose();
            return camera.withPose(pose.turned(headingDeg, tiltDeg, pose.rollDeg()));
        }
    }

    /** @param share of the time that it looks there. @param findings of promises about what is seen, as long as it does */
    public record Seen(View view, double share, List<Kept> findings) {}

    public record Kept(PromiseKey key, String wording, Finding finding) {}

    /**
     * Of a hundred who arrive, of how many somebody is told.
     *
     * @param onRound over the whole round
     * @param best parked at the view that tells of most, and which that is
     */
    public record Arriving(String placeId, double onRound, double best, String bestView) {}

    /** @param views at least one */
    static Patrol of(HouseholdJudge judge, HouseholdFacts facts, Camera camera, List<View> views) {
        Require.inRange("views", views.size(), 1, MOST_VIEWS);
        double turns = views.size() == 1 ? 0 : views.size() * TURN_S;
        double round = views.stream().mapToInt(View::dwellS).sum() + turns;
        List<Seen> seen = new ArrayList<>();
        Map<String, double[]> told = new HashMap<>();
        Map<String, String> bestOf = new HashMap<>();
        for (View view : views) {
            HouseholdFacts looking = facts.withCamera(view.of(camera));
            double share = view.dwellS() / round;
            seen.add(new Seen(view, share, judge.again(looking).promises().stream().filter(judged -> ofSight(judged.promise()))
                    .map(judged -> new Kept(judged.promise().key(), judged.wording(), judged.finding())).toList()));
            arrivals(judge, looking).forEach((place, inHundred) -> {
                double[] sums = told.computeIfAbsent(place, any -> new double[2]);
                sums[0] += share * inHundred;
                if (inHundred >= sums[1]) {
                    sums[1] = inHundred;
                    bestOf.put(place, view.name());
                }
            });
        }
        if (turns > 0) {
            arrivals(judge, facts.withAlerts(facts.alerts().withDoes(off(facts, camera)))).forEach((place, inHundred) -> told
                    .computeIfAbsent(place, any -> new double[2])[0] += turns / round * inHundred);
        }
        return new Patrol(seen, turns / round, told.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(entry -> new Arriving(entry.getKey(), entry.getValue()[0], entry.getValue()[1],
                        Optional.ofNullable(bestOf.get(entry.getKey())).orElse("")))
                .toList());
    }

    private static boolean ofSight(Promise promise) {
        return promise instanceof Promise.MakeOut || promise instanceof Promise.RecordedBefore || promise instanceof Promise.NeverShows;
    }

    /** Of places to which somebody came in the drawn weeks. */
    private static Map<String, Double> arrivals(HouseholdJudge judge, HouseholdFacts facts) {
        return judge.weekOutcome(facts).stream().flatMap(week -> week.arrivals().stream()).filter(arrivals -> arrivals.came() > 0)
                .collect(Collectors.toMap(WeekOutcome.Arrivals::placeId, WeekOutcome.Arrivals::toldInHundred));
    }

    private static Map<Long, Map<Mode, Does>> off(HouseholdFacts facts, Camera camera) {
        Map<Long, Map<Mode, Does>> does = new HashMap<>(facts.alerts().does());
        Map<Mode, Does> all = new EnumMap<>(Mode.class);
        for (Mode mode : Mode.values()) {
            all.put(mode, Does.OFF);
        }
        does.put(camera.id(), all);
        return does;
    }
}
