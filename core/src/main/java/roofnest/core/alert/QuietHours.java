package roofnest.core.alert;

import roofnest.core.lang.Require;

/** Hours of every day in which a phone does not ring; over midnight where the first is the later. */
public record QuietHours(int fromHour, int toHour) {
    public QuietHours {
        Require.inRange("hour from which a phone is quiet", fromHour, 0, 23);
        Require.inRange("hour to which a phone is quiet", toHour, 0, 23);
        if (fromHour == toHour) {
            throw new IllegalArgumentException("quiet hours begin and end at different hours");
        }
    }

    /** @param hourOfDay 0 to 23 */
    public boolean covers(int hourOfDay) {
        return fromHour < toHour ? hourOfDay >= fromHour && hourOfDay < toHour : hourOfDay >= fromHour || hourOfDay < toHour;
    }

    public String words() {
        return fromHour + " to " + toHour + " h";
    }
}
