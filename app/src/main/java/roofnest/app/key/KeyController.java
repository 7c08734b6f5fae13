package roofnest.app.key;

import java.security.GeneralSecurityException;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.secrets.KeyRotation;
import roofnest.app.secrets.Sealer;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** How it stands with the key, and what can be done about it. */
@Controller
class KeyController {
    private final Sealer sealer;
    private final SecretStore secrets;
    private final KeyRotation rotation;

    KeyController(Sealer sealer, SecretStore secrets, KeyRotation rotation) {
        this.sealer = sealer;
        this.secrets = secrets;
        this.rotation = rotation;
    }

    @GetMapping("/people/key")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String key(Model model) {
        return page(model, Form.empty());
    }

    @PostMapping("/people/key/look-again")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String lookAgain(RedirectAttributes flash) {
        flash.addFlashAttribute("notice", sealer.lookAgain().words());
        return "redirect:/people/key";
    }

    /** Gives up what does not open: only while the key is away, and only in so many words. */
    @PostMapping("/people/key/anew")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("A new key is in force. Passwords that the old one sealed are asked for again where they are wanted.")
    String anew(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        if (!form.raw("giveUp").equals("true")) {
            form.fault("giveUp", "Tick this first: what the old key sealed does not open any more, whatever turns up later.");
        }
        return form.save(() -> startAnew(staff)) ? "redirect:/people/key" : page(model, form);
    }

    private void startAnew(Staff staff) {
        if (sealer.lookAgain() == Sealer.State.GOOD) {
            throw new Conflict("The key is there again, and good.");
        }
        try {
            rotation.startAnew(staff.name());
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("state", sealer.state());
        model.addAttribute("place", sealer.place());
        model.addAttribute("tooOpen", sealer.tooOpen().orElse(null));
        model.addAttribute("closed", secrets.closed());
        return "key";
    }
}
