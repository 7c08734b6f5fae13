package roofnest.app.price;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.records.Changes;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.PriceBook;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.footage.CloudPlan;

/** Paid plans of makers, as the firm knows them. */
@Controller
class PlansController {
    private static final double MOST_PRICE = 1_000_000;

    private final CloudPlanRepository plans;
    private final PriceBook prices;
    private final Models models;
    private final FootageRepository footage;
    private final Changes changes;
    private final TransactionTemplate transaction;

    PlansController(CloudPlanRepository plans, PriceBook prices, Models models, FootageRepository footage, Changes changes,
            TransactionTemplate transaction) {
        this.footage = footage;
        this.changes = changes;
        this.transaction = transaction;
        this.plans = plans;
        this.prices = prices;
        this.models = models;
    }

    @GetMapping("/models/plans")
    String plans(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        return page(staff, form, model);
    }

    @PostMapping("/models/plans")
    @Needs(Role.Permission.MODELS)
    @Says("The plan is kept; settings that need it say what it costs.")
    String say(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        CloudPlan plan = read(form);
        int version = form.raw("id").isBlank() ? 0 : form.version();
        return form.save("name", () -> say(staff, plan, version)) ? "redirect:/models/plans" : page(staff, form, model);
    }

    /** Houses with a camera on it are judged anew by what it keeps now. */
    private void say(Staff staff, CloudPlan plan, int version) {
        plans.say(staff.firmId(), plan, version);
        footage.onPlan(plan.id()).forEach(household -> changes.byHousehold(household, () -> {}));
    }

    @PostMapping("/models/plans/{plan}/remove")
    @Needs(Role.Permission.MODELS)
    @Says("The plan is taken out.")
    String remove(@AuthenticationPrincipal Staff staff, @PathVariable("plan") long plan) {
        if (!plans.remove(staff.firmId(), plan)) {
            throw new NoSuchPage();
        }
        return "redirect:/models/plans";
    }

    /** What keeping footage costs a household, besides plans: they count for every job from now on. */
    @PostMapping("/models/plans/storage")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The prices are kept; they count for every job from now on.")
    String storage(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        PlansView.storage(Map.of()).stream().filter(field -> !form.raw(field.field()).isBlank())
                .forEach(field -> form.decimal(field.field(),
                        "a price", 0, MOST_PRICE, "at most"));
        return form.save(() -> transaction.executeWithoutResult(status -> PlansView.storage(Map.of()).forEach(field -> {
            if (form.raw(field.field()).isBlank()) {
                prices.clear(staff.firmId(), field.key());
            } else {
                prices.set(staff.firmId(), field.key(), Math.round(100 * form.decimal(field.field(), "a price", 0, MOST_PRICE, "at most")));
            }
        }))) ? "redirect:/models/plans#storage" : page(staff, form, model);
    }

    private static CloudPlan read(Form form) {
        int id = form.raw("id").isBlank() ? 0 : form.whole("id", "which plan", 1, Integer.MAX_VALUE, "");
        String name = form.text("name", "what the plan is called", 60);
        String maker = form.text("maker", "whose cameras it is for", 60);
        double price = form.decimal("price", "what a month costs,", 0, CloudPlan.MOST_CENTS / 100.0, "a month");
        int cameras = form.raw("cameras").isBlank() ? 0 : form.whole("cameras", "how many cameras one covers,", 0, CloudPlan.MOST_CAMERAS,
                "cameras");
        int days = form.whole("days", "how many days it keeps,", 0, CloudPlan.MOST_DAYS, "days");
        int clip = form.whole("clip", "its longest clip,", 1, CloudPlan.MOST_CLIP_S, "s");
        Set<AlertSpec.Kind> kinds = Arrays.stream(AlertSpec.Kind.values()).filter(kind -> form.has("kind-" + kind.name().toLowerCase(
                java.util.Locale.ROOT))).collect(Collectors.toSet());
        return form.ok() ? new CloudPlan(id, name, maker, Math.round(100 * price), cameras, days, clip, kinds) : null;
    }

    private String page(Staff staff, Form form, Model model) {
        List<CloudPlanRepository.Row> rows = plans.rows(staff.firmId());
        String currency = prices.money(staff.firmId()).currency();
        model.addAttribute("form", form);
        model.addAttribute("plans", PlansView.of(rows, currency, form.raw("edit")));
        model.addAttribute("storage", PlansView.storage(prices.prices(staff.firmId())));
        model.addAttribute("currency", currency);
        model.addAttribute("makers", models.of(staff.firmId()).stream().map(DeviceModel::maker).distinct().sorted().toList());
        model.addAttribute("kinds", AlertSpec.Kind.values());
        return "plans";
    }
}
