package roofnest.app.care;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.web.Form;
import roofnest.core.promise.Stage;

@Controller
class CareController {
    private final Frames frames;
    private final Changes changes;
    private final LogRepository log;
    private final CameraRepository cameras;
    private final BatteryCalendar calendar;
    private final Clock clock;

    CareController(
            Frames frames, Changes changes, LogRepository log, CameraRepository cameras, BatteryCalendar calendar, Clock clock) {
        this.frames = frames;
        this.changes = changes;
        this.log = log;
        this.cameras = cameras;
        this.calendar = calendar;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care")
    String care(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/care/log")
    String write(HouseholdRef ref, Form form, Model model) {
        LogRepository.Kind kind = form.choice("kind", "what kind of entry", LogRepository.Kind.class);
        String words = form.text("words", "what happened", 1000);
        LocalDate on = form.date("on", "the day");
        if (form.faultAt("on") == null && on.isAfter(LocalDate.now(clock))) {
            form.fault("on", "The log holds what has happened; this day is still to come.");
        }
        Long cameraId = camera(form, ref, kind);
        return form.save(() -> changes.run(ref, Stage.CARE, () -> {
            log.add(ref.id(), cameraId, kind, words, on, ref.by());
            if (kind == LogRepository.Kind.CHARGE) {
                cameras.charged(ref.id(), cameraId, on);
            }
        })) ? "redirect:" + ref.path() + "/care" : page(ref, model, form);
    }

    @GetMapping("/households/{household}/care/battery.ics")
    ResponseEntity<String> battery(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.CARE);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"battery-" + ref.id() + ".ics\"")
                .body(calendar.write(frame.household().title(), NextCharges.of(frame)));
    }

    private Long camera(Form form, HouseholdRef ref, LogRepository.Kind kind) {
        String typed = form.raw("camera");
        if (typed.isEmpty()) {
            if (kind == LogRepository.Kind.CHARGE) {
                form.fault("camera", "Say which camera's pack was charged.");
            }
            return null;
        }
        boolean known = typed.matches("[0-9]{1,18}") && cameras.find(ref.id(), Long.parseLong(typed)).isPresent();
        if (!known) {
            form.fault("camera", "Choose a camera of this house.");
            return null;
        }
        return Long.valueOf(typed);
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.CARE, model);
        model.addAttribute("form", form);
        model.addAttribute("entries", log.of(ref.id()));
        model.addAttribute("kinds", List.of(LogRepository.Kind.values()));
        model.addAttribute("cameras", frame.cameras());
        model.addAttribute("charges", NextCharges.of(frame));
        model.addAttribute("today", LocalDate.now(clock));
        return "care";
    }
}
