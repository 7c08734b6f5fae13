package roofnest.core.footage;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Require;

/**
 * A paid plan of a maker, as a firm wrote it down.
 *
 * @param maker whose cameras it is for
 * @param centsAMonth hundredths of the firm's currency
 * @param camerasMost cameras that one covers; 0 for any number in one house
 * @param keepsDays that it keeps clips; 0 for none
 * @param clipMostS longest clip that it keeps, seconds
 * @param kinds of alert that it brings
 */
public record CloudPlan(long id, String name, String maker, long centsAMonth, int camerasMost, int keepsDays, int clipMostS,
        Set<AlertSpec.Kind> kinds) {
    public static final long MOST_CENTS = 100_000;
    public static final int MOST_CAMERAS = 100;
    public static final int MOST_DAYS = 3650;
    public static final int MOST_CLIP_S = 3600;

    public CloudPlan {
        name = Require.text("name of a plan", name, 60);
        maker = Require.text("maker", maker, 60);
        Require.inRange("price of a month in hundredths", centsAMonth, 0, MOST_CENTS);
        Require.inRange("cameras of a plan", camerasMost, 0, MOST_CAMERAS);
        Require.inRange("days that it keeps", keepsDays, 0, MOST_DAYS);
        Require.inRange("longest clip in seconds", clipMostS, 1, MOST_CLIP_S);
        kinds = Set.copyOf(kinds);
    }

    /** Of a month, for so many cameras of one house: as many plans as it takes. */
    public long centsFor(int cameras) {
        Require.inRange("cameras", cameras, 1, 10_000);
        return camerasMost == 0 ? centsAMonth : centsAMonth * ((cameras + camerasMost - 1) / camerasMost);
    }

    /**
     * The cheapest plan of a maker that brings kinds of alert, for its cameras of one house.
     *
     * @return empty where none of those that are written down does
     */
    public static Optional<CloudPlan> cheapest(List<CloudPlan> plans, String maker, Set<AlertSpec.Kind> kinds, int cameras) {
        return plans.stream().filter(plan -> plan.maker().equals(maker) && plan.kinds().containsAll(kinds))
                .min(Comparator.comparingLong((CloudPlan plan) -> plan.centsFor(cameras)).thenComparing(CloudPlan::name));
    }
}
