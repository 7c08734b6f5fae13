package roofnest.core.view;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Wall;

/**
 * The picture a camera will give, computed from the plan: ground and areas, walls raised to their height with their
 * openings, and standing figures. Hidden surfaces are removed by painting from far to near; walls are cut into short
 * slices, so that two neighbours never lie both before and behind each other by more than a slice.
 */
public final class CameraPicture {
    private static final double SLICE_M = 0.75;
    private static final double GROUND_EXTENT_M = 400;
    private static final double BODY_WIDTH_M = 0.5;
    private static final double SHOULDER_M = 1.45;
    private static final double HEAD_RADIUS_M = 0.13;
    private static final int HEAD_CORNERS = 14;

    private final HousePlan plan;
    private final Projection projection;
    private final OutlineProjector projector;

    private record Piece(double distanceM, PictureShape shape) {}

    /** A person standing or walking in the picture, feet at {@code feet}. */
    public record Figure(String name, SpacePoint feet) {
        /** Height of a grown person, metres. */
        public static final double HEIGHT_M = 1.75;
    }

    public CameraPicture(HousePlan plan, LensSpec lens, CameraPose pose) {
        this.plan = plan;
        this.projection = new Projection(lens, pose);
        this.projector = new OutlineProjector(projection);
    }

    /** Everything in the picture, in the order it is painted. */
    public List<PictureShape> shapes(List<Figure> figures) {
        List<PictureShape> shapes = new ArrayList<>();
        ground(shapes);
        List<Piece> standing = new ArrayList<>();
        plan.walls().forEach(wall -> wall(standing, wall));
        figures.forEach(figure -> figure(standing, figure));
        standing.sort(Comparator.comparingDouble(Piece::distanceM).reversed());
        standing.forEach(piece -> shapes.add(piece.shape()));
        return shapes;
    }

    /** One figure alone, body before head; empty when no part of it is in the picture. Walls before it do not hide it. */
    public List<PictureShape> figure(Figure figure) {
        List<Piece> pieces = new ArrayList<>();
        figure(pieces, figure);
        return pieces.stream().map(Piece::shape).toList();
    }

    private void ground(List<PictureShape> shapes) {
        PlanPoint eye = projection.eye().onPlan();
        List<SpacePoint> all = new ArrayList<>();
        for (int corner = 0; corner < 36; corner++) {
            double angle = Math.toRadians(corner * 10);
            all.add(new SpacePoint(
                    eye.xM() + GROUND_EXTENT_M * Math.sin(angle), eye.yM() + GROUND_EXTENT_M * Math.cos(angle), 0));
        }
        project(PictureShape.Kind.GROUND, "", 0, all).ifPresent(shapes::add);
        for (Area area : plan.areas()) {
            List<SpacePoint> outline = area.outline().stream().map(point -> SpacePoint.at(point, 0)).toList();
            project(kind(area.kind()), area.name(), 0, outline).ifPresent(shapes::add);
        }
    }

    private void wall(List<Piece> pieces, Wall wall) {
        TreeSet<Double> cuts = new TreeSet<>();
        double length = wall.lengthM();
        int slices = (int) Math.ceil(length / SLICE_M);
        for (int i = 0; i <= slices; i++) {
            cuts.add(length * i / slices);
        }
        for (Opening opening : wall.openings()) {
            cuts.add(opening.atM());
            cuts.add(Math.min(length, opening.atM() + opening.widthM()));
        }
        Double from = null;
        for (Double to : cuts) {
            if (from != null && to - from > 1e-6) {
                slice(pieces, wall, from, to);
            }
            from = to;
        }
    }

    private void slice(List<Piece> pieces, Wall wall, double fromM, double toM) {
        double base = plan.baseM(wall);
        double middle = (fromM + toM) / 2;
        double floor = 0;
        for (Opening opening : wall.openings()) {
            if (middle >= opening.atM() && middle <= opening.atM() + opening.widthM()) {
                quad(pieces, wall, kind(wall.material()), fromM, toM, base + floor, base + opening.sillM());
                if (opening.kind() != Opening.Kind.GAP) {
                    PictureShape.Kind kind = opening.kind() == Opening.Kind.DOOR ? PictureShape.Kind.DOOR : PictureShape.Kind.GLASS;
                    quad(pieces, wall, kind, fromM, toM, base + opening.sillM(), base + Math.min(opening.headM(), wall.heightM()));
                }
                floor = opening.headM();
            }
        }
        quad(pieces, wall, kind(wall.material()), fromM, toM, base + floor, base + wall.heightM());
    }

