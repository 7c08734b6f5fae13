package roofnest.core.cable;

import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Wall;

/**
 * An upright line on the face of a wall, from its foot to its top.
 *
 * @param alongM from the wall's start, metres
 * @param at on the face
 * @param outDeg heading straight away from the face
 * @param floorM that the wall stands on, from which its openings are reckoned
 * @param footM the lowest that a lead runs there, and {@code topM} the highest, metres above the plan's ground
 * @param eaves whether its top is the edge of a roof
 * @param corner whether the face ends there
 */
record Column(Wall wall, double alongM, PlanPoint at, double outDeg, double floorM, double footM, double topM, boolean indoors,
        boolean eaves, boolean corner) {
    /** A lead keeps so far from an opening, metres. */
    static final double CLEAR_M = 0.02;

    /** The side of the wall that it is on: to the left of who walks along it, or to the right. */
    boolean left() {
        double away = outDeg - wall.from().headingToDeg(wall.to());
        return (away % 360 + 360) % 360 > 180;
    }

    /** Whether a lead cannot lie there for the hole of a door, window or gap. */
    boolean open(double zM) {
        return crosses(alongM, zM, zM);
    }

    /** Whether an upright piece there crosses an opening. */
    boolean crosses(double fromM, double toM) {
        return crosses(alongM, fromM, toM);
    }

    /** Whether a piece at a height, from here to another place along the same wall, crosses an opening. */
    boolean crossesAlong(double otherAlongM, double zM) {
        double low = Math.min(alongM, otherAlongM);
        double high = Math.max(alongM, otherAlongM);
        for (Opening opening : wall.openings()) {
            if (high > opening.atM() - CLEAR_M && low < opening.atM() + opening.widthM() + CLEAR_M && at(opening, zM, zM)) {
                return true;
            }
        }
        return false;
    }

    private boolean crosses(double along, double fromM, double toM) {
        for (Opening opening : wall.openings()) {
            if (along > opening.atM() - CLEAR_M && along < opening.atM() + opening.widthM() + CLEAR_M
                    && at(opening, Math.min(fromM, toM), Math.max(fromM, toM))) {
                return true;
            }
        }
        return false;
    }

    private boolean at(Opening opening, double lowM, double highM) {
        return highM - floorM > opening.sillM() - CLEAR_M && lowM - floorM < opening.headM() + CLEAR_M;
    }
}
