package roofnest.app.survey;

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
import roofnest.app.household.Judges;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.promise.Stage;
import roofnest.core.spots.BetterSpot;
import roofnest.core.spots.FewestCameras;

/** Better spots, fewest cameras, and variants kept and compared. */
@Controller
class SpotsController {
    private final Frames frames;
    private final Judges judges;
    private final CameraRepository cameras;
    private final HouseholdChanges changes;
    private final Variants variants;
    private final VariantRepository kept;
    private final BoardPages pages;

    SpotsController(
            Frames frames, Judges judges, CameraRepository cameras, HouseholdChanges changes, Variants variants, VariantRepository kept,
            BoardPages pages) {
        this.frames = frames;
        this.judges = judges;
        this.cameras = cameras;
        this.changes = changes;
        this.variants = variants;
        this.kept = kept;
        this.pages = pages;
    }

    @PostMapping("/households/{household}/survey/cameras/{camera}/spots")
    String better(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        HouseholdFacts facts = facts(ref);
        Camera camera = cameras.get(ref.id(), cameraId).camera();
        model.addAttribute("spots", SpotsView.of(BetterSpot.forCamera(judges.of(facts), facts, camera)));
        return "survey :: spots";
    }

    @PostMapping("/households/{household}/survey/cameras/{camera}/fewest")
    String fewest(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        HouseholdFacts facts = facts(ref);
        Camera camera = cameras.get(ref.id(), cameraId).camera();
        model.addAttribute("spots", SpotsView.of(FewestCameras.of(judges.of(facts), facts, camera.model()), camera.model().fullName()));
        return "survey :: spots";
    }

    @PostMapping("/households/{household}/survey/variants")
    String keep(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        String name = form.text("variantName", "a name for the variant", 60);
        List<VariantRepository.Name> names = kept.names(ref.id());
        if (names.stream().anyMatch(other -> other.name().equalsIgnoreCase(name))) {
            form.fault("variantName", "A variant has this name already; choose another.");
        } else if (names.size() >= VariantRepository.MOST) {
            form.fault("variantName", "A house keeps " + VariantRepository.MOST + " variants; take one out first.");
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return pages.board(ref, form, values, model);
        }
        HouseholdFacts facts = facts(ref);
        changes.run(ref, Stage.SURVEY, () -> variants.keep(ref, facts, name));
        return "redirect:" + ref.path() + "/survey/compare";
    }

    @GetMapping("/households/{household}/survey/compare")
    String compare(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.SURVEY, model);
        model.addAttribute("compare", CompareView.of(variants.judged(ref, frame.facts())));
        return "compare";
    }

    @PostMapping("/households/{household}/survey/variants/{variant}/take")
    String take(HouseholdRef ref, @PathVariable("variant") long id) {
        HouseholdFacts facts = facts(ref);
        changes.run(ref, Stage.SURVEY, () -> variants.take(ref, facts, id));
        return "redirect:" + ref.path() + "/survey";
    }

    @PostMapping("/households/{household}/survey/variants/{variant}/remove")
    String remove(HouseholdRef ref, @PathVariable("variant") long id) {
        changes.run(ref, Stage.SURVEY, () -> {
            if (!kept.remove(ref.id(), id)) {
                throw new NoSuchPage();
            }
        });
        return "redirect:" + ref.path() + "/survey/compare";
    }

    private HouseholdFacts facts(HouseholdRef ref) {
        HouseholdFacts facts = frames.frame(ref, Stage.SURVEY).facts();
        if (facts.plan().isEmpty()) {
            throw new BadInput("The house has no plan yet.");
        }
        return facts;
    }
}
