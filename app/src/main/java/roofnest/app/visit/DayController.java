package roofnest.app.visit;

import java.time.Clock;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.web.BadInput;
import roofnest.app.web.HouseholdRef;
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
        Frame frame = frames.frame(ref, Stage.READY, model);
        Optional<Visits.Open> open = visits.open(ref);
        model.addAttribute("day", open.map(visit -> DayView.of(visit, clock.getZone())).orElse(null));
        model.addAttribute("cameras", frame.facts().cameras().size());
        return "day";
    }

    @PostMapping("/households/{household}/day/start")
    String start(HouseholdRef ref, @RequestParam(defaultValue = "1") int installers) {
        if (installers < 1 || installers > 2) {
            throw new BadInput("One or two installers.");
        }
        visits.start(ref, frames.frame(ref, Stage.READY), installers);
        return toDay(ref);
    }

    @PostMapping("/households/{household}/day/mark")
    String mark(HouseholdRef ref, @RequestParam(defaultValue = "") String task, @RequestParam(defaultValue = "BEGIN") Visits.Step to) {
        visits.mark(ref, task, to);
        return toDay(ref);
    }

    @PostMapping("/households/{household}/day/over")
    String over(HouseholdRef ref) {
        visits.over(ref);
        return toDay(ref);
    }

    private static String toDay(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/day";
    }
}
