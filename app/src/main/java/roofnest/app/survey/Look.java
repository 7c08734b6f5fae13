package roofnest.app.survey;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.motion.Walker;

/**
 * What of a board is being looked at, besides the chosen camera. It comes with every request for a board, is never
 * stored, and whatever of it makes no sense falls back to the usual look.
 *
 * @param panel beside the plan
 * @param night whether the picture is the one by night
 * @param pathId walked in the walks panel; empty for the first
 * @param dayOfYear and {@code minuteOfDay}: when the sun is shown, sun time
 * @param band of the map; empty for the camera's own
 * @param mapHeightM of the map above the ground, metres; empty for the camera's own
 * @param contours and {@code lines}: what the page already shows, so that it is not sent again
 */
record Look(
        Panel panel, boolean night, String pathId, Walker walker, int dayOfYear, int minuteOfDay, Optional<Band> band,
        Optional<Double> mapHeightM, String contours, String lines) {
    /** The day shown first: low sun all day. */
    private static final int MID_NOVEMBER = 319;
    private static final int MORNING = 9 * 60;
    private static final int REFERENCE_YEAR = 2026;

    enum Panel {
        PROMISES("Promises"), SIGNAL("Signal"), WALKS("Walks"), SUN("Sun"), SPOTS("Spots");

        private final String title;

        Panel(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String slug() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    static Look of(Map<String, String> maybe) {
        Map<String, String> said = maybe == null ? Map.of() : maybe;
        return new Look(
                choice(Panel.class, said.get("panel")).orElse(Panel.PROMISES), "true".equals(said.get("night")),
                said.getOrDefault("path", ""),
                choice(Walker.class, said.get("walker")).orElse(Walker.GROWN), whole(said.get("day"), 1, 365, MID_NOVEMBER),
                whole(said.get("minute"), 0, 24 * 60 - 1, MORNING), choice(Band.class, said.get("band")),
                height(said.get("mapHeight")), said.getOrDefault("contours", ""), said.getOrDefault("lines", ""));
    }

    /** Whether a layer of the plan is shown at first: each panel shows what belongs to it, so that lines do not crowd. */
    public boolean shows(String layer) {
        return switch (panel) {
            case PROMISES -> true;
            case SIGNAL -> layer.equals("signal");
            case WALKS -> !layer.equals("signal");
            case SUN -> layer.equals("view");
            case SPOTS -> !layer.equals("walks");
        };
    }

    LocalDate date() {
        return LocalDate.ofYearDay(REFERENCE_YEAR, dayOfYear);
    }

    LocalTime time() {
        return LocalTime.ofSecondOfDay(minuteOfDay * 60L);
    }

    private static <E extends Enum<E>> Optional<E> choice(Class<E> type, String said) {
        for (E constant : type.getEnumConstants()) {
            if (said != null && constant.name().equalsIgnoreCase(said)) {
                return Optional.of(constant);
            }
        }
        return Optional.empty();
    }

    private static int whole(String said, int least, int most, int otherwise) {
        return number(said).map(Double::intValue).filter(value -> value >= least && value <= most).orElse(otherwise);
    }

    private static Optional<Double> height(String said) {
        return number(said).filter(value -> value >= -5 && value <= 15);
    }

    private static Optional<Double> number(String said) {
        try {
            return said == null || said.isBlank() ? Optional.empty() : Optional.of(Double.parseDouble(said));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
