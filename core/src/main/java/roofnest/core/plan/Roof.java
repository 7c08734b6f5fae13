package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * What lies over a storey where no other storey does. Heights are above the plan's ground.
 *
 * @param eavesM of a pitched roof its lower edges, of a flat one the whole; absent for a flat one at the storey's ceiling
 * @param ridgeM of a pitched roof; absent otherwise
 * @param ridgeDeg heading along which the ridge runs over the middle of the roof, degrees clockwise from the plan's y axis
 * @param overhangM by which it reaches beyond the walls; absent means 0
 * @param material absent means boards and tiles, taken as timber
 */
public record Roof(Kind kind, Double eavesM, Double ridgeM, Double ridgeDeg, Double overhangM, Material material) {
    public enum Kind {
        @JsonProperty("flat")
        FLAT,
        @JsonProperty("pitched")
        PITCHED,
        @JsonProperty("none")
        NONE
    }

    public Roof {
        if (kind == null) {
            throw new IllegalArgumentException("a roof needs a kind");
        }
        optional("eaves in metres", eavesM, -20, 70);
        optional("ridge in metres", ridgeM, -20, 80);
        optional("heading of the ridge in degrees", ridgeDeg, 0, 360);
        optional("overhang in metres", overhangM, 0, 3);
        if (kind == Kind.PITCHED && (eavesM == null || ridgeM == null || ridgeDeg == null || ridgeM < eavesM)) {
            throw new IllegalArgumentException("a pitched roof needs eaves, a ridge no lower than they are, and the ridge's heading");
        }
    }

    /** What is taken to lie over a storey of which nobody said anything: a flat roof at its ceiling. */
    static final Roof UNSAID = new Roof(Kind.FLAT, null, null, null, null, null);

    public static Roof none() {
        return new Roof(Kind.NONE, null, null, null, null, null);
    }

    double overhang() {
        return overhangM == null ? 0 : overhangM;
    }

    Material made() {
        return material == null ? Material.TIMBER : material;
    }

    private static void optional(String what, Double value, double min, double max) {
        if (value != null) {
            Require.inRange(what, value, min, max);
        }
    }
}
