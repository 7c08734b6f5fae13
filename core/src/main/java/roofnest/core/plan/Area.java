package roofnest.core.plan;

import java.util.List;

import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Location;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * A piece of ground with a meaning.
 *
 * @param heightM of the ground at its lowest edge, metres above the plan's ground; absent means 0
 * @param slope where it rises from there; absent when it is level
 */
public record Area(String id, String name, Kind kind, List<PlanPoint> outline, Double heightM, Slope slope) {
    /**
     * A steady rise from one edge of the outline to the other.
     *
     * @param riseM from the lowest to the highest edge, metres
     * @param uphillDeg heading in which it rises, degrees clockwise from the plan's y axis
     */
    public record Slope(double riseM, double uphillDeg) {
        public Slope {
            Require.inRange("rise in metres", riseM, 0, 30);
            Require.inRange("uphill heading in degrees", uphillDeg, 0, 360);
        }
    }

    public enum Kind {
        @JsonProperty("lawn")
        LAWN,
        @JsonProperty("path")
        PATH,
        @JsonProperty("steps")
        STEPS,
        @JsonProperty("road")
        ROAD,
        @JsonProperty("water")
        WATER,
        @JsonProperty("private")
        PRIVATE,
        @JsonProperty("neighbour")
        NEIGHBOUR;

        /** Whether a camera of this household has no business showing it. */
        public boolean offLimits() {
            return this == PRIVATE || this == NEIGHBOUR;
        }
    }

    public Area {
        id = Require.text("area id", id, 60);
        name = Require.text("area name", name, 80);
        outline = List.copyOf(outline);
        if (heightM != null) {
            Require.inRange("ground height in metres", heightM, -20, 30);
        }
    }

    /** Level ground at the plan's own height. */
    public Area(String id, String name, Kind kind, List<PlanPoint> outline) {
        this(id, name, kind, outline, null, null);
    }

    /** Height of its ground at a point, by its slope, metres; beyond the outline the slope goes on. */
    public double groundM(PlanPoint point) {
        return plane().atM(point.xM(), point.yM());
    }

    /** The surface that its ground lies in. */
    public Plane plane() {
        double lowest = heightM == null ? 0 : heightM;
        if (slope == null || slope.riseM() == 0) {
            return Plane.level(lowest);
        }
        double least = outline.stream().mapToDouble(this::uphillM).min().orElse(0);
        double most = outline.stream().mapToDouble(this::uphillM).max().orElse(1);
        double rise = slope.riseM() / Math.max(1e-9, most - least);
        double uphill = Math.toRadians(slope.uphillDeg());
        return new Plane(lowest - rise * least, rise * Math.sin(uphill), rise * Math.cos(uphill));
    }

    public boolean covers(PlanPoint point) {
        return mayCover(point)
                && SimplePointInAreaLocator.locate(Segments.coordinate(point), Segments.polygon(outline)) != Location.EXTERIOR;
    }

    /** Most points that are asked about lie outside the box around it. */
    private boolean mayCover(PlanPoint point) {
        boolean left = false;
        boolean right = false;
        boolean below = false;
        boolean above = false;
        for (PlanPoint corner : outline) {
            left |= corner.xM() <= point.xM();
            right |= corner.xM() >= point.xM();
            below |= corner.yM() <= point.yM();
            above |= corner.yM() >= point.yM();
        }
        return left && right && below && above;
    }

    /** Whether any of it lies off the plan's level ground. */
    public boolean raised() {
        return heightM != null && heightM != 0 || slope != null && slope.riseM() != 0;
    }

    private double uphillM(PlanPoint point) {
        double uphill = Math.toRadians(slope.uphillDeg());
        return point.xM() * Math.sin(uphill) + point.yM() * Math.cos(uphill);
    }
}
