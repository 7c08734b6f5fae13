package roofnest.app.ready;

import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.SafeCredentials;
import roofnest.core.promise.Stage;

@Controller
class ReadyController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final NetworkRepository networks;
    private final SecretStore secrets;

    ReadyController(Frames frames, HouseholdChanges changes, NetworkRepository networks, SecretStore secrets) {
        this.frames = frames;
        this.changes = changes;
        this.networks = networks;
        this.secrets = secrets;
    }

    @GetMapping("/households/{household}/ready")
    String ready(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/ready/network")
    String save(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        int version = form.version();
        NetworkForm.Read read = NetworkForm.read(form, secrets.wifiPasswordForRules(ref.id()));
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, model, form);
        }
        try {
            changes.run(ref, Stage.READY, () -> networks.save(ref.id(), read.network(), version, ref.by()));
        } catch (StaleEdit stale) {
            response.setStatus(HttpStatus.CONFLICT.value());
            form.put("version", String.valueOf(stale.currentVersion()));
            model.addAttribute("stale", stale.getMessage() + " What you typed is still here; save again to put it over theirs.");
            return page(ref, model, form);
        }
        return "redirect:" + ref.path() + "/ready";
    }

    /** Takes the suggested name and password for the house; the router has to be set to them by hand. */
    @PostMapping("/households/{household}/ready/take-suggestion")
    String takeSuggestion(HouseholdRef ref, RedirectAttributes flash) {
        Frame frame = frames.frame(ref, Stage.READY);
        HomeNetwork now = frame.facts().network().orElseThrow(NoSuchPage::new);
        SafeCredentials safe = ReadyView.suggestion(frame, now);
        int version = networks.find(ref.id()).orElseThrow(NoSuchPage::new).version();
        changes.run(ref, Stage.READY, () -> networks.save(
                ref.id(), new HomeNetwork(safe.name(), safe.password(), now.bands(), now.security(), now.hidden()), version, ref.by()));
        flash.addFlashAttribute("notice", "Noted. Set the router to this name and password, then rejoin what is listed below.");
        return "redirect:" + ref.path() + "/ready";
    }

    @PostMapping("/households/{household}/ready/reveal")
    @PreAuthorize("hasAuthority('REVEAL')")
    String reveal(HouseholdRef ref, RedirectAttributes flash) {
        secrets.revealWifiPassword(ref, "shown at Ready").ifPresent(password -> flash.addFlashAttribute("wifiPassword", password));
        return "redirect:" + ref.path() + "/ready";
    }

    @PostMapping("/households/{household}/ready/things")
    String addThing(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        String name = form.text("thing", "what else is on the Wi-Fi", 60);
        int howMany = form.whole("howMany", "how many", 1, 99, "things");
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, model, form);
        }
        changes.run(ref, Stage.READY, () -> networks.addOtherThing(ref.id(), name, howMany));
        return "redirect:" + ref.path() + "/ready";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("ready", ReadyView.of(frame, networks.find(ref.id()), networks.otherThings(ref.id())));
        return "ready";
    }
}
