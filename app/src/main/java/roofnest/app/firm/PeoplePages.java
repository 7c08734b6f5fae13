package roofnest.app.firm;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.web.Form;

/** Fills the page of the firm's people, for whoever answers with it. */
@Component
class PeoplePages {
    private final FirmRepository firms;

    PeoplePages(FirmRepository firms) {
        this.firms = firms;
    }

    String page(Staff staff, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("own", staff.id());
        model.addAttribute("details", firms.details(staff.firmId()));
        model.addAttribute("people", firms.peopleOf(staff.firmId()));
        model.addAttribute("roles", Staff.roles());
        return "people";
    }
}
