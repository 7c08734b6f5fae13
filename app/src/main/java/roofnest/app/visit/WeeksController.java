package roofnest.app.visit;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;

import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import jakarta.servlet.http.HttpServletResponse;
import roofnest.app.firm.Staff;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** The coming weeks of a firm: which households on which days. What is asked stands in the address and is not kept. */
@Controller
class WeeksController {
    static final String PROGRESS = "X-Progress";
    private static final int USUAL_WEEKS = 4;
    private static final int MOST_WEEKS = 8;
    private static final int USUAL_MINUTES = 480;
    private static final int LEAST_MINUTES = 60;
    private static final int MOST_MINUTES = 720;
    private static final int MOST_VANS = 4;
    private static final int MOST_BOOKED = 8;
    private static final int SECONDS_A_MINUTE = 60;

    private final VisitWeeks weeks;
    private final CalendarFeeds feeds;
    private final Clock clock;

    WeeksController(VisitWeeks weeks, CalendarFeeds feeds, Clock clock) {
        this.weeks = weeks;
        this.feeds = feeds;
        this.clock = clock;
    }

    @GetMapping("/coming/weeks")
    String weeks(@AuthenticationPrincipal Staff staff, Form form, Model model, HttpServletResponse response) {
        VisitWeeks.Asked asked = asked(form);
        LocalDateTime now = LocalDateTime.now(clock);
        // A van that had to leave by now is planned from tomorrow on.
        LocalDate first = now.toLocalTime().toSecondOfDay() / SECONDS_A_MINUTE > Rounds.DEPART ? now.toLocalDate().plusDays(1) : now
                .toLocalDate();
        VisitWeeks.Found found = weeks.find(staff, first, asked);
        model.addAttribute("form", form);
        if (found.plan().isEmpty()) {
            String progress = WeeksView.progress(found);
            response.setStatus(HttpStatus.ACCEPTED.value());
            response.setHeader(PROGRESS, progress);
            model.addAttribute("what", "The plan of the coming weeks");
            model.addAttribute("progress", progress);
            return "making";
        }
        model.addAttribute("view", WeeksView.of(found.prepared(), found.plan().get()));
        model.addAttribute("feed", feeds.of(staff.id()).orElse(null));
        return "coming-weeks";
    }

    /** Puts the households of one van's day on that day. */
    @PostMapping("/coming/weeks/book")
    @Says("Put on this day. Nothing is agreed with the households yet.")
    String book(@AuthenticationPrincipal Staff staff, Form form) {
        LocalDate day = day(form.raw("on"));
        if (day.isBefore(LocalDate.now(clock))) {
            throw new BadInput("This day is past.");
        }
        List<VisitWeeks.Booking> bookings = new ArrayList<>();
        for (int i = 0; i < MOST_BOOKED && !form.raw("house-" + i).isEmpty(); i++) {
            String house = form.raw("house-" + i);
            String version = form.raw("version-" + i);
            if (!house.matches("[0-9]{1,18}") || !version.matches("[0-9]{1,9}") || form.raw("what-" + i).isBlank()) {
                throw new BadInput("This day is not complete. Look at the plan again.");
            }
            bookings.add(new VisitWeeks.Booking(Long.parseLong(house), form.raw("what-" + i), Integer.parseInt(version)));
        }
        weeks.book(staff, day, bookings);
        return "redirect:/round?on=" + day;
    }

    private static LocalDate day(String typed) {
        try {
            return LocalDate.parse(typed);
        } catch (DateTimeParseException notADay) {
            throw new BadInput("There is no such day.");
        }
    }

    /** What does not read as asked for is as usual, and said at its field. */
    private static VisitWeeks.Asked asked(Form form) {
        EnumSet<DayOfWeek> workdays = EnumSet.noneOf(DayOfWeek.class);
        Arrays.stream(DayOfWeek.values()).filter(day -> form.has(day.name())).forEach(workdays::add);
        if (workdays.isEmpty()) {
            workdays.addAll(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY));
        }
        return new VisitWeeks.Asked(whole(form, "weeks", "weeks", USUAL_WEEKS, 1, MOST_WEEKS), whole(form, "vans", "vans", 1, 1, MOST_VANS),
                whole(form, "minutes", "minutes of a day", USUAL_MINUTES, LEAST_MINUTES, MOST_MINUTES), List.copyOf(workdays));
    }

    private static int whole(Form form, String field, String what, int usual, int least, int most) {
        if (form.raw(field).isBlank()) {
            return usual;
        }
        int value = form.whole(field, what, least, most, what.equals("minutes of a day") ? "minutes" : what);
        return form.faultAt(field) == null ? value : usual;
    }
}
