package roofnest.core.trial;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * What a camera on a battery was like on a frosty morning: cold takes charge from a pack, and the first frost shows it before the dark
 * months do. Alive and above its warning level it has passed; that says nothing of the months to come.
 *
 * @param percent of charge that its app shows
 * @param leastPercent its warning level
 */
public record FrostyMorning(boolean alive, double percent, double leastPercent) {
    public FrostyMorning {
        Require.inRange("percent of charge", percent, 0, 100);
        Require.inRange("warning level in percent", leastPercent, 0, 100);
    }

    public boolean passed() {
        return alive && percent >= leastPercent;
    }

    public String said() {
        return (alive ? "Alive on a frosty morning" : "Not alive on a frosty morning") + ", " + Numbers.fixed(percent, 0) + " % of charge"
                + (alive && percent < leastPercent ? ", less than its warning level of " + Numbers.fixed(leastPercent, 0) + " %." : ".");
    }
}
