package roofnest.core.pairing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.hipparchus.distribution.continuous.NormalDistribution;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.SetUp;
import roofnest.core.lang.Require;

/**
 * In which state a device is, from what was last done to it, how long ago, and what is seen and heard: Bayes' rule over
 * the states, {@code P(state | seen) ∝ P(seen | state) · P(state | act, time)}. Times are normal about the catalogue's
 * figure with a fifth of it as standard deviation. People mix up rhythms and neighbouring colours, and miss voices: how
 * often is ordinary practice.
 *
 * @param likely every state, the likeliest first; the shares sum to 1
 * @param impossible what to make of a light that the device cannot show; empty when it can
 */
public record StateBelief(List<Likely> likely, Optional<String> impossible) {
    /** Nothing is quite ruled out: hands press the wrong button, and packs fail. */
    private static final double FLOOR = 0.01;
    private static final double SPREAD = 0.2;
    private static final double SEEN_RIGHT = 0.9;
    private static final double RHYTHM_MIXED_UP = 0.06;
    private static final double COLOUR_MIXED_UP = 0.03;
    private static final double SEEN_WRONG = 0.002;
    private static final double VOICE_MISSED = 0.6;
    private static final double VOICE_WRONG = 0.02;
    /** Chance that details which were sent are taken, before anything is known. */
    private static final double DETAILS_RIGHT = 0.8;
    private static final double NOT_HEARD = 0.08;

    public StateBelief {
        likely = List.copyOf(likely);
    }

    /** @param share probability, 0 to 1 */
    public record Likely(DeviceState state, double share) {}

    /**
     * What is seen and heard.
     *
     * @param voice what it said; empty when nothing was heard
     */
    public record Seen(Cue.Light light, Cue.Rhythm rhythm, Optional<String> voice) {
        public static Seen of(Cue cue) {
            return new Seen(cue.light(), cue.rhythm(), Optional.ofNullable(cue.voice()));
        }
    }

    /** Before anything is seen. @param act what was last done to it; empty when nothing yet */
    public static StateBelief expected(SetUp setUp, Optional<HandsOn> act, double secondsSince) {
        return new StateBelief(normalised(prior(setUp, act, secondsSince)), Optional.empty());
    }

    /** @param others whose light it may be instead: the hub, the devices beside it */
    public static StateBelief given(SetUp setUp, Optional<HandsOn> act, double secondsSince, Seen seen, List<Joinable> others) {
        Map<DeviceState, Double> weights = prior(setUp, act, secondsSince);
        weights.replaceAll((state, weight) -> weight * likelihood(seen, setUp.cue(state)));
        boolean known = Arrays.stream(DeviceState.values()).map(setUp::cue).anyMatch(cue -> shows(cue, seen));
        return new StateBelief(normalised(weights), known ? Optional.empty() : Optional.of(whose(seen, others)));
    }

    private static String whose(Seen seen, List<Joinable> others) {
        String light = new Cue(seen.light(), seen.rhythm(), null).words().toLowerCase(java.util.Locale.ROOT);
        return others.stream()
                .filter(other -> Arrays.stream(DeviceState.values()).map(other.setUp()::cue).anyMatch(cue -> shows(cue, seen))).findFirst()
                .map(other -> "That light does not exist on this model: “" + light + "” is one of the " + other.fullName()
                        + ". Is it that one you are looking at?")
                .orElse("That light does not exist on this model. Shade it and look once more for four seconds: a colour or a "
                        + "rhythm was taken for another.");
    }

    private static boolean shows(Cue cue, Seen seen) {
        return cue.light() == seen.light() && cue.rhythm() == seen.rhythm();
    }

