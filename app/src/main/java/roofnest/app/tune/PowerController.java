package roofnest.app.tune;

import java.time.LocalDate;
import java.util.List;

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
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PackBends;
import roofnest.app.records.PackReadingRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.judge.Camera;
import roofnest.core.power.PackFit;
import roofnest.core.promise.Stage;

/** What one camera's pack goes on, what was read of it, and what would spare it. */
@Controller
class PowerController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final PackReadingRepository readings;
    private final JudgedHouseholds judged;
    private final PackBends bends;

    PowerController(Frames frames, Changes changes, CameraRepository cameras, PackReadingRepository readings, JudgedHouseholds judged,
            PackBends bends) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.readings = readings;
        this.judged = judged;
        this.bends = bends;
    }

    @GetMapping("/households/{household}/tune/{camera}/power")
    String power(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** Keeps what somebody read in the app, and bends draw and panel by all that was read while the camera was set so. */
    @PostMapping("/households/{household}/tune/{camera}/power/readings")
    @Says("The reading is kept, and the pack taken to be as all its readings say.")
    String read(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        LocalDate on = form.date("on", "the day of the reading");
        double percent = form.decimal("percent", "the percent that the app shows,", 0, 100, "%");
        if (form.ok() && on.isAfter(judged.of(ref.id()).facts().today())) {
            form.fault("on", "That day is still to come.");
        }
        boolean charged = form.has("charged");
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            Camera camera = onPack(ref, cameraId);
            readings.keep(ref.id(), cameraId, new PackFit.Reading(on, percent, charged), camera.packMark(), ref.by());
            bends.bend(ref.id(), cameraId);
        })) ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/power/readings/{reading}/forget")
    @Says("That reading is forgotten, and the pack taken to be as the others say.")
    String forget(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("reading") long reading) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!readings.forget(ref.id(), cameraId, reading)) {
                throw new NoSuchPage();
            }
            bends.bend(ref.id(), cameraId);
        });
        return back(ref, cameraId);
    }

    /** Keeps since when its pack is in it: what was read of the one before says nothing of it. */
    @PostMapping("/households/{household}/tune/{camera}/power/pack")
    @Says("Kept, and everything of the pack reckoned by its age.")
    String pack(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        LocalDate since = form.raw("since").isBlank() ? null : form.date("since", "the day on which it was put in");
        if (form.ok() && since != null && since.isAfter(judged.of(ref.id()).facts().today())) {
            form.fault("since", "That day is still to come.");
        }
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            onPack(ref, cameraId);
            cameras.sayPack(ref.id(), cameraId, since, version);
            bends.bend(ref.id(), cameraId);
        })) ? "redirect:" + ref.path() + "/tune/" + cameraId + "/power#pack" : page(ref, cameraId, form, model);
    }

    private Camera onPack(HouseholdRef ref, long cameraId) {
        Camera camera = cameras.get(ref.id(), cameraId).camera();
        if (!camera.model().power().onBattery()) {
            throw new BadInput(camera.name() + " runs on mains and has no pack.");
        }
        return camera;
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/power#readings";
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        List<PackReadingRepository.Row> all = readings.of(ref.id()).stream().filter(row -> row.cameraId() == cameraId).toList();
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("power",
                record.camera().model().power().onBattery() ? PowerView.of(frame, record, bends.stated(record), all)
                        : null);
        model.addAttribute("mains", record.camera().model().power().onBattery() ? null : MainsView.of(record.camera()));
        return "power";
    }
}
