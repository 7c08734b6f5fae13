package roofnest.app.mount;

import java.util.List;
import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.StaleEdit;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

@Controller
class MountController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final CameraRepository cameras;

    MountController(Frames frames, HouseholdChanges changes, CameraRepository cameras) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
    }

    @GetMapping("/households/{household}/mount")
    String mount(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    /** Sets the height that was chosen. */
    @PostMapping("/households/{household}/mount/{camera}/height")
    String height(
            HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam Map<String, String> values, Model model,
            HttpServletResponse response) {
        Form form = new Form(values);
        double height = form.decimal("heightM", "a height", 0.2, 12, "m");
        int version = form.version();
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, model, form);
        }
        CameraRepository.Record record = cameras.get(ref.id(), cameraId);
        CameraPose now = record.camera().pose();
        try {
            changes.run(ref, Stage.MOUNT, () -> cameras.place(ref.id(), cameraId,
                    new CameraPose(now.xM(), now.yM(), height, now.headingDeg(), now.tiltDeg()), record.camera().masked(), version));
        } catch (StaleEdit stale) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("stale", stale.getMessage() + " Your height was not saved; it is still in the field.");
            form.put("version", String.valueOf(stale.currentVersion()));
            return page(ref, model, form);
        }
        return "redirect:" + ref.path() + "/mount";
    }

    /** Says that it hangs: only after it joined, so never before a live picture. */
    @PostMapping("/households/{household}/mount/{camera}/hung")
    String hung(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model, HttpServletResponse response) {
        if (!cameras.get(ref.id(), cameraId).camera().joined()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("stale",
                    "It is not joined yet. Pair it and look at the live picture at its place before any hole is drilled.");
            return page(ref, model, Form.empty());
        }
        changes.run(ref, Stage.MOUNT, () -> cameras.markMounted(ref.id(), cameraId));
        return "redirect:" + ref.path() + "/mount";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        List<MountView> mounts = cameras.records(ref.id()).stream().map(record -> MountView.of(frame, record)).toList();
        model.addAttribute("form", form);
        model.addAttribute("mounts", mounts);
        return "mount";
    }
}
