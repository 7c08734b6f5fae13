package roofnest.app.front;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.prepare.Preparations;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HouseholdRepository.DueWithin;
import roofnest.app.records.HouseholdRepository.Overview;
import roofnest.app.records.HouseholdRepository.Tally;
import roofnest.app.records.HouseholdRepository.Wanted;
import roofnest.app.web.Form;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;

/** Reads which households are wanted from the page's address, and finds that page of them in a handful of statements. */
@Service
class Fronts {
    static final int PAGE = 50;
    private static final int MOST_PAGES = 100_000;

    private final HouseholdRepository households;
    private final Preparations preparations;
    private final FirmRepository firms;
    private final Models models;
    private final Clock clock;

    Fronts(HouseholdRepository households, Preparations preparations, FirmRepository firms, Models models, Clock clock) {
        this.households = households;
        this.preparations = preparations;
        this.firms = firms;
        this.models = models;
        this.clock = clock;
    }

    FrontView of(Staff staff, Form asked) {
        LocalDate today = LocalDate.now(clock);
        Wanted wanted = wanted(asked);
        // The stages' own counts stay while one of them is looked at, so that one can go from each to the next.
        Wanted anyStage = new Wanted(null, wanted.due(), wanted.standing(), wanted.personId(), wanted.modelKey(), wanted.area());
        List<Tally> tallies = households.tallies(staff.firmId(), anyStage, today);
        long found
                = tallies.stream().filter(tally -> wanted.stage() == null || tally.stage() == wanted.stage()).mapToLong(Tally::households)
                        .sum();
        int pages = (int) Math.max(1, (found + PAGE - 1) / PAGE);
        int page = Math.min(pages, page(asked));
        List<Overview> shown = households.page(staff.firmId(), wanted, today, PAGE, (long) (page - 1) * PAGE);
        List<Long> soon = shown.stream().map(Overview::household).filter(household -> FrontView.comesSoon(household, today))
                .map(Household::id).toList();
        Map<Long, Integer> missing = preparations.lacking(soon);
        return FrontView.of(staff, new FrontView.Found(wanted, tallies, shown, page, pages, found), missing,
                firms.peopleOf(staff.firmId()), models.of(staff.firmId()), today);
    }

    /** What does not read as a choice is none. */
    private static Wanted wanted(Form asked) {
        String person = asked.raw("person");
        String area = asked.raw("area").strip();
        return new Wanted(choice(Stage.class, asked.raw("stage")).orElse(null), choice(DueWithin.class, asked.raw("due")).orElse(null),
                choice(Standing.class, asked.raw("standing")).orElse(null), person.matches("[0-9]{1,18}") ? Long.valueOf(person) : null,
                asked.raw("model").length() > 80 ? "" : asked.raw("model"), area.length() > 80 ? "" : area);
    }

    private static <E extends Enum<E>> Optional<E> choice(Class<E> type, String said) {
        return Arrays.stream(type.getEnumConstants()).filter(each -> each.name().equals(said)).findFirst();
    }

    private static int page(Form asked) {
        return asked.raw("page").matches("[0-9]{1,6}") ? Math.min(MOST_PAGES, Math.max(1, Integer.parseInt(asked.raw("page")))) : 1;
    }
}
