package roofnest.app.firm;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.Site;

/** One's own password, and what the owner does with the accounts of the firm's people. */
@Controller
class AccountController {
    private final Accounts accounts;
    private final PeoplePages pages;
    private final KnownDevices devices;
    private final Site site;

    AccountController(Accounts accounts, PeoplePages pages, KnownDevices devices, Site site) {
        this.accounts = accounts;
        this.pages = pages;
        this.devices = devices;
        this.site = site;
    }

    @PostMapping("/people/password")
    @Says("Your password is changed. You are signed out everywhere else.")
    String changeOwn(@AuthenticationPrincipal Staff staff, Form form, Model model, HttpServletRequest request) {
        return form.save(() -> accounts.changeOwn(staff, form, request.getSession().getId())) ? "redirect:/people"
                : pages.page(staff, model, form);
    }

    @PostMapping("/people/{person}/role")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The role is set. It is felt at their next click.")
    String role(@AuthenticationPrincipal Staff staff, @PathVariable("person") long person, Form form, Model model) {
        Role role = form.choice("role", "a role", Role.class);
        return after(form.ok() && form.save("account", () -> accounts.setRole(staff, person, role)), staff, model, form);
    }

    @PostMapping("/people/{person}/block")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("Blocked, and signed out everywhere.")
    String block(@AuthenticationPrincipal Staff staff, @PathVariable("person") long person, Form form, Model model) {
        return after(form.save("account", () -> accounts.block(staff, person)), staff, model, form);
    }

    @PostMapping("/people/{person}/unblock")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("They can sign in again.")
    String unblock(@AuthenticationPrincipal Staff staff, @PathVariable("person") long person, Form form, Model model) {
        return after(form.save("account", () -> accounts.unblock(staff, person)), staff, model, form);
    }

    /** Shown once, in the answer itself: it is kept nowhere, so it cannot be shown again. */
    @PostMapping("/people/{person}/reset")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String makeReset(@AuthenticationPrincipal Staff staff, @PathVariable("person") long person, Form form, Model model,
            HttpServletResponse response) {
        if (form.save("account", () -> model.addAttribute("resetLink", site.address() + "/reset/" + accounts.makeReset(staff, person)))) {
            response.setHeader("Cache-Control", "no-store");
        }
        return pages.page(staff, model, form);
    }

    @GetMapping("/reset/{token}")
    String reset(@PathVariable String token, Model model, HttpServletResponse response) {
        return resetPage(token, Form.empty(), model, response);
    }

    @PostMapping("/reset/{token}")
    String reset(@PathVariable String token, Form form, Model model, HttpServletRequest request, HttpServletResponse response) {
        // Whoever has the link is let in by it, whatever others guessed meanwhile: their browser is known from here on.
        return form.save(() -> {
            Staff person = accounts.reset(token, form);
            if (form.ok()) {
                devices.remember(person, request, response);
            }
        }) ? "redirect:/sign-in?set" : resetPage(token, form, model, response);
    }

    private String resetPage(String token, Form form, Model model, HttpServletResponse response) {
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("form", form);
        model.addAttribute("token", token);
        model.addAttribute("person", accounts.ofReset(token).name());
        return "reset";
    }

    private String after(boolean saved, Staff staff, Model model, Form form) {
        return saved ? "redirect:/people" : pages.page(staff, model, form);
    }
}
