package roofnest.app.tune;

import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.PriceBook;
import roofnest.app.records.RouterRepository;
import roofnest.core.footage.CloudPlan;
import roofnest.core.promise.Stage;

/** Where each camera's footage can be kept, what that costs, and what is left of it when something is taken. */
@Controller
class FootageController {
    private final Frames frames;
    private final HubRepository hubs;
    private final CloudPlanRepository plans;
    private final PriceBook prices;
    private final RouterRepository routers;
    private final Models models;

    FootageController(Frames frames, HubRepository hubs, CloudPlanRepository plans, PriceBook prices, RouterRepository routers,
            Models models) {
        this.frames = frames;
        this.hubs = hubs;
        this.plans = plans;
        this.prices = prices;
        this.routers = routers;
        this.models = models;
    }

    @GetMapping("/households/{household}/tune/footage")
    String footage(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        List<String> withCard = hubs.of(ref.id()).stream().map(HubRepository.Hub::modelKey).filter(key -> models.hub(key).cardMaxGb() > 0)
                .toList();
        List<CloudPlan> keeping = plans.of(ref.staff().firmId()).stream().filter(plan -> plan.keepsDays() > 0).toList();
        Optional<Double> up = routers.of(ref.id()).upMbps();
        model.addAttribute("footage", FootageView.of(frame, new FootageView.House(withCard, keeping, prices.prices(ref.staff().firmId()),
                prices.money(ref.staff().firmId()).currency(), up)));
        return "footage";
    }
}
