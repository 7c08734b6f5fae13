package roofnest.app.mount;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.app.web.Form;
import roofnest.core.cable.DrawnWay;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.SaidLead;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;

/**
 * A way of a lead that is drawn by hand: its turns as fields, and sockets to begin at.
 *
 * @param sockets the nearest to the camera first
 * @param by who drew the one that is kept; empty where none is kept
 * @param faults why the one that is kept cannot be led so on the plan as it is
 */
record DrawnView(String by, List<String> faults, List<Turn> turns, List<Socket> sockets, String from, boolean asked) {
    private static final double LEAST_HEIGHT_M = -20;
    private static final double MOST_HEIGHT_M = 60;

    /** @param no from 1 on, and {@code empty} one that is not set yet */
    record Turn(int no, String x, String y, String z, boolean empty, List<String> faults) {}

    /** A socket of the plan, at its place in the drawing. */
    record Socket(String name, double x, double y, double heightM) {}

    static DrawnView of(HousePlan plan, Camera camera, Optional<DrawnWay> drawn, Form form) {
        Optional<SaidLead> said = camera.lead().filter(lead -> lead.drawn() && lead.isOf(camera.pose()));
        List<SpacePoint> kept = said.map(SaidLead::turns).orElse(List.of());
        boolean asked = form.has("x1");
        List<Turn> turns = IntStream.rangeClosed(1, SaidLead.MOST_TURNS)
                .mapToObj(no -> asked ? typed(form, no) : no <= kept.size() ? stored(no, kept.get(no - 1)) : stored(no, null)).toList();
        return new DrawnView(said.map(SaidLead::by).orElse(""), said.isPresent() && drawn.isEmpty()
                ? List.of("The plan has no " + said.get().socket() + " any more.") : drawn.map(DrawnWay::faults).orElse(List.of()),
                turns, plan.ofKind(Thing.Kind.SOCKET)
                        .sorted(Comparator.comparingDouble(thing -> thing.at().distanceM(camera.pose().onPlan())))
                        .map(thing -> new Socket(thing.name(), thing.at().xM(), -thing.at().yM(),
                                thing.heightM()))
                        .toList(),
                form.value("from", said.map(SaidLead::socket).orElse("")), asked);
    }

    private static Turn typed(Form form, int no) {
        List<String> faults = List.of("x", "y", "z").stream().map(axis -> form.faultAt(axis + no)).filter(fault -> fault != null).toList();
        return new Turn(no, form.raw("x" + no), form.raw("y" + no), form.raw("z" + no), blank(form, no), faults);
    }

    private static Turn stored(int no, SpacePoint at) {
        return at == null ? new Turn(no, "", "", "", true, List.of())
                : new Turn(no, Numbers.fixed(at.xM(), 2), Numbers.fixed(at.yM(), 2), Numbers.fixed(at.zM(), 2), false, List.of());
    }

    private static boolean blank(Form form, int no) {
        return (form.raw("x" + no) + form.raw("y" + no) + form.raw("z" + no)).isBlank();
    }

    /** The turns that were set; rows left empty are none. */
    static List<SpacePoint> turns(Form form) {
        List<SpacePoint> turns = new ArrayList<>();
        for (int no = 1; no <= SaidLead.MOST_TURNS; no++) {
            if (!blank(form, no)) {
                turns.add(new SpacePoint(
                        form.decimal("x" + no, "how far east turn " + no + " is", -PlanPoint.EXTENT_M, PlanPoint.EXTENT_M, "m"),
                        form.decimal("y" + no, "how far north turn " + no + " is", -PlanPoint.EXTENT_M, PlanPoint.EXTENT_M, "m"),
                        form.decimal("z" + no, "how high turn " + no + " is", LEAST_HEIGHT_M, MOST_HEIGHT_M, "m")));
            }
        }
        if (turns.isEmpty()) {
            form.fault("turns", "Set at least one turn between the socket and the camera.");
        }
        return turns;
    }
}
