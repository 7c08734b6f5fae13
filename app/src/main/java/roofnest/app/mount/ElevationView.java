package roofnest.app.mount;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.cable.Bore;
import roofnest.core.cable.CableWay;
import roofnest.core.cable.Leg;
import roofnest.core.catalogue.Climb;
import roofnest.core.facade.Facade;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Footing;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;

/**
 * The face of the house that a camera hangs on, as drawn: hundredths of a metre, downwards.
 *
 * @param px of the drawing that one pixel of its usual size is
 * @param wide whether it stands above its curves and not beside them
 */
record ElevationView(String viewBox, double x, double y, double width, double height, double px, List<Shape> sheets, List<Shape> openings,
        String ground, List<Lead> lead, String clips, List<Spot> holes, Optional<Spot> socket, List<Spot> cameras, Spot hang, Ladder ladder,
        String title, boolean indoors, boolean wide) {
    /** Of the drawing in pixels where there is room. */
    static final double SHOWN_PX = 420;
    /** Shown to the left and the right of the camera, metres. */
    private static final double LEAST_ASIDE_M = 2.6;
    private static final double MOST_ASIDE_M = 7;
    private static final double PAGE_PX = 1190;
    private static final double GAP_PX = 8;
    /** More curves than these stand below the wall. */
    private static final int MOST_BESIDE = 8;
    private static final double ABOVE_M = 1.2;
    private static final double LEAST_TOP_M = 4;
    private static final double MARGIN_M = 0.35;
    private static final double RUNG_M = 0.28;
    private static final double HUNDRED = 100;

    /** @param kind by which it is tinted */
    record Shape(String kind, String path, double x, double y, double width, double height) {}

    /** @param hidden whether it runs inside the house or in the wall */
    record Lead(String path, boolean hidden) {}

    record Spot(double x, double y, String name) {}

    /** @param rungs lines across; {@code sides} its two rails */
    record Ladder(String sides, String rungs) {}

    static ElevationView of(Frame frame, CameraRepository.Record record, House house, Facade facade, Optional<CableWay> way,
            Optional<Footing> footing, int curves) {
        Camera camera = record.camera();
        Facade.At hang = facade.at(camera.pose().lens());
        double foot = house.underfootM(camera.pose().onPlan(), camera.pose().heightM());
        double low = Math.min(facade.lowM(), foot) - MARGIN_M;
        double high = Math.min(facade.highM() + MARGIN_M, Math.max(camera.pose().heightM() + ABOVE_M, foot + LEAST_TOP_M));
        double px = (high - low) * HUNDRED / SHOWN_PX;
        // As much of the face as the curves leave room for.
        boolean wide = curves > MOST_BESIDE;
        double aside = wide ? MOST_ASIDE_M
                : Math.max(LEAST_ASIDE_M, Math.min(MOST_ASIDE_M, (PAGE_PX - curves * (HeightsView.WIDTH_PX + GAP_PX)) * px / HUNDRED / 2));
        double left = Math.max(facade.leftM() - MARGIN_M, hang.acrossM() - aside);
        double right = Math.min(facade.rightM() + MARGIN_M, hang.acrossM() + aside);
        List<Shape> sheets = facade.sheets().stream()
                .map(sheet -> new Shape("of-" + sheet.material().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        path(sheet.outline()) + "Z", 0,
                        0,
                        0, 0))
                .toList();
        List<Shape> openings = facade.openings().stream().map(gap -> new Shape(gap.kind().name().toLowerCase(Locale.ROOT), "",
                cm(gap.fromM()), cm(-gap.highM()), cm(gap.toM() - gap.fromM()), cm(gap.highM() - gap.lowM()))).toList();
        List<Facade.At> earth = new ArrayList<>(facade.ground());
        earth.add(0, new Facade.At(left - 1, facade.ground().get(0).zM()));
        earth.add(new Facade.At(right + 1, facade.ground().get(facade.ground().size() - 1).zM()));
        earth.add(new Facade.At(right + 1, low - 1));
        earth.add(new Facade.At(left - 1, low - 1));
        List<Spot> cameras = frame.cameras().stream().filter(other -> other.id() != record.id())
                .filter(other -> facade.shows(other.camera().pose().lens()))
                .map(other -> spot(facade.at(other.camera().pose().lens()), other.camera().name())).toList();
        return new ElevationView(String.format(Locale.ROOT, "%.1f %.1f %.1f %.1f", cm(left), cm(-high), cm(right - left), cm(high - low)),
                cm(left), cm(-high), cm(right - left), cm(high - low), px, sheets, openings, path(earth) + "Z",
                way.map(w -> lead(facade, w)).orElse(List.of()), way.map(w -> clips(facade, w, px)).orElse(""),
                way.map(w -> w.bores().stream().map(bore -> hole(facade, bore)).toList()).orElse(List.of()),
                way.map(w -> spot(facade.at(new SpacePoint(w.socket().at().xM(), w.socket().at().yM(), w.socket().heightM())),
                        w.socket().name())).filter(socket -> socket.x() > cm(left) && socket.x() < cm(right)),
                cameras, spot(hang, camera.name()), footing.map(f -> ladder(facade, f, camera)).orElse(new Ladder("", "")),
                "Looking " + Compass.of(facade.outDeg() + 180 - house.plan().trueNorthDeg()) + " at the "
                        + (facade.indoors() ? "wall of the room"
                                : "outside wall"),
                facade.indoors(), wide);
    }

    /** Drawn small: the face alone with what hangs on it. */
    static ElevationView small(Frame frame, Facade facade, double northDeg) {
        double px = (facade.highM() - facade.lowM() + 2 * MARGIN_M) * HUNDRED / SHOWN_PX;
        double left = facade.leftM() - MARGIN_M;
        double right = facade.rightM() + MARGIN_M;
        double low = facade.lowM() - MARGIN_M;
        double high = facade.highM() + MARGIN_M;
        List<Facade.At> earth = new ArrayList<>(facade.ground());
        earth.add(new Facade.At(right, low - 1));
        earth.add(new Facade.At(left, low - 1));
        return new ElevationView(String.format(Locale.ROOT, "%.1f %.1f %.1f %.1f", cm(left), cm(-high), cm(right - left), cm(high - low)),
                cm(left), cm(-high), cm(right - left), cm(high - low), px,
                facade.sheets().stream().map(sheet -> new Shape("of-" + sheet.material().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        path(sheet.outline()) + "Z", 0, 0, 0, 0)).toList(),
                facade.openings().stream().map(gap -> new Shape(gap.kind().name().toLowerCase(Locale.ROOT), "", cm(gap.fromM()),
                        cm(-gap.highM()), cm(gap.toM() - gap.fromM()), cm(gap.highM() - gap.lowM()))).toList(),
                path(earth) + "Z", List.of(), "", List.of(), Optional.empty(),
                frame.cameras().stream().filter(camera -> facade.shows(camera.camera().pose().lens()))
                        .map(camera -> spot(facade.at(camera.camera().pose().lens()), camera.camera().name())).toList(),
                new Spot(0, 0, ""), new Ladder("", ""), "Facing " + Compass.of(facade.outDeg() - northDeg), false, false);
    }

    private static List<Lead> lead(Facade facade, CableWay way) {
        List<Lead> pieces = new ArrayList<>();
        for (Leg leg : way.legs()) {
            List<Facade.At> seen = leg.points().stream().map(facade::at).toList();
            boolean hidden = leg.kind() == Leg.Kind.HOLE || leg.kind() == Leg.Kind.FLOOR || leg.indoors() != facade.indoors()
                    || !leg.points().stream().allMatch(facade::shows);
            pieces.add(new Lead(path(seen), hidden));
        }
        return pieces;
    }

    /** A tick across the lead wherever a clip sits on what is seen of it. */
    private static String clips(Facade facade, CableWay way, double px) {
        StringBuilder ticks = new StringBuilder();
        for (Leg leg : way.legs()) {
            boolean seen = leg.kind() != Leg.Kind.HOLE && leg.kind() != Leg.Kind.FLOOR && leg.indoors() == facade.indoors()
                    && leg.points().stream().allMatch(facade::shows);
            for (int i = 0; seen && i + 1 < leg.points().size(); i++) {
                Facade.At one = facade.at(leg.points().get(i));
                Facade.At other = facade.at(leg.points().get(i + 1));
                double length = Math.hypot(other.acrossM() - one.acrossM(), other.zM() - one.zM());
                for (double along = CableRun.CLIP_SPACING_M / 2; along < length; along += CableRun.CLIP_SPACING_M) {
                    double share = along / length;
                    double x = cm(one.acrossM() + share * (other.acrossM() - one.acrossM()));
                    double y = cm(-one.zM() - share * (other.zM() - one.zM()));
                    double dx = -(other.zM() - one.zM()) / length * 4 * px;
                    double dy = -(other.acrossM() - one.acrossM()) / length * 4 * px;
                    ticks.append(String.format(Locale.ROOT, "M%.1f %.1fL%.1f %.1f", x - dx, y - dy, x + dx, y + dy));
                }
            }
        }
        return ticks.toString();
    }

    private static Spot hole(Facade facade, Bore bore) {
        SpacePoint seen = facade.shows(bore.from()) && !facade.shows(bore.to()) ? bore.from() : bore.to();
        return spot(facade.at(seen), bore.bitMm() + " mm bit");
    }

    private static Ladder ladder(Facade facade, Footing footing, Camera camera) {
        PlanPoint at = footing.foot();
        double ground = camera.pose().heightM() - footing.workM();
        Facade.At foot = facade.at(new SpacePoint(at.xM(), at.yM(), ground));
        boolean ladder = footing.climb() == Climb.LADDER;
        double top = ladder ? camera.pose().heightM() - 0.3 : Math.max(ground + 0.5, camera.pose().heightM() - 1);
        double half = 0.22;
        double halfTop = ladder ? half : 0.14;
        String sides = path(List.of(new Facade.At(foot.acrossM() - half, ground), new Facade.At(foot.acrossM() - halfTop, top)))
                + path(List.of(new Facade.At(foot.acrossM() + half, ground), new Facade.At(foot.acrossM() + halfTop, top)));
        StringBuilder rungs = new StringBuilder();
        for (double z = ground + RUNG_M; z <= top; z += RUNG_M) {
            double share = (z - ground) / (top - ground);
            double at1 = half + share * (halfTop - half);
            rungs.append(path(List.of(new Facade.At(foot.acrossM() - at1, z), new Facade.At(foot.acrossM() + at1, z))));
        }
        return new Ladder(sides, rungs.toString());
    }

    private static Spot spot(Facade.At at, String name) {
        return new Spot(cm(at.acrossM()), cm(-at.zM()), name);
    }

    private static String path(List<Facade.At> points) {
        StringBuilder path = new StringBuilder();
        for (Facade.At at : points) {
            path.append(path.isEmpty() ? 'M' : 'L').append(Numbers.plain(cm(at.acrossM()))).append(' ').append(Numbers.plain(cm(-at.zM())));
        }
        return path.toString().replace('−', '-');
    }

    private static double cm(double metres) {
        return Math.round(metres * HUNDRED * 10) / 10.0;
    }
}
