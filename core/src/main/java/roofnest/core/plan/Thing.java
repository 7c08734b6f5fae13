package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * Something with a meaning for radio, power or motion.
 *
 * @param heightM above the ground, metres: of an antenna or socket itself, of a tree or tank its top
 * @param radiusM of a tree's crown or a tank, metres; absent for what has no extent
 */
public record Thing(String id, String name, Kind kind, PlanPoint at, double heightM, Double radiusM) {
    private static final double USUAL_RADIUS_M = 1;
    private static final double CROWN_FROM_M = 1.8;

    public enum Kind {
        @JsonProperty("router")
        ROUTER,
        @JsonProperty("hub")
        HUB,
        @JsonProperty("access-point")
        ACCESS_POINT,
        @JsonProperty("socket")
        SOCKET,
        @JsonProperty("vent")
        VENT,
        @JsonProperty("heater")
        HEATER,
        @JsonProperty("tree")
        TREE,
        @JsonProperty("tank")
        TANK,
        @JsonProperty("light")
        LIGHT;

        /** Whether it stands in the way of rays. */
        public boolean round() {
            return this == TREE || this == TANK;
        }

        /** Whether warm air leaves it, which a passive-infrared sensor takes for somebody. */
        public boolean warm() {
            return this == VENT || this == HEATER;
        }
    }

    public Thing {
        id = Require.text("thing id", id, 60);
        name = Require.text("thing name", name, 80);
        Require.inRange("height in metres", heightM, -20, 60);
        if (radiusM != null) {
            Require.inRange("radius in metres", radiusM, 0.1, 20);
        } else if (kind.round()) {
            radiusM = USUAL_RADIUS_M;
        }
    }

    public Thing(String id, String name, Kind kind, PlanPoint at, double heightM) {
        this(id, name, kind, at, heightM, null);
    }

    /** What a ray finds in it; only of round things. */
    Material material() {
        return kind == Kind.TREE ? Material.FOLIAGE : Material.WATER_TANK;
    }

    /**
     * Height at which it begins to be in the way, metres: a tree's crown stands on a bare trunk.
     *
     * @param groundM on which it stands
     */
    public double fromM(double groundM) {
        return kind == Kind.TREE ? groundM + Math.min(CROWN_FROM_M, (heightM - groundM) / 2) : groundM;
    }

    public SpacePoint position() {
        return SpacePoint.at(at, heightM);
    }
}
