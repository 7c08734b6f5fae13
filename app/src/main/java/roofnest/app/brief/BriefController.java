package roofnest.app.brief;

import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.household.HouseholdRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

@Controller
class BriefController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final HouseholdRepository households;
    private final PromiseRepository promises;
    private final ResidentRepository residents;
    private final PromiseSentence sentence;

    BriefController(
            Frames frames, HouseholdChanges changes, HouseholdRepository households, PromiseRepository promises,
            ResidentRepository residents, PromiseSentence sentence) {
        this.frames = frames;
        this.changes = changes;
        this.households = households;
        this.promises = promises;
        this.residents = residents;
        this.sentence = sentence;
    }

    @GetMapping("/households/{household}/brief")
    String brief(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/brief/promises")
    String write(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        Runnable write = sentence.read(form, ref.id(), frames.frame(ref, Stage.BRIEF).facts());
        if (!form.ok()) {
            return refused(ref, model, form, response);
        }
        changes.run(ref, Stage.BRIEF, write);
        return "redirect:" + ref.path() + "/brief";
    }

    @PostMapping("/households/{household}/brief/promises/{promise}/remove")
    String remove(HouseholdRef ref, @PathVariable("promise") long promiseId) {
        changes.run(ref, Stage.BRIEF, () -> {
            if (!promises.remove(ref.id(), promiseId)) {
                throw new NoSuchPage();
            }
        });
        return "redirect:" + ref.path() + "/brief";
    }

    @PostMapping("/households/{household}/brief/people")
    String addPerson(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        String name = form.text("personName", "a name", 80);
        String email = form.raw("personEmail").isBlank() ? "" : form.email("personEmail", "an e-mail address");
        Access.Tie tie = form.choice("tie", "how they belong to the house", Access.Tie.class);
        if (!form.ok()) {
            return refused(ref, model, form, response);
        }
        changes.run(ref, Stage.BRIEF, () -> residents.add(ref.id(), name, email, tie, null));
        return "redirect:" + ref.path() + "/brief";
    }

    @PostMapping("/households/{household}/brief/notes")
    String notes(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        String notes = form.optionalText("notes", 2000);
        int version = form.version();
        if (!form.ok()) {
            return refused(ref, model, form, response);
        }
        try {
            changes.run(ref, Stage.BRIEF, () -> households.setNotes(ref.id(), notes, version));
        } catch (StaleEdit stale) {
            response.setStatus(HttpStatus.CONFLICT.value());
            form.put("version", String.valueOf(stale.currentVersion()));
            model.addAttribute("stale",
                    stale.getMessage() + " Your notes are still here, theirs stand beside them; put them together and save again.");
            model.addAttribute("theirNotes", households.get(ref.id()).notes());
            return page(ref, model, form);
        }
        return "redirect:" + ref.path() + "/brief";
    }

    private String refused(HouseholdRef ref, Model model, Form form, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        return page(ref, model, form);
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.BRIEF, model);
        model.addAttribute("form", form);
        model.addAttribute("brief", BriefView.of(frame, residents.of(ref.id())));
        return "brief";
    }
}
