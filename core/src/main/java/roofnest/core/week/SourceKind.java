package roofnest.core.week;

import java.util.List;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Worded;

/**
 * What can set a camera off, and how it moves and shows. Sizes and surface temperatures are ordinary ones; whatever stands still before a
 * camera, such as branches and insects, has no body that walks.
 */
public enum SourceKind implements Worded {
    HOUSEHOLD("people of the house", Want.OWN, Body.GROWN), CAR("cars that come and go", Want.OWN, Body.VEHICLE),
    POST("post and parcels", Want.WANTED, Body.GROWN), VISITOR("visitors", Want.WANTED, Body.GROWN),
    PASSER_BY("people passing by", Want.NOTHING, Body.GROWN), VEHICLE("vehicles on the road", Want.NOTHING, Body.VEHICLE),
    CYCLIST("cyclists", Want.NOTHING, Body.CYCLIST), PET("cats and small animals", Want.NOTHING, Body.CAT),
    WILD("larger wild animals", Want.NOTHING, Body.FOX), BIRD("birds near the lens", Want.NOTHING, null),
    INSECT("insects at the night light", Want.NOTHING, null), HEADLIGHT("headlights across the picture", Want.NOTHING, null),
    BRANCH("branches in the wind", Want.NOTHING, null), SUN_PATCH("sun patches and cloud edges", Want.NOTHING, null),
    VENT("warm air from a vent or heater", Want.NOTHING, null), RAIN("rain and snow in its night light", Want.NOTHING, null),
    WASHING("washing on a line", Want.NOTHING, null), TELEVISION("a television seen through a window", Want.NOTHING, null);

    /** Whether somebody wants to be rung for it. */
    public enum Want {
        /** Somebody comes: to be told. */
        WANTED,
        /** The house's own coming and going. */
        OWN,
        /** For nothing. */
        NOTHING
    }

    /**
     * Somebody or something that goes its way.
     *
     * @param sizeM the longer of height and breadth that a picture shows, metres
     * @param areaM2 of warm surface turned to a sensor, square metres
     * @param surfaceC outer surface; of a vehicle over the air
     */
    public enum Body {
        GROWN(1.75, 1.75, 0.6, 28, false, 1.4, AlertSpec.Kind.PERSON), CYCLIST(1.75, 1.75, 0.6, 28, false, 4.5, AlertSpec.Kind.PERSON),
        VEHICLE(1.5, 2.5, 3.5, 8, true, 8.3, AlertSpec.Kind.VEHICLE), CAT(0.3, 0.35, 0.06, 26, false, 1.0, AlertSpec.Kind.PET),
        FOX(0.6, 0.8, 0.3, 22, false, 1.5, AlertSpec.Kind.PET);

        private final double heightM;
        private final double sizeM;
        private final double areaM2;
        private final double surfaceC;
        private final boolean overAir;
        private final double speedMPerS;
        private final AlertSpec.Kind kind;

        Body(double heightM, double sizeM, double areaM2, double surfaceC, boolean overAir, double speedMPerS, AlertSpec.Kind kind) {
            this.heightM = heightM;
            this.sizeM = sizeM;
            this.areaM2 = areaM2;
            this.surfaceC = surfaceC;
            this.overAir = overAir;
            this.speedMPerS = speedMPerS;
            this.kind = kind;
        }

        public double heightM() {
            return heightM;
        }

        /** As broad as its surface is at its height, metres. */
        public double breadthM() {
            return areaM2 / heightM;
        }

        double sizeM() {
            return sizeM;
        }

        double areaM2() {
            return areaM2;
        }

        double surfaceC(double airC) {
            return overAir ? airC + surfaceC : surfaceC;
        }

        public double speedMPerS() {
            return speedMPerS;
        }

        /** As what a camera that tells kinds apart should take it. */
        AlertSpec.Kind kind() {
            return kind;
        }
    }

    /** Kinds of body that lists of events tell apart. */
    public static final List<AlertSpec.Kind> BODIES_TOLD = List.of(AlertSpec.Kind.PERSON, AlertSpec.Kind.VEHICLE, AlertSpec.Kind.PET);

    private final String words;
    private final Want want;
    private final Body body;

    SourceKind(String words, Want want, Body body) {
        this.words = words;
        this.want = want;
        this.body = body;
    }

    @Override
    public String words() {
        return words;
    }

    public Want want() {
        return want;
    }

    /** Whether a camera that tells kinds apart should take it for one of that kind. */
    public boolean isTakenFor(AlertSpec.Kind kind) {
        return body != null && body.kind() == kind;
    }

    /** What goes its way; null for what stirs before the camera itself. */
    public Body body() {
        return body;
    }
}
