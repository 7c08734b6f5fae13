package roofnest.app.share;

import java.time.Clock;

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
import roofnest.core.access.LeavingPlan;
import roofnest.core.promise.Stage;

/** Somebody is shut out: planned, done, tried. */
@Controller
class LeavingController {
    private final Frames frames;
    private final LeavingDesk desk;
    private final Clock clock;

    LeavingController(Frames frames, LeavingDesk desk, Clock clock) {
        this.frames = frames;
        this.desk = desk;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/share/leaving/{resident}")
    String leaving(HouseholdRef ref, @PathVariable("resident") long resident, Form form, Model model) {
        return page(ref, resident, form.raw("standIns").equals("true"), form, model);
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/begin")
    @Says("Begun. Each step counts once it is noted as done.")
    String begin(HouseholdRef ref, @PathVariable("resident") long resident, Form form, Model model) {
        boolean standIns = form.raw("standIns").equals("true");
        return form.save(() -> desk.begin(ref, resident, standIns, wish(form))) ? back(ref, resident, standIns)
                : page(ref, resident, standIns, form, model);
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/done")
    @Says("Noted as done.")
    String done(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving, @RequestParam String step,
            Form form, Model model) {
        return act(ref, resident, form, model, () -> desk.done(ref, leaving, step));
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/followed")
    @Says("Noted as done.")
    String followed(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving,
            @RequestParam long step, Form form, Model model) {
        return act(ref, resident, form, model, () -> desk.followed(ref, leaving, step));
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/tried")
    @Says("What their try showed is noted.")
    String tried(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving,
            @RequestParam long camera, Form form, Model model) {
        return act(ref, resident, form, model, () -> desk.tried(ref, leaving, camera, form));
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/phone-tries")
    @Says("The simulated phone has tried.")
    String phoneTries(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving, Form form,
            Model model) {
        return act(ref, resident, form, model, () -> desk.phoneTries(ref, leaving));
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/over")
    @Says("Noted.")
    String over(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving, Form form, Model model) {
        return form.save(() -> desk.over(ref, leaving)) ? "redirect:" + ref.path() + "/share"
                : page(ref, resident, form.raw("standIns").equals("true"), form, model);
    }

    @PostMapping("/households/{household}/share/leaving/{resident}/{leaving}/clear")
    @Says("The rehearsal is cleared. Nothing real was changed by it.")
    String clear(HouseholdRef ref, @PathVariable("resident") long resident, @PathVariable("leaving") long leaving) {
        desk.clear(ref, leaving);
        return "redirect:" + ref.path() + "/share";
    }

    private String act(HouseholdRef ref, long resident, Form form, Model model, Runnable act) {
        boolean standIns = form.raw("standIns").equals("true");
        return form.save(act) ? back(ref, resident, standIns) : page(ref, resident, standIns, form, model);
    }

    private static String back(HouseholdRef ref, long resident, boolean standIns) {
        return "redirect:" + ref.path() + "/share/leaving/" + resident + (standIns ? "?standIns=true" : "");
    }

    private static LeavingPlan.Wish wish(Form form) {
        return new LeavingPlan.Wish(form.raw("theyHelp").equals("true"), form.raw("outOfWifi").equals("true"));
    }

    private String page(HouseholdRef ref, long resident, boolean standIns, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("form", form);
        model.addAttribute("leaving",
                LeavingView.of(desk.state(frame, resident, standIns, wish(form)), standIns, clock.getZone()));
        return "leaving";
    }
}
