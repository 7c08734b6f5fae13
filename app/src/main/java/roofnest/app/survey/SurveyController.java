package roofnest.app.survey;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;

import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.web.Conflict;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Form;
import roofnest.app.web.ImportRefused;
import roofnest.app.web.NoSuchPage;
import roofnest.core.spots.FirstSpot;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Promise;
import roofnest.core.plan.Place;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.document.DocumentRefused;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.pairing.CameraName;
import roofnest.core.plan.GeoJson;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.promise.Stage;

/** The board: its page, cameras put on it, plans brought in and taken out. */
@Controller
class SurveyController {
    private final Frames frames;
    private final Changes changes;
    private final HouseholdRepository households;
    private final CameraRepository cameras;
    private final Models models;
    private final PlanDocument plans;
    private final PlanSteps steps;
    private final BoardPages pages;

    SurveyController(
            Frames frames, Changes changes, HouseholdRepository households, CameraRepository cameras, Models models,
            PlanDocument plans, PlanSteps steps, BoardPages pages) {
        this.frames = frames;
        this.changes = changes;
        this.households = households;
        this.cameras = cameras;
        this.models = models;
        this.plans = plans;
        this.steps = steps;
        this.pages = pages;
    }

    @GetMapping("/households/{household}/survey")
    String board(HouseholdRef ref, @RequestParam Map<String, String> said, Model model) {
        return pages.board(ref, Form.empty(), said, model);
    }

    @PostMapping("/households/{household}/survey/cameras")
    String add(HouseholdRef ref, Form form, Model model, RedirectAttributes flash) {
        Frame frame = frames.frame(ref, Stage.SURVEY);
        HouseholdFacts facts = frame.facts();
        Optional<DeviceModel> chosen = models.find(ref.staff().firmId(), form.raw("model"));
        if (chosen.isEmpty()) {
            form.fault("model", "Choose a model.");
        }
        if (facts.plan().isEmpty()) {
            form.fault("model", "Draw or import the house's plan first; a camera needs a place on it.");
        }
        AtomicLong added = new AtomicLong();
        boolean saved = form.save(() -> {
            // Looked for before anybody is kept waiting; a camera that came meanwhile is asked about below.
            FirstSpot.Spot spot = FirstSpot.of(frame.judge(), facts, chosen.orElseThrow());
            added.set(changes.make(ref, Stage.SURVEY, () -> {
                List<Camera> now = cameras.of(ref.id());
                if (now.stream().anyMatch(each -> each.pose().onPlan().distanceM(spot.pose().onPlan()) < FirstSpot.APART_M)) {
                    throw new Conflict("Somebody else put a camera at this very spot meanwhile. Ask again.");
                }
                return cameras.add(ref.id(), CameraName.suggest(placeOf(spot, facts), now.stream().map(Camera::name).toList()),
                        form.raw("model"), spot.pose(), Camera.Settings.DEFAULT);
            }));
            flash.addFlashAttribute("notice", spot.promise()
                    .map(key -> "The camera is on the plan where it keeps: " + wording(frame, key) + ".")
                    .orElse("The camera is on the plan. No spot was found that keeps a promise still wanting; move it where it belongs."));
        });
        return saved ? "redirect:" + ref.path() + "/survey?camera=" + added.get() : pages.board(ref, form, Map.of(), model);
    }

    private static String wording(Frame frame, PromiseKey key) {
        return frame.judgement().promises().stream().filter(judged -> judged.promise().key().equals(key)).findFirst().orElseThrow()
                .wording();
    }

    /** What the camera looks at, for its name. */
    private static String placeOf(FirstSpot.Spot spot, HouseholdFacts facts) {
        HousePlan plan = facts.plan().orElseThrow();
        Optional<String> watched
                = spot.promise().flatMap(key -> facts.written().stream().filter(each -> each.key().equals(key)).findFirst())
                        .flatMap(promise -> promise instanceof Promise.MakeOut out ? plan.place(out.placeId())
                                : promise instanceof Promise.RecordedBefore before ? plan.place(before.placeId()) : Optional.empty())
                        .map(Place::name);
        return watched.orElse(plan.places().isEmpty() ? "new" : plan.places().get(0).name());
    }

    @PostMapping("/households/{household}/survey/plan")
    String importPlan(HouseholdRef ref, @RequestParam("plan") MultipartFile file, Form form, Model model, RedirectAttributes flash)
            throws IOException {
        boolean saved = form.bring("plan", () -> {
            String document = new String(file.getBytes(), StandardCharsets.UTF_8);
            String checked = plans.write(read(document));
            changes.run(ref, Stage.SURVEY,
                    () -> steps.take(ref.id(), checked, "a plan brought in", ref.by(), steps.state(ref.id()).version()));
        });
        if (!saved) {
            return pages.board(ref, form, Map.of(), model);
        }
        flash.addFlashAttribute("notice", "The plan was read and every promise judged on it.");
        return "redirect:" + ref.path() + "/survey";
    }

    private HousePlan read(String document) throws ImportRefused {
        try {
            return document.contains("\"FeatureCollection\"") ? new GeoJson(plans).read(document) : plans.read(document);
        } catch (DocumentRefused refused) {
            throw new ImportRefused(refused.faults().stream().map(Object::toString).toList());
        }
    }

    @GetMapping("/households/{household}/survey/plan.json")
    ResponseEntity<String> exportPlan(HouseholdRef ref) {
        return download(households.planDocument(ref.id()).orElseThrow(NoSuchPage::new), "plan-" + ref.id() + ".json",
                MediaType.APPLICATION_JSON);
    }

    @GetMapping("/households/{household}/survey/plan.geojson")
    ResponseEntity<String> exportGeoJson(HouseholdRef ref) {
        HousePlan plan = frames.frame(ref, Stage.SURVEY).facts().plan().orElseThrow(NoSuchPage::new);
        return download(new GeoJson(plans).write(plan), "plan-" + ref.id() + ".geojson", MediaType.parseMediaType("application/geo+json"));
    }

    /** A small house to start one's own plan from. */
    @GetMapping("/households/{household}/survey/example-plan.json")
    ResponseEntity<ClassPathResource> examplePlan(HouseholdRef ref) {
        return download(new ClassPathResource("/demo/plans/terrace.json"), "example-plan.json", MediaType.APPLICATION_JSON);
    }

    private static <T> ResponseEntity<T> download(T body, String name, MediaType type) {
        return ResponseEntity.ok().contentType(type).header("Content-Disposition", "attachment; filename=\"" + name + "\"").body(body);
    }
}
