package roofnest.app.tune;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.ClimateRepository;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

@Controller
class TuneController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final ClimateRepository climates;

    TuneController(Frames frames, Changes changes, CameraRepository cameras, ClimateRepository climates) {
        this.climates = climates;
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
    }

    @GetMapping("/households/{household}/tune")
    String tune(HouseholdRef ref, @RequestParam(required = false) Long camera, Model model) {
        return page(ref, camera, model, Form.empty());
    }

    @PostMapping("/households/{household}/tune/{camera}")
    @Says("The settings are kept, and the promises judged by them.")
    String save(
            HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        int version = form.version();
        Camera.Settings settings = read(form, cameras.get(ref.id(), cameraId).camera().model());
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> cameras.tune(ref.id(), cameraId, settings, null, version)))
                ? "redirect:" + ref.path() + "/tune?camera=" + cameraId : page(ref, cameraId, model, form);
    }

    /** Sets the sensor's step and the kinds that count. */
    @PostMapping("/households/{household}/tune/{camera}/watch")
    @Says("What counts is set here; type it into the camera’s own app too.")
    String watch(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        AlertSpec alerts = cameras.get(ref.id(), cameraId).camera().model().alerts();
        int step = form.whole("sensitivity", "a step of its sensitivity", 0, alerts.sensitivity().size() - 1, "");
        Set<AlertSpec.Kind> kinds = alerts.kinds().stream().map(AlertSpec.KindOf::kind)
                .filter(kind -> form.has("kind-" + kind.name().toLowerCase(Locale.ROOT))).collect(Collectors.toSet());
        if (kinds.isEmpty()) {
            form.fault("kinds", "Let at least one kind count; a camera for which nothing does is off.");
        }
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE,
                () -> cameras.watch(ref.id(), cameraId, new Camera.Watching(step, kinds), version)))
                        ? "redirect:" + ref.path() + "/tune?camera=" + cameraId + "#watch" : page(ref, cameraId, model, form);
    }

    @PostMapping("/households/{household}/tune/climate")
    @Says("The climate is kept, and the batteries reckoned by it.")
    String climate(HouseholdRef ref, @RequestParam(required = false) Long camera, Form form, Model model) {
        ClimateRepository.Set set = ClimateView.read(form, climates.climates());
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> climates.set(ref.id(), set)))
                ? "redirect:" + ref.path() + "/tune" + (camera == null ? "" : "?camera=" + camera) : page(ref, camera, model, form);
    }

    private static Camera.Settings read(Form form, DeviceModel model) {
        int clip = form.whole("clipSeconds", "a clip length", model.recording().clipMinSeconds(), model.recording().clipMaxSeconds(), "s");
        int coolDown = form.whole("coolDownSeconds", "a cool-down", 0, 3600, "s");
        int card = form.whole("cardGb", "a card size", 0, model.recording().cardMaxGb(), "GB");
        double visits = form.decimal("visitsPerDay", "visits a day", 0, 2000, "a day");
        double live = form.decimal("liveMinutes", "live minutes a day", 0, 1440, "min");
        double sky = model.power().panelW() > 0 ? form.decimal("openSky", "how much open sky the panel has,", 0, 100, "%") / 100 : 0;
        double slope = model.power().panelW() > 0 ? form.decimal("panelSlope", "how the panel leans,", 0, 90, "°") : 0;
        double faces = model.power().panelW() > 0 ? form.decimal("panelHeading", "which way the panel faces,", 0, 360, "°") : 0;
        int charge = model.power().onBattery() ? form.whole("chargeEveryDays", "how often it is charged,", 0, 365, "days") : 0;
        return form.ok() ? new Camera.Settings(clip, coolDown, card, visits, live, sky, charge, slope, faces) : Camera.Settings.DEFAULT;
    }

    private String page(HouseholdRef ref, Long cameraId, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        List<CameraRepository.Record> all = frame.cameras();
        model.addAttribute("form", form);
        model.addAttribute("cameras", all);
        model.addAttribute("climate", ClimateView.of(climates.of(ref.id()), frame.facts(), climates.climates()));
        all.stream().filter(record -> cameraId == null || record.id() == cameraId).findFirst()
                .ifPresent(record -> model.addAttribute("tune", TuneView.of(frame, record, frame.judge())));
        return "tune";
    }
}
