package roofnest.core.care;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;

import org.junit.jupiter.api.Test;

/** What is at hand for a claim, and what is still to be found. */
class WarrantyClaimTest {
    private static final LocalDate LAST = LocalDate.of(2026, 12, 3);

    private static WarrantyClaim.Known known(Optional<LocalDate> until) {
        return new WarrantyClaim.Known("DM-4471", Optional.of(LocalDate.of(2025, 1, 9)), until, true, true);
    }

    @Test
    void theLastDayIsStillCoveredAndTheNextIsNot() {
        assertThat(WarrantyClaim.of(known(Optional.of(LAST)), LAST).covered()).isEqualTo(WarrantyClaim.Covered.WITHIN);
        assertThat(WarrantyClaim.of(known(Optional.of(LAST)), LAST.plusDays(1)).covered()).isEqualTo(WarrantyClaim.Covered.PASSED);
        assertThat(WarrantyClaim.of(known(Optional.of(LAST)), LAST).missing()).isEmpty();
    }

    /** What nobody wrote down is not said to have run out. */
    @Test
    void whatWasNotWrittenDownIsAskedFor() {
        WarrantyClaim unknown = WarrantyClaim.of(new WarrantyClaim.Known(" ", Optional.empty(), Optional.empty(), false, false), LAST);
        assertThat(unknown.covered()).isEqualTo(WarrantyClaim.Covered.NOT_WRITTEN);
        assertThat(unknown.covered().words("")).contains("No warranty was written down");
        assertThat(unknown.missing()).hasSize(5).anyMatch(line -> line.contains("serial")).anyMatch(line -> line.contains("never joined"));
    }
}
