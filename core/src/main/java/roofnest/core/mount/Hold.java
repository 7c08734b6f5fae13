package roofnest.core.mount;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

import roofnest.core.catalogue.MountSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;
import roofnest.core.promise.Standing;

/**
 * A way to hang a camera without a hole, for those who may not drill and for spare phones. Its figures are ordinary ones to begin
 * with; the maker's sheet wins over them.
 */
public enum Hold {
    CLAMP("clamp"), STRAP("strap"), GUTTER_HOOK("gutter hook"), ADHESIVE("adhesive plate"), SUCTION("suction foot"), LEGS("bendable legs");

    /** Outdoor adhesive plates carry so much, kilograms. */
    static final double ADHESIVE_KG = 0.5;
    /** and stick above this, degrees Celsius, */
    static final double ADHESIVE_FROM_C = 10;
    /** and carry after so long, hours. */
    static final double CURES_H = 24;
    /** Suction lets go after so long, days. */
    static final int SUCTION_DAYS = 7;
    static final double SUCTION_KG = 0.5;
    static final double LEGS_KG = 0.5;
    static final double GUTTER_KG = 1;
    static final double STRAP_KG = 2;
    static final double CLAMP_KG = 2;
    /** A plastic rain pipe carries so much beside its rain, kilograms. */
    static final double PLASTIC_PIPE_KG = 0.5;
    /** Nearer to what it may carry than this share it is only just held. */
    static final double THIN_SHARE = 0.7;

    private final String words;

    Hold(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** What there is to hold on to. */
    public enum Surface {
        METAL_PIPE_OR_POST("a metal pipe or a post"), PLASTIC_PIPE("a plastic rain pipe"), GUTTER("a gutter"),
        SMOOTH("a smooth, painted or metal face"), ROUGH("brick, stone, render or bare wood"), PANE("a window pane"),
        RAIL_OR_BRANCH("a rail or a branch"), SHELF("a shelf or sill");

        private final String words;

        Surface(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** By which pages name it. */
        public String slug() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * How one would hold.
     *
     * @param why what decides it
     * @param cautions of this hold
     */
    public record Held(Hold hold, Standing standing, String why, List<String> cautions) {
        public Held {
            cautions = List.copyOf(cautions);
        }
    }

    /**
     * Every hold there is for a surface, the surest first; empty where none takes hold.
     *
     * @param surfaceC of the surface, degrees Celsius; empty where nobody measured it
     * @param days for which it is to hang
     */
    public static List<Held> on(Surface surface, MountSpec mount, OptionalDouble surfaceC, int days) {
        Require.inRange("days", days, 1, 10_000);
        surfaceC.ifPresent(c -> Require.inRange("surface in °C", c, -40, 90));
        List<Held> held = new ArrayList<>();
        switch (surface) {
            case METAL_PIPE_OR_POST -> {
                held.add(weighed(CLAMP, mount, CLAMP_KG, "The pipe or post is sound and stands by itself; no gas pipe, no cable duct."));
                held.add(weighed(STRAP, mount, STRAP_KG, "Two straps or one with a rubber back, so that it does not turn."));
            }
            case PLASTIC_PIPE -> held.add(weighed(STRAP, mount, PLASTIC_PIPE_KG,
                    "Near a bracket of the pipe; it moves in the wind and with hot water."));
            case GUTTER -> held.add(weighed(GUTTER_HOOK, mount, GUTTER_KG,
                    "On a sound gutter near a bracket; never lean a ladder on the gutter."));
            case SMOOTH -> {
                held.add(adhesive(mount, surfaceC));
                held.add(suction(mount, days));
            }
            case PANE -> held.add(suction(mount, days));
            case RAIL_OR_BRANCH -> held.add(legs(mount));
            case SHELF -> held.add(new Held(LEGS, mount.thread() ? Standing.KEPT : Standing.THIN,
                    "It stands; " + thread(mount), List.of("Where nobody knocks it down, and no cord within a metre of a cot.")));
            case ROUGH -> {
                // Nothing sticks to it and nothing goes round it.
            }
        }
        held.sort((one, other) -> Integer.compare(rank(one.standing()), rank(other.standing())));
        return held;
    }

    private static int rank(Standing standing) {
        return switch (standing) {
            case KEPT -> 0;
            case THIN -> 1;
            case UNTRIED -> 2;
            case BROKEN -> 3;
        };
    }

    private static Held weighed(Hold hold, MountSpec mount, double mostKg, String caution) {
        Standing standing = standing(mount, mostKg);
        return new Held(hold, standing == Standing.KEPT && !mount.thread() ? Standing.THIN : standing, weight(mount, mostKg) + "; "
                + thread(mount), List.of(caution));
    }

    private static Held adhesive(MountSpec mount, OptionalDouble surfaceC) {
        List<String> cautions = List.of("Clean, dry, wiped with spirit; press, and wait " + Numbers.fixed(CURES_H, 0)
                + " h before it carries anything.", "A cord to something firm besides: never over where people stand.");
        Standing standing = standing(mount, ADHESIVE_KG);
        if (standing != Standing.BROKEN && surfaceC.isEmpty()) {
            return new Held(ADHESIVE, Standing.UNTRIED, weight(mount, ADHESIVE_KG) + "; it sticks above "
                    + Numbers.fixed(ADHESIVE_FROM_C, 0) + " °C, and nobody has measured the surface", cautions);
        }
        if (standing != Standing.BROKEN && surfaceC.getAsDouble() < ADHESIVE_FROM_C) {
            return new Held(ADHESIVE, Standing.BROKEN, "It sticks above " + Numbers.fixed(ADHESIVE_FROM_C, 0) + " °C; the surface has "
                    + Numbers.plain(surfaceC.getAsDouble()) + " °C", cautions);
        }
        return new Held(ADHESIVE, standing, weight(mount, ADHESIVE_KG), cautions);
    }

    private static Held suction(MountSpec mount, int days) {
        List<String> cautions = List.of("Look at it every day; a cord to something firm besides.",
                "Behind a pane no camera sees by its own light at night, and none notices warmth.");
        if (days > SUCTION_DAYS) {
            return new Held(SUCTION, Standing.BROKEN, "It lets go after days: for at most " + SUCTION_DAYS, cautions);
        }
        return new Held(SUCTION, standing(mount, SUCTION_KG) == Standing.BROKEN ? Standing.BROKEN : Standing.THIN,
                weight(mount, SUCTION_KG) + ", for days", cautions);
    }

    private static Held legs(MountSpec mount) {
        return new Held(LEGS, standing(mount, LEGS_KG) == Standing.BROKEN || !mount.thread() ? Standing.BROKEN : Standing.THIN,
                weight(mount, LEGS_KG) + "; " + thread(mount), List.of("It sways: what it sees is promised only as long as nobody touches "
                        + "it. Read its still again after a windy night."));
    }

    private static Standing standing(MountSpec mount, double mostKg) {
        return mount.massKg() > mostKg ? Standing.BROKEN : mount.massKg() > THIN_SHARE * mostKg ? Standing.THIN : Standing.KEPT;
    }

    private static String weight(MountSpec mount, double mostKg) {
        return Numbers.plain(mount.massKg()) + " kg, it carries " + Numbers.plain(mostKg) + " kg";
    }

    private static String thread(MountSpec mount) {
        return mount.thread() ? "the model takes the ¼ inch camera screw"
                : "the model has no ¼ inch camera screw: an adapter plate is wanted";
    }
}
