package roofnest.app.tune;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CameraViewRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.judge.Patrol;
import roofnest.core.promise.Stage;

/** Named views of a camera that turns by motor, and what its round sees and misses. */
@Controller
class ViewsController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final CameraViewRepository views;

    ViewsController(Frames frames, Changes changes, CameraRepository cameras, CameraViewRepository views) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.views = views;
    }

    @GetMapping("/households/{household}/tune/{camera}/views")
    String views(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        requireMotor(cameras.get(ref.id(), cameraId));
        return page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/views")
    @Says("The view is kept; save it in the camera’s own app too.")
    String add(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        requireMotor(cameras.get(ref.id(), cameraId));
        String name = form.text("name", "what the view is called", 40);
        double heading = form.decimal("heading", "where it looks,", 0, 360, "°");
        double tilt = form.decimal("tilt", "how far it looks down,", -30, 90, "°");
        int dwell = form.whole("dwell", "how long it stays,", Patrol.LEAST_DWELL_S, Patrol.MOST_DWELL_S, "s");
        int version = form.version();
        return form.save("name", () -> changes.run(ref, Stage.TUNE, () -> {
            cameras.touch(ref.id(), cameraId, version);
            views.add(ref.id(), cameraId, new Patrol.View(name, heading, tilt, dwell));
        })) ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/views/{view}/out")
    @Says("The view is taken out; take it out of the app too.")
    String out(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("view") long view) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!views.remove(ref.id(), cameraId, view)) {
                throw new NoSuchPage();
            }
        });
        return back(ref, cameraId);
    }

    private static void requireMotor(CameraRepository.Record record) {
        if (!record.camera().model().pans()) {
            throw new NoSuchPage();
        }
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/views";
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("views", ViewsView.of(frame, record.camera(), views.of(ref.id(), cameraId)));
        return "views";
    }
}
