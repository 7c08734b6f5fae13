package roofnest.app.visit;

import java.time.Clock;
import java.time.LocalTime;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.records.HouseholdRef;
import roofnest.core.promise.Stage;

/** A household's visit on the day: what hands are on, what goes on by itself, what to do now. */
@Controller
class DayController {
    private final Frames frames;
    private final Visits visits;
    private final Clock clock;

    DayController(Frames frames, Visits visits, Clock clock) {
        this.frames = frames;
        this.visits = visits;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/day")
    String day(HouseholdRef ref, Model model) {
        return page(ref, Form.empty(), model);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("day", visits.open(ref).map(visit -> DayView.of(visit, clock.getZone())).orElse(null));
        model.addAttribute("cameras", frame.facts().cameras().size());
        return "day";
    }

    @PostMapping("/households/{household}/day/start")
    @Says("The visit has begun.")
    String start(HouseholdRef ref, @RequestParam(defaultValue = "1") int installers, Form form, Model model) {
        if (installers < 1 || installers > 2) {
            throw new BadInput("One or two installers.");
        }
        return form.save(() -> visits.start(ref, frames.frame(ref, Stage.READY), installers)) ? toDay(ref) : page(ref, form, model);
    }

    /** @param seen how far the page showed the task to be */
    @PostMapping("/households/{household}/day/mark")
    @Says("Marked.")
    String mark(HouseholdRef ref, @RequestParam(defaultValue = "") String task, @RequestParam(defaultValue = "BEGIN") Visits.Step to,
            @RequestParam(required = false) Visits.State seen, Form form, Model model) {
        return form.save(() -> visits.mark(ref, task, to, Optional.ofNullable(seen))) ? toDay(ref) : page(ref, form, model);
    }

    /** @param seen how far the page showed the task to be */
    @PostMapping("/households/{household}/day/times")
    @Says("The times are put right.")
    String times(HouseholdRef ref, @RequestParam(defaultValue = "") String task, @RequestParam Visits.State seen, Form form, Model model) {
        LocalTime begun = form.time("begun", "when it was begun");
        LocalTime handsOff = form.time("handsOff", "when hands were off it");
        LocalTime done = form.time("done", "when it was over");
        return form.save("times", () -> visits.times(ref, task, seen, new Visits.Times(begun, handsOff, done))) ? toDay(ref)
                : page(ref, form, model);
    }

    @PostMapping("/households/{household}/day/over")
    @Says("The visit is over; its times count for the firm’s pace.")
    String over(HouseholdRef ref) {
        visits.over(ref);
        return toDay(ref);
    }

    private static String toDay(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/day";
    }
}
