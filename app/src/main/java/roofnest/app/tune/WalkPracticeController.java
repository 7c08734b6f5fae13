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
import roofnest.app.web.Says;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.week.SensorFit;
import roofnest.standins.sensing.SensorStandIn;

/** Walks before a stand-in of a camera's sensor, for practice: it is otherwise than its document says, and walking finds out how. */
@Controller
class WalkPracticeController {
    private static final int MOST_ROUNDS = 10_000;
    private static final int MOST_WALKS = 100;

    private final Frames frames;
    private final Changes changes;
    private final SensorWalkRepository walks;
    private final JudgedHouseholds judged;
    private final Models models;

    WalkPracticeController(Frames frames, Changes changes, SensorWalkRepository walks, JudgedHouseholds judged, Models models) {
        this.frames = frames;
        this.changes = changes;
        this.walks = walks;
        this.judged = judged;
        this.models = models;
    }

    @GetMapping("/households/{household}/tune/{camera}/walks/practice")
    String practice(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** The stand-in answers a walk. */
    @PostMapping("/households/{household}/tune/{camera}/walks/practice")
    @Says("The stand-in answered. It bends no real sensor.")
    String walked(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        SensorFit.Walked asked = WalksController.asked(form, true, OptionalDouble.empty());
        int round = round(ref, cameraId, form);
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            Camera camera = stated(now.camera(cameraId));
            SensorFit fit = now.judge().sensorFit(now.facts(), camera).orElseThrow(() -> new BadInput("The house has no plan yet."));
            int nth = walks.practised(ref.id(), cameraId, round).size();
            if (nth >= MOST_WALKS) {
                throw new BadInput("That are " + MOST_WALKS + " walks; take another stand-in.");
            }
            walks.practise(ref.id(), cameraId, round, standIn(fit, cameraId, round).answer(asked, nth), camera.sensingMark(), ref.by());
        })) ? "redirect:" + ref.path() + "/tune/" + cameraId + "/walks/practice?round=" + round : page(ref, cameraId, form, model);
    }

    private int round(HouseholdRef ref, long cameraId, Form form) {
        return form.raw("round").isBlank() ? walks.round(ref.id(), cameraId) : form.whole("round", "which round,", 1, MOST_ROUNDS, "");
    }

    /** One for each camera and round. */
    private static SensorStandIn standIn(SensorFit fit, long cameraId, int round) {
        return new SensorStandIn(fit, cameraId * MOST_ROUNDS + round);
    }

    /** With the sensor of its document. */
    private Camera stated(CameraRepository.Record record) {
        return record.camera().noticing(models.get(record.camera().model().key()).motion());
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        Camera camera = stated(record);
        int round = round(ref, cameraId, form);
        List<SensorWalkRepository.Row> practised = walks.practised(ref.id(), cameraId, round);
        Optional<SensorFit> fit = frame.judge().sensorFit(frame.facts(), camera);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("round", round);
        model.addAttribute("walks", fit.map(f -> WalksView.of(frame, camera, f, practised, camera.sensingMark())).orElse(null));
        model.addAttribute("truth", fit.filter(f -> form.has("look") && !practised.isEmpty()).map(f -> WalksView.truth(
                standIn(f, cameraId, round).truth(), f.fit(WalksView.counted(practised, cameraId, camera.sensingMark())), f.stated()))
                .orElse(""));
        return "walk-practice";
    }
}
