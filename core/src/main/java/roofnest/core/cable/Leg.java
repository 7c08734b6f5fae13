package roofnest.core.cable;

import java.util.List;

import roofnest.core.plan.SpacePoint;

/**
 * A straight piece of a way, or one round a corner on the same level.
 *
 * @param up metres that it rises; negative down, 0 for one that lies
 * @param right metres that it goes to the right of whoever faces the wall; negative to the left
 * @param points from where to where, with the corners between
 */
public record Leg(Kind kind, boolean indoors, double lengthM, double up, double right, List<SpacePoint> points) {
    /** On what it runs. */
    public enum Kind {
        SKIRTING("along the skirting"), CEILING("under the ceiling"), EAVES("under the eaves"), WALL("on the wall"),
        CORNER("in the corner"), REVEAL("round the opening"), HOLE("through the wall"), FLOOR("through the floor"),
        SOFFIT("along the soffit or arm"), OPEN("in the open, along nothing that the plan shows");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Leg {
        points = List.copyOf(points);
    }
}
