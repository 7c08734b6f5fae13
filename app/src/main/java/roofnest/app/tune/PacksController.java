package roofnest.app.tune;

import java.time.Clock;

import net.fortuna.ical4j.model.component.VEvent;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.CalendarFile;
import roofnest.core.promise.Stage;

/** The packs of a household, and the fewest visits that keep them above their warnings. */
@Controller
class PacksController {
    private final Frames frames;
    private final Clock clock;

    PacksController(Frames frames, Clock clock) {
        this.frames = frames;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/tune/packs")
    String packs(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        model.addAttribute("packs", PacksView.of(frame));
        return "packs";
    }

    /** One all-day event a visit; the same visit has the same number in a later file, wherever it has moved to. */
    @GetMapping("/households/{household}/tune/packs.ics")
    ResponseEntity<String> calendar(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.TUNE);
        CalendarFile file = new CalendarFile("Packs", clock);
        PacksView.of(frame).visits().forEach(visit -> file.add(new VEvent(visit.on(), "Charge " + visit.what() + " · "
                + frame.household().title()), "packs-" + ref.id() + "-" + visit.key(), visit.why()
                        + ". The maker’s charger only; not below freezing; never a swollen pack."));
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"packs-" + ref.id() + ".ics\"").body(file.toString());
    }
}
