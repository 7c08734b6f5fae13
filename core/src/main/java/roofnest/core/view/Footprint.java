package roofnest.core.view;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.DoublePredicate;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Place;
import roofnest.core.plan.Plate;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

/**
 * The ground on which somebody's face is made out at a level of detail: exactly where {@link Vision} says so of a face 1.6 m
 * above the ground there, to within {@link #RIM_M}.
 *
 * <p>The plan is cut into slices by lines that leave the lens's foot. Along each, the distances at which anything can change
 * are found in closed form: a line of sight that grazes the top, foot, sill or head of a wall, a crown, a bank or the edge of
 * a floor or roof; the edges of the frame and of masked cells; steps in the ground. Between two of them the answer is the
 * same all along, so {@link Vision} is asked once. Lines lie beside every corner, and closer together wherever two neighbours
 * do not tell the same, until what is between them is thinner than the rim.
 */
public final class Footprint {
    /** How far the outline may be off, metres. */
    public static final double RIM_M = 0.1;
    /** Nothing is looked for beyond, metres. */
    public static final double FARTHEST_M = 60;
    private static final double NEAREST_M = 0.05;
    private static final double LINE_STEP_DEG = 1;
    private static final double BESIDE_DEG = 0.02;
    /** Lines are put in between until they are this near to one another where they differ, metres. */
    private static final double APART_M = 0.6 * RIM_M;
    /** The end of a stretch half way between two lines may be this far from the straight line between theirs, metres. */
    private static final double STRAIGHT_TO_M = 0.5 * RIM_M;
    /** Stretches shorter than this are taken with their neighbours, metres. */
    private static final double SHORTEST_M = 0.05;
    /** Corners that change the outline by less are left out, metres. */
    private static final double DRAWN_TO_M = 0.02;
    private static final int HALVINGS = 14;
    /** How exactly a change along a line is found, metres. */
    private static final double CHANGE_TO_M = 0.005;
    /** Where a bent lens is followed along a line, the next look is farther by this share. */
    private static final double NEXT_LOOK_SHARE = 0.02;
    /** Where density is looked at along a line: each look farther by this ratio, or by so many metres. */
    private static final double LOOK_RATIO = 1.5;
    private static final double LEAST_LOOK_M = 0.1;
    /** Beside a step of the ground the ground is looked at on its own side of it, metres. */
    private static final double ON_GROUND_M = 1e-6;
    private static final int SIDE_LOOKS = 5;
    private static final int BORDER_LOOKS = 24;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Vision vision;
    private final Eye eye;
    private final Projection projection;
    private final CameraPose pose;
    private final RaysFrom rays;
    private final WallCrossings crossings;
    private final double[][] plateEdges;
    /** Where the picture's columns of cells begin and the last one ends, pixels; of one without a mask its two sides. */
    private final double[] columns;
    private final double[] rows;
    private final NavigableMap<Double, Line> lines = new TreeMap<>();
    /** The bearings that every question begins with; each puts its own in between. */
    private final List<Double> first;

    /** Stretches of ground along one line, as {from, to, from, to, …}, metres from the lens's foot. */
    private final class Line {
        private final double ux;
        private final double uy;
        /** The ground along it: stretches {@code from, to, z0, slope} in which its height is z0 + slope · distance. */
        private final List<double[]> ground;
        private final double[] seen;
        private final double[] masked;
        /** What is seen, masked or not, lies between these; beyond them no more is asked. */
        private final double nearM;
        private final double farM;
        private final Map<DetailLevel, double[]> ranges = new EnumMap<>(DetailLevel.class);

        private Line(double bearingDeg) {
            double heading = Math.toRadians(pose.headingDeg() + bearingDeg);
            ux = Math.sin(heading);
            uy = Math.cos(heading);
            ground = ground();
            double[] events = events();
            Stretches open = new Stretches();
            Stretches black = new Stretches();
            for (int i = 1; i < events.length; i++) {
                if (events[i] - events[i - 1] < SHORTEST_M) {
                    events[i] = events[i - 1];
                    continue;
                }
                double at = (events[i] + events[i - 1]) / 2;
                double x = pose.xM() + at * ux;
                double y = pose.yM() + at * uy;
                double face = faceM(at);
                var pixel = projection.pixel(x, y, face).filter(projection::inFrame);
                if (pixel.isPresent() && eye.clearTo(x, y, face)) {
                    (vision.masked(pixel.get()) ? black : open).add(events[i - 1], events[i]);
                }
            }
            seen = open.ends();
            masked = black.ends();
            nearM = Math.min(seen.length == 0 ? FARTHEST_M : seen[0], masked.length == 0 ? FARTHEST_M : masked[0]);
            farM = Math.max(seen.length == 0 ? 0 : seen[seen.length - 1], masked.length == 0 ? 0 : masked[masked.length - 1]);
        }

