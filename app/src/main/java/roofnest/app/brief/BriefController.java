package roofnest.app.brief;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;

@Controller
class BriefController {
    private final Frames frames;
    private final Changes changes;
    private final HouseholdRepository households;
    private final PromiseRepository promises;
    private final ResidentRepository residents;
    private final PromiseSentence sentence;
    private final People people;

    BriefController(
            Frames frames, Changes changes, HouseholdRepository households, PromiseRepository promises,
            ResidentRepository residents, PromiseSentence sentence, People people) {
        this.frames = frames;
        this.changes = changes;
        this.households = households;
        this.promises = promises;
        this.residents = residents;
        this.sentence = sentence;
        this.people = people;
    }

    @GetMapping("/households/{household}/brief")
    String brief(HouseholdRef ref, @RequestParam(defaultValue = "0") long change, Model model) {
        return page(ref, model, promises.of(ref.id()).stream().filter(each -> each.key().equals(PromiseKey.written(change))).findFirst()
                .map(promise -> {
                    model.addAttribute("changing", change);
                    return new Form(PromiseSentence.values(promise));
                }).orElseGet(Form::empty));
    }

    @PostMapping("/households/{household}/brief/promises")
    @Says("The promise is written down.")
    String write(HouseholdRef ref, Form form, Model model) {
        Runnable write = sentence.read(form, ref.id(), frames.frame(ref, Stage.BRIEF).facts(), 0);
        return form.save(() -> changes.run(ref, Stage.BRIEF, write)) ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/promises/{promise}/remove")
    @Says("The promise is taken out. It can be brought back from the household’s own sheet.")
    String remove(HouseholdRef ref, @PathVariable("promise") long promiseId) {
        changes.run(ref, Stage.BRIEF, () -> takeOut(ref, promiseId));
        return toBrief(ref);
    }

    private void takeOut(HouseholdRef ref, long promiseId) {
        if (!promises.remove(ref.id(), promiseId, ref.by())) {
            throw new Conflict("Somebody else took this promise out or wrote it anew meanwhile.");
        }
    }

    @PostMapping("/households/{household}/brief/promises/{promise}")
    @Says("The promise is written anew; what was proved of the old one proves nothing of it.")
    String rewrite(HouseholdRef ref, @PathVariable("promise") long promiseId, Form form, Model model) {
        model.addAttribute("changing", promiseId);
        Runnable write = sentence.read(form, ref.id(), frames.frame(ref, Stage.BRIEF).facts(), promiseId);
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> {
            takeOut(ref, promiseId);
            write.run();
        })) ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/people")
    @Says("Noted.")
    String addPerson(HouseholdRef ref, Form form, Model model) {
        return people.add(ref, form) ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/people/{person}")
    @Says("The change is kept.")
    String changePerson(HouseholdRef ref, @PathVariable("person") long person, Form form, Model model) {
        return people.change(ref, person, form) ? toBrief(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/brief/people/{person}/remove")
    String removePerson(HouseholdRef ref, @PathVariable("person") long person, RedirectAttributes flash) {
        flash.addFlashAttribute("notice", people.remove(ref, person));
        return toBrief(ref);
    }

    @PostMapping("/households/{household}/brief/notes")
    @Says("The notes are kept.")
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
        model.addAttribute("blank", Form.empty());
        model.addAttribute("brief", BriefView.of(frame, residents.of(ref.id())));
        return "brief";
    }
}
