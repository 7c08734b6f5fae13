package roofnest.app.ready;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.core.promise.Stage;

/** The visit's hours. What is asked stands in the address, so nothing is stored. */
@Controller
class HoursController {
    private static final Hours.Asked USUAL = new Hours.Asked(1, 2, 1000, LocalTime.of(8, 0));

    private final Frames frames;
    private final Hours hours;
    private final HoursCalendar calendar;

    HoursController(Frames frames, Hours hours, HoursCalendar calendar) {
        this.frames = frames;
        this.hours = hours;
        this.calendar = calendar;
    }

    @GetMapping("/households/{household}/ready/hours")
    String hours(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        Hours.Asked asked = asked(form);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "hours");
        model.addAttribute("hours", HoursView.of(hours.plan(frame, asked), asked));
        return "ready-hours";
    }

    @GetMapping("/households/{household}/ready/hours.ics")
    ResponseEntity<String> file(HouseholdRef ref, Form form) {
        Frame frame = frames.frame(ref, Stage.READY);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"visit-" + ref.id() + ".ics\"")
                .body(calendar.write(ref.id(), frame.household().title(), hours.plan(frame, asked(form))));
    }

    /** What is left out or cannot be read is as usual; the form says so at its field. */
    private static Hours.Asked asked(Form form) {
        int installers = form.has("installers") ? form.whole("installers", "installers", 1, 2, "installers") : USUAL.installers();
        int chargers = form.has("chargers") ? form.whole("chargers", "chargers", 1, 4, "chargers") : USUAL.chargers();
        int chargerMa = form.has("chargerMa") ? form.whole("chargerMa", "a charger's current", 100, 10_000, "mA") : USUAL.chargerMa();
        LocalTime leave = USUAL.leave();
        if (form.has("leave")) {
            try {
                leave = LocalTime.parse(form.raw("leave").strip());
            } catch (DateTimeParseException e) {
                form.fault("leave", "Enter when the van leaves as 08:00.");
            }
        }
        return new Hours.Asked(installers, chargers, chargerMa, leave);
    }
}
