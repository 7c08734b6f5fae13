package roofnest.app.front;

import java.time.Clock;
import java.time.LocalDate;
import java.util.concurrent.atomic.AtomicLong;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.wishes.Wishes;
import roofnest.app.firm.Staff;
import roofnest.app.particulars.Particulars;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** The households of the firm, by stage, fifty a page. */
@Controller
class FrontPageController {
    private static final int FIRST_DUE_DAYS = 7;

    private final HouseholdRepository households;
    private final Fronts fronts;
    private final Particulars particulars;
    private final Wishes wishes;
    private final Clock clock;

    FrontPageController(HouseholdRepository households, Fronts fronts, Particulars particulars, Wishes wishes,
            Clock clock) {
        this.households = households;
        this.fronts = fronts;
        this.particulars = particulars;
        this.wishes = wishes;
        this.clock = clock;
    }

    @GetMapping("/")
    String front(@AuthenticationPrincipal Staff staff, Form asked, Model model) {
        return page(staff, model, asked, Form.empty());
    }

    @PostMapping("/households")
    @Says("The household is taken on.")
    String add(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        String name = form.text("name", "the household's name", 80);
        String address = form.text("address", "its address", 120);
        AtomicLong id = new AtomicLong();
        boolean saved = form.save(() -> {
            if (particulars.freeOrMeant(staff.firmId(), 0, address, form)) {
                id.set(households.add(staff.firmId(), name, address, LocalDate.now(clock).plusDays(FIRST_DUE_DAYS), "brief to be agreed"));
            }
        });
        return saved ? "redirect:/households/" + id + "/brief" : page(staff, model, Form.empty(), form);
    }

    private String page(Staff staff, Model model, Form asked, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("requests", wishes.waiting(staff));
        model.addAttribute("front", fronts.of(staff, asked));
        return "front";
    }
}
