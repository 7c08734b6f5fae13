package roofnest.core.footage;

import java.util.Map;
import java.util.OptionalDouble;

import roofnest.core.lang.Require;

/**
 * Where a household's footage is kept.
 *
 * @param byCamera of those of which somebody said how they record
 * @param hubCardGb cards in hubs of the house by their model, decimal gigabytes; hubs of which nobody said are left out
 * @param recorderGb disk of a recorder in the house; 0 for none
 * @param upMbps of the house's line; empty where nobody measured it
 */
public record FootagePlan(Map<Long, Keeping> byCamera, Map<String, Integer> hubCardGb, int recorderGb, OptionalDouble upMbps) {
    public static final FootagePlan USUAL = new FootagePlan(Map.of(), Map.of(), 0, OptionalDouble.empty());
    public static final int MOST_RECORDER_GB = 100_000;

    public FootagePlan {
        byCamera = Map.copyOf(byCamera);
        hubCardGb = Map.copyOf(hubCardGb);
        hubCardGb.values().forEach(gb -> Require.inRange("card of a hub in GB", gb, 0, 10_000));
        Require.inRange("disk of a recorder in GB", recorderGb, 0, MOST_RECORDER_GB);
        upMbps.ifPresent(mbps -> Require.inRange("upload in Mbit/s", mbps, 0, 10_000));
    }

    public Keeping of(long cameraId) {
        return byCamera.getOrDefault(cameraId, Keeping.USUAL);
    }
}