        private double faceM(double distanceM) {
            for (double[] stretch : ground) {
                if (distanceM <= stretch[1]) {
                    return stretch[2] + stretch[3] * distanceM + Place.FACE_M;
                }
            }
            return Place.FACE_M;
        }

        /** The ground between the edges of raised areas: of those that lie over one another the highest counts. */
        private List<double[]> ground() {
            List<Plate> raised = crossings.ground().plates();
            List<Double> cuts = new ArrayList<>(List.of(0.0, FARTHEST_M));
            for (double[] edge : plateEdges) {
                if (crossings.plates().get((int) edge[4]).kind() == Plate.Kind.GROUND) {
                    double at = crossing(edge);
                    if (!Double.isNaN(at)) {
                        cuts.add(at);
                    }
                }
            }
            cuts.sort(null);
            List<double[]> stretches = new ArrayList<>();
            for (int i = 1; i < cuts.size(); i++) {
                double middle = (cuts.get(i) + cuts.get(i - 1)) / 2;
                double[] highest = {cuts.get(i - 1), cuts.get(i), 0, 0};
                double most = Double.NEGATIVE_INFINITY;
                for (Plate area : raised) {
                    double x = pose.xM() + middle * ux;
                    double y = pose.yM() + middle * uy;
                    double height = area.plane().atM(x, y);
                    if (height > most && area.over(x, y)) {
                        most = height;
                        highest[2] = area.plane().atM(pose.xM(), pose.yM());
                        highest[3] = area.plane().gx() * ux + area.plane().gy() * uy;
                    }
                }
                stretches.add(highest);
            }
            return stretches;
        }

        /** Where along this line an edge {ax, ay, bx, by, plate} is crossed; NaN where it is not. */
        private double crossing(double[] edge) {
            double wx = edge[2] - edge[0];
            double wy = edge[3] - edge[1];
            double cross = ux * wy - uy * wx;
            double ox = edge[0] - pose.xM();
            double oy = edge[1] - pose.yM();
            double at = (ox * wy - oy * wx) / cross;
            double along = (ox * uy - oy * ux) / cross;
            return at > 0 && at < FARTHEST_M && along >= 0 && along <= 1 ? at : Double.NaN;
        }

        /** Every distance at which the answer can change, in order, both ends of the line among them. */
        private double[] events() {
            Events events = new Events();
            for (double[] stretch : ground) {
                events.add(stretch[0]);
                events.add(stretch[1]);
            }
            rays.edges(ux, uy, FARTHEST_M, (at, z) -> {
                grazing(events, at, z);
                level(events, z);
            });
            List<Plate> plates = crossings.plates();
            for (double[] edge : plateEdges) {
                double at = crossing(edge);
                if (!Double.isNaN(at)) {
                    Plate plate = plates.get((int) edge[4]);
                    grazing(events, at, plate.plane().atM(pose.xM() + at * ux, pose.yM() + at * uy));
                    if (plate.kind() == Plate.Kind.GROUND) {
                        grazing(events, at, 0);
                    }
                }
            }
            for (Plate plate : plates) {
                double z0 = plate.plane().atM(pose.xM(), pose.yM());
                double slope = plate.plane().gx() * ux + plate.plane().gy() * uy;
                for (double[] stretch : ground) {
                    within(events, stretch, (z0 - stretch[2] - Place.FACE_M) / (stretch[3] - slope));
                }
            }
            frame(events);
            return events.sorted();
        }

        /** The face whose line of sight passes a height at a distance. */
        private void grazing(Events events, double atM, double zM) {
            events.add(atM);
            for (double[] stretch : ground) {
                double z0 = stretch[2] + Place.FACE_M;
                double at = (z0 - pose.heightM()) * atM / (zM - pose.heightM() - stretch[3] * atM);
                if (at > atM) {
                    within(events, stretch, at);
                }
            }
        }

