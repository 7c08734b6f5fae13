package roofnest.app.visit;

import java.time.Clock;
import java.time.LocalDate;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import net.fortuna.ical4j.model.component.VEvent;

import roofnest.app.firm.Staff;
import roofnest.app.find.Finder;
import roofnest.app.web.BadInput;
import roofnest.app.web.CalendarFile;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.visit.Round;

/** A day of several households: the order in which they are visited, and what it is made from. */
@Controller
class RoundController {
    private final Rounds rounds;
    private static final int FOUND = 12;

    private final Finder finder;
    private final Clock clock;

    RoundController(Rounds rounds, Finder finder, Clock clock) {
        this.rounds = rounds;
        this.finder = finder;
        this.clock = clock;
    }

    @GetMapping("/round")
    String round(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        return page(staff, day(form), form, model);
    }

    @PostMapping("/round")
    @Says("Times and ways of this day are kept.")
    String save(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        LocalDate day = day(form);
        return form.save(() -> rounds.save(staff, day, form)) ? "redirect:/round?on=" + day : page(staff, day, form, model);
    }

    /** Puts a household of the firm on a day. */
    @PostMapping("/round/book")
    @Says("Put on this day.")
    String book(@AuthenticationPrincipal Staff staff, Form form) {
        LocalDate day = day(form);
        String id = form.raw("household");
        if (!id.matches("[0-9]{1,18}")) {
            throw new BadInput("Choose a household first.");
        }
        rounds.book(staff, Long.parseLong(id), day);
        return "redirect:/round?on=" + day;
    }

    @GetMapping("/round.ics")
    ResponseEntity<String> file(@AuthenticationPrincipal Staff staff, Form form) {
        LocalDate day = day(form);
        CalendarFile file = new CalendarFile("Round", clock);
        for (Round.Visit visit : rounds.plan(staff, day, Rounds.departing(form)).round().visits()) {
            file.add(new VEvent(RoundView.moment(day, visit.beginMinute()), RoundView.moment(day, visit.endMinute()), visit.stop().name()),
                    "round-" + visit.stop().id(),
                    visit.travelMinutes() + " min on the road before.");
        }
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"round-" + day + ".ics\"").body(file.toString());
    }

    private String page(Staff staff, LocalDate day, Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("round",
                RoundView.of(rounds.plan(staff, day, Rounds.departing(form)), finder.find(staff.firmId(), form.raw("q"), FOUND)));
        return "round";
    }

    /** Today when no day is asked for, or none that is one, which is then said at the field. */
    private LocalDate day(Form form) {
        if (!form.raw("on").isBlank()) {
            form.date("on", "the day");
        }
        return form.day("on").orElseGet(() -> LocalDate.now(clock));
    }
}
