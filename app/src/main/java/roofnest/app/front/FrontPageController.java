package roofnest.app.front;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.firm.Staff;
import roofnest.app.prepare.Preparations;
import roofnest.app.records.HouseholdRepository;
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
    String add(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        String name = form.text("name", "the household's name", 80);
        String address = form.text("address", "its address", 120);
        AtomicLong id = new AtomicLong();
        boolean saved = form.save(
                () -> id.set(households.add(staff.firmId(), name, address, LocalDate.now(clock).plusDays(7), "brief to be agreed")));
        return saved ? "redirect:/households/" + id + "/brief" : page(staff, model, form);
    }

    private String page(Staff staff, Model model, Form form) {
        List<HouseholdRepository.Overview> all = households.overviewsOf(staff.firmId());
        model.addAttribute("form", form);
        model.addAttribute("front", FrontView.of(staff, all, LocalDate.now(clock), preparations::lacking));
        return "front";
    }
}
