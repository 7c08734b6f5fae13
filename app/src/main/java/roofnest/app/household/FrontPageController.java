package roofnest.app.household;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.firm.Staff;
import roofnest.app.prepare.Preparations;
import roofnest.app.web.Form;

/** All households of the firm, by stage. */
@Controller
class FrontPageController {
    private final HouseholdRepository households;
    private final Preparations preparations;
    private final Clock clock;

    FrontPageController(HouseholdRepository households, Preparations preparations, Clock clock) {
        this.households = households;
        this.preparations = preparations;
        this.clock = clock;
    }

    @GetMapping("/")
    String front(@AuthenticationPrincipal Staff staff, Model model) {
        return page(staff, model, Form.empty());
    }

    @PostMapping("/households")
    String add(@AuthenticationPrincipal Staff staff, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        String name = form.text("name", "the household's name", 80);
        String address = form.text("address", "its address", 120);
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(staff, model, form);
        }
        long id = households.add(staff.firmId(), name, address, LocalDate.now(clock).plusDays(7), "brief to be agreed");
        return "redirect:/households/" + id + "/brief";
    }

    private String page(Staff staff, Model model, Form form) {
        List<HouseholdRepository.Overview> all = households.overviewsOf(staff.firmId());
        model.addAttribute("form", form);
        model.addAttribute("front", FrontView.of(staff, all, LocalDate.now(clock), preparations::lacking));
        return "front";
    }
}
