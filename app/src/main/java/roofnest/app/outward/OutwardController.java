package roofnest.app.outward;

import java.net.URI;
import java.time.Clock;

import jakarta.servlet.http.HttpServletResponse;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.Site;

/** Keys for the firm's own scripts, and addresses that are told what is due. */
@Controller
class OutwardController {
    private final ScriptKeys keys;
    private final DueHooks hooks;
    private final HookAddresses addresses;
    private final Site site;
    private final Clock clock;

    OutwardController(ScriptKeys keys, DueHooks hooks, HookAddresses addresses, Site site, Clock clock) {
        this.keys = keys;
        this.hooks = hooks;
        this.addresses = addresses;
        this.site = site;
        this.clock = clock;
    }

    @GetMapping("/people/scripts")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String show(@AuthenticationPrincipal Staff staff, Model model) {
        return page(staff, Form.empty(), model);
    }

    /** Shown once, on the page that answers; the database keeps its hash alone. */
    @PostMapping("/people/scripts/keys")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String key(@AuthenticationPrincipal Staff staff, Form form, Model model, HttpServletResponse response) {
        String name = form.text("name", "what the key is for", 80);
        form.save("name", () -> model.addAttribute("word", keys.fresh(staff, name)));
        return once(staff, form, model, response);
    }

    @PostMapping("/people/scripts/keys/{given}/end")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The key opens nothing any more.")
    String endKey(@AuthenticationPrincipal Staff staff, @PathVariable("given") long id) {
        if (!keys.end(staff, id)) {
            throw new Conflict("There is no key to end.");
        }
        return "redirect:/people/scripts";
    }

    @PostMapping("/people/scripts/hooks")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String hook(@AuthenticationPrincipal Staff staff, Form form, Model model, HttpServletResponse response) {
        String url = form.text("url", "the address", 400);
        if (form.faultAt("url") == null) {
            addresses.fault(url).ifPresent(fault -> form.fault("url", fault));
        }
        form.save("url", () -> model.addAttribute("signing", hooks.add(staff, URI.create(url.strip()))));
        return once(staff, form, model, response);
    }

    @PostMapping("/people/scripts/hooks/{given}/end")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The address is told nothing any more.")
    String endHook(@AuthenticationPrincipal Staff staff, @PathVariable("given") long id) {
        if (!hooks.end(staff, id)) {
            throw new Conflict("There is no address to end.");
        }
        return "redirect:/people/scripts";
    }

    private String once(Staff staff, Form form, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        return page(staff, form.ok() ? Form.empty() : form, model);
    }

    private String page(Staff staff, Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("keys", keys.of(staff.firmId()));
        model.addAttribute("hooks", hooks.of(staff.firmId()));
        model.addAttribute("told", hooks.latest(staff.firmId()));
        model.addAttribute("site", site.address());
        model.addAttribute("zone", clock.getZone());
        return "scripts";
    }
}
