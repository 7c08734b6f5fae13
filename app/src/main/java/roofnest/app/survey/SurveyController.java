package roofnest.app.survey;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.household.HouseholdRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.pairing.CameraName;
import roofnest.core.plan.PlanDocument;
import roofnest.core.plan.PlanRefused;
import roofnest.core.promise.Stage;
import roofnest.core.view.MaskCell;

/** The board. */
@Controller
class SurveyController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final HouseholdRepository households;
    private final CameraRepository cameras;
    private final Catalogue catalogue;
    private final PlanDocument plans;
    private final TrialPoses trials;

    SurveyController(
            Frames frames, HouseholdChanges changes, HouseholdRepository households, CameraRepository cameras, Catalogue catalogue,
            PlanDocument plans, TrialPoses trials) {
        this.frames = frames;
        this.changes = changes;
        this.households = households;
        this.cameras = cameras;
        this.catalogue = catalogue;
        this.plans = plans;
        this.trials = trials;
    }

    @GetMapping("/households/{household}/survey")
    String board(
            HouseholdRef ref, @RequestParam(required = false) Long camera, @RequestParam(required = false) String storey, Model model) {
        return page(ref, camera, storey, model, Form.empty(), List.of());
    }

    /** Judges a pose that is being tried; saves nothing. */
    @PostMapping("/households/{household}/survey/cameras/{camera}/try")
    String tryPose(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody TrialPoses.Tried tried, Model model) {
        CameraRepository.Record stored = cameras.get(ref.id(), cameraId);
        model.addAttribute("live", trials.tried(trials.facts(ref), stored, tried.pose()));
        return "survey :: live";
    }

    /** Saves a pose, unless somebody else saved the camera since this page took it. */
    @PutMapping("/households/{household}/survey/cameras/{camera}/pose")
    String savePose(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody TrialPoses.Tried tried, Model model) {
        Set<MaskCell> masked = cameras.get(ref.id(), cameraId).camera().masked();
        changes.run(ref, Stage.SURVEY, () -> cameras.place(ref.id(), cameraId, tried.pose(), masked, tried.version()));
        model.addAttribute("live", trials.stored(trials.facts(ref), cameras.get(ref.id(), cameraId)));
        return "survey :: live";
    }

    /** Blacks out what shows a place that is promised never to be shown, or takes the mask off again. */
    @PostMapping("/households/{household}/survey/cameras/{camera}/mask")
    String mask(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam boolean on) {
        CameraRepository.Record stored = cameras.get(ref.id(), cameraId);
        Set<MaskCell> cells = on ? trials.masked(trials.facts(ref), stored) : Set.of();
        changes.run(ref, Stage.SURVEY, () -> cameras.place(ref.id(), cameraId, stored.camera().pose(), cells, stored.version()));
        return "redirect:" + ref.path() + "/survey?camera=" + cameraId;
    }

    @PostMapping("/households/{household}/survey/cameras")
    String add(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        HouseholdFacts facts = frames.frame(ref, Stage.SURVEY).facts();
        if (catalogue.find(form.raw("model")).isEmpty()) {
            form.fault("model", "Choose a model.");
        }
        if (facts.plan().isEmpty()) {
            form.fault("model", "Import the house's plan first; a camera needs a place on it.");
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, null, null, model, form, List.of());
        }
        String name = CameraName.suggest(
                facts.plan().get().places().isEmpty() ? "new" : facts.plan().get().places().get(0).name(), facts.cameras().stream().map(Camera::name).toList());
        long id = changes.make(ref, Stage.SURVEY, () -> cameras.add(
                ref.id(), name, form.raw("model"), FirstPose.on(facts.plan().get()), Camera.Settings.DEFAULT));
        return "redirect:" + ref.path() + "/survey?camera=" + id;
    }

    @PostMapping("/households/{household}/survey/plan")
    String importPlan(
            HouseholdRef ref, @RequestParam("plan") MultipartFile file, Model model, HttpServletResponse response, RedirectAttributes flash)
            throws IOException {
        try {
            String document = new String(file.getBytes(), StandardCharsets.UTF_8);
            String checked = plans.write(plans.read(document));
            changes.run(ref, Stage.SURVEY, () -> households.setPlan(ref.id(), checked));
            flash.addFlashAttribute("notice", "The plan was read and every promise judged on it.");
            return "redirect:" + ref.path() + "/survey";
        } catch (PlanRefused refused) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, null, null, model, Form.empty(), refused.faults().stream().map(Object::toString).toList());
        }
    }

    @GetMapping("/households/{household}/survey/plan.json")
    ResponseEntity<String> exportPlan(HouseholdRef ref) {
        String document = households.planDocument(ref.id()).orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"plan-" + ref.id() + ".json\"").body(document);
    }

    /** A small house to start one's own plan from. */
    @GetMapping("/households/{household}/survey/example-plan.json")
    ResponseEntity<ClassPathResource> examplePlan(HouseholdRef ref) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"example-plan.json\"").body(new ClassPathResource("/demo/plans/terrace.json"));
    }

    private String page(HouseholdRef ref, Long cameraId, String storeyId, Model model, Form form, List<String> planFaults) {
        Frame frame = frames.frame(ref, Stage.SURVEY, model);
        model.addAttribute("form", form);
        model.addAttribute("planFaults", planFaults);
        model.addAttribute("models", catalogue.models());
        model.addAttribute("board", BoardView.of(frame, storeyId));
        trials.shown(ref, frame.facts(), cameraId).ifPresent(live -> model.addAttribute("live", live));
        return "survey";
    }
}
