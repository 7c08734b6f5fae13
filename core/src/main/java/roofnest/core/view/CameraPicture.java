package roofnest.core.view;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;

/**
 * The picture a camera will give, computed from the plan: ground and areas, walls raised to their height with their
 * openings, banks, upper floors, trees and tanks, and standing figures, in the order that {@link Scene} gives.
 *
 * <p>By night each piece carries how far into the camera's own light it lies: {@link PictureShape#lit} counts down from
 * {@link #BRIGHTEST} beside the lens to 0 past the light's range. Walls are cut into short pieces for that.
 */
public final class CameraPicture {
    /** Steps of light by night, nearest first. */
    public static final int BRIGHTEST = 4;
    private static final double NIGHT_PIECE_M = 1.0;
    private static final double GROUND_EXTENT_M = 400;
    private static final double BODY_WIDTH_M = 0.5;
    private static final double SHOULDER_M = 1.45;
    private static final double HEAD_RADIUS_M = 0.13;
    private static final double TRUNK_RADIUS_M = 0.12;
    private static final int ROUND_CORNERS = 14;

    private final Scene scene;
    private final Projection projection;
    private final OutlineProjector projector;
    private final boolean night;

    /** A person standing or walking in the picture, feet at {@code feet}. */
    public record Figure(String name, SpacePoint feet, double heightM) {
        /** Height of a grown person, metres. */
        public static final double HEIGHT_M = 1.75;

        /** A grown person. */
        public Figure(String name, SpacePoint feet) {
            this(name, feet, HEIGHT_M);
        }
    }

    public CameraPicture(HousePlan plan, LensSpec lens, CameraPose pose) {
        this(new Scene(plan), new Projection(lens, pose), false);
    }

    public CameraPicture(Scene scene, Projection projection, boolean night) {
        this.scene = scene;
        this.projection = projection;
        this.projector = new OutlineProjector(projection);
        this.night = night;
    }

    /** Everything in the picture, in the order it is painted. */
    public List<PictureShape> shapes(List<Figure> figures) {
        List<PictureShape> shapes = new ArrayList<>();
        ground(shapes);
        Map<Object, PlanPoint> standing = new IdentityHashMap<>();
        figures.forEach(figure -> standing.put(figure, figure.feet().onPlan()));
        scene.plan().things().stream().filter(thing -> thing.kind().round()).forEach(thing -> standing.put(thing, thing.at()));
        scene.farToNear(projection.eye(), standing, facet -> facet(shapes, facet), level -> level(shapes, level), (stander, distanceM) -> {
            if (stander instanceof Figure figure) {
                figure(shapes, figure);
            } else {
                round(shapes, (Thing) stander);
            }
        });
        return shapes;
    }

    /** One figure alone, body before head; empty when no part of it is in the picture. Walls before it do not hide it. */
    public List<PictureShape> figure(Figure figure) {
        List<PictureShape> pieces = new ArrayList<>();
        figure(pieces, figure);
        return pieces;
    }

    private void ground(List<PictureShape> shapes) {
        project(PictureShape.Kind.GROUND, "", 0, 0, disc(GROUND_EXTENT_M)).ifPresent(shapes::add);
        // By night the ground is dark and the light lies on it in pools.
        scene.flat().forEach(level -> project(level.kind(), level.name(), 0, 0, level.outline()).ifPresent(shapes::add));
        if (night) {
            double reachM = projection.lens().nightRangeM();
            for (int step = 1; step <= BRIGHTEST; step++) {
                double flat = Math.pow(reachM * (BRIGHTEST + 1 - step) / BRIGHTEST, 2) - Math.pow(projection.eye().zM(), 2);
                if (flat > 0) {
                    project(PictureShape.Kind.LIGHT, "", 0, step, disc(Math.sqrt(flat))).ifPresent(shapes::add);
                }
            }
        }
    }

    private List<SpacePoint> disc(double radiusM) {
        PlanPoint eye = projection.eye().onPlan();
        List<SpacePoint> all = new ArrayList<>();
        for (int corner = 0; corner < 36; corner++) {
            double angle = Math.toRadians(corner * 10);
            all.add(new SpacePoint(eye.xM() + radiusM * Math.sin(angle), eye.yM() + radiusM * Math.cos(angle), 0));
        }
        return all;
    }

    private void level(List<PictureShape> shapes, Scene.Level level) {
        double x = level.outline().stream().mapToDouble(SpacePoint::xM).average().orElse(0);
        double y = level.outline().stream().mapToDouble(SpacePoint::yM).average().orElse(0);
        project(level.kind(), level.name(), 0, lit(new SpacePoint(x, y, level.heightM())), level.outline()).ifPresent(shapes::add);
    }

    private void facet(List<PictureShape> shapes, Scene.Facet facet) {
        Scene.Facet seen = aboveGround(facet);
        if (seen == null) {
            return;
        }
        int pieces = night ? (int) Math.ceil(seen.a().distanceM(seen.b()) / NIGHT_PIECE_M) : 1;
        for (int piece = 0; piece < pieces; piece++) {
            Scene.Facet part = pieces == 1 ? seen : seen.part(piece / (double) pieces, (piece + 1) / (double) pieces);
            int lit = lit(SpacePoint.at(part.along(0.5), (part.footAM() + part.topBM()) / 2));
            project(part.kind(), "", part.shade(), lit, part.outline()).ifPresent(shapes::add);
        }
    }

