package roofnest.core.week;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec;

/**
 * A phone that cameras ring.
 *
 * @param personId whose; {@link #NOBODYS} where it is not said yet who will be rung
 * @param cameras that ring it, each with the kinds of what it noticed that do
 * @param snoozeMinutes for which it is put to sleep by whoever has it when it storms; 0 for never
 */
public record Ear(long personId, String name, Map<Long, Set<AlertSpec.Kind>> cameras, Optional<QuietHours> quiet, int pauseMinutes,
        int snoozeMinutes) {
    public static final long NOBODYS = 0;

    public Ear {
        cameras = Map.copyOf(cameras);
    }

    /** Of somebody who never snoozes. */
    public Ear(long personId, String name, Map<Long, Set<AlertSpec.Kind>> cameras, Optional<QuietHours> quiet, int pauseMinutes) {
        this(personId, name, cameras, quiet, pauseMinutes, 0);
    }

    /** Rung by cameras for all that counts there, at any hour. */
    public static Ear usual(Map<Long, Set<AlertSpec.Kind>> cameras) {
        return new Ear(NOBODYS, "a phone of the household", cameras, Optional.empty(), 0, 0);
    }
}
