package roofnest.core.catalogue;

import java.util.EnumMap;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * Figures that are a firm's way of working and no law of nature: minutes of hands, how far a hand reaches, what is stood on from
 * which height, spares, what weighs against what where spots are searched. Each has an ordinary value until the firm writes its own.
 *
 * @param own the firm's own values, each in its figure's unit and range
 */
public record Practice(Map<Figure, Double> own) {
    /** Ordinary figures all through. */
    public static final Practice USUAL = new Practice(Map.of());

    /** Which side of the work a figure belongs to. */
    public enum Side {
        VISIT("A visit"), HEIGHT("Reach, steps and ladders"), SPARES("Kit and spares"), SPOTS("Prices of the spot search");

        private final String words;

        Side(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** One figure with its ordinary value and what it may be. */
    public enum Figure {
        UNPACK(Side.VISIT, "Unpack a camera, sticker and all", 4, 0, 60, "min"),
        SECURE(Side.VISIT, "Give it its own password and name", 3, 0, 60, "min"),
        UPDATE(Side.VISIT, "Its update goes on by itself", 6, 0, 120, "min"),
        TRY_THE_PLACE(Side.VISIT, "Try its place with the live picture", 4, 0, 60, "min"),
        MOUNT(Side.VISIT, "Drill and mount, without its screws", 8, 0, 120, "min"),
        A_SCREW(Side.VISIT, "Each screw", 2, 0, 30, "min"),
        AIM(Side.VISIT, "Aim, mask and tune", 6, 0, 60, "min"),
        WALK_TEST(Side.VISIT, "Walk test, alert, look from away", 4, 0, 60, "min"),
        A_PERSON(Side.VISIT, "Give one person of the household access", 4, 0, 60, "min"),
        HAND_OVER(Side.VISIT, "Show the household and hand over", 15, 0, 180, "min"),
        OUT_OF_REACH(Side.HEIGHT, "A raised hand reaches up to", 2.3, 1.8, 3, "m"),
        FROM_THE_GROUND(Side.HEIGHT, "Worked on from the ground up to", 2.1, 1.5, 2.6, "m"),
        FROM_STEPS(Side.HEIGHT, "Worked on from steps up to", 2.8, 2.2, 3.6, "m"),
        SET_STEPS(Side.HEIGHT, "To set steps up and put them away", 2, 0, 30, "min"),
        SET_LADDER(Side.HEIGHT, "To set a ladder up and put it away", 5, 0, 60, "min"),
        SPARE_FIXINGS(Side.SPARES, "Screws and anchors brought, for each needed", 1.2, 1, 3, "times"),
        SPARE_CLIPS(Side.SPARES, "Cable clips brought, for each needed", 1.1, 1, 3, "times"),
        SPARE_FOR(Side.SPARES, "One spare card or pack for every", 3, 1, 50, "cameras"),
        A_LADDER(Side.SPOTS, "A ladder is as bad as so much cable", 4, 0, 100, "m"),
        NO_ROOM_TO_STAND(Side.SPOTS, "No safe place for steps or ladder is as bad as so much cable", 25, 0, 200, "m"),
        A_METRE_OF_SUN(Side.SPOTS, "Sun in the lens as bad as a metre of cable", 600, 10, 10_000, "min a year"),
        A_METRE_OF_PRIVATE(Side.SPOTS, "Private ground shown, as bad as a metre of cable", 1, 0.1, 100, "% of the picture"),
        A_THIN_PROMISE(Side.SPOTS, "A promise kept only just is as bad as so much cable", 5, 0, 100, "m");

        private final Side side;
        private final String words;
        private final double usual;
        private final double least;
        private final double most;
        private final String unit;

        Figure(Side side, String words, double usual, double least, double most, String unit) {
            this.side = side;
            this.words = words;
            this.usual = usual;
            this.least = least;
            this.most = most;
            this.unit = unit;
        }

        public Side side() {
            return side;
        }

        public String words() {
            return words;
        }

        public double usual() {
            return usual;
        }

        public double least() {
            return least;
        }

        public double most() {
            return most;
        }

        public String unit() {
            return unit;
        }
    }

    public Practice {
        own = own.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(own));
        own.forEach((figure, value) -> Require.inRange(figure.words(), value, figure.least(), figure.most()));
        double ground = own.getOrDefault(Figure.FROM_THE_GROUND, Figure.FROM_THE_GROUND.usual());
        double steps = own.getOrDefault(Figure.FROM_STEPS, Figure.FROM_STEPS.usual());
        if (steps < ground) {
            throw new IllegalArgumentException("from steps one works no lower than from the ground");
        }
    }

    public double of(Figure figure) {
        return own.getOrDefault(figure, figure.usual());
    }

    /** What one stands on to work at a lens so high over the ground or floor under it. */
    public Climb climb(double overFootM) {
        return overFootM <= of(Figure.FROM_THE_GROUND) ? Climb.NOTHING : overFootM <= of(Figure.FROM_STEPS) ? Climb.STEPS : Climb.LADDER;
    }

    /** To set up and put away what one stands on, minutes. */
    public double minutes(Climb climb) {
        return climb == Climb.NOTHING ? 0 : of(climb == Climb.STEPS ? Figure.SET_STEPS : Figure.SET_LADDER);
    }
}
