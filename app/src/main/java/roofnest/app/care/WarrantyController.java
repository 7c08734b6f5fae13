package roofnest.app.care;

import java.time.Clock;
import java.time.LocalDate;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.promise.Stage;

/** A device broke: what its warranty's claim will be asked for, at hand before it comes off the wall. */
@Controller
class WarrantyController {
    private static final int LONGEST_FAULT = 400;

    private final Frames frames;
    private final Warranties warranties;
    private final Changes changes;
    private final LogRepository log;
    private final Clock clock;

    WarrantyController(Frames frames, Warranties warranties, Changes changes, LogRepository log, Clock clock) {
        this.frames = frames;
        this.warranties = warranties;
        this.changes = changes;
        this.log = log;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care/cameras/{camera}/warranty")
    String show(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        return page(ref, cameraId, Form.empty(), model);
    }

    /** The claim waits as a repair until somebody says how it ended. */
    @PostMapping("/households/{household}/care/cameras/{camera}/warranty")
    @Says("The claim stands in the log as an open repair. Nothing was sent to anybody.")
    String open(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        CameraRepository.Record record = frames.frame(ref, Stage.CARE).judged().camera(cameraId);
        String fault = form.text("fault", "what is wrong with it", LONGEST_FAULT);
        LocalDate next = form.raw("nextOn").isBlank() ? null : form.date("nextOn", "the day on which it is asked after");
        if (next != null && form.faultAt("nextOn") == null && next.isBefore(LocalDate.now(clock))) {
            form.fault("nextOn", "This day has passed.");
        }
        return form.save(() -> changes.run(ref, Stage.CARE, () -> log.add(ref.id(), new LogRepository.Said(cameraId, null,
                LogRepository.Kind.REPAIR, Warranties.entry(record, fault), LocalDate.now(clock), next), ref.by())))
                        ? "redirect:" + ref.path() + "/care" : page(ref, cameraId, form, model);
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.CARE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("claim", warranties.of(frame, record));
        return "warranty";
    }
}