        /** Where on a slope the face comes to a height: whoever walks down under a tree comes out of its crown there. */
        private void level(Events events, double zM) {
            for (double[] stretch : ground) {
                within(events, stretch, (zM - stretch[2] - Place.FACE_M) / stretch[3]);
            }
        }

        private void within(Events events, double[] stretch, double atM) {
            if (atM > stretch[0] && atM < stretch[1]) {
                events.add(atM);
            }
        }

        /** Where the face comes into or leaves the frame, and passes from cell to cell of the mask. */
        private void frame(Events events) {
            if (eye.lens().projection() == LensSpec.Projection.RECTILINEAR) {
                straight(events);
            } else {
                bent(events);
            }
            for (double[] stretch : ground) {
                Projection.InLens at0 = projection.inLens(pose.xM(), pose.yM(), stretch[2] + Place.FACE_M);
                Projection.InLens at1 = projection.inLens(pose.xM() + ux, pose.yM() + uy, stretch[2] + stretch[3] + Place.FACE_M);
                within(events, stretch, (Projection.NEAR_M - at0.aheadM()) / (at1.aheadM() - at0.aheadM()));
            }
        }

        private void straight(Events events) {
            double focal = Projection.focalPx(eye.lens());
            for (double[] stretch : ground) {
                Projection.InLens at0 = projection.inLens(pose.xM(), pose.yM(), stretch[2] + Place.FACE_M);
                Projection.InLens at1 = projection.inLens(pose.xM() + ux, pose.yM() + uy, stretch[2] + stretch[3] + Place.FACE_M);
                for (double px : columns) {
                    double k = (px - eye.lens().widthPx() / 2.0) / focal;
                    within(events, stretch, (k * at0.aheadM() - at0.rightM())
                            / (at1.rightM() - at0.rightM() - k * (at1.aheadM() - at0.aheadM())));
                }
                for (double px : rows) {
                    double k = (eye.lens().heightPx() / 2.0 - px) / focal;
                    within(events, stretch, (k * at0.aheadM() - at0.upM())
                            / (at1.upM() - at0.upM() - k * (at1.aheadM() - at0.aheadM())));
                }
            }
        }

        private void bent(Events events) {
            double lastM = NEAREST_M;
            int last = cell(lastM);
            for (double at = NEAREST_M * (1 + NEXT_LOOK_SHARE); at < FARTHEST_M; at *= 1 + NEXT_LOOK_SHARE) {
                int now = cell(at);
                if (now != last) {
                    double one = lastM;
                    double other = at;
                    for (int i = 0; i < HALVINGS; i++) {
                        double middle = (one + other) / 2;
                        if (cell(middle) == last) {
                            one = middle;
                        } else {
                            other = middle;
                        }
                    }
                    events.add((one + other) / 2);
                }
                last = now;
                lastM = at;
            }
        }

        private int cell(double atM) {
            var pixel = projection.pixel(pose.xM() + atM * ux, pose.yM() + atM * uy, faceM(atM)).filter(projection::inFrame);
            return pixel.isEmpty() ? 0 : vision.masked(pixel.get()) ? 1 : 2;
        }

        /** What of some stretches meets a level, by day or no farther than the light. */
        private double[] at(double[] stretches, DetailLevel level, boolean night) {
            double[] met = met(stretches, ranges.computeIfAbsent(level, wanted -> met(ranges(atM -> dense(wanted, atM)),
                    Vision.faceAsked(wanted) ? ranges(atM -> !vision.steep(atM, faceM(atM), wanted)) : new double[] {nearM, farM})));
            return night ? met(met, new double[] {0, eye.lens().nightRangeM()}) : met;
        }

