package roofnest.app.firm;

import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import jakarta.servlet.http.HttpServletResponse;

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
    String make(@RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        if (!firms.isEmpty()) {
            return "redirect:/sign-in";
        }
        Form form = new Form(values);
        String firm = form.text("firm", "the firm's name", 80);
        Hiring.NewPerson owner = Hiring.read(form, Role.OWNER);
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(model, form);
        }
        hiring.foundFirm(firm, owner);
        return "redirect:/sign-in?email=" + owner.email();
    }

    private static String page(Model model, Form form) {
        model.addAttribute("form", form);
        return "first-firm";
    }
}
