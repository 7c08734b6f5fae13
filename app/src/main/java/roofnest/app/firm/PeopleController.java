package roofnest.app.firm;

import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.web.Form;

/** The firm's own people; only its owner adds to them. */
@Controller
class PeopleController {
    private final FirmRepository firms;
    private final Hiring hiring;

    PeopleController(FirmRepository firms, Hiring hiring) {
        this.firms = firms;
        this.hiring = hiring;
    }

    @GetMapping("/people")
    String people(@AuthenticationPrincipal Staff staff, Model model) {
        return page(staff, model, Form.empty());
    }

    @PostMapping("/people")
    @PreAuthorize("hasAuthority('MANAGE_PEOPLE')")
    String hire(
            @AuthenticationPrincipal Staff staff, Form form, Model model, RedirectAttributes flash) {
        Role role = form.choice("role", "a role", Role.class);
        Hiring.NewPerson person = Hiring.read(form, role);
        boolean saved = form.save(() -> {
            if (!hiring.hire(staff.firmId(), person)) {
                form.fault("email", "Somebody already signs in with this address. Use another.");
            }
        });
        if (!saved) {
            return page(staff, model, form);
        }
        flash.addFlashAttribute("notice", person.name() + " can sign in now.");
        return "redirect:/people";
    }

    private String page(Staff staff, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("people", firms.peopleOf(staff.firmId()));
        model.addAttribute("roles", Staff.roles());
        return "people";
    }
}
