package roofnest.app.survey;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

import roofnest.core.judge.House;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.Unit;
import roofnest.core.view.Eye;
import roofnest.core.view.SunTrack;

/**
 * When the sun dazzles the chosen camera.
 *
 * @param petals of the dial, January first, clockwise from the top; the worst month fills it
 * @param now the sun at the chosen time, in words
 * @param dazzles whether it does then
 * @param line on the plan from the camera towards the sun; empty at night
 */
record SunPanel(List<Petal> petals, String year, String now, boolean dazzles, List<SunLine> line) {
    private static final double DIAL = 100;
    private static final double HUB = 26;
    private static final double REACH = 62;
    private static final double LABEL = 50;
    private static final double LINE_M = 6;

    /** @param path of the sector; ({@code x}, {@code y}) where the month's name stands; {@code label} is in hours */
    record Petal(String month, int minutes, String path, String rim, double x, double y, double labelX, double labelY, String label) {}

    record SunLine(double x1, double y1, double x2, double y2) {}

    static SunPanel of(House house, Eye eye, Look look) {
        int[] minutes = house.sun().glareMinutesByMonth(eye);
        int most = Math.max(1, Arrays.stream(minutes).max().orElse(1));
        List<Petal> petals = new ArrayList<>();
        for (Month month : Month.values()) {
            petals.add(petal(month, minutes[month.ordinal()], most));
        }
        int year = Arrays.stream(minutes).sum();
        SunTrack.Sun sun = house.sun().at(look.date(), look.time());
        boolean dazzles = SunTrack.dazzles(eye, sun);
        String when = look.date().getDayOfMonth() + " " + look.date().getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + ", "
                + String.format(Locale.ROOT, "%02d:%02d", look.time().getHour(), look.time().getMinute()) + " sun time: ";
        String stands = !sun.up() ? "the sun is down"
                : "the sun stands " + Unit.DEGREES.format(sun.altitudeDeg()) + " high at heading " + Unit.DEGREES.format(sun.headingDeg())
                        + (dazzles ? " and dazzles this camera" : " and does not dazzle this camera");
        return new SunPanel(petals, year == 0 ? "never dazzled" : hours(year) + " a year under a clear sky", when + stands + ".", dazzles,
                line(eye, sun));
    }

    private static List<SunLine> line(Eye eye, SunTrack.Sun sun) {
        if (!sun.up()) {
            return List.of();
        }
        PlanPoint from = eye.pose().onPlan();
        PlanPoint to = from.towards(sun.headingDeg(), LINE_M);
        return List.of(new SunLine(from.xM(), -from.yM(), to.xM(), -to.yM()));
    }

    private static String hours(int minutes) {
        return minutes < 120 ? minutes + " min" : Numbers.fixed(minutes / 60.0, 0) + " h";
    }

    private static Petal petal(Month month, int minutes, int most) {
        double from = Math.toRadians(30 * month.ordinal() - 13);
        double to = Math.toRadians(30 * month.ordinal() + 13);
        double middle = Math.toRadians(30 * month.ordinal());
        double out = HUB + REACH * minutes / most;
        return new Petal(month.getDisplayName(TextStyle.SHORT, Locale.ENGLISH), minutes, sector(from, to, out),
                sector(from, to, HUB + REACH),
                DIAL + (HUB + REACH + 11) * Math.sin(middle), DIAL - (HUB + REACH + 11) * Math.cos(middle) + 4,
                DIAL + LABEL * Math.sin(middle), DIAL - LABEL * Math.cos(middle) + 4,
                minutes == 0 ? "" : Numbers.fixed(minutes / 60.0, minutes < 600 ? 1 : 0));
    }

    private static String sector(double from, double to, double out) {
        return String.format(Locale.ROOT, "M%.1f %.1fL%.1f %.1fA%.1f %.1f 0 0 1 %.1f %.1fL%.1f %.1fA%.1f %.1f 0 0 0 %.1f %.1fZ",
                DIAL + HUB * Math.sin(from), DIAL - HUB * Math.cos(from), DIAL + out * Math.sin(from), DIAL - out * Math.cos(from), out,
                out,
                DIAL + out * Math.sin(to), DIAL - out * Math.cos(to), DIAL + HUB * Math.sin(to), DIAL - HUB * Math.cos(to), HUB, HUB,
                DIAL + HUB * Math.sin(from), DIAL - HUB * Math.cos(from));
    }
}
