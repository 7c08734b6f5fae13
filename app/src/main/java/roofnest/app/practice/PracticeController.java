package roofnest.app.practice;

import java.util.concurrent.atomic.AtomicInteger;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Practice;

/** The figures that the firm's houses are judged, planned and equipped by. */
@Controller
class PracticeController {
    private final Figures figures;

    PracticeController(Figures figures) {
        this.figures = figures;
    }

    @GetMapping("/people/figures")
    String figures(@AuthenticationPrincipal Staff staff, Model model) {
        return page(staff, model, Form.empty());
    }

    @PostMapping("/people/figures")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String change(@AuthenticationPrincipal Staff staff, Form form, Model model, RedirectAttributes flash) {
        Practice practice = FiguresView.read(form);
        int version = form.version();
        AtomicInteger judged = new AtomicInteger();
        if (!form.save(() -> judged.set(figures.keep(staff.firmId(), practice, version)))) {
            return page(staff, model, form);
        }
        flash.addFlashAttribute("notice", "The figures are kept. "
                + (judged.get() == 1 ? "One household was" : judged.get() + " households were") + " judged anew by them.");
        return "redirect:/people/figures";
    }

    private String page(Staff staff, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("figures", FiguresView.of(figures.of(staff.firmId())));
        return "figures";
    }
}
