package roofnest.core.view;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Month;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import org.shredzone.commons.suncalc.SunPosition;

import roofnest.core.lang.Require;

/**
 * Where the sun stands over a house through the year, and for how long it dazzles a lens: it does while it is inside the
 * field of view widened by {@link #WIDENED_DEG}, between the horizon and {@link #HIGHEST_DEG}, and behind no wall of the
 * plan. Times are sun time at the house's own meridian: clocks differ by the zone and summer time.
 *
 * <p>Positions by commons-suncalc after Montenbruck and Pfleger, "Astronomy on the Personal Computer"; better than 0.1°.
 * Every {@link #DAY_STEP}th day of the year is looked at, every {@link #MINUTE_STEP} minutes.
 */
public final class SunTrack {
    private static final double WIDENED_DEG = 5;
    private static final double HIGHEST_DEG = 35;
    private static final int DAY_STEP = 5;
    private static final int MINUTE_STEP = 5;
    /** A wall farther away than this does not shade: it would have to be taller than houses are, metres. */
    private static final double SHADE_REACH_M = 120;
    private static final int REFERENCE_YEAR = 2026;

    private final double latitudeDeg;
    private Towards[][] path;
    private final double northDeg;
    private final List<Low> low = new ArrayList<>();
    private final Map<Month, Integer> daysLooked = new EnumMap<>(Month.class);

    private record Low(Month month, Sun sun) {}

    /** @param headingDeg of the sun on the plan, degrees clockwise from its y axis; {@code altitudeDeg} above the horizon */
    public record Sun(double headingDeg, double altitudeDeg) {
        public boolean up() {
            return altitudeDeg > 0;
        }
    }

    /** The way to a point of the sky on the plan's axes, as a vector of length one. */
    public record Towards(double east, double north, double up) {
        static Towards of(double headingDeg, double altitudeDeg) {
            double heading = Math.toRadians(headingDeg);
            double altitude = Math.toRadians(altitudeDeg);
            return new Towards(Math.sin(heading) * Math.cos(altitude), Math.cos(heading) * Math.cos(altitude), Math.sin(altitude));
        }
    }

    /** @param northDeg heading of true north on the plan, degrees */
    public SunTrack(double latitudeDeg, double northDeg) {
        this.latitudeDeg = Require.inRange("latitude in degrees", latitudeDeg, -90, 90);
        this.northDeg = Require.finite("north in degrees", northDeg);
        for (int day = 1; day <= 365; day += DAY_STEP) {
            LocalDate date = LocalDate.ofYearDay(REFERENCE_YEAR, day);
            daysLooked.merge(date.getMonth(), 1, Integer::sum);
            for (int minute = 0; minute < 24 * 60; minute += MINUTE_STEP) {
                Sun sun = at(date, LocalTime.ofSecondOfDay(minute * 60L));
                if (sun.altitudeDeg() > 0 && sun.altitudeDeg() <= HIGHEST_DEG) {
                    low.add(new Low(date.getMonth(), sun));
                }
            }
        }
    }

    /**
     * Where the sun stands in the middle of each month, January first, in so many steps from midnight by the sun: found once
     * and kept.
     */
    synchronized Towards[][] path(int stepsADay) {
        if (path == null || path[0].length != stepsADay) {
            path = new Towards[12][stepsADay];
            for (int month = 0; month < 12; month++) {
                for (int step = 0; step < stepsADay; step++) {
                    Sun sun = at(LocalDate.of(REFERENCE_YEAR, month + 1, 15),
                            LocalTime.ofSecondOfDay((long) ((step + 0.5) * 86_400 / stepsADay)));
                    path[month][step] = Towards.of(sun.headingDeg(), sun.altitudeDeg());
                }
            }
        }
        return path;
    }

    public Sun at(LocalDate date, LocalTime sunTime) {
        SunPosition position = SunPosition.compute().on(date.atTime(sunTime).atOffset(ZoneOffset.UTC).toInstant()).timezone(ZoneOffset.UTC)
                .latitude(latitudeDeg).longitude(0).execute();
        return new Sun((position.getAzimuth() + northDeg + 360) % 360, position.getTrueAltitude());
    }

    /** Minutes in each month, January first, in which the sun dazzles the lens when no cloud hides it. */
    public int[] glareMinutesByMonth(Eye eye) {
        int[] seen = new int[12];
        for (Low moment : low) {
            if (dazzles(eye, moment.sun())) {
                seen[moment.month().ordinal()]++;
            }
        }
        int[] minutes = new int[12];
        for (Month month : Month.values()) {
            minutes[month.ordinal()]
                    = Math.round((float) seen[month.ordinal()] * MINUTE_STEP * month.length(false) / daysLooked.get(month));
        }
        return minutes;
    }

    /** Whether the sun standing there dazzles the lens. */
    public static boolean dazzles(Eye eye, Sun sun) {
        if (!(sun.altitudeDeg() > 0 && sun.altitudeDeg() <= HIGHEST_DEG)) {
            return false;
        }
        Towards towards = Towards.of(sun.headingDeg(), sun.altitudeDeg());
        double[] d = {towards.east(), towards.north(), towards.up()};
        Projection.InLens p = eye.projection().inLensAxes(d);
        double across = Math.toDegrees(Math.atan2(p.rightM(), p.aheadM()));
        double up = Math.toDegrees(Math.atan2(p.upM(), Math.hypot(p.aheadM(), p.rightM())));
        boolean inView = Math.abs(across) <= eye.lens().hfovDeg() / 2 + WIDENED_DEG
                && Math.abs(up) <= Projection.vfovDeg(eye.lens()) / 2 + WIDENED_DEG;
        if (!inView) {
            return false;
        }
        CameraPose pose = eye.pose();
        return eye.clearTo(pose.xM() + SHADE_REACH_M * d[0], pose.yM() + SHADE_REACH_M * d[1], pose.heightM() + SHADE_REACH_M * d[2]);
    }

}
