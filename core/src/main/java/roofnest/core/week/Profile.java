package roofnest.core.week;

import java.util.Arrays;

/** How a source's day is shared out over its hours, on the house's own clock. */
public enum Profile {
    /** When people are about at home: from 6 to 9 and from 15 to 22. */
    HOME(0, 0, 0, 0, 0, 0, 1, 1, 1, 0.3, 0.3, 0.3, 0.3, 0.3, 0.3, 1, 1, 1, 1, 1, 1, 1, 0.1, 0.05),
    /** From 8 to 18. */
    WORK(0, 0, 0, 0, 0, 0, 0, 0.2, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0.2, 0, 0, 0, 0, 0),
    /** Heavy from 7 to 9 and from 16 to 19, half between, a twentieth by night. */
    ROAD(0.05, 0.05, 0.05, 0.05, 0.05, 0.2, 0.5, 1, 1, 0.6, 0.5, 0.5, 0.5, 0.5, 0.5, 0.6, 1, 1, 1, 0.5, 0.3, 0.2, 0.1, 0.05),
    /** From 21 to 5. */
    NIGHT(1, 1, 1, 1, 1, 0.3, 0.1, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.05, 0.1, 0.2, 0.4, 1, 1, 1),
    /** With the light. */
    DAY(0, 0, 0, 0, 0, 0.2, 0.6, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0.8, 0.5, 0.2, 0, 0, 0),
    /** With the wind, which is up more by day. */
    WIND(0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.6, 0.7, 0.9, 1, 1.1, 1.2, 1.3, 1.3, 1.3, 1.2, 1.1, 1, 0.8, 0.7, 0.6, 0.5, 0.5, 0.5),
    /** When it is heated and cooked. */
    COLD(0, 0, 0, 0, 0, 0.5, 1, 1, 1, 0.4, 0.3, 0.5, 0.6, 0.3, 0.3, 0.3, 0.6, 1, 1, 1, 1, 0.6, 0.2, 0);

    private final double[] hours;

    Profile(double... weights) {
        double sum = Arrays.stream(weights).sum();
        this.hours = Arrays.stream(weights).map(weight -> weight / sum).toArray();
    }

    /** Share of a day's events that fall into an hour, 0 to 23; all of a day's are one. */
    public double share(int hour) {
        return hours[hour];
    }
}
