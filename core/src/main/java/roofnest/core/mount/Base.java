package roofnest.core.mount;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.plan.Material;

/**
 * What carries a fixing, as it shows when the first hole is drilled: a plan's material says which it probably is.
 *
 * <p>Allowed pulls of one fixing are ordinary figures with their safety in them, to begin with; the maker's sheet of what is used
 * wins over them.
 */
public enum Base {
    SOLID_BRICK("solid brick", 250),
    HOLLOW("hollow brick or block", 100),
    AERATED("aerated block", 40),
    STONE("stone", 250),
    CONCRETE("concrete", 350),
    SOFTWOOD("sound timber", 250),
    PLASTERBOARD("plasterboard on studs", 150),
    SHEET_METAL("sheet metal", 0);

    private final String words;
    private final double allowedPullN;

    Base(String words, double allowedPullN) {
        this.words = words;
        this.allowedPullN = allowedPullN;
    }

    public String words() {
        return words;
    }

    /** By which pages name it. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Of one fixing, newtons; empty where there is no ordinary figure. */
    public OptionalDouble allowedPullN() {
        return allowedPullN == 0 ? OptionalDouble.empty() : OptionalDouble.of(allowedPullN);
    }

    /** What a wall of a material probably is; empty for what holds no screw. */
    public static Optional<Base> of(Material material) {
        return switch (material) {
            case BRICK, CAVITY_BRICK -> Optional.of(SOLID_BRICK);
            case STONE -> Optional.of(STONE);
            case CONCRETE -> Optional.of(CONCRETE);
            case TIMBER -> Optional.of(SOFTWOOD);
            case PLASTERBOARD, FOIL -> Optional.of(PLASTERBOARD);
            case METAL -> Optional.of(SHEET_METAL);
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> Optional.empty();
        };
    }
}
