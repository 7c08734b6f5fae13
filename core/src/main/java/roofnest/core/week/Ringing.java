package roofnest.core.week;

import java.util.List;
import java.util.stream.Collectors;

import roofnest.core.alert.AlertPlan;

/** When cameras watch and whom they ring. */
public record Ringing(AlertPlan plan, List<Ear> ears) {
    public Ringing {
        ears = List.copyOf(ears);
    }

    /** Every camera rings one phone for all that counts, at any hour. */
    public static Ringing usual(List<Watch> watches) {
        return new Ringing(AlertPlan.USUAL, List.of(Ear.usual(watches.stream()
                .collect(Collectors.toMap(Watch::cameraId, watch -> watch.setting().kinds(), (a, b) -> a)))));
    }
}