    private static Map<DeviceState, Double> prior(SetUp setUp, Optional<HandsOn> act, double seconds) {
        Require.inRange("seconds since", seconds, 0, 1e7);
        Map<DeviceState, Double> p = new EnumMap<>(DeviceState.class);
        Arrays.stream(DeviceState.values()).forEach(state -> p.put(state, FLOOR));
        switch (act.orElse(HandsOn.LOOK_OVER)) {
            case POWER_ON, CHANGE_PACK, RESET -> {
                double up = over(seconds, setUp.bootSeconds());
                add(p, DeviceState.BOOTING, 1 - up);
                add(p, DeviceState.READY, up);
                add(p, DeviceState.OFF, 0.05);
                add(p, DeviceState.FAILED, 0.03);
            }
            case SEND_DETAILS, BROADCAST, SHOW_CODE, PRESS_PAIR, WAIT_RESTART, CHOOSE_ROLE -> {
                double joined = over(seconds, setUp.joinSeconds());
                double gaveUp = over(seconds, setUp.giveUpSeconds());
                double heard = 1 - NOT_HEARD;
                add(p, DeviceState.JOINED, heard * DETAILS_RIGHT * joined);
                add(p, DeviceState.JOINING, heard * (DETAILS_RIGHT * (1 - joined) + (1 - DETAILS_RIGHT) * (1 - gaveUp)));
                add(p, DeviceState.READY, NOT_HEARD + heard * (1 - DETAILS_RIGHT) * gaveUp * 0.7);
                add(p, DeviceState.FAILED, heard * (1 - DETAILS_RIGHT) * gaveUp * 0.3);
                add(p, DeviceState.LISTENING, NOT_HEARD * (1 - over(seconds, setUp.limits().windowSeconds())));
            }
            case UPDATE -> {
                double over = over(seconds, setUp.updateSeconds());
                add(p, DeviceState.UPDATING, 1 - over);
                add(p, DeviceState.JOINED, over);
            }
            case PHONE_HOME, LOOK_LIVE, PULL_CABLE, KEEP_AWAKE -> add(p, DeviceState.JOINED, 1);
            default -> {
                add(p, DeviceState.READY, 0.5);
                add(p, DeviceState.OFF, 0.2);
            }
        }
        return p;
    }

    private static void add(Map<DeviceState, Double> p, DeviceState state, double weight) {
        p.merge(state, weight, Double::sum);
    }

    /** Chance that something which ordinarily takes so long is over by now. */
    private static double over(double seconds, double usualSeconds) {
        return new NormalDistribution(usualSeconds, Math.max(1, SPREAD * usualSeconds)).cumulativeProbability(seconds);
    }

    /** How likely it is that somebody says this who looks at a device that shows this cue. */
    static double likelihood(Seen seen, Cue cue) {
        double voice = seen.voice().isEmpty() ? cue.voice() == null ? 1 : VOICE_MISSED
                : seen.voice().get().equalsIgnoreCase(cue.voice()) ? 1 : VOICE_WRONG;
        if (shows(cue, seen)) {
            return SEEN_RIGHT * voice;
        }
        if (cue.light() == seen.light() && cue.rhythm() != Cue.Rhythm.OFF && seen.rhythm() != Cue.Rhythm.OFF) {
            return RHYTHM_MIXED_UP * voice;
        }
        return (cue.rhythm() == seen.rhythm() && alike(cue.light(), seen.light()) ? COLOUR_MIXED_UP : SEEN_WRONG) * voice;
    }

    private static boolean alike(Cue.Light a, Cue.Light b) {
        List<List<Cue.Light>> pairs = List.of(List.of(Cue.Light.WHITE, Cue.Light.AMBER), List.of(Cue.Light.AMBER, Cue.Light.RED),
                List.of(Cue.Light.GREEN, Cue.Light.BLUE), List.of(Cue.Light.WHITE, Cue.Light.BLUE));
        return pairs.stream().anyMatch(pair -> pair.contains(a) && pair.contains(b) && a != b);
    }

    private static List<Likely> normalised(Map<DeviceState, Double> weights) {
        double sum = weights.values().stream().mapToDouble(Double::doubleValue).sum();
        return weights.entrySet().stream().map(entry -> new Likely(entry.getKey(), entry.getValue() / sum))
                .sorted(Comparator.comparingDouble(Likely::share).reversed()).toList();
    }

    public DeviceState likeliest() {
        return likely.get(0).state();
    }

    public double share(DeviceState state) {
        return likely.stream().filter(each -> each.state() == state).findFirst().orElseThrow().share();
    }
}
