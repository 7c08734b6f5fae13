package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * Which way in to try first. A way that works takes {@code a} minutes, one that fails has lost {@code b}; with chance
 * {@code p} it works. Trying ways one after another until one works, the expected minutes are least in rising order of
 * {@code (p·a + (1−p)·b) / p} (the ratio rule of least-cost testing; Mitten 1960, "An analytic solution to the least cost
 * testing sequence problem").
 *
 * <p>The chance is the mean of a Beta posterior: the catalogue's prior counts as {@link #PRIOR_RUNS} runs, those of the
 * firm with this model and way on any phone come next, and what they make is the prior for the runs with this family of
 * phones.
 *
 * @param ways those that can be tried here, the best first
 * @param ruledOut those that cannot, each with its reason
 * @param expectedMinutes of the whole order
 */
public record MethodOrder(List<Ranked> ways, Map<Way, String> ruledOut, double expectedMinutes) {
    public static final double PRIOR_RUNS = 6;
    private static final double PRIOR_TIMES = 3;
    /** A way that never works is still tried last rather than never: its index stays finite. */
    private static final double LEAST_CHANCE = 0.01;

    public MethodOrder {
        ways = List.copyOf(ways);
        ruledOut = Map.copyOf(ruledOut);
    }

    /**
     * The firm's runs with one model and one way.
     *
     * @param sameFamily with this family of phones
     * @param timed those that worked and took no longer than a run does that is not left lying
     * @param minutes that these took together
     */
    public record Log(Counts all, Counts sameFamily, int timed, double minutes) {
        public static final Log NONE = new Log(new Counts(0, 0), new Counts(0, 0), 0, 0);

        public Log {
            Require.inRange("timed runs", timed, 0, all.worked());
            Require.inRange("minutes together", minutes, 0, Double.MAX_VALUE);
        }
    }

    public record Counts(int worked, int failed) {
        public Counts {
            Require.inRange("runs that worked", worked, 0, 1_000_000);
            Require.inRange("runs that failed", failed, 0, 1_000_000);
        }
    }

    /** What the house, the kit and the papers allow. */
    public record Here(boolean pushButton, boolean isolated, boolean hub, boolean cable, boolean labelKnown) {}

    /**
     * A way with its figures.
     *
     * @param tried runs of the firm that they come from, beside the catalogue
         */
    public record Ranked(Way way, double minutes, double minutesLost, double chance, int tried) {
        public Ranked {
            Require.inRange("minutes", minutes, 0, 600);
            Require.inRange("minutes lost", minutesLost, 0, 600);
            Require.inRange("chance", chance, 0, 1);
        }

        public double triedMinutes() {
            return chance * minutes + (1 - chance) * minutesLost;
        }

        double index() {
            return triedMinutes() / Math.max(LEAST_CHANCE, chance);
        }

        /** Why it stands where it does, in a sentence. */
        public String reason() {
            return "about " + Numbers.fixed(minutes, 0) + " min when it works, " + Numbers.fixed(100 * chance, 0) + " % at the first try, "
                    + Numbers.fixed(minutesLost, 0) + " min lost if not; "
                    + (tried == 0 ? "by the catalogue" : "by " + tried + (tried == 1 ? " run" : " runs") + " of ours and the catalogue");
        }
    }

    public static MethodOrder of(Joinable device, Here here, Map<Way, Log> logs) {
        List<Ranked> possible = new ArrayList<>();
        Map<Way, String> out = new java.util.EnumMap<>(Way.class);
        for (PairingMethod method : device.setUp().methods()) {
            Optional<String> reason = ruledOut(method.way(), device, here);
            if (reason.isPresent()) {
                out.put(method.way(), reason.get());
            } else {
                possible.add(ranked(method, logs.getOrDefault(method.way(), Log.NONE)));
            }
        }
        possible.sort(Comparator.comparingDouble(Ranked::index));
        return new MethodOrder(possible, out, expectedMinutes(possible));
    }

    /** Of trying them in this order until one works. */
    public static double expectedMinutes(List<Ranked> order) {
        double reached = 1;
        double minutes = 0;
        for (Ranked way : order) {
            minutes += reached * way.triedMinutes();
            reached *= 1 - way.chance();
        }
        return minutes;
    }

    private static Ranked ranked(PairingMethod method, Log log) {
        double anyPhone = posterior(method.chance(), log.all());
        double chance = posterior(anyPhone, log.sameFamily());
        double minutes = (PRIOR_TIMES * method.minutes() + log.minutes()) / (PRIOR_TIMES + log.timed());
        return new Ranked(method.way(), minutes, method.minutesLost(), chance, log.all().worked() + log.all().failed());
    }

    private static double posterior(double mean, Counts counts) {
        return (PRIOR_RUNS * mean + counts.worked()) / (PRIOR_RUNS + counts.worked() + counts.failed());
    }

    private static Optional<String> ruledOut(Way way, Joinable device, Here here) {
        return switch (way) {
            case PUSH_BUTTON -> here.pushButton() ? Optional.empty() : Optional.of("the router's push-button set-up is off");
            case HUB_BUTTON -> here.hub() ? Optional.empty() : Optional.of("there is no hub in this house");
            case WIRED, BROWSER, SEARCH -> !here.cable() ? Optional.of("no cable is at hand")
                    : here.isolated() ? Optional.of("the network keeps its devices apart") : Optional.empty();
            case STICKER -> here.isolated() ? Optional.of("the network keeps its devices apart") : Optional.empty();
            case MANUAL_ID -> !here.labelKnown() ? Optional.of("its ID is not written down and the label not read")
                    : Scripts.hasPort(device) && !here.cable() ? Optional.of("no cable is at hand") : Optional.empty();
            case HOTSPOT, PHONE_CODE, SAME_ACCOUNT -> Optional.empty();
        };
    }
}
