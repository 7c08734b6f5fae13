package roofnest.app.firm;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Conflict;
import roofnest.app.web.Form;

/** The first page of an empty installation: makes the firm and its owner, once. */
@Controller
class FirstFirmController {
    private final FirmRepository firms;
    private final Hiring hiring;

    FirstFirmController(FirmRepository firms, Hiring hiring) {
        this.firms = firms;
        this.hiring = hiring;
    }

    @GetMapping("/first-firm")
    String show(Model model) {
        return firms.isEmpty() ? page(model, Form.empty()) : "redirect:/sign-in";
    }

    @PostMapping("/first-firm")
    String make(Form form, Model model) {
        if (!firms.isEmpty()) {
            return "redirect:/sign-in";
        }
        String firm = form.text("firm", "the firm's name", 80);
        Hiring.NewPerson owner = hiring.read(form, Role.OWNER, firm == null ? "" : firm);
        boolean saved = form.save(() -> {
            if (hiring.foundFirst(firm, owner).isEmpty()) {
                throw new Conflict("Somebody else has founded the firm meanwhile. Sign in, or ask its owner to add you.");
            }
        });
        return saved ? "redirect:/sign-in?email=" + owner.email() : page(model, form);
    }

    private static String page(Model model, Form form) {
        model.addAttribute("form", form);
        return "first-firm";
    }
}