    private void quad(
            List<Piece> pieces, Wall wall, PictureShape.Kind kind, double fromM, double toM, double bottomM, double topM) {
        if (topM - bottomM < 1e-6) {
            return;
        }
        PlanPoint a = wall.along(fromM);
        PlanPoint b = wall.along(toM);
        List<SpacePoint> outline = List.of(
                SpacePoint.at(a, bottomM), SpacePoint.at(b, bottomM), SpacePoint.at(b, topM), SpacePoint.at(a, topM));
        double distance = projection.eye().onPlan().distanceM(wall.along((fromM + toM) / 2));
        project(kind, "", shade(wall), outline).ifPresent(shape -> pieces.add(new Piece(distance, shape)));
    }

    private void figure(List<Piece> pieces, Figure figure) {
        SpacePoint eye = projection.eye();
        double dx = figure.feet().xM() - eye.xM();
        double dy = figure.feet().yM() - eye.yM();
        double distance = Math.hypot(dx, dy);
        if (distance < Projection.NEAR_M) {
            return;
        }
        double sideX = dy / distance;
        double sideY = -dx / distance;
        List<SpacePoint> body = List.of(
                beside(figure, sideX, sideY, -BODY_WIDTH_M / 2, 0), beside(figure, sideX, sideY, BODY_WIDTH_M / 2, 0),
                beside(figure, sideX, sideY, BODY_WIDTH_M / 2, SHOULDER_M), beside(figure, sideX, sideY, -BODY_WIDTH_M / 2, SHOULDER_M));
        List<SpacePoint> head = new ArrayList<>();
        double headMiddleM = Figure.HEIGHT_M - HEAD_RADIUS_M;
        for (int corner = 0; corner < HEAD_CORNERS; corner++) {
            double angle = 2 * Math.PI * corner / HEAD_CORNERS;
            head.add(beside(figure, sideX, sideY, HEAD_RADIUS_M * Math.cos(angle), headMiddleM + HEAD_RADIUS_M * Math.sin(angle)));
        }
        project(PictureShape.Kind.BODY, figure.name(), 0, body).ifPresent(shape -> pieces.add(new Piece(distance, shape)));
        project(PictureShape.Kind.HEAD, figure.name(), 0, head).ifPresent(shape -> pieces.add(new Piece(distance, shape)));
    }

    private static SpacePoint beside(Figure figure, double sideX, double sideY, double sideM, double upM) {
        SpacePoint feet = figure.feet();
        return new SpacePoint(feet.xM() + sideM * sideX, feet.yM() + sideM * sideY, feet.zM() + upM);
    }

    private Optional<PictureShape> project(PictureShape.Kind kind, String name, int shade, List<SpacePoint> outline) {
        List<Projection.Pixel> pixels = projector.project(outline);
        return pixels.isEmpty() ? Optional.empty() : Optional.of(new PictureShape(kind, name, shade, pixels));
    }

    private static int shade(Wall wall) {
        return (int) (wall.from().headingToDeg(wall.to()) % 180 / 60);
    }

    private static PictureShape.Kind kind(Area.Kind kind) {
        return switch (kind) {
            case LAWN -> PictureShape.Kind.LAWN;
            case PATH -> PictureShape.Kind.PATH;
            case STEPS -> PictureShape.Kind.STEPS;
            case ROAD -> PictureShape.Kind.ROAD;
            case WATER -> PictureShape.Kind.WATER;
            case PRIVATE, NEIGHBOUR -> PictureShape.Kind.OFF_LIMITS;
        };
    }

    private static PictureShape.Kind kind(Material material) {
        return switch (material) {
            case METAL, FOIL -> PictureShape.Kind.METAL_WALL;
            case HEDGE -> PictureShape.Kind.HEDGE;
            case GLASS, COATED_GLASS -> PictureShape.Kind.GLASS;
            default -> PictureShape.Kind.WALL;
        };
    }
}
