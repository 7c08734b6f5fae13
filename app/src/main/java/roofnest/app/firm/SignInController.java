package roofnest.app.firm;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.RoofNestProperties;

@Controller
class SignInController {
    private final FirmRepository firms;
    private final RoofNestProperties properties;
    private final Passkeys passkeys;

    SignInController(FirmRepository firms, RoofNestProperties properties, Passkeys passkeys) {
        this.firms = firms;
        this.properties = properties;
        this.passkeys = passkeys;
    }

    @GetMapping("/sign-in")
    String signIn(
            @RequestParam(required = false) String wrong, @RequestParam(required = false) Integer wait,
            @RequestParam(required = false) String out, @RequestParam(required = false) String set,
            @RequestParam(defaultValue = "") String email, Model model) {
        if (firms.isEmpty()) {
            return "redirect:/first-firm";
        }
        model.addAttribute("email", email);
        model.addAttribute("wrong", wrong != null);
        model.addAttribute("waitSeconds", wait);
        model.addAttribute("out", out != null);
        model.addAttribute("set", set != null);
        model.addAttribute("passkeys", passkeys.possible());
        model.addAttribute("demo", properties.demo());
        return "sign-in";
    }
}
