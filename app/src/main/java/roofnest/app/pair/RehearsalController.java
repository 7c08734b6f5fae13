package roofnest.app.pair;

import java.time.Clock;
import java.util.Map;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

import roofnest.app.web.Says;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;

/** The rehearsal room: set exercises, the run on stand-ins, and the debrief. */
@Controller
class RehearsalController {
    private static final int MOST_OPEN = 5;

    private final Rehearsals rehearsals;
    private final HouseholdRepository households;
    private final CameraRepository cameras;
    private final Clock clock;

    RehearsalController(Rehearsals rehearsals, HouseholdRepository households, CameraRepository cameras, Clock clock) {
        this.rehearsals = rehearsals;
        this.households = households;
        this.cameras = cameras;
        this.clock = clock;
    }

    @GetMapping("/rehearsals")
    String room(@AuthenticationPrincipal Staff staff, Model model) {
        model.addAttribute("room",
                RoomView.of(rehearsals.exercises(), rehearsals.results(staff), rehearsals.openOf(staff, MOST_OPEN), staff.id(),
                        clock.getZone()));
        model.addAttribute("walls", cameras.onWalls(staff.firmId(), MOST_OPEN));
        return "rehearsals";
    }

    @PostMapping("/rehearsals")
    @Says("The rehearsal has begun.")
    String start(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "1") int exercise,
            @RequestParam(defaultValue = "false") boolean surprise, @RequestParam(defaultValue = "4") int speed) {
        return toRun(rehearsals.start(staff, exercise, surprise, speed));
    }

    /** The job of a household, rehearsed. */
    @PostMapping("/households/{household}/pair/rehearse")
    @Says("The rehearsal of this job has begun. Nothing of it goes back to the household.")
    String startJob(HouseholdRef ref, @RequestParam(defaultValue = "false") boolean surprise, @RequestParam(defaultValue = "4") int speed) {
        return toRun(rehearsals.startJob(ref, households.get(ref.id()).title(), surprise, speed));
    }

    /** How many steps are stored, for a page that others may have left behind. */
    @GetMapping("/rehearsals/{rehearsal}/count")
    @ResponseBody
    Map<String, Integer> count(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id) {
        return Map.of("events", rehearsals.steps(staff, id));
    }

    private static String toRun(long id) {
        return "redirect:/rehearsals/" + id;
    }
}
