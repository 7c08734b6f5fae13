package roofnest.core.week;

/** The hours of a week, Monday from midnight first, on the house's own clock. */
public final class Week {
    public static final int HOURS_A_DAY = 24;
    public static final int DAYS = 7;
    public static final int HOURS = DAYS * HOURS_A_DAY;
    /** The first hour of Saturday. */
    public static final int WEEKEND_FROM = 5 * HOURS_A_DAY;
    public static final double SECONDS_AN_HOUR = 3600;

    private Week() {}
}
