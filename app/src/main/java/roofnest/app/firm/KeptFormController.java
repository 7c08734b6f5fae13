package roofnest.app.firm;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PostMapping;

/** Reached only from inside: before the sign-in with the door, after it with what was typed, on its way. */
@Controller
class KeptFormController {
    @PostMapping("/kept-form")
    String kept(HttpServletRequest request, HttpServletResponse response, Model model) {
        response.setHeader("Cache-Control", "no-store");
        if (request.getAttribute(SignedOutForms.KEPT) instanceof KeptForm kept) {
            response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
            model.addAttribute("kept", kept);
            return "signed-out";
        }
        model.addAttribute("kept", KeptForm.carried(request));
        return "kept-form";
    }
}
