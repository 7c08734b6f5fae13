package roofnest.app.firm;

import jakarta.servlet.http.HttpServletRequest;

import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** Proves again who somebody is who is signed in already, before a password is shown. */
@Controller
class AgainController {
    private final StaffAuthentication door;
    private final KnownDevices devices;
    private final Fresh fresh;
    private final Passkeys passkeys;

    AgainController(StaffAuthentication door, KnownDevices devices, Fresh fresh, Passkeys passkeys) {
        this.door = door;
        this.devices = devices;
        this.fresh = fresh;
        this.passkeys = passkeys;
    }

    @GetMapping("/again")
    String again(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "/") String back, Model model) {
        return page(staff, back, model, Form.empty());
    }

    @PostMapping("/again")
    @Says("It is you. For a quarter of an hour passwords can be shown; press again what you pressed.")
    String prove(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "/") String back, Form form, Model model,
            HttpServletRequest request) {
        UsernamePasswordAuthenticationToken attempt
                = UsernamePasswordAuthenticationToken.unauthenticated(staff.email(), form.raw("password"));
        attempt.setDetails(new SignInDetails(request.getRemoteAddr(), devices.kept(request)));
        boolean proved = form.save(() -> {
            try {
                door.authenticate(attempt);
            } catch (LockedException wait) {
                form.fault("password", "Too many wrong tries. Wait " + wait.getMessage() + " s, then try again.");
            } catch (AuthenticationException wrong) {
                form.fault("password", "This is not the password that you sign in with.");
            }
        });
        if (!proved) {
            return page(staff, back, model, form);
        }
        fresh.proved(request.getSession());
        return "redirect:" + Fresh.back(back);
    }

    private String page(Staff staff, String back, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("passkeys", passkeys.possible() && !passkeys.of(staff).isEmpty());
        model.addAttribute("back", Fresh.back(back));
        return "again";
    }
}
