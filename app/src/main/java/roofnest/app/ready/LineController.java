package roofnest.app.ready;

import java.util.Map;
import java.util.Optional;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.StaleEdit;
import roofnest.core.promise.Stage;

/** The router, its addresses and the line behind it. */
@Controller
class LineController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final RouterRepository routers;

    LineController(Frames frames, HouseholdChanges changes, RouterRepository routers) {
        this.frames = frames;
        this.changes = changes;
        this.routers = routers;
    }

    @GetMapping("/households/{household}/ready/line")
    String line(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/ready/line")
    String save(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        Optional<RouterRepository.Router> router = RouterForm.read(form);
        if (router.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, model, form);
        }
        try {
            changes.run(ref, Stage.READY, () -> routers.save(ref.id(), router.get()));
        } catch (StaleEdit stale) {
            response.setStatus(HttpStatus.CONFLICT.value());
            form.put("version", String.valueOf(stale.currentVersion()));
            model.addAttribute("stale", stale.getMessage() + " What you typed is still here; save again to put it over theirs.");
            return page(ref, model, form);
        }
        return "redirect:" + ref.path() + "/ready/line";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "line");
        model.addAttribute("line", LineView.of(frame, routers.of(ref.id())));
        return "ready-line";
    }
}