        /**
         * Where along the line something is so that changes smoothly on one piece of ground, such as whether the density meets a
         * level: it is looked at every so often and its changes found by halving.
         */
        private double[] ranges(DoublePredicate meets) {
            Stretches met = new Stretches();
            for (double[] stretch : ground) {
                double end = Math.min(farM, stretch[1]);
                double from = Math.max(nearM, stretch[0] + ON_GROUND_M);
                if (from >= end) {
                    continue;
                }
                boolean last = meets.test(from);
                double since = from;
                for (double at = from; at < end;) {
                    double next = Math.min(end - ON_GROUND_M, Math.max(at * LOOK_RATIO, at + LEAST_LOOK_M));
                    if (next <= at) {
                        break;
                    }
                    boolean now = meets.test(next);
                    if (now != last) {
                        double change = change(meets, at, next, last);
                        if (last) {
                            met.add(since, change);
                        }
                        since = change;
                    }
                    last = now;
                    at = next;
                }
                if (last) {
                    met.add(since, end);
                }
            }
            return met.ends();
        }

        private double change(DoublePredicate meets, double oneM, double otherM, boolean atOne) {
            double one = oneM;
            double other = otherM;
            while (other - one > CHANGE_TO_M) {
                double middle = (one + other) / 2;
                if (meets.test(middle) == atOne) {
                    one = middle;
                } else {
                    other = middle;
                }
            }
            return (one + other) / 2;
        }

        private boolean dense(DetailLevel level, double atM) {
            return PixelDensity.atPxPerM(projection, pose.xM() + atM * ux, pose.yM() + atM * uy, faceM(atM)) >= level.pxPerM();
        }

        private Coordinate point(double atM) {
            return new Coordinate(pose.xM() + atM * ux, pose.yM() + atM * uy);
        }
    }

    /** Stretches of a line, one after the other; those that all but touch are one. */
    private static final class Stretches {
        private double[] ends = new double[8];
        private int count;

        private void add(double from, double to) {
            if (count > 0 && from - ends[count - 1] <= SHORTEST_M) {
                ends[count - 1] = to;
                return;
            }
            if (count == ends.length) {
                ends = Arrays.copyOf(ends, 2 * count);
            }
            ends[count++] = from;
            ends[count++] = to;
        }

        private double[] ends() {
            return Arrays.copyOf(ends, count);
        }
    }

    private static final class Events {
        private double[] at = new double[64];
        private int count;

        private void add(double event) {
            if (event >= NEAREST_M && event <= FARTHEST_M) {
                if (count == at.length) {
                    at = Arrays.copyOf(at, 2 * count);
                }
                at[count++] = event;
            }
        }

        private double[] sorted() {
            add(NEAREST_M);
            add(FARTHEST_M);
            double[] sorted = Arrays.copyOf(at, count);
            Arrays.sort(sorted);
            return sorted;
        }
    }

    public Footprint(Vision vision) {
        this.vision = vision;
        this.eye = vision.eye();
        this.projection = eye.projection();
        this.pose = eye.pose();
        this.rays = eye.rays();
        this.crossings = rays.crossings();
        this.plateEdges = crossings.plateEdges();
        this.columns = steps(vision.masks() ? vision.grid().columns() : 1, eye.lens().widthPx());
        this.rows = steps(vision.masks() ? vision.grid().rows() : 1, eye.lens().heightPx());
        double half = halfDeg();
        for (double bearing = -half; bearing < half; bearing += LINE_STEP_DEG) {
            line(bearing);
        }
        line(half);
        sides(half);
        crossings.corners().forEach(corner -> beside(corner, half));
        for (Thing round : crossings.rounds()) {
            double distance = round.at().distanceM(pose.onPlan());
            if (distance > round.radiusM()) {
                double wide = Math.toDegrees(Math.asin(round.radiusM() / distance));
                besideDeg(eye.bearingDeg(round.at()) - wide, half);
                besideDeg(eye.bearingDeg(round.at()) + wide, half);
            }
        }
        first = List.copyOf(lines.keySet());
    }

