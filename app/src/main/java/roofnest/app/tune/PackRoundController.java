package roofnest.app.tune;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;

import net.fortuna.ical4j.model.component.VEvent;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.firm.Staff;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.CalendarFile;

/** The packs of all houses to which the firm comes, and the fewest days on which it goes. */
@Controller
class PackRoundController {
    /** More houses are not planned together. */
    static final int MOST_HOUSES = 60;

    private final FootageRepository footage;
    private final JudgedHouseholds judged;
    private final Clock clock;

    PackRoundController(FootageRepository footage, JudgedHouseholds judged, Clock clock) {
        this.footage = footage;
        this.judged = judged;
        this.clock = clock;
    }

    @GetMapping("/round/packs")
    String packs(@AuthenticationPrincipal Staff staff, Model model) {
        model.addAttribute("packs", view(staff));
        return "round-packs";
    }

    /** One all-day event for each visit to a house; a visit keeps its number wherever it moves to. */
    @GetMapping("/round/packs.ics")
    ResponseEntity<String> calendar(@AuthenticationPrincipal Staff staff) {
        CalendarFile file = new CalendarFile("Packs of all houses", clock);
        view(staff).days()
                .forEach(day -> day.houses().forEach(house -> file.add(new VEvent(day.on(), "Charge " + house.packs() + " · " + house
                        .name()), "packs-round-" + house.id() + "-" + house.visit(),
                        "The maker’s charger only; not below freezing; never a swollen pack.")));
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"packs-round.ics\"").body(file.toString());
    }

    private PackRoundView view(Staff staff) {
        List<Long> houses = footage.packsByFirm(staff.firmId(), MOST_HOUSES + 1);
        return PackRoundView.of(houses.stream().limit(MOST_HOUSES).map(judged::of).toList(), LocalDate.now(clock), houses
                .size() > MOST_HOUSES);
    }
}
