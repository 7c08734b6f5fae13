package roofnest.app.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Label;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Place;
import roofnest.core.plan.Roof;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Walk;
import roofnest.core.plan.Wall;

/**
 * The unmoving part of a board, as drawn: one storey's walls over the grounds. Coordinates are metres with y flipped.
 * Used on the board and, unchanged, in the hand-over pack.
 */
public record PlanDrawing(
        String viewBox, double minX, double minY, double width, double height, List<Ground> grounds, List<Stroke> walls,
        List<Stroke> openings, List<Stroke> paths, String boundary, List<Text> labels, List<Marker> places, List<Marker> things,
        List<String> roofs, List<String> stairwells, double northDeg) {
    private static final double MARGIN_M = 1.2;
    /** Size at which boards are usually shown, pixels: lettering is scaled to be legible there. */
    private static final double USUAL_WIDTH_PX = 800;
    private static final double USUAL_HEIGHT_PX = 600;

    /** Metres that one pixel of the usual size stands for. */
    public double metresPerPx() {
        return metresPerPx(width, height);
    }

    /** Metres that one pixel of a plan's usual drawing stands for. */
    public static double metresPerPx(HousePlan plan) {
        double[] box = plan.extentM();
        return metresPerPx(box[2] - box[0] + 2 * MARGIN_M, box[3] - box[1] + 2 * MARGIN_M);
    }

    private static double metresPerPx(double width, double height) {
        return Math.max(width / USUAL_WIDTH_PX, height / USUAL_HEIGHT_PX);
    }

    /** A size given in pixels, in the drawing's metres. */
    public double px(double pixels) {
        return Math.round(pixels * metresPerPx() * 1000) / 1000.0;
    }

    /** @param kind in lower case, for its tint and pattern */
    public record Ground(String kind, String name, String path, double x, double y, boolean upright) {}

    /** @param kind of a wall its material, of an opening its kind */
    public record Stroke(String kind, String path, double widthM) {}

    public record Text(String words, double x, double y) {}

    public record Marker(String id, String kind, String name, double x, double y, double radiusM) {}

    public static PlanDrawing of(HousePlan plan, Storey storey) {
        return of(plan, storey, plan.extentM());
    }

    /** @param box of what is shown, metres: least x and y, greatest x and y */
    public static PlanDrawing of(HousePlan plan, Storey storey, double[] box) {
        double minX = box[0] - MARGIN_M;
        double minY = -box[3] - MARGIN_M;
        double width = box[2] - box[0] + 2 * MARGIN_M;
        double height = box[3] - box[1] + 2 * MARGIN_M;
        List<Stroke> walls = new ArrayList<>();
        List<Stroke> openings = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            if (wall.storey().equals(storey.id())) {
                walls.add(new Stroke(wall.material().name().toLowerCase(Locale.ROOT), Svg.line(List.of(wall.from(), wall.to())),
                        Math.max(0.12, wall.thicknessM())));
                for (Opening opening : wall.openings()) {
                    openings.add(new Stroke(opening.kind().name().toLowerCase(Locale.ROOT),
                            Svg.line(List.of(wall.along(opening.atM()),
                                    wall.along(Math.min(wall.lengthM(), opening.atM() + opening.widthM())))),
                            Math.max(0.14, wall.thicknessM())));
                }
            }
        }
        return new PlanDrawing(
                String.format(Locale.ROOT, "%.2f %.2f %.2f %.2f", minX, minY, width, height), minX, minY, width, height,
                plan.areas().stream().map(PlanDrawing::ground).toList(), walls, openings,
                plan.paths().stream().map((Walk walk) -> new Stroke("walk", Svg.line(walk.points()), 0)).toList(),
                Svg.closed(plan.boundary()),
                plan.labels().stream().filter((Label label) -> label.storey().equals(storey.id()))
                        .map(label -> new Text(label.text(), label.at().xM(), -label.at().yM())).toList(),
                plan.places().stream()
                        .map((Place place) -> new Marker(place.id(), "place", place.name(), place.at().xM(), -place.at().yM(), 0)).toList(),
                plan.things().stream()
                        .map((Thing thing) -> new Marker(thing.id(), thing.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                                thing.name(), thing.at().xM(), -thing.at().yM(), thing.kind().round() ? thing.radiusM() : 0))
                        .toList(),
                roofs(plan, storey), storey.stairwells().stream().map(Svg::closed).toList(), plan.trueNorthDeg());
    }

    /** Edges and ridges of pitched roofs over this storey, and of flat ones that reach beyond the walls. */
    private static List<String> roofs(HousePlan plan, Storey storey) {
        if (storey.roof() == null || storey.roof().kind() == Roof.Kind.NONE) {
            return List.of();
        }
        HousePlan alone = plan.withStoreys(plan.storeys().stream()
                .map(each -> each == storey ? each : each.withoutRoof()).toList());
        return new Shell(alone).roofs().stream().map(pitch -> Svg.area(pitch.outline())).toList();
    }

    /** Only the big, unlabelled-elsewhere grounds carry their names; places carry the rest. */
    private static Ground ground(Area area) {
        double minX = area.outline().stream().mapToDouble(PlanPoint::xM).min().orElse(0);
        double maxX = area.outline().stream().mapToDouble(PlanPoint::xM).max().orElse(0);
        double minY = area.outline().stream().mapToDouble(PlanPoint::yM).min().orElse(0);
        double maxY = area.outline().stream().mapToDouble(PlanPoint::yM).max().orElse(0);
        boolean named = area.kind() == Area.Kind.WATER || area.kind() == Area.Kind.ROAD || area.kind().offLimits();
        boolean upright = maxY - minY > 2 * (maxX - minX);
        return new Ground(area.kind().name().toLowerCase(Locale.ROOT), named ? area.name() : "", Svg.closed(area.outline()),
                upright ? (minX + maxX) / 2 : minX + 0.5, upright ? -(minY + maxY) / 2 : -minY - 0.5, upright);
    }
}
