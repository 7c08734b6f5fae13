package roofnest.core.judge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

import roofnest.core.access.Access;
import roofnest.core.alert.Phone;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.week.Ear;
import roofnest.core.week.Ringing;

/**
 * Whom the cameras of a household ring: members who were given a camera with its alerts, each as their phone is set. A camera that no
 * member was given yet is reckoned as if it rang one phone for all that counts, since somebody will be given it at Share.
 */
public final class Ears {
    private Ears() {}

    static Ringing of(HouseholdFacts facts) {
        List<Ear> ears = new ArrayList<>();
        for (Access.Person person : facts.access().people()) {
            Phone phone = facts.alerts().phone(person.id());
            Map<Long, Set<AlertSpec.Kind>> rung = new HashMap<>();
            facts.cameras().stream().filter(camera -> facts.access().rungBy(camera.id(), facts.today()).contains(person))
                    .forEach(camera -> {
                        Set<AlertSpec.Kind> kinds = phone.kinds().getOrDefault(camera.id(), camera.watchSetting().kinds());
                        if (!kinds.isEmpty()) {
                            rung.put(camera.id(), kinds);
                        }
                    });
            if (!rung.isEmpty()) {
                ears.add(new Ear(person.id(), person.name(), rung, phone.quiet(), phone.pauseMinutes(), phone.snoozeMinutes()));
            }
        }
        Map<Long, Set<AlertSpec.Kind>> nobodys = new HashMap<>();
        facts.cameras().stream().filter(camera -> !given(facts, camera)).forEach(camera -> nobodys.put(camera.id(),
                camera.watchSetting().kinds()));
        if (!nobodys.isEmpty()) {
            ears.add(Ear.usual(nobodys));
        }
        return new Ringing(facts.alerts(), ears);
    }

    /** Whether some member of the household was given a camera, with alerts or without. */
    public static boolean given(HouseholdFacts facts, Camera camera) {
        return facts.access().people().stream().filter(person -> person.tie() != Access.Tie.LEFT && person.tie() != Access.Tie.FIRM)
                .anyMatch(person -> facts.access().grant(person.id(), camera.id()).isPresent());
    }
}
