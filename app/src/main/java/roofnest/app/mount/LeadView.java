package roofnest.app.mount;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.core.cable.Bore;
import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.cable.Leg;
import roofnest.core.cable.Weighing;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Footing;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.spots.PackInstead;

/**
 * The ways of a lead, side by side.
 *
 * @param none why there is no way; empty where there is one
 * @param steps of the first way, in words
 */
record LeadView(List<Way> ways, String none, List<String> steps, List<String> cautions, Optional<Pack> pack) {
    /** Shorter pieces are bends and no steps, metres. */
    private static final double LEAST_M = 0.06;
    /** Shown round the way on the plan, metres. */
    private static final double ROUND_M = 1.5;

    record Way(String name, String from, String along, String lead, String holes, String seen, String climb, String volts,
            String voltsStanding) {}

    record Pack(String model, String lasts, String standing, String breaks, boolean worse) {}

    /** @param foot where a ladder or steps stand; empty without */
    record OnPlan(PlanDrawing drawing, String inside, String outside, List<ElevationView.Spot> holes, Optional<ElevationView.Spot> foot,
            ElevationView.Spot camera) {}

    static LeadView none(String why, Optional<PackInstead> pack) {
        return new LeadView(List.of(), why, List.of(), List.of(), pack.map(LeadView::pack));
    }

    /** @param toGo the way to go; empty where there is none */
    static LeadView of(CableNet net, Optional<CableWay> toGo, Camera camera, Optional<PackInstead> pack) {
        PowerSpec power = camera.model().power();
        Map<List<Leg>, CableWay> found = new LinkedHashMap<>();
        toGo.ifPresent(way -> found.put(way.legs(), way));
        for (Weighing weighing : Weighing.values()) {
            net.way(camera.pose(), weighing).ifPresent(way -> found.putIfAbsent(way.legs(), way));
        }
        if (found.isEmpty()) {
            return none(net.why(camera.pose()).map(CableNet.None::words).orElse(""), pack);
        }
        CableWay first = found.values().iterator().next();
        return new LeadView(found.values().stream().map(way -> row(way, camera)).toList(), "", steps(first), cautions(first, camera),
                pack.map(LeadView::pack));
    }

    private static Way row(CableWay way, Camera camera) {
        PowerSpec power = camera.model().power();
        CableRun run = way.run(power.leadM());
        double volts = way.volts(power);
        String holes = way.bores().isEmpty() ? "none" : way.bores().stream().map(LeadView::hole).collect(Collectors.joining(", "));
        return new Way(way.weighing().map(Weighing::words).orElseGet(() -> "As " + camera.lead().orElseThrow().by() + " drew it"),
                way.socket().name() + (way.socketOutdoors() ? ", outdoors" : ""),
                Numbers.fixed(way.alongM(), 1) + " m", run.beyondLeadM() > 0
                        ? Numbers.fixed(run.lengthM(), 1) + " m, " + Numbers.fixed(run.beyondLeadM(), 1) + " m beyond its own"
                        : Numbers.fixed(run.lengthM(), 1) + " m, its own of " + Numbers.fixed(power.leadM(), 1) + " m does",
                holes, Numbers.fixed(way.seenM(), 1) + " m", way.climb().words() + (way.doors() > 0 ? ", over " + way.doors()
                        + (way.doors() == 1 ? " door" : " doors") : ""),
                Numbers.fixed(volts, 2) + " V of " + Numbers.plain(power.packVolts()) + ", wants " + Numbers.fixed(power.leastVolts(), 2),
                volts >= power.leastVolts() ? "kept" : "broken");
    }

    private static String hole(Bore bore) {
        return bore.floor() ? "a floor of " + Numbers.fixed(bore.thicknessM(), 2) + " m"
                : Numbers.fixed(bore.thicknessM(), 2) + " m of " + bore.material().words();
    }

    private static Pack pack(PackInstead instead) {
        long breaks = instead.newlyBroken();
        String mends = instead.mended() > 0 ? " It mends " + instead.mended() + "." : "";
        return new Pack(instead.model().fullName(), instead.battery().measuredText() + " left at its lowest in the bad year. "
                + instead.battery().reason(), instead.battery().standing().name().toLowerCase(Locale.ROOT),
                (breaks == 0 ? "It breaks no promise that is not broken now." : "It breaks " + breaks
                        + (breaks == 1 ? " promise that is" : " promises that are") + " not broken now.") + mends,
                breaks > 0);
    }

    /** From the socket to the camera, as one walks it. */
    private static List<String> steps(CableWay way) {
        List<String> steps = new ArrayList<>();
        boolean indoors = !way.socketOutdoors();
        steps.add("Plug in at the " + way.socket().name() + (way.socketOutdoors()
                ? ", out of doors: one made for it, behind a protective device." : "."));
        int hole = 0;
        for (Leg leg : way.legs()) {
            String where = leg.indoors() == indoors ? "" : leg.indoors() ? "Indoors: " : "Outdoors: ";
            indoors = leg.indoors();
            switch (leg.kind()) {
                case HOLE -> {
                    steps.add(through(way.bores().get(hole)));
                    hole++;
                }
                case FLOOR -> {
                    Bore bore = way.bores().get(hole);
                    steps.add((leg.up() > 0 ? "Up" : "Down") + " through the floor, " + Numbers.fixed(bore.thicknessM(), 2)
                            + " m, bit of " + bore.bitMm() + " mm or more; look what runs between the joists.");
                    hole++;
                }
                default -> {
                    if (leg.lengthM() > LEAST_M || !where.isEmpty()) {
                        steps.add(where + length(leg) + " " + leg.kind().words() + ".");
                    }
                }
            }
        }
        steps.add(
                "Clips every " + Numbers.fixed(100 * CableRun.CLIP_SPACING_M, 0) + " cm; the last one within a hand’s width of the camera; "
                        + "a loop hanging below it, so that water drips off, and " + Numbers.fixed(CableRun.SLACK_EACH_END_M, 1)
                        + " m of slack at each end.");
        return steps;
    }

