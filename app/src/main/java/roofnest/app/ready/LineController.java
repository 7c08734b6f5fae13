package roofnest.app.ready;

import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.Form;
import roofnest.app.web.StaleEdit;
import roofnest.core.promise.Stage;

/** The router, its addresses and the line behind it. */
@Controller
class LineController {
    private final Frames frames;
    private final Changes changes;
    private final RouterRepository routers;

    LineController(Frames frames, Changes changes, RouterRepository routers) {
        this.frames = frames;
        this.changes = changes;
        this.routers = routers;
    }

    @GetMapping("/households/{household}/ready/line")
    String line(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/ready/line")
    @Says("The line is written down.")
    String save(HouseholdRef ref, Form form, Model model) {
        Optional<RouterRepository.Router> router = RouterForm.read(form);
        return form.save(() -> changes.run(ref, Stage.READY, () -> routers.save(ref.id(), router.orElseThrow())))
                ? "redirect:" + ref.path() + "/ready/line" : page(ref, model, form);
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "line");
        model.addAttribute("line", LineView.of(frame, routers.of(ref.id())));
        return "ready-line";
    }
}
