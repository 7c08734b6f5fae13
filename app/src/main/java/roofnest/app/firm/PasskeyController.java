package roofnest.app.firm;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.web.Says;

/** Somebody's own passkeys; making one is an exchange of the browser's own. */
@Controller
class PasskeyController {
    private final Passkeys passkeys;

    PasskeyController(Passkeys passkeys) {
        this.passkeys = passkeys;
    }

    @PostMapping("/people/passkeys/{passkey}/remove")
    @Says("This passkey opens nothing here any more. Take it off the device as well.")
    String remove(@AuthenticationPrincipal Staff staff, @PathVariable("passkey") String id) {
        passkeys.remove(staff, id);
        return "redirect:/people";
    }
}
