package roofnest.core.cable;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.plan.SpacePoint;

/** Pieces of a way put together where they go on alike. */
final class Legs {
    private static final double LYING_M = 0.015;

    private Legs() {}

    /** @param outDeg heading straight away from the face that it lies on */
    record Piece(Leg.Kind kind, boolean indoors, double lengthM, double outDeg) {}

    /** @param points one more than pieces */
    static List<Leg> of(List<Piece> pieces, List<SpacePoint> points) {
        List<Leg> legs = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            Piece piece = pieces.get(i);
            SpacePoint from = points.get(i);
            SpacePoint to = points.get(i + 1);
            double up = to.zM() - from.zM();
            double rightwards = Math.toRadians(piece.outDeg() + 270);
            double right = (to.xM() - from.xM()) * Math.sin(rightwards) + (to.yM() - from.yM()) * Math.cos(rightwards);
            if (piece.lengthM() < LYING_M && piece.kind() != Leg.Kind.HOLE && piece.kind() != Leg.Kind.FLOOR) {
                continue;
            }
            Leg last = legs.isEmpty() ? null : legs.get(legs.size() - 1);
            if (last != null && last.kind() == piece.kind() && last.indoors() == piece.indoors() && goesOn(last, up)
                    && piece.kind() != Leg.Kind.HOLE && piece.kind() != Leg.Kind.FLOOR) {
                List<SpacePoint> joined = new ArrayList<>(last.points());
                joined.add(to);
                legs.set(legs.size() - 1, new Leg(last.kind(), last.indoors(), last.lengthM() + piece.lengthM(), last.up() + up,
                        last.right() + right, joined));
            } else {
                legs.add(new Leg(piece.kind(), piece.indoors(), piece.lengthM(), up, right, List.of(from, to)));
            }
        }
        return legs;
    }

    private static boolean goesOn(Leg leg, double up) {
        boolean lies = Math.abs(leg.up()) < LYING_M;
        return lies == Math.abs(up) < LYING_M && (lies || Math.signum(leg.up()) == Math.signum(up));
    }
}
