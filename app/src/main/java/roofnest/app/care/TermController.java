package roofnest.app.care;

import java.time.LocalDate;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.TermRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.care.Coming;
import roofnest.core.promise.Stage;

/** Warranties and paid plans of a house: what runs out, and when. */
@Controller
class TermController {
    private static final int LONGEST = 200;

    private final CareController care;
    private final Changes changes;
    private final TermRepository terms;
    private final CameraRepository cameras;

    TermController(CareController care, Changes changes, TermRepository terms, CameraRepository cameras) {
        this.care = care;
        this.changes = changes;
        this.terms = terms;
        this.cameras = cameras;
    }

    @PostMapping("/households/{household}/care/terms")
    @Says("Written down. It stands among what comes up.")
    String add(HouseholdRef ref, Form form, Model model) {
        TermRepository.Row row = read(ref, form, 0, 0);
        return form.save(() -> changes.run(ref, Stage.CARE, () -> terms.add(ref.id(), row))) ? back(ref) : care.page(ref, model, form);
    }

    @PostMapping("/households/{household}/care/terms/{term}")
    @Says("The change is kept.")
    String change(HouseholdRef ref, @PathVariable("term") long term, Form form, Model model) {
        TermRepository.Row row = read(ref, form, term, form.version());
        return form.save(() -> changes.run(ref, Stage.CARE, () -> terms.change(ref.id(), row))) ? back(ref) : care.page(ref, model, form);
    }

    @PostMapping("/households/{household}/care/terms/{term}/remove")
    @Says("Taken out.")
    String remove(HouseholdRef ref, @PathVariable("term") long term) {
        changes.run(ref, Stage.CARE, () -> {
            if (!terms.remove(ref.id(), term)) {
                throw new Conflict("Somebody else took this out meanwhile.");
            }
        });
        return back(ref);
    }

    private TermRepository.Row read(HouseholdRef ref, Form form, long id, int version) {
        Coming.Kind kind = "PLAN".equals(form.raw("termKind")) ? Coming.Kind.PLAN : Coming.Kind.WARRANTY;
        String what = form.text("what", "what runs out", LONGEST);
        LocalDate on = form.date("ends", "its last day");
        String camera = form.raw("camera");
        Long about = camera.matches("[0-9]{1,18}") && cameras.find(ref.id(), Long.parseLong(camera)).isPresent() ? Long.valueOf(camera)
                : null;
        return new TermRepository.Row(id, kind, about, "", on, what, ref.by(), version);
    }

    private static String back(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/care#terms";
    }
}
