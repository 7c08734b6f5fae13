package roofnest.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Travel, lines of one's own, discount and tax, to the hundredth. */
class QuotationTest {
    private static final KitList.Line EAVE = new KitList.Line("model eave", KitList.Group.DEVICES, "Eave", 2, "two", true);
    private static final Map<String, Long> PRICES = Map.of("model eave", 12_995L, Quotation.HOUR, 4_800L, Quotation.KM, 45L);

    private static Quotation of(Quotation.Job job) {
        return Quotation.of(List.of(EAVE), PRICES, 50, job, new BigDecimal("21"));
    }

    private static Quotation.Job job(int km, String discount, Quotation.Own... own) {
        return new Quotation.Job(km, new BigDecimal(discount), List.of(own));
    }

    @Test
    void travel_and_own_lines_are_added_and_the_discount_is_taken_off_before_the_tax() {
        Quotation quotation = of(job(33, "7.5", new Quotation.Own("Signs", 2, 1_150)));
        assertThat(quotation.lines()).extracting(Quotation.Line::what).containsExactly("Eave", "Work, 1 h 0 min", "Kilometre of travel",
                "Signs");
        assertThat(quotation.linesCents()).isEqualTo(25_990 + 4_800 + 1_485 + 2_300);
        assertThat(quotation.discountCents()).as("7.5 % of 345.75 is 25.93125").isEqualTo(2_593);
        assertThat(quotation.netCents()).isEqualTo(34_575 - 2_593);
        assertThat(quotation.taxCents()).as("21 % of 319.82 is 67.1622").isEqualTo(6_716);
        assertThat(quotation.totalCents()).isEqualTo(31_982 + 6_716);
    }

    @Test
    void what_has_no_price_is_named_and_what_is_not_done_is_not_charged() {
        assertThat(Quotation.of(List.of(EAVE), Map.of("model eave", 1L), 50, job(10, "0"), BigDecimal.ZERO).unpriced())
                .containsExactly("An hour's work", "A kilometre of travel");
        Quotation nothing = Quotation.of(List.of(), PRICES, 0, job(0, "0"), new BigDecimal("21"));
        assertThat(nothing.lines()).as("no work where nothing hangs").isEmpty();
        assertThat(nothing.totalCents()).isZero();
    }

    @Test
    void lines_agreed_since_are_added_under_the_same_discount_and_tax() {
        Quotation quoted = of(job(0, "10"));
        Quotation billed = quoted.with(List.of(new Quotation.Own("Second sign", 1, 1_000)));
        assertThat(billed.netCents()).isEqualTo(quoted.netCents() + 900);
        assertThat(quoted.with(List.of())).isEqualTo(quoted);
    }

    @Test
    void figures_out_of_their_range_are_refused() {
        assertThatThrownBy(() -> job(-1, "0")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> job(0, "100.01")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Quotation.Own("Sign", 0, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Quotation.Own(" ", 1, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Quotation.Own("Sign", 1, -5)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Whatever is charged: a bill and the one that takes it back come to nothing, and the sums are the lines'. */
    @Property(tries = 300)
    void a_bill_and_what_takes_it_back_come_to_nothing(
            @ForAll @IntRange(max = 5000) int km, @ForAll @LongRange(min = 0, max = 1_000_000) long each,
            @ForAll @IntRange(min = 1, max = 500) int quantity, @ForAll @IntRange(max = 10_000) int discount,
            @ForAll @IntRange(max = 10_000) int tax) {
        Quotation quotation = Quotation.of(List.of(EAVE), PRICES, 50, new Quotation.Job(km, BigDecimal.valueOf(discount, 2),
                List.of(new Quotation.Own("Line", quantity, each))), BigDecimal.valueOf(tax, 2));
        Quotation back = quotation.takenBack();
        assertThat(quotation.totalCents() + back.totalCents()).isZero();
        assertThat(quotation.netCents() + back.netCents()).isZero();
        assertThat(back.lines().stream().mapToLong(Quotation.Line::sumCents).sum()).isEqualTo(back.linesCents());
        assertThat(quotation.linesCents() - quotation.discountCents()).isEqualTo(quotation.netCents());
    }
}
