package roofnest.app.firm;

import java.time.Clock;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.web.Form;

/** Fills the page of the firm's people, for whoever answers with it. */
@Component
class PeoplePages {
    private final FirmRepository firms;
    private final Passkeys passkeys;
    private final Clock clock;

    PeoplePages(FirmRepository firms, Passkeys passkeys, Clock clock) {
        this.firms = firms;
        this.passkeys = passkeys;
        this.clock = clock;
    }

    String page(Staff staff, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("own", staff.id());
        model.addAttribute("details", firms.details(staff.firmId()));
        model.addAttribute("people", firms.peopleOf(staff.firmId()));
        model.addAttribute("passkeys", passkeys.of(staff));
        model.addAttribute("passkeysPossible", passkeys.possible());
        model.addAttribute("zone", clock.getZone());
        model.addAttribute("roles", Staff.roles());
        return "people";
    }
}
