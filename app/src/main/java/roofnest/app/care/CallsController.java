package roofnest.app.care;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.records.FaultCaseRepository;

/** Calls of all houses of a firm. */
@Controller
class CallsController {
    private final FaultCaseRepository cases;
    private final Models models;

    CallsController(FaultCaseRepository cases, Models models) {
        this.cases = cases;
        this.models = models;
    }

    @GetMapping("/calls")
    String calls(@AuthenticationPrincipal Staff staff, Model model) {
        long firm = staff.firmId();
        model.addAttribute("view",
                CallsView.of(cases.openOf(firm, CallsView.MOST_OPEN + 1), key -> models.get(key).fullName(), by -> cases.by(
                        firm, by), cases.bySeason(firm)));
        return "calls";
    }
}
