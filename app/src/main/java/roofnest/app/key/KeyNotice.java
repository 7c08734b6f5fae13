package roofnest.app.key;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

import roofnest.app.secrets.Sealer;

/** Every page says so while passwords cannot be opened. */
@ControllerAdvice
class KeyNotice {
    private final Sealer sealer;

    KeyNotice(Sealer sealer) {
        this.sealer = sealer;
    }

    /** Null while all is well. */
    @ModelAttribute("keyNotice")
    String notice() {
        return sealer.state() == Sealer.State.GOOD ? null
                : sealer.state().words() + " Passwords cannot be shown or kept; everything else works.";
    }
}
