package roofnest.core.care;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * Care that a household pays for by the term.
 *
 * @param from its first day
 * @param months of one term
 * @param renews whether a new term begins by itself when one ends
 * @param centsATerm hundredths of the firm's currency
 * @param covers what costs the household nothing besides
 * @param visits of one term that are covered; those after them are paid for
 */
public record CareContract(LocalDate from, int months, boolean renews, long centsATerm, Set<CareContract.Covers> covers, int visits) {
    public static final int MOST_MONTHS = 60;
    public static final int MOST_VISITS = 50;
    public static final long MOST_CENTS = 100_000_000;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    /** What a contract may cover. */
    public enum Covers implements Worded {
        CALLS("calls, answered by phone"), VISITS("visits for calls, and the work there"), PARTS("parts that are replaced"),
        LOOK("the yearly look"), PACKS("charging packs");

        private final String words;

        Covers(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** One term. @param last its last day */
    public record Term(LocalDate first, LocalDate last) {
        public boolean holds(LocalDate day) {
            return !day.isBefore(first) && !day.isAfter(last);
        }
    }

    public CareContract {
        Require.inRange("months of a term", months, 1, MOST_MONTHS);
        Require.inRange("price of a term in hundredths", centsATerm, 0, MOST_CENTS);
        Require.inRange("visits of a term", visits, 0, MOST_VISITS);
        covers = Set.copyOf(covers);
    }

    /**
     * The term that a day lies in; empty before the first, and after the only one where none follows by itself. Terms are counted in months
     * from the first day, so that one which began on the 31st ends at the end of shorter months and is the 31st's again after them.
     */
    public Optional<Term> on(LocalDate day) {
        if (day.isBefore(from)) {
            return Optional.empty();
        }
        int n = 0;
        Term term = term(n);
        while (renews && !term.holds(day)) {
            n++;
            term = term(n);
        }
        return Optional.of(term).filter(each -> each.holds(day));
    }

    private Term term(int n) {
        return new Term(from.plusMonths((long) n * months), from.plusMonths((long) (n + 1) * months).minusDays(1));
    }

    /** The last day of the term that a day lies in, or of the only one once it is over; empty before it began. */
    public Optional<LocalDate> ends(LocalDate day) {
        return on(day).map(Term::last).or(() -> renews || day.isBefore(from) ? Optional.empty() : Optional.of(term(0).last()));
    }

    /**
     * What a term has given so far of that which is counted, in sentences; none on a day that no term holds.
     *
     * @param visits for calls that it has paid for
     * @param looks days of yearly looks, and {@code charges} of packs that were charged, as the logbook has them
     */
    public List<String> used(LocalDate day, int visits, List<LocalDate> looks, List<LocalDate> charges) {
        List<String> used = new ArrayList<>();
        on(day).ifPresent(term -> {
            if (covers.contains(Covers.VISITS)) {
                used.add(visits + " of " + this.visits + (this.visits == 1 ? " visit is used." : " visits are used."));
            }
            if (covers.contains(Covers.LOOK)) {
                used.add(latest(term, day, looks).map(on -> "The yearly look was on " + DAY.format(on) + ".")
                        .orElse("No yearly look of this term is in the logbook yet."));
            }
            if (covers.contains(Covers.PACKS)) {
                long times = charges.stream().filter(term::holds).filter(on -> !on.isAfter(day)).count();
                used.add(
                        latest(term, day, charges).map(on -> "Packs were charged " + (times == 1 ? "once, on " : times + " times, last on ")
                                + DAY.format(on) + ".").orElse("No pack was charged in this term, as far as the logbook knows."));
            }
        });
        return used;
    }

    private static Optional<LocalDate> latest(Term term, LocalDate day, List<LocalDate> days) {
        return days.stream().filter(term::holds).filter(on -> !on.isAfter(day)).max(LocalDate::compareTo);
    }
}
