package roofnest.app.find;

import java.util.List;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.firm.Staff;

/** The field on every page. */
@Controller
class FindController {
    private static final int ON_A_PAGE = 50;
    private static final int UNDER_THE_FIELD = 8;

    private final Finder finder;

    FindController(Finder finder) {
        this.finder = finder;
    }

    @GetMapping("/find")
    String find(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "") String q, Model model) {
        put(model, q, finder.find(staff.firmId(), q, ON_A_PAGE));
        return "find";
    }

    /** What is listed under the field while somebody types. */
    @GetMapping("/find/list")
    String list(@AuthenticationPrincipal Staff staff, @RequestParam(defaultValue = "") String q, Model model) {
        put(model, q, finder.find(staff.firmId(), q, UNDER_THE_FIELD));
        return "find :: list";
    }

    private static void put(Model model, String q, List<Finder.Found> found) {
        model.addAttribute("asked", q);
        model.addAttribute("found", found);
    }
}
