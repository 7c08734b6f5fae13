package roofnest.core.judge;

import roofnest.core.alert.Bell;
import roofnest.core.catalogue.BellSpec;
import roofnest.core.week.Ear;

/** Hours of the week in which somebody may press a bell and nobody hears it. */
public final class BellHours {
    private static final int HOURS = 168;
    private static final int HOURS_A_DAY = 24;

    private BellHours() {}

    /**
     * A press rings by what chimes in the house at any hour, and by every phone that the bell rings unless it is quiet then; modes and
     * silent hours of the camera are for what it notices and not for its button.
     *
     * @return 168 hours, Monday from midnight first
     */
    static boolean[] unheard(HouseholdFacts facts, Camera camera) {
        boolean[] hours = new boolean[HOURS];
        BellSpec spec = camera.model().alerts().bell();
        if (spec == null || facts.alerts().bells().getOrDefault(camera.id(), Bell.usual(spec)).chime() != BellSpec.Chime.PHONES) {
            return hours;
        }
        for (int hour = 0; hour < HOURS; hour++) {
            int ofDay = hour % HOURS_A_DAY;
            hours[hour] = Ears.of(facts).ears().stream().filter(ear -> ear.cameras().containsKey(camera.id()))
                    .map(Ear::quiet).noneMatch(quiet -> quiet.isEmpty() || !quiet.get().covers(ofDay));
        }
        return hours;
    }
}
