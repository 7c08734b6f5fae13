package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.firm.Staff;
import roofnest.app.household.HouseholdRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.StateBelief;

/** The rehearsal room: set exercises, the run on stand-ins, and the debrief. */
@Controller
class RehearsalController {
    private final Rehearsals rehearsals;
    private final HouseholdRepository households;
    private final Clock clock;
    private final SecureRandom random;

    RehearsalController(Rehearsals rehearsals, HouseholdRepository households, Clock clock, SecureRandom random) {
        this.rehearsals = rehearsals;
        this.households = households;
        this.clock = clock;
        this.random = random;
    }

    @GetMapping("/rehearsals")
    String room(@AuthenticationPrincipal Staff staff, Model model) {
        model.addAttribute("room",
                RoomView.of(rehearsals.exercises(), rehearsals.of(staff), rehearsals.doneBy(staff), staff.name(), clock.getZone()));
        return "rehearsals";
    }

    @PostMapping("/rehearsals")
    String start(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "1") int exercise,
            @RequestParam(defaultValue = "false") boolean surprise, @RequestParam(defaultValue = "4") int speed) {
        return toRun(rehearsals.start(staff, exercise, surprise, speed));
    }

    /** The job of a household, rehearsed. */
    @PostMapping("/households/{household}/pair/rehearse")
    String startJob(HouseholdRef ref, @RequestParam(defaultValue = "false") boolean surprise, @RequestParam(defaultValue = "4") int speed) {
        return toRun(rehearsals.startJob(ref, households.get(ref.id()).title(), surprise, speed));
    }

    @GetMapping("/rehearsals/{rehearsal}")
    String run(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, Model model) {
        return page(staff, id, Form.empty(), model);
    }

    @GetMapping("/rehearsals/{rehearsal}/count")
    @ResponseBody
    Map<String, Integer> count(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id) {
        return Map.of("events", rehearsals.sheet(staff, id).open().events().size());
    }

    @PostMapping("/rehearsals/{rehearsal}/answer")
    String answer(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam String step,
            @RequestParam String answer) {
        rehearsals.answer(staff, id, step, answer);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/look-again")
    String lookAgain(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam String step) {
        rehearsals.lookAgain(staff, id, step);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/still-waiting")
    String stillWaiting(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam String step) {
        rehearsals.stillWaiting(staff, id, step);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/undo")
    String undo(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id) {
        rehearsals.undo(staff, id);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/fill")
    String fill(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam String step,
            @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        rehearsals.fill(staff, id, step, form);
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(staff, id, form, model);
        }
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/way")
    String changeWay(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam PairingMethod.Way way) {
        rehearsals.changeWay(staff, id, way);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/seen")
    String seen(
            @AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id, @RequestParam Cue.Light light,
            @RequestParam Cue.Rhythm rhythm, @RequestParam(defaultValue = "") String voice,
            RedirectAttributes flash) {
        Runs.Open open = rehearsals.sheet(staff, id).open();
        flash.addFlashAttribute("belief", BeliefView.of(open, OffsetDateTime.now(clock),
                StateBelief.Seen.of(new Cue(light, rhythm, voice.isBlank() ? null : voice.strip())), List.of()));
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/bench/hands")
    String hands(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id) {
        rehearsals.handsOn(staff, id);
        return toRun(id);
    }

    @PostMapping("/rehearsals/{rehearsal}/bench/skip")
    String skip(@AuthenticationPrincipal Staff staff, @PathVariable("rehearsal") long id) {
        rehearsals.skipAhead(staff, id);
        return toRun(id);
    }

    private static String toRun(long id) {
        return "redirect:/rehearsals/" + id;
    }

    private String page(Staff staff, long id, Form form, Model model) {
        Rehearsals.Sheet sheet = rehearsals.sheet(staff, id);
        model.addAttribute("exercise", sheet.exercise());
        model.addAttribute("part", sheet.part() + 1);
        if (sheet.rehearsal().over()) {
            model.addAttribute("debrief", DebriefView.of(sheet.rehearsal(), rehearsals.debrief(sheet.rehearsal(), sheet.exercise())));
            return "debrief";
        }
        Runs.Open open = sheet.open();
        model.addAttribute("form", form);
        model.addAttribute("base", "/rehearsals/" + id);
        model.addAttribute("run", RunView.of(open, OffsetDateTime.now(clock), clock.getZone()));
        model.addAttribute("otherWays", open.state().changeMethod() ? rehearsals.otherWays(sheet) : List.of());
        RunPage.addForm(model, open, () -> open.device().passwordRule().suggest(random), () -> "Practice eye");
        return "rehearsal";
    }
}