    /** How far to either side the picture shows anything, degrees: at its corners farther than at its middle. */
    private double halfDeg() {
        double most = 0;
        for (int look = 0; look <= BORDER_LOOKS; look++) {
            double x = look * eye.lens().widthPx() / (double) BORDER_LOOKS;
            double y = look * eye.lens().heightPx() / (double) BORDER_LOOKS;
            for (Projection.Pixel pixel : List.of(new Projection.Pixel(x, 0), new Projection.Pixel(x, eye.lens().heightPx()),
                    new Projection.Pixel(0, y), new Projection.Pixel(eye.lens().widthPx(), y))) {
                double[] d = projection.direction(pixel);
                double bearing = Math.toDegrees(Math.atan2(d[0], d[1])) - pose.headingDeg();
                most = Math.max(most, Math.abs((bearing + 900) % 360 - 180));
            }
        }
        boolean straightDown = projection.pixel(pose.xM(), pose.yM(), pose.heightM() - 1).filter(projection::inFrame).isPresent();
        boolean straightUp = projection.pixel(pose.xM(), pose.yM(), pose.heightM() + 1).filter(projection::inFrame).isPresent();
        return straightDown || straightUp ? 180 : Math.min(180, most + 1);
    }

    /** Where the sides of the frame meet the ground: they lean, so what is cut off by them begins at many bearings. */
    private void sides(double half) {
        for (int look = 0; look <= SIDE_LOOKS; look++) {
            double y = look * eye.lens().heightPx() / (double) SIDE_LOOKS;
            for (double x : new double[] {0, eye.lens().widthPx()}) {
                double[] d = projection.direction(new Projection.Pixel(x, y));
                double bearing = (Math.toDegrees(Math.atan2(d[0], d[1])) - pose.headingDeg() + 900) % 360 - 180;
                besideDeg(bearing, half);
            }
        }
    }

    private void beside(PlanPoint corner, double half) {
        double distance = corner.distanceM(pose.onPlan());
        if (distance > 1e-6 && distance < FARTHEST_M) {
            besideDeg(eye.bearingDeg(corner), half);
        }
    }

    private void besideDeg(double bearing, double half) {
        if (Math.abs(bearing) < half) {
            line(bearing - BESIDE_DEG);
            line(bearing + BESIDE_DEG);
        }
    }

    private Line line(double bearingDeg) {
        return lines.computeIfAbsent(bearingDeg, Line::new);
    }

    private static double[] steps(int count, int px) {
        double[] at = new double[count + 1];
        for (int i = 0; i <= count; i++) {
            at[i] = i * px / (double) count;
        }
        return at;
    }

    /** What along a line is wanted. */
    @FunctionalInterface
    private interface Wanted {
        double[] of(Line line);
    }

    /** Where a face is made out at a level, by day or in the model's own light; empty where it is nowhere. */
    public Geometry seen(DetailLevel level, boolean night) {
        return ground(line -> line.at(line.seen, level, night));
    }

    /** Where somebody would be noticed at least, were it not for the mask. */
    public Geometry blackedOut() {
        return vision.masks() ? ground(line -> line.at(line.masked, DetailLevel.DETECT, false)) : FACTORY.createPolygon();
    }

    private Geometry ground(Wanted wanted) {
        for (int i = 1; i < first.size(); i++) {
            refine(first.get(i - 1), first.get(i), wanted);
        }
        return joined(wanted);
    }

    /** Puts lines in between until neighbours tell the same, or what is between them is thin. */
    private void refine(double fromDeg, double toDeg, Wanted wanted) {
        double[] one = wanted.of(line(fromDeg));
        double[] other = wanted.of(line(toDeg));
        double far = Math.max(one.length == 0 ? 0 : one[one.length - 1], other.length == 0 ? 0 : other[other.length - 1]);
        if (far * Math.toRadians(toDeg - fromDeg) <= APART_M) {
            return;
        }
        double middleDeg = (fromDeg + toDeg) / 2;
        double[] middle = wanted.of(line(middleDeg));
        if (!between(one, middle, other, Math.toRadians(toDeg - fromDeg) / 2)) {
            refine(fromDeg, middleDeg, wanted);
            refine(middleDeg, toDeg, wanted);
        }
    }

    /** Whether the ends half way lie on the straight lines between those of the neighbours, which are this far aside. */
    private static boolean between(double[] one, double[] middle, double[] other, double asideRad) {
        if (one.length != other.length || middle.length != one.length) {
            return false;
        }
        double sin = Math.sin(asideRad);
        double cos = Math.cos(asideRad);
        for (int i = 0; i < one.length; i++) {
            // In axes of the middle line: aside and along.
            double acrossX = (one[i] + other[i]) * sin;
            double acrossY = (other[i] - one[i]) * cos;
            double off = Math.abs(acrossX * (middle[i] - one[i] * cos) - acrossY * one[i] * sin) / Math.hypot(acrossX, acrossY);
            if (off > STRAIGHT_TO_M) {
                return false;
            }
        }
        return true;
    }