    /** What stands below the ground is hidden by it, unless the lens is down there too. */
    private Scene.Facet aboveGround(Scene.Facet facet) {
        if (projection.eye().zM() < 0 || Math.min(facet.footAM(), facet.footBM()) >= 0) {
            return facet;
        }
        if (Math.max(facet.topAM(), facet.topBM()) <= 0) {
            return null;
        }
        return new Scene.Facet(facet.a(), facet.b(), Math.max(0, facet.footAM()), Math.max(0, facet.footBM()),
                Math.max(0, facet.topAM()), Math.max(0, facet.topBM()), facet.kind(), facet.shade());
    }

    private void figure(List<PictureShape> shapes, Figure figure) {
        double[] side = side(figure.feet().onPlan());
        if (side == null) {
            return;
        }
        double scale = figure.heightM() / Figure.HEIGHT_M;
        double half = BODY_WIDTH_M * scale / 2;
        List<SpacePoint> body = List.of(beside(figure.feet(), side, -half, 0), beside(figure.feet(), side, half, 0),
                beside(figure.feet(), side, half, SHOULDER_M * scale), beside(figure.feet(), side, -half, SHOULDER_M * scale));
        double radius = HEAD_RADIUS_M * Math.max(0.85, scale);
        int lit = lit(figure.feet());
        project(PictureShape.Kind.BODY, figure.name(), 0, lit, body).ifPresent(shapes::add);
        project(PictureShape.Kind.HEAD, figure.name(), 0, lit, ellipse(figure.feet(), side, radius, figure.heightM() - radius, radius))
                .ifPresent(shapes::add);
    }

    private void round(List<PictureShape> shapes, Thing thing) {
        double[] side = side(thing.at());
        if (side == null || projection.eye().onPlan().distanceM(thing.at()) < thing.radiusM()) {
            return;
        }
        SpacePoint foot = SpacePoint.at(thing.at(), 0);
        int lit = lit(foot);
        double radius = thing.radiusM();
        if (thing.kind() == Thing.Kind.TREE) {
            double from = Math.min(1.8, thing.heightM() / 2);
            project(PictureShape.Kind.TRUNK, thing.name(), 0, lit, upright(foot, side, TRUNK_RADIUS_M, from + 0.2)).ifPresent(shapes::add);
            double half = (thing.heightM() - from) / 2;
            project(PictureShape.Kind.FOLIAGE, thing.name(), 0, lit, ellipse(foot, side, radius, from + half, half)).ifPresent(shapes::add);
        } else {
            project(PictureShape.Kind.TANK, thing.name(), 0, lit, upright(foot, side, radius, thing.heightM())).ifPresent(shapes::add);
        }
    }

    private static List<SpacePoint> upright(SpacePoint foot, double[] side, double halfM, double heightM) {
        return List.of(beside(foot, side, -halfM, 0), beside(foot, side, halfM, 0), beside(foot, side, halfM, heightM),
                beside(foot, side, -halfM, heightM));
    }

    private static List<SpacePoint> ellipse(SpacePoint foot, double[] side, double halfWidthM, double middleM, double halfHeightM) {
        List<SpacePoint> outline = new ArrayList<>();
        for (int corner = 0; corner < ROUND_CORNERS; corner++) {
            double angle = 2 * Math.PI * corner / ROUND_CORNERS;
            outline.add(beside(foot, side, halfWidthM * Math.cos(angle), middleM + halfHeightM * Math.sin(angle)));
        }
        return outline;
    }

    /** The way across the line of sight to a point of the plan; null right under the lens. */
    private double[] side(PlanPoint point) {
        double dx = point.xM() - projection.eye().xM();
        double dy = point.yM() - projection.eye().yM();
        double distance = Math.hypot(dx, dy);
        return distance < Projection.NEAR_M ? null : new double[] {dy / distance, -dx / distance};
    }

    private static SpacePoint beside(SpacePoint foot, double[] side, double sideM, double upM) {
        return new SpacePoint(foot.xM() + sideM * side[0], foot.yM() + sideM * side[1], foot.zM() + upM);
    }

    private int lit(SpacePoint point) {
        if (!night) {
            return 0;
        }
        double share = point.distanceM(projection.eye()) / Math.max(0.01, projection.lens().nightRangeM());
        return share > 1 ? 0 : Math.max(1, BRIGHTEST - (int) (share * BRIGHTEST));
    }

    private Optional<PictureShape> project(PictureShape.Kind kind, String name, int shade, int lit, List<SpacePoint> outline) {
        List<Projection.Pixel> pixels = projector.project(outline);
        return pixels.isEmpty() ? Optional.empty() : Optional.of(new PictureShape(kind, name, shade, lit, pixels));
    }
}
