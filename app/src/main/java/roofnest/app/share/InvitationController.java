package roofnest.app.share;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;

/** What somebody invited opens, without a log-in. */
@Controller
class InvitationController {
    private final Invitations invitations;

    InvitationController(Invitations invitations) {
        this.invitations = invitations;
    }

    @GetMapping("/invitations/{token}")
    String show(@PathVariable String token, Model model) {
        invitations.find(token).orElseThrow(NoSuchPage::new);
        invitations.opened(token);
        return page(token, Form.empty(), model);
    }

    @PostMapping("/invitations/{token}")
    String answer(@PathVariable String token, Form form, Model model) {
        return form.save(() -> invitations.answer(token, form)) ? "redirect:/invitations/" + token : page(token, form, model);
    }

    private String page(String token, Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("invitation", invitations.find(token).orElseThrow(NoSuchPage::new));
        model.addAttribute("token", token);
        return "invitation";
    }
}
