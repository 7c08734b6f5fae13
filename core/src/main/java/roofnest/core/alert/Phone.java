package roofnest.core.alert;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Require;

/**
 * How somebody wants to be rung.
 *
 * @param pauseMinutes in which one camera does not ring this phone again; 0 for none
 * @param kinds that ring, by camera; a camera that is left out rings for all that counts there, one with none does not ring this phone
 * @param snoozeMinutes for which whoever has it puts all cameras to sleep when it storms; 0 or absent for never
 */
public record Phone(Optional<QuietHours> quiet, Content content, int pauseMinutes, Map<Long, Set<AlertSpec.Kind>> kinds,
        Integer snoozeMinutes) {
    public static final int MOST_PAUSE_MINUTES = 240;
    public static final int MOST_SNOOZE_MINUTES = 720;
    /** Rung for everything at every hour, at once. */
    public static final Phone USUAL = new Phone(Optional.empty(), Content.TEXT, 0, Map.of());

    public Phone {
        Require.inRange("minutes between rings", pauseMinutes, 0, MOST_PAUSE_MINUTES);
        Map<Long, Set<AlertSpec.Kind>> copy = new TreeMap<>();
        kinds.forEach((camera, of) -> copy.put(camera, Set.copyOf(of)));
        kinds = Map.copyOf(copy);
        snoozeMinutes = snoozeMinutes == null ? 0 : snoozeMinutes;
        Require.inRange("minutes of a snooze", snoozeMinutes, 0, MOST_SNOOZE_MINUTES);
    }

    /** The phone of somebody who never snoozes. */
    public Phone(Optional<QuietHours> quiet, Content content, int pauseMinutes, Map<Long, Set<AlertSpec.Kind>> kinds) {
        this(quiet, content, pauseMinutes, kinds, 0);
    }
}
