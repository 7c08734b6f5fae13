package roofnest.core.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

import org.junit.jupiter.api.Test;

/** Terms of a contract, and who pays for a call. */
class CareContractTest {
    private static final LocalDate FROM = LocalDate.of(2026, 1, 31);
    private static final CaseMoney.Rates RATES = new CaseMoney.Rates(OptionalLong.of(6000), OptionalLong.of(2500));

    private static CareContract contract(boolean renews, int visits, CareContract.Covers... covers) {
        return new CareContract(FROM, 12, renews, 24_000, Set.of(covers), visits);
    }

    private static CaseMoney.Work work(LocalDate on, int phone, int visits, int minutes, long parts, boolean warranty, int before) {
        return new CaseMoney.Work(on, phone, visits, minutes, parts, warranty, before);
    }

    /** Every day from the first on lies in just one term, and a term ends where the next begins. */
    @Test
    void termsFollowOneAnotherWithoutAGap() {
        CareContract monthly = new CareContract(FROM, 1, true, 2000, Set.of(), 0);
        LocalDate last = null;
        for (LocalDate day = FROM; day.isBefore(FROM.plusYears(3)); day = day.plusDays(1)) {
            CareContract.Term term = monthly.on(day).orElseThrow();
            assertThat(term.holds(day)).isTrue();
            if (last != null && day.equals(last.plusDays(1))) {
                assertThat(term.first()).isEqualTo(day);
            }
            last = term.last();
        }
        assertThat(monthly.on(LocalDate.of(2026, 3, 1))).contains(new CareContract.Term(LocalDate.of(2026, 2, 28),
                LocalDate.of(2026, 3, 30)));
        assertThat(monthly.on(FROM.minusDays(1))).isEmpty();
    }

    @Test
    void oneThatDoesNotRenewEnds() {
        CareContract once = contract(false, 2);
        assertThat(once.ends(FROM)).contains(LocalDate.of(2027, 1, 30));
        assertThat(once.on(LocalDate.of(2027, 1, 30))).isPresent();
        assertThat(once.on(LocalDate.of(2027, 1, 31))).isEmpty();
        assertThat(once.ends(LocalDate.of(2027, 6, 1))).as("it is still said when it ended").contains(LocalDate.of(2027, 1, 30));
        assertThat(contract(true, 2).ends(LocalDate.of(2027, 6, 1))).contains(LocalDate.of(2028, 1, 30));
        assertThat(once.ends(FROM.minusDays(1))).isEmpty();
    }

    @Test
    void withoutAContractTheHouseholdPays() {
        CaseMoney money = CaseMoney.of(Optional.empty(), work(FROM, 1, 1, 46, 1999, false, 0), RATES);
        assertThat(money.lines()).extracting(CaseMoney.Line::cents).containsExactly(1500L, 2500L, 6000L, 1999L);
        assertThat(money.cents(CaseMoney.Pays.HOUSEHOLD)).isEqualTo(11_999);
        assertThat(money.cents(CaseMoney.Pays.CONTRACT)).isZero();
    }

    /** Of three visits a term with one left pays one, and a third of the time. */
    @Test
    void theTermPaysWhatItHasLeft() {
        Optional<CareContract> two = Optional.of(contract(true, 2, CareContract.Covers.VISITS, CareContract.Covers.CALLS));
        CaseMoney.Work three = work(FROM, 20, 3, 90, 5000, false, 1);
        CaseMoney money = CaseMoney.of(two, three, RATES);
        assertThat(CaseMoney.coveredVisits(two, three)).isEqualTo(1);
        assertThat(money.cents(CaseMoney.Pays.CONTRACT)).isEqualTo(3000 + 2500 + 3000);
        assertThat(money.cents(CaseMoney.Pays.HOUSEHOLD)).isEqualTo(5000 + 6000 + 5000);
        assertThat(money.lines()).anyMatch(line -> line.why().equals("the visits of the term are used up"));
        assertThat(CaseMoney.of(two, work(FROM, 0, 1, 30, 0, false, 2), RATES).cents(CaseMoney.Pays.CONTRACT)).isZero();
    }

    /** The day after it ended, and the day before it began, it pays nothing. */
    @Test
    void outsideOfItsTermsItPaysNothing() {
        Optional<CareContract> once = Optional.of(contract(false, 9, CareContract.Covers.values()));
        for (LocalDate day : new LocalDate[] {FROM.minusDays(1), LocalDate.of(2027, 1, 31)}) {
            assertThat(CaseMoney.of(once, work(day, 10, 1, 10, 10, false, 0), RATES).cents(CaseMoney.Pays.CONTRACT)).isZero();
        }
        assertThat(CaseMoney.of(once, work(FROM, 10, 1, 10, 10, false, 0), RATES).cents(CaseMoney.Pays.HOUSEHOLD)).isZero();
    }

