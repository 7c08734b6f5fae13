package roofnest.app.household;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.NoSuchPage;
import roofnest.core.promise.Stage;

/** Opens a household where its work stands, and moves the work on. */
@Controller
class HouseholdController {
    private final HouseholdRepository households;
    private final Changes changes;

    HouseholdController(HouseholdRepository households, Changes changes) {
        this.households = households;
        this.changes = changes;
    }

    @GetMapping("/households/{household}")
    String open(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/" + households.get(ref.id()).stage().slug();
    }

    /** The work of the stage before is done. */
    @PostMapping("/households/{household}/reach/{stage}")
    String reach(HouseholdRef ref, @PathVariable String stage) {
        for (Stage candidate : Stage.values()) {
            if (candidate.slug().equals(stage)) {
                changes.run(ref, candidate, () -> {});
                return "redirect:" + ref.path() + "/" + stage;
            }
        }
        throw new NoSuchPage();
    }
}
