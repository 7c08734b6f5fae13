package roofnest.app.share;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.ReaderLocale;
import roofnest.app.records.HouseholdRepository;

/** What somebody invited opens, without a log-in. */
@Controller
class InvitationController {
    private final Invitations invitations;
    private final HouseholdRepository households;

    InvitationController(Invitations invitations, HouseholdRepository households) {
        this.invitations = invitations;
        this.households = households;
    }

    @GetMapping("/invitations/{token}")
    String show(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        // The address is the key: it must not travel on.
        response.setHeader("Referrer-Policy", "no-referrer");
        invitations.find(token).orElseThrow(NoSuchPage::new);
        invitations.opened(token);
        return page(token, Form.empty(), model, request);
    }

    @PostMapping("/invitations/{token}")
    String answer(@PathVariable String token, Form form, Model model, HttpServletRequest request) {
        return form.save(() -> invitations.answer(token, form)) ? "redirect:/invitations/" + token : page(token, form, model, request);
    }

    private String page(String token, Form form, Model model, HttpServletRequest request) {
        model.addAttribute("form", form);
        Invitations.Invitation invitation = invitations.find(token).orElseThrow(NoSuchPage::new);
        ReaderLocale.speak(request, households.language(invitation.householdId()));
        model.addAttribute("invitation", invitation);
        model.addAttribute("token", token);
        return "invitation";
    }
}
