package roofnest.app.share;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

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
        model.addAttribute("invitation", invitations.find(token).orElseThrow(NoSuchPage::new));
        model.addAttribute("token", token);
        return "invitation";
    }

    @PostMapping("/invitations/{token}")
    String accept(@PathVariable String token) {
        invitations.find(token).orElseThrow(NoSuchPage::new);
        invitations.accept(token);
        return "redirect:/invitations/" + token;
    }
}
