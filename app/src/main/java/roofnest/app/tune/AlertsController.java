package roofnest.app.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.DeviceRule;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** When cameras watch, whom they ring, and what one makes another do. */
@Controller
class AlertsController {
    private final Frames frames;
    private final Changes changes;
    private final AlertRepository alerts;
    private final JudgedHouseholds judged;
    private final RouterRepository routers;

    AlertsController(Frames frames, Changes changes, AlertRepository alerts, JudgedHouseholds judged, RouterRepository routers) {
        this.frames = frames;
        this.changes = changes;
        this.alerts = alerts;
        this.judged = judged;
        this.routers = routers;
    }

    @GetMapping("/households/{household}/tune/alerts")
    String alerts(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    @PostMapping("/households/{household}/tune/alerts/week")
    @Says("The week is kept as it is painted, and drawn by it.")
    String week(HouseholdRef ref, Form form, Model model) {
        return set(ref, form, model, AlertForms.week(form));
    }

    @PostMapping("/households/{household}/tune/alerts/does")
    @Says("What each camera does in each mode is kept; type it into the app too.")
    String does(HouseholdRef ref, Form form, Model model) {
        return set(ref, form, model, AlertForms.does(form, judged.of(ref.id()).facts().cameras()));
    }

    @PostMapping("/households/{household}/tune/alerts/phones/{person}")
    @Says("How that phone is rung is kept; set it on the phone too.")
    String phone(HouseholdRef ref, @PathVariable("person") long person, Form form, Model model) {
        JudgedHousehold now = judged.of(ref.id());
        AlertsView.requirePerson(now.facts(), person);
        return set(ref, form, model, AlertForms.phone(form, person, now.facts().cameras()));
    }

    @PostMapping("/households/{household}/tune/alerts/bells/{camera}")
    @Says("How the bell is answered is kept; set it in the app too.")
    String bell(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        Camera camera = judged.of(ref.id()).camera(cameraId).camera();
        if (camera.model().alerts().bell() == null) {
            throw new NoSuchPage();
        }
        return set(ref, form, model, BellView.read(form, camera));
    }

    @PostMapping("/households/{household}/tune/alerts/rules")
    @Says("The rule is kept; set it in the app too.")
    String rule(HouseholdRef ref, Form form, Model model) {
        return set(ref, form, model, AlertForms.rule(form, judged.of(ref.id()).facts().cameras()));
    }

    /** Takes a rule out; which one is told by what it says, so that of two who do it at once none takes out another. */
    @PostMapping("/households/{household}/tune/alerts/rules/{index}/out")
    @Says("The rule is taken out; take it out of the app too.")
    String out(HouseholdRef ref, @PathVariable("index") int index, Form form, Model model) {
        List<Camera> cameras = judged.of(ref.id()).facts().cameras();
        return set(ref, form, model, Optional.of(plan -> {
            if (index < 0 || index >= plan.rules().size()
                    || !AlertsView.words(plan.rules().get(index), cameras).equals(form.raw("says"))) {
                throw new Conflict("Somebody took that rule out meanwhile.");
            }
            List<DeviceRule> rules = new ArrayList<>(plan.rules());
            rules.remove(index);
            return plan.withRules(rules);
        }));
    }

    private String set(HouseholdRef ref, Form form, Model model, Optional<UnaryOperator<AlertPlan>> change) {
        int version = form.version();
        return form.save("whole", () -> changes.run(ref, Stage.TUNE, () -> alerts.say(ref.id(), change.orElseThrow()
                .apply(alerts.of(ref.id()).plan()), version))) ? "redirect:" + ref.path() + "/tune/alerts" : page(ref, form, model);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        AlertRepository.Said said = alerts.of(ref.id());
        model.addAttribute("form", form);
        model.addAttribute("alerts", AlertsView.of(frame, said, routers.of(ref.id()).upMbps(), frame.cameras().isEmpty()
                ? Optional.empty() : frame.judge().weekOutcome(frame.facts())));
        return "alerts";
    }
}