    @Test
    void aWarrantyComesBeforeTheContract() {
        CaseMoney money = CaseMoney.of(Optional.of(contract(true, 9, CareContract.Covers.values())),
                work(FROM, 0, 0, 0, 8000, true, 0), RATES);
        assertThat(money.cents(CaseMoney.Pays.WARRANTY)).isEqualTo(8000);
        assertThat(money.cents(CaseMoney.Pays.CONTRACT)).isZero();
    }

    /** What has no price is not free. */
    @Test
    void whatHasNoPriceIsSaid() {
        CaseMoney money = CaseMoney.of(Optional.empty(), work(FROM, 5, 1, 20, 0, false, 0),
                new CaseMoney.Rates(OptionalLong.empty(), OptionalLong.empty()));
        assertThat(money.lines()).isEmpty();
        assertThat(money.unpriced()).containsExactly("By phone, 15 min", "One way there and back", "Work there, 30 min");
    }

    /** More that is covered never makes the household pay more. */
    @Test
    void moreCoverNeverCostsTheHouseholdMore() {
        CaseMoney.Work work = work(FROM, 17, 2, 61, 3100, false, 1);
        for (int mask = 0; mask < 1 << CareContract.Covers.values().length; mask++) {
            EnumSet<CareContract.Covers> some = EnumSet.noneOf(CareContract.Covers.class);
            for (CareContract.Covers each : CareContract.Covers.values()) {
                if ((mask >> each.ordinal() & 1) == 1) {
                    some.add(each);
                }
            }
            long before = household(some, work);
            for (CareContract.Covers more : CareContract.Covers.values()) {
                EnumSet<CareContract.Covers> wider = EnumSet.of(more);
                wider.addAll(some);
                assertThat(household(wider, work)).isLessThanOrEqualTo(before);
            }
        }
    }

    private static long household(Set<CareContract.Covers> covers, CaseMoney.Work work) {
        return CaseMoney.of(Optional.of(new CareContract(FROM, 12, true, 0, covers, 2)), work, RATES).cents(CaseMoney.Pays.HOUSEHOLD);
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new CareContract(FROM, 0, true, 0, Set.of(), 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new CareContract(FROM, 12, true, -1, Set.of(), 0));
        assertThatIllegalArgumentException().isThrownBy(() -> work(FROM, -1, 0, 0, 0, false, 0));
    }

    /** What the last term gave is gone, what is still to come is not there yet, and what is not covered is not counted. */
    @Test
    void aTermCountsItsOwnDaysAlone() {
        CareContract all = contract(true, 2, CareContract.Covers.VISITS, CareContract.Covers.LOOK, CareContract.Covers.PACKS);
        LocalDate day = LocalDate.of(2027, 3, 1);
        LocalDate lastTerm = LocalDate.of(2027, 1, 30);
        LocalDate first = LocalDate.of(2027, 1, 31);
        assertThat(all.used(day, 1, List.of(lastTerm), List.of(lastTerm, day.plusDays(1)))).containsExactly("1 of 2 visits are used.",
                "No yearly look of this term is in the logbook yet.",
                "No pack was charged in this term, as far as the logbook knows.");
        assertThat(all.used(day, 0, List.of(first, day), List.of(first, day, lastTerm))).containsExactly("0 of 2 visits are used.",
                "The yearly look was on 1 March 2027.", "Packs were charged 2 times, last on 1 March 2027.");
        assertThat(all.used(day, 0, List.of(), List.of(first))).contains("Packs were charged once, on 31 January 2027.");
        assertThat(contract(true, 1, CareContract.Covers.VISITS).used(day, 1, List.of(day), List.of(day)))
                .containsExactly("1 of 1 visit is used.");
        assertThat(contract(true, 0, CareContract.Covers.CALLS).used(day, 0, List.of(day), List.of(day))).isEmpty();
        assertThat(contract(false, 2, CareContract.Covers.LOOK).used(day, 0, List.of(), List.of())).as("it is over").isEmpty();
        assertThat(all.used(FROM.minusDays(1), 0, List.of(), List.of())).as("before its first day").isEmpty();
    }
}
