package roofnest.core.plan;

import java.util.List;

import roofnest.core.lang.Require;

/** A way that people take, from its first point to its last. */
public record Walk(String id, String name, List<PlanPoint> points) {
    public Walk {
        id = Require.text("path id", id, 60);
        name = Require.text("path name", name, 80);
        points = List.copyOf(points);
        if (points.size() < 2) {
            throw new IllegalArgumentException("a path needs at least two points");
        }
    }

    public double lengthM() {
        double length = 0;
        for (int i = 1; i < points.size(); i++) {
            length += points.get(i - 1).distanceM(points.get(i));
        }
        return length;
    }

    /** Where a walker is after {@code distanceM} metres, and which way the walk goes there. */
    public Position at(double distanceM) {
        double left = Math.max(0, distanceM);
        for (int i = 1; i < points.size(); i++) {
            PlanPoint a = points.get(i - 1);
            PlanPoint b = points.get(i);
            double leg = a.distanceM(b);
            if (left <= leg || i == points.size() - 1) {
                double share = leg == 0 ? 0 : Math.min(1, left / leg);
                return new Position(
                        new PlanPoint(a.xM() + share * (b.xM() - a.xM()), a.yM() + share * (b.yM() - a.yM())),
                        a.headingToDeg(b));
            }
            left -= leg;
        }
        throw new IllegalStateException("a path has at least one leg");
    }

    /** Where the walk passes a point nearest: how far along it, and how far off, metres. */
    public Approach approach(PlanPoint point) {
        double along = 0;
        double bestAlong = 0;
        double best = Double.MAX_VALUE;
        for (int i = 1; i < points.size(); i++) {
            PlanPoint a = points.get(i - 1);
            PlanPoint b = points.get(i);
            double leg = a.distanceM(b);
            double distance = Segments.distanceM(point, a, b);
            if (distance < best) {
                best = distance;
                double share = leg == 0 ? 0 : Math.max(0, Math.min(1,
                        ((point.xM() - a.xM()) * (b.xM() - a.xM()) + (point.yM() - a.yM()) * (b.yM() - a.yM())) / (leg * leg)));
                bestAlong = along + share * leg;
            }
            along += leg;
        }
        return new Approach(bestAlong, best);
    }

    public record Approach(double alongM, double distanceM) {}

    /** @param headingDeg clockwise from north */
    public record Position(PlanPoint point, double headingDeg) {}
}
