package roofnest.core.view;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

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
 * {@link #BRIGHTEST} beside the lens to 0 past the light's range. Walls are cut into short pieces for that. By day what is
 * far lies behind veils of air, so that near and far are told apart where they lie on one another.
 */
public final class CameraPicture {
    /** Steps of light by night, nearest first. */
    public static final int BRIGHTEST = 4;
    private static final double NIGHT_PIECE_M = 1.0;
    private static final double GROUND_EXTENT_M = 400;
    /** A grown person from the ground up, right side: half widths and heights in metres, arms hanging. */
    private static final double[][] HALF_PERSON = {{0.04, 0}, {0.17, 0}, {0.15, 0.45}, {0.18, 0.86}, {0.25, 0.80}, {0.29, 0.86},
        {0.25, 1.32}, {0.18, 1.43}, {0.07, 1.47}, {0.06, 1.54}};
    /** Where the legs part, metres. */
    private static final double CROTCH_M = 0.80;
    /** The strip along a wall's top that tells it from what is behind, metres. */
    private static final double EDGE_M = 0.06;
    /** Where the sun stands in the middle of the morning, degrees from the pole's side it passes on. */
    private static final double MORNING_SUN_DEG = 40;
    private static final double MORNING_SUN_HIGH_DEG = 30;
    /** Beyond each of these the air lies one veil thicker over what is seen by day, metres. */
    private static final double[] VEILS_M = {12, 20, 35, 60};
    private static final double SHADOW_M = 0.32;
    private static final double HEAD_RADIUS_M = 0.13;
    private static final double TRUNK_RADIUS_M = 0.12;
    private static final int ROUND_CORNERS = 14;

    private final Scene scene;
    private final Projection projection;
    private final OutlineProjector projector;
    private final boolean night;
    private final double sunOnPlanDeg;

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
        HousePlan plan = scene.plan();
        double sunHeadingDeg = plan.latitudeDeg() >= 0 ? 180 - MORNING_SUN_DEG : MORNING_SUN_DEG;
        this.sunOnPlanDeg = sunHeadingDeg + plan.trueNorthDeg();
    }

    /** Everything in the picture, in the order it is painted; what lies behind something else altogether is left out. */
    public List<PictureShape> shapes(List<Figure> figures) {
        return shapes(figures, new Covers(projection.lens()));
    }

    /** @param covers that nothing was added to */
    List<PictureShape> shapes(List<Figure> figures, Covers covers) {
        List<Consumer<Piece>> pieces = new ArrayList<>();
        ground(pieces);
        Map<Object, PlanPoint> standing = new IdentityHashMap<>();
        figures.forEach(figure -> standing.put(figure, figure.feet().onPlan()));
        scene.plan().things().stream().filter(thing -> thing.kind().round()).forEach(thing -> standing.put(thing, thing.at()));
        scene.farToNear(projection.eye(), standing, face -> pieces.add(piece -> face(piece, face)),
                level -> pieces.add(piece -> level(piece, level)), (stander, distanceM) -> pieces.add(piece -> {
                    if (stander instanceof Figure figure) {
                        figure(piece, figure);
                    } else {
                        round(piece, (Thing) stander);
                    }
                }));
        // Found from the nearest on, so that what is hidden need not be found; painted from the farthest on.
        List<List<PictureShape>> painted = new ArrayList<>();
        for (int i = pieces.size() - 1; i >= 0; i--) {
            Piece piece = new Piece(covers);
            pieces.get(i).accept(piece);
            piece.hides.forEach(covers::add);
            painted.add(piece.shapes);
        }
        Collections.reverse(painted);
        return painted.stream().flatMap(List::stream).toList();
    }

    /** One figure alone, body before head; empty when no part of it is in the picture. Walls before it do not hide it. */
    public List<PictureShape> figure(Figure figure) {
        Piece piece = new Piece(new Covers(projection.lens()));
        figure(piece, figure);
        return piece.shapes;
    }

    /** What is painted of one thing, its own parts one over the other. */
    private final class Piece {
        private final Covers covers;
        private final List<PictureShape> shapes = new ArrayList<>();
        private final List<List<Projection.Pixel>> hides = new ArrayList<>();

        Piece(Covers covers) {
            this.covers = covers;
        }

        /** Whether anything of it can be seen. */
        boolean paint(PictureShape.Kind kind, String name, int shade, int lit, List<SpacePoint> outline) {
            List<Projection.Pixel> pixels = projector.project(outline);
            boolean seen = !pixels.isEmpty() && !covers.hide(pixels);
            if (seen) {
                shapes.add(new PictureShape(kind, name, shade, lit, pixels));
                if (kind.opaque()) {
                    hides.add(pixels);
                }
            }
            return seen;
        }
    }

    private void ground(List<Consumer<Piece>> pieces) {
        pieces.add(piece -> piece.paint(PictureShape.Kind.GROUND, "", 0, 0, disc(GROUND_EXTENT_M)));
        // By night the ground is dark and the light lies on it in pools.
        scene.flat().forEach(level -> pieces.add(piece -> piece.paint(level.kind(), level.name(), 0, 0, level.outline())));
        if (!night) {
            for (double fromM : VEILS_M) {
                pieces.add(piece -> piece.paint(PictureShape.Kind.VEIL, "", 1, 0, ring(fromM, GROUND_EXTENT_M)));
            }
        }
        if (night) {
            double reachM = projection.lens().nightRangeM();
            for (int step = 1; step <= BRIGHTEST; step++) {
                int lit = step;
                double flat = Math.pow(reachM * (BRIGHTEST + 1 - step) / BRIGHTEST, 2) - Math.pow(projection.eye().zM(), 2);
                if (flat > 0) {
                    pieces.add(piece -> piece.paint(PictureShape.Kind.LIGHT, "", 0, lit, disc(Math.sqrt(flat))));
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

    /** Everything on the ground between two distances: round the outer one, in by a slit, and back round the inner one. */
    private List<SpacePoint> ring(double fromM, double toM) {
        List<SpacePoint> outer = disc(toM);
        List<SpacePoint> inner = disc(fromM);
        List<SpacePoint> ring = new ArrayList<>(outer);
        ring.add(outer.get(0));
        ring.add(inner.get(0));
        for (int corner = inner.size() - 1; corner >= 0; corner--) {
            ring.add(inner.get(corner));
        }
        return ring;
    }

    /** The air before something solid: as many veils as lie between the lens and its middle. */
    private void veil(Piece piece, List<SpacePoint> outline, SpacePoint middle) {
        int veils = 0;
        while (veils < VEILS_M.length && projection.eye().distanceM(middle) > VEILS_M[veils]) {
            veils++;
        }
        if (!night && veils > 0) {
            piece.paint(PictureShape.Kind.VEIL, "", veils, 0, outline);
        }
    }

    private void level(Piece piece, Scene.Level level) {
        double x = level.outline().stream().mapToDouble(SpacePoint::xM).average().orElse(0);
        double y = level.outline().stream().mapToDouble(SpacePoint::yM).average().orElse(0);
        SpacePoint middle = new SpacePoint(x, y, level.heightM());
        int shade = level.kind() == PictureShape.Kind.ROOF && !night ? shade(level, middle) : 0;
        if (piece.paint(level.kind(), level.name(), shade, lit(middle), level.outline())) {
            veil(piece, level.outline(), middle);
        }
    }

    /** All that stands on one line; together it hides more than its parts do. */
    private void face(Piece piece, Scene.Face face) {
        face.facets().forEach(facet -> facet(piece, facet));
        piece.hides.clear();
        for (Scene.Facet whole : face.wholes()) {
            Scene.Facet seen = aboveGround(whole);
            if (seen != null) {
                piece.hides.add(projector.project(seen.outline()));
            }
        }
    }

    private void facet(Piece piece, Scene.Facet facet) {
        Scene.Facet seen = aboveGround(facet);
        if (seen == null) {
            return;
        }
        int parts = night ? (int) Math.ceil(seen.a().distanceM(seen.b()) / NIGHT_PIECE_M) : 1;
        for (int each = 0; each < parts; each++) {
            Scene.Facet part = parts == 1 ? seen : seen.part(each / (double) parts, (each + 1) / (double) parts);
            SpacePoint middle = SpacePoint.at(part.along(0.5), (part.footAM() + part.topBM()) / 2);
            int lit = lit(middle);
            if (!piece.paint(part.kind(), "", night ? 0 : shade(part), lit, part.outline())) {
                continue;
            }
            if (part.kind() == PictureShape.Kind.WALL || part.kind() == PictureShape.Kind.METAL_WALL) {
                piece.paint(PictureShape.Kind.EDGE, "", 0, lit, edge(part));
            }
            veil(piece, part.outline(), middle);
        }
    }

    private static List<SpacePoint> edge(Scene.Facet facet) {
        return new Scene.Facet(facet.a(), facet.b(), Math.max(facet.footAM(), facet.topAM() - EDGE_M),
                Math.max(facet.footBM(), facet.topBM() - EDGE_M), facet.topAM(), facet.topBM(), facet.kind(), 0).outline();
    }

    /** A roof by how its pitch faces the same sun, 30° high; from below it is always turned away. */
    private int shade(Scene.Level level, SpacePoint middle) {
        double[] up = level.normal();
        SpacePoint eye = projection.eye();
        if ((eye.xM() - middle.xM()) * up[0] + (eye.yM() - middle.yM()) * up[1] + (eye.zM() - middle.zM()) * up[2] < 0) {
            return 3;
        }
        double sun = Math.toRadians(sunOnPlanDeg);
        double high = Math.toRadians(MORNING_SUN_HIGH_DEG);
        double cosine = Math.cos(high) * (Math.sin(sun) * up[0] + Math.cos(sun) * up[1]) + Math.sin(high) * up[2];
        return cosine > 0.7 ? 0 : cosine > 0.4 ? 1 : 2;
    }

    /** How the side that is seen faces the sun of the middle of the morning: south-east of the house, or north-east in the south. */
    private int shade(Scene.Facet facet) {
        double run = facet.a().headingToDeg(facet.b());
        double toEye = facet.along(0.5).headingToDeg(projection.eye().onPlan());
        double facing = Math.cos(Math.toRadians(toEye - run - 90)) >= 0 ? run + 90 : run - 90;
        double cosine = Math.cos(Math.toRadians(facing - sunOnPlanDeg));
        return cosine > 0.7 ? 0 : cosine > 0.2 ? 1 : cosine > -0.35 ? 2 : 3;
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

    private void figure(Piece piece, Figure figure) {
        double[] side = side(figure.feet().onPlan());
        if (side == null) {
            return;
        }
        double scale = figure.heightM() / Figure.HEIGHT_M;
        double radius = HEAD_RADIUS_M * Math.max(0.85, scale);
        int lit = lit(figure.feet());
        if (!night) {
            piece.paint(PictureShape.Kind.SHADOW, figure.name(), 0, lit, disc(figure.feet(), SHADOW_M * scale));
        }
        piece.paint(PictureShape.Kind.BODY, figure.name(), 0, lit, person(figure.feet(), side, scale));
        piece.paint(PictureShape.Kind.HEAD, figure.name(), 0, lit, ellipse(figure.feet(), side, radius, figure.heightM() - radius, radius));
    }

    /** Legs, arms and shoulders, as a person stands who faces the lens. */
    private static List<SpacePoint> person(SpacePoint feet, double[] side, double scale) {
        List<SpacePoint> outline = new ArrayList<>();
        outline.add(beside(feet, side, 0, CROTCH_M * scale));
        for (double[] corner : HALF_PERSON) {
            outline.add(beside(feet, side, corner[0] * scale, corner[1] * scale));
        }
        for (int corner = HALF_PERSON.length - 1; corner >= 0; corner--) {
            outline.add(beside(feet, side, -HALF_PERSON[corner][0] * scale, HALF_PERSON[corner][1] * scale));
        }
        return outline;
    }

    private static List<SpacePoint> disc(SpacePoint at, double radiusM) {
        List<SpacePoint> outline = new ArrayList<>();
        for (int corner = 0; corner < ROUND_CORNERS; corner++) {
            double angle = 2 * Math.PI * corner / ROUND_CORNERS;
            outline.add(new SpacePoint(at.xM() + radiusM * Math.cos(angle), at.yM() + radiusM * Math.sin(angle), at.zM()));
        }
        return outline;
    }

    private void round(Piece piece, Thing thing) {
        double[] side = side(thing.at());
        if (side == null || projection.eye().onPlan().distanceM(thing.at()) < thing.radiusM()) {
            return;
        }
        double ground = scene.ground().heightM(thing.at());
        SpacePoint foot = SpacePoint.at(thing.at(), ground);
        int lit = lit(foot);
        double radius = thing.radiusM();
        if (thing.kind() == Thing.Kind.TREE) {
            double from = thing.fromM(ground) - ground;
            piece.paint(PictureShape.Kind.TRUNK, thing.name(), 0, lit, upright(foot, side, TRUNK_RADIUS_M, from + 0.2));
            double half = (thing.heightM() - ground - from) / 2;
            List<SpacePoint> crown = ellipse(foot, side, radius, from + half, half);
            piece.paint(PictureShape.Kind.FOLIAGE, thing.name(), 0, lit, crown);
            veil(piece, crown, foot);
        } else {
            List<SpacePoint> tank = upright(foot, side, radius, thing.heightM() - ground);
            piece.paint(PictureShape.Kind.TANK, thing.name(), 0, lit, tank);
            veil(piece, tank, foot);
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
}
