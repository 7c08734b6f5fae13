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
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.week.WeekOutcome;

/**
 * A camera that turns by motor from one named view to the next: what is promised at each, what share of the time each is watched, and what
 * is missed while it looks elsewhere. Somebody who comes does so at any moment of its round.
 *
 * @param promises of sight that it makes a difference to, each with how it stands at every view
 * @param arrivals by place
 */
public record Patrol(List<Seen> views, double turningShare, List<Kept> promises, List<Arriving> arrivals) {
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

    /** @param share of the time that it looks there */
    public record Seen(View view, double share) {}

    /**
     * A promise that stands otherwise at one of the views than without the camera.
     *
     * @param standings at each view, in their order
     * @param share of the time in which it is kept, be it thinly
     */
    public record Kept(PromiseKey key, String wording, List<Standing> standings, double share) {}

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
        List<Judgement> judged = new ArrayList<>();
        Map<String, double[]> told = new HashMap<>();
        Map<String, String> bestOf = new HashMap<>();
        for (View view : views) {
            HouseholdFacts looking = facts.withCamera(view.of(camera));
            double share = view.dwellS() / round;
            seen.add(new Seen(view, share));
            judged.add(judge.again(looking));
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
        Judgement without = judge.again(facts.withCameras(facts.cameras().stream().filter(each -> each.id() != camera.id()).toList()));
        return new Patrol(seen, turns / round, promises(without, judged, seen, turns / round),
                told.entrySet().stream().sorted(Map.Entry.comparingByKey())
                        .map(entry -> new Arriving(entry.getKey(), entry.getValue()[0], entry.getValue()[1],
                                Optional.ofNullable(bestOf.get(entry.getKey())).orElse("")))
                        .toList());
    }

    private static List<Kept> promises(Judgement without, List<Judgement> at, List<Seen> seen, double turning) {
        List<Kept> kept = new ArrayList<>();
        for (Judged lone : without.promises().stream().filter(judged -> ofSight(judged.promise())).toList()) {
            List<Standing> standings = at.stream().map(judgement -> judgement.promises().stream()
                    .filter(judged -> judged.promise().key().equals(lone.promise().key())).findFirst().orElseThrow().finding().standing())
                    .toList();
            if (standings.stream().anyMatch(standing -> holds(standing) != holds(lone.finding().standing()))) {
                double share = holds(lone.finding().standing()) ? turning : 0;
                for (int i = 0; i < seen.size(); i++) {
                    share += holds(standings.get(i)) ? seen.get(i).share() : 0;
                }
                kept.add(new Kept(lone.promise().key(), lone.wording(), standings, share));
            }
        }
        return kept;
    }

    private static boolean holds(Standing standing) {
        return standing == Standing.KEPT || standing == Standing.THIN;
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
