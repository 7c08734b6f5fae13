package roofnest.app.brief;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

@Controller
class BriefController {
    private final Frames frames;
    private final Changes changes;
    private final HouseholdRepository households;
    private final PromiseRepository promises;
    private final ResidentRepository residents;
    private final PromiseSentence sentence;

    BriefController(
            Frames frames, Changes changes, HouseholdRepository households, PromiseRepository promises,
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
    String write(HouseholdRef ref, Form form, Model model) {
        Runnable write = sentence.read(form, ref.id(), frames.frame(ref, Stage.BRIEF).facts());
        return form.save(() -> changes.run(ref, Stage.BRIEF, write)) ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/promises/{promise}/remove")
    String remove(HouseholdRef ref, @PathVariable("promise") long promiseId) {
        changes.run(ref, Stage.BRIEF, () -> {
            if (!promises.remove(ref.id(), promiseId)) {
                throw new NoSuchPage();
            }
        });
        return toBrief(ref);
    }

    @PostMapping("/households/{household}/brief/people")
    String addPerson(HouseholdRef ref, Form form, Model model) {
        String name = form.text("personName", "a name", 80);
        String email = form.raw("personEmail").isBlank() ? "" : form.email("personEmail", "an e-mail address");
        Access.Tie tie = form.choice("tie", "how they belong to the house", Access.Tie.class);
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> residents.add(ref.id(), name, email, tie, null)))
                ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/notes")
    String notes(HouseholdRef ref, Form form, Model model) {
        String notes = form.lines("notes", 2000);
        int version = form.version();
        if (form.save(() -> changes.run(ref, Stage.BRIEF, () -> households.setNotes(ref.id(), notes, version)))) {
            return toBrief(ref);
        }
        if (form.conflict() != null) {
            model.addAttribute("theirNotes", households.get(ref.id()).notes());
        }
        return page(ref, model, form);
    }

    private static String toBrief(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/brief";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.BRIEF, model);
        model.addAttribute("form", form);
        model.addAttribute("brief", BriefView.of(frame, residents.of(ref.id())));
        return "brief";
    }
}
