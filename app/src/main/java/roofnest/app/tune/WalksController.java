package roofnest.app.tune;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.SensorWalkRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.judge.Camera;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.Stage;
import roofnest.core.week.SensorFit;

/** Walks before one camera: proposed where least is known, walked, answered, and what they say of its sensor. */
@Controller
class WalksController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final SensorWalkRepository walks;
    private final JudgedHouseholds judged;
    private final Models models;

    WalksController(Frames frames, Changes changes, CameraRepository cameras, SensorWalkRepository walks, JudgedHouseholds judged,
            Models models) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.walks = walks;
        this.judged = judged;
        this.models = models;
    }

    @GetMapping("/households/{household}/tune/{camera}/walks")
    String walks(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** Keeps what came of a walk, and bends the sensor by it. */
    @PostMapping("/households/{household}/tune/{camera}/walks")
    @Says("The walk is kept, and the sensor taken to be as all its walks say.")
    String walked(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        boolean noticed = "yes".equals(form.raw("noticed"));
        if (!noticed && !"no".equals(form.raw("noticed"))) {
            form.fault("noticed", "Say whether it noticed you.");
        }
        OptionalDouble seconds = form.raw("seconds").isBlank() || !noticed ? OptionalDouble.empty()
                : OptionalDouble.of(form.decimal("seconds", "the seconds,", 0, SensorFit.Walked.MOST_S, "s"));
        SensorFit.Walked walked = asked(form, noticed, seconds);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            cameras.touch(ref.id(), cameraId, version);
            walks.keep(ref.id(), cameraId, walked, mark(ref, cameraId), ref.by());
            bend(ref, cameraId);
        })) ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/walks/{walk}/forget")
    @Says("That walk is forgotten, and the sensor taken to be as the others say.")
    String forget(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("walk") long walk) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!walks.forget(ref.id(), cameraId, walk)) {
                throw new NoSuchPage();
            }
            bend(ref, cameraId);
        });
        return back(ref, cameraId);
    }

    /** A walk as its form says it; of no account where the form is not in order. */
    static SensorFit.Walked asked(Form form, boolean noticed, OptionalDouble seconds) {
        PlanPoint from = point(form, "from");
        PlanPoint to = point(form, "to");
        double air = form.decimal("air", "how warm the air is,", -50, 60, "°C");
        if (form.ok() && from.distanceM(to) < SensorFit.Walked.LEAST_M) {
            form.fault("toX", "Walk at least " + SensorFit.Walked.LEAST_M + " m.");
        } else if (form.ok() && from.distanceM(to) > SensorFit.Walked.MOST_M) {
            form.fault("toX", "Walk at most " + SensorFit.Walked.MOST_M + " m.");
        }
        return form.ok() ? new SensorFit.Walked(from, to, noticed, seconds, air, form.has("dark")) : null;
    }

    private static PlanPoint point(Form form, String which) {
        double x = form.decimal(which + "X", "x on the plan,", -PlanPoint.EXTENT_M, PlanPoint.EXTENT_M, "m");
        return new PlanPoint(x, form.decimal(which + "Y", "y on the plan,", -PlanPoint.EXTENT_M, PlanPoint.EXTENT_M, "m"));
    }

    /** Of the camera as it is planned: that is what its row is read by. */
    private String mark(HouseholdRef ref, long cameraId) {
        return cameras.get(ref.id(), cameraId).camera().sensingMark();
    }

    private void bend(HouseholdRef ref, long cameraId) {
        JudgedHousehold now = judged.of(ref.id());
        String mark = mark(ref, cameraId);
        List<SensorFit.Walked> counted = WalksView.counted(walks.of(ref.id()), cameraId, mark);
        SensorFit fit = now.judge().sensorFit(now.facts(), stated(now.camera(cameraId).camera()))
                .orElseThrow(() -> new BadInput("The house has no plan yet."));
        walks.bend(ref.id(), cameraId, counted.isEmpty() ? Optional.empty() : Optional.of(fit.fit(counted).motion()), mark);
    }

    /** With the sensor of its document. */
    private Camera stated(Camera camera) {
        return camera.noticing(models.get(camera.model().key()).motion());
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/walks";
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("walks", frame.judge().sensorFit(frame.facts(), stated(record.camera()))
                .map(fit -> WalksView.of(frame, stated(record.camera()), fit, walks.of(ref.id()), mark(ref, cameraId))).orElse(null));
        return "walks";
    }
}
