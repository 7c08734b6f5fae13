package roofnest.app.survey;

import java.util.List;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PriceBook;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.spots.BetterSpot;
import roofnest.core.spots.FewestCameras;

/** Better spots, fewest cameras, and variants kept and compared. */
@Controller
class SpotsController {
    private final Frames frames;
    private final JudgedHouseholds households;
    private final Changes changes;
    private final Variants variants;
    private final VariantRepository kept;
    private final BoardPages pages;
    private final FewestTaken taken;
    private final Models models;
    private final PriceBook prices;

    SpotsController(
            Frames frames, JudgedHouseholds households, Changes changes, Variants variants, VariantRepository kept,
            BoardPages pages, FewestTaken taken, Models models, PriceBook prices) {
        this.frames = frames;
        this.households = households;
        this.changes = changes;
        this.variants = variants;
        this.kept = kept;
        this.pages = pages;
        this.taken = taken;
        this.models = models;
        this.prices = prices;
    }

    @PostMapping("/households/{household}/survey/cameras/{camera}/spots")
    String better(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        JudgedHousehold household = planned(ref);
        Camera camera = household.camera(cameraId).camera();
        model.addAttribute("spots", SpotsView.of(BetterSpot.forCamera(household.judge(), household.facts(), camera)));
        return "survey :: spots";
    }

    @PostMapping("/households/{household}/survey/cameras/{camera}/fewest")
    String fewest(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        JudgedHousehold household = planned(ref);
        DeviceModel device = household.camera(cameraId).camera().model();
        model.addAttribute("cameraId", cameraId);
        frames.frame(ref, Stage.SURVEY, model);
        model.addAttribute("spots", SpotsView.of(FewestCameras.of(household.judge(), household.facts(), device), device.fullName()));
        return "survey :: spots";
    }

    /** Of every model for outdoors that the price book prices. */
    @PostMapping("/households/{household}/survey/cameras/{camera}/fewest/mixed")
    String fewestMixed(HouseholdRef ref, @PathVariable("camera") long cameraId, Model model) {
        JudgedHousehold household = planned(ref);
        model.addAttribute("cameraId", household.camera(cameraId).camera().id());
        frames.frame(ref, Stage.SURVEY, model);
        PricedModels priced = PricedModels.of(models, prices, ref.staff().firmId());
        model.addAttribute("spots", priced.offers().isEmpty() ? SpotsView.unpriced()
                : SpotsView.of(FewestCameras.of(household.judge(), household.facts(), priced.offers()), priced));
        return "survey :: spots";
    }

    /** All that were found, with one key. @param pose of each */
    @PostMapping("/households/{household}/survey/cameras/{camera}/fewest/take")
    String takeFewest(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "") List<String> pose,
            RedirectAttributes flash) {
        JudgedHousehold household = planned(ref);
        household.camera(cameraId);
        flash.addFlashAttribute("notice", taken.take(ref, household, pose));
        return "redirect:" + ref.path() + "/survey?panel=spots";
    }

    @PostMapping("/households/{household}/survey/variants")
    @Says("The variant is kept.")
    String keep(HouseholdRef ref, Form form, Model model) {
        String name = form.text("variantName", "a name for the variant", 60);
        return form.save(() -> variants.keep(ref, name, form)) ? "redirect:" + ref.path() + "/survey/compare"
                : pages.board(ref, form, form.values(), model);
    }

    @GetMapping("/households/{household}/survey/compare")
    String compare(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.SURVEY, model);
        model.addAttribute("compare", CompareView.of(variants.judged(ref.id(), frame.judged())));
        return "compare";
    }

    @PostMapping("/households/{household}/survey/variants/{variant}/take")
    @Says("The plan and cameras of this variant stand now.")
    String take(HouseholdRef ref, @PathVariable("variant") long id) {
        changes.run(ref, Stage.SURVEY, () -> variants.take(ref, id));
        return "redirect:" + ref.path() + "/survey";
    }

    @PostMapping("/households/{household}/survey/variants/{variant}/remove")
    @Says("The variant is taken out.")
    String remove(HouseholdRef ref, @PathVariable("variant") long id) {
        changes.run(ref, Stage.SURVEY, () -> {
            if (!kept.remove(ref.id(), id)) {
                throw new NoSuchPage();
            }
        });
        return "redirect:" + ref.path() + "/survey/compare";
    }

    private JudgedHousehold planned(HouseholdRef ref) {
        JudgedHousehold household = households.of(ref.id());
        if (household.facts().plan().isEmpty()) {
            throw new BadInput("The house has no plan yet.");
        }
        return household;
    }
}