    private static String length(Leg leg) {
        String metres = Numbers.fixed(leg.lengthM(), 2) + " m";
        return leg.up() > LEAST_M ? metres + " up" : leg.up() < -LEAST_M ? metres + " down"
                : metres + (leg.kind() == Leg.Kind.SOFFIT || leg.kind() == Leg.Kind.OPEN ? ""
                        : leg.right() > 0 ? " to the right" : " to the left");
    }

    private static String through(Bore bore) {
        String wall = "Through the " + bore.material().words() + " wall, " + Numbers.fixed(bore.thicknessM(), 2) + " m, "
                + Numbers.fixed(bore.from().zM(), 2) + " m up: bit of " + bore.bitMm() + " mm or more";
        return bore.outwards() ? wall + ", falling " + bore.fallMm() + " mm to the outside; a loop below it outside, bushings, sealed."
                : wall + ", bushings at both ends.";
    }

    private static List<String> cautions(CableWay way, Camera camera) {
        List<String> cautions = new ArrayList<>();
        if (!way.bores().isEmpty()) {
            cautions.add(
                    "Before each hole: look for cables, pipes and what hangs behind; old boards may hold asbestos. If in doubt, do not "
                            + "drill.");
        }
        if (way.climb() != Climb.NOTHING) {
            cautions.add("Part of the way is worked on " + (way.climb() == Climb.LADDER ? "from a ladder" : "from steps") + ".");
        }
        if (way.socketOutdoors()) {
            cautions.add("An outdoor socket is for the plug of an adapter that may be outdoors, with its lid shut over it.");
        }
        cautions.add(adapter(camera.model().power()) + " Adapter and joints stay dry.");
        return cautions;
    }

    /** What it takes at most against what its adapter gives. */
    static String adapter(PowerSpec power) {
        String takes = "With its light on it takes up to " + Numbers.fixed(power.mostMa() / 1000, 2) + " A at "
                + Numbers.plain(power.packVolts()) + " V";
        if (power.adapterMa() == null) {
            return takes + ": look at the adapter’s label whether it gives that.";
        }
        String gives = "its adapter gives " + Numbers.fixed(power.adapterMa() / 1000, 2) + " A";
        return power.adapterMa() < power.mostMa() ? takes + "; " + gives + ", which is too little: bring one that gives more."
                : takes + "; " + gives + ".";
    }

    /** The plan about a camera, with the way to go of its lead and where one stands to reach it. */
    static OnPlan onPlan(HousePlan plan, Optional<CableWay> way, Optional<Footing> footing, Camera camera) {
        StringBuilder inside = new StringBuilder();
        StringBuilder outside = new StringBuilder();
        double[] box = {camera.pose().xM(), camera.pose().yM(), camera.pose().xM(), camera.pose().yM()};
        for (Leg leg : way.map(CableWay::legs).orElse(List.of())) {
            List<PlanPoint> points = leg.points().stream().map(point -> new PlanPoint(point.xM(), point.yM())).toList();
            points.forEach(point -> stretch(box, point));
            (leg.indoors() ? inside : outside).append(Svg.line(points));
        }
        footing.ifPresent(foot -> stretch(box, foot.foot()));
        if (way.isEmpty() && !camera.model().power().onBattery()) {
            plan.ofKind(Thing.Kind.SOCKET).min(Comparator.comparingDouble(socket -> socket.at().distanceM(camera.pose().onPlan())))
                    .ifPresent(socket -> stretch(box, socket.at()));
        }
        for (int i = 0; i < 2; i++) {
            box[i] -= ROUND_M;
            box[i + 2] += ROUND_M;
        }
        Storey storey = plan.storeys().stream().filter(each -> each.floorM() <= camera.pose().heightM())
                .max(Comparator.comparingDouble(Storey::floorM)).orElse(plan.storeys().get(0));
        return new OnPlan(PlanDrawing.of(plan, storey, box), inside.toString(), outside.toString(),
                way.map(CableWay::bores).orElse(List.of()).stream().map(bore -> new ElevationView.Spot(bore.to().xM(), -bore.to().yM(), ""))
                        .toList(),
                footing.map(foot -> new ElevationView.Spot(foot.foot().xM(), -foot.foot().yM(),
                        foot.climb() == Climb.LADDER ? "ladder" : "steps")),
                new ElevationView.Spot(camera.pose().xM(), -camera.pose().yM(), camera.name()));
    }

    private static void stretch(double[] box, PlanPoint point) {
        box[0] = Math.min(box[0], point.xM());
        box[1] = Math.min(box[1], point.yM());
        box[2] = Math.max(box[2], point.xM());
        box[3] = Math.max(box[3], point.yM());
    }
}
