package roofnest.app.share;

import java.util.Locale;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.promise.Stage;

/** Somebody of the household learns to use the cameras. */
@Controller
class LessonController {
    private final Frames frames;
    private final Lessons lessons;

    LessonController(Frames frames, Lessons lessons) {
        this.frames = frames;
        this.lessons = lessons;
    }

    @GetMapping("/households/{household}/share/lesson/{resident}")
    String lesson(HouseholdRef ref, @PathVariable("resident") long resident, Model model) {
        return page(ref, resident, Form.empty(), model);
    }

    @PostMapping("/households/{household}/share/lesson/{resident}")
    @Says("Noted.")
    String tick(HouseholdRef ref, @PathVariable("resident") long resident, @RequestParam String item, @RequestParam String what, Form form,
            Model model) {
        return form.save(() -> lessons.tick(ref, resident, item, what))
                ? "redirect:" + ref.path() + "/share/lesson/" + resident + "#" + item.toLowerCase(Locale.ROOT)
                : page(ref, resident, form, model);
    }

    private String page(HouseholdRef ref, long resident, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("form", form);
        model.addAttribute("lesson", lessons.view(frame, resident));
        return "lesson";
    }
}
