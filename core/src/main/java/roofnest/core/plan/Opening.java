package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * A door, window or gap in a wall.
 *
 * @param atM distance of its near edge from the wall's start, metres
 * @param sillM and {@code headM}: its lower and upper edge above the storey's floor, metres
 */
public record Opening(Kind kind, double atM, double widthM, double sillM, double headM, Material material) {
    public enum Kind {
        @JsonProperty("door")
        DOOR,
        @JsonProperty("window")
        WINDOW,
        @JsonProperty("gap")
        GAP
    }

    public Opening {
        Require.inRange("opening position in metres", atM, 0, PlanPoint.EXTENT_M);
        Require.inRange("opening width in metres", widthM, 0.1, 20);
        Require.inRange("sill in metres", sillM, 0, 20);
        Require.inRange("head in metres", headM, sillM, 20);
        if (material == null) {
            material = switch (kind) {
                case DOOR -> Material.TIMBER;
                case WINDOW -> Material.GLASS;
                case GAP -> Material.OPEN;
            };
        }
    }

    /** @param alongM from the wall’s start, and {@code aboveFloorM} over its storey’s floor, metres */
    public boolean covers(double alongM, double aboveFloorM) {
        return alongM >= atM && alongM <= atM + widthM && aboveFloorM >= sillM && aboveFloorM <= headM;
    }
}
