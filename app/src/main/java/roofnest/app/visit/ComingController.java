package roofnest.app.visit;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Staff;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.care.Coming;

/** What comes up at all households of a firm, by week. */
@Controller
class ComingController {
    /** More are not shown at once; how many there are is said. */
    static final int MOST = 300;
    /** Reckoned longer ago than this, what is said of a household may have moved, days. */
    static final int STALE_DAYS = 30;
    /** Households reckoned anew at one press. */
    static final int MOST_RECKONED = 60;
    private static final int WEEKS = 13;
    private static final int DAYS_A_WEEK = 7;
    private static final int MOST_AREAS = 30;
    private static final int LONGEST_AREA = 80;

    private final ComingRepository coming;
    private final Changes changes;
    private final Clock clock;

    ComingController(ComingRepository coming, Changes changes, Clock clock) {
        this.coming = coming;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping("/coming")
    String coming(@AuthenticationPrincipal Staff staff, Form asked, Model model) {
        LocalDate today = LocalDate.now(clock);
        String kind = Arrays.stream(Coming.Kind.values()).map(Enum::name).filter(asked.raw("kind")::equals).findFirst().orElse("");
        String area = asked.raw("area").length() > LONGEST_AREA ? "" : asked.raw("area").strip();
        LocalDate until = today.plusDays((long) WEEKS * DAYS_A_WEEK);
        ComingRepository.Wanted wanted = new ComingRepository.Wanted(today, until, kind, area);
        ComingRepository.Wanted everyKind = new ComingRepository.Wanted(today, until, "", area);
        model.addAttribute("view", ComingView.of(wanted, coming.of(staff.firmId(), wanted, MOST), coming.counts(staff.firmId(), everyKind),
                coming.areas(staff.firmId(), new ComingRepository.Wanted(today, until, "", ""), MOST_AREAS),
                coming.countNotSince(staff.firmId(), today.minusDays(STALE_DAYS))));
        return "coming";
    }

    /** Reckons anew what was not for long, as of today. */
    @PostMapping("/coming/reckon")
    @Says("Reckoned as of today.")
    String reckon(@AuthenticationPrincipal Staff staff) {
        coming.notSince(staff.firmId(), LocalDate.now(clock).minusDays(STALE_DAYS), MOST_RECKONED).forEach(changes::reckon);
        return "redirect:/coming";
    }
}