    /** Strips between lines that tell the same, as one outline each; together the ground that was asked for. */
    private Geometry joined(Wanted wanted) {
        List<Geometry> parts = new ArrayList<>();
        List<Strip> open = new ArrayList<>();
        Line last = null;
        double[] before = {};
        for (Line line : lines.values()) {
            double[] now = wanted.of(line);
            if (last != null) {
                open = step(open, last, before, line, now, parts);
            }
            last = line;
            before = now;
        }
        open.forEach(strip -> strip.close(parts));
        return parts.isEmpty() ? FACTORY.createPolygon() : OverlayNGRobust.union(parts);
    }

    /** An outline that grows from line to line. */
    private static final class Strip {
        private final List<Coordinate> near = new ArrayList<>();
        private final List<Coordinate> far = new ArrayList<>();

        private void add(Line line, double from, double to) {
            near.add(line.point(from));
            far.add(line.point(to));
        }

        private void close(List<Geometry> parts) {
            if (near.size() < 2) {
                return;
            }
            List<Coordinate> ring = new ArrayList<>(simplified(near));
            List<Coordinate> back = simplified(far);
            for (int i = back.size() - 1; i >= 0; i--) {
                ring.add(back.get(i));
            }
            ring.add(ring.get(0).copy());
            Geometry part = FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
            parts.add(part.isValid() ? part : part.buffer(0));
        }

        private static List<Coordinate> simplified(List<Coordinate> line) {
            return Arrays.asList(
                    DouglasPeuckerSimplifier.simplify(FACTORY.createLineString(line.toArray(Coordinate[]::new)), DRAWN_TO_M)
                            .getCoordinates());
        }
    }

    private List<Strip> step(List<Strip> open, Line last, double[] before, Line line, double[] now, List<Geometry> parts) {
        if (matches(before, now)) {
            List<Strip> grown = open.size() == now.length / 2 ? open : strips(last, before);
            for (int i = 0; i < now.length; i += 2) {
                grown.get(i / 2).add(line, now[i], now[i + 1]);
            }
            return grown;
        }
        open.forEach(strip -> strip.close(parts));
        // Where stretches part or meet between two lines, each is joined to all that it touches.
        for (int i = 0; i < before.length; i += 2) {
            for (int j = 0; j < now.length; j += 2) {
                if (before[i] < now[j + 1] && now[j] < before[i + 1]) {
                    Strip joint = new Strip();
                    joint.add(last, before[i], before[i + 1]);
                    joint.add(line, now[j], now[j + 1]);
                    joint.close(parts);
                }
            }
        }
        return strips(line, now);
    }

    private static List<Strip> strips(Line line, double[] stretches) {
        List<Strip> strips = new ArrayList<>();
        for (int i = 0; i < stretches.length; i += 2) {
            Strip strip = new Strip();
            strip.add(line, stretches[i], stretches[i + 1]);
            strips.add(strip);
        }
        return strips;
    }

    private static boolean matches(double[] one, double[] other) {
        if (one.length != other.length) {
            return false;
        }
        for (int i = 0; i < one.length; i += 2) {
            if (!(one[i] < other[i + 1] && other[i] < one[i + 1])) {
                return false;
            }
        }
        return true;
    }

    /** What lies in stretches of both. */
    private static double[] met(double[] one, double[] other) {
        double[] kept = new double[one.length + other.length];
        int count = 0;
        for (int i = 0, j = 0; i < one.length && j < other.length;) {
            double from = Math.max(one[i], other[j]);
            double to = Math.min(one[i + 1], other[j + 1]);
            if (to - from > SHORTEST_M) {
                kept[count++] = from;
                kept[count++] = to;
            }
            if (one[i + 1] < other[j + 1]) {
                i += 2;
            } else {
                j += 2;
            }
        }
        return Arrays.copyOf(kept, count);
    }

    /** What is in one and not in the other. */
    public static Geometry without(Geometry one, Geometry other) {
        return OverlayNGRobust.overlay(one, other, OverlayNG.DIFFERENCE);
    }
}
