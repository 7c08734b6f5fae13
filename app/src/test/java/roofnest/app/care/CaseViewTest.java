package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.fault.Situation;

class CaseViewTest {
    private static Situation situation(double marginDb, int routerChangedDays) {
        return new Situation(new Situation.Shape(true, false, false, false, false), false, false, marginDb, routerChangedDays, false);
    }

    @ParameterizedTest
    @CsvSource({"7.6, Its link was 8 dB over what it needs.", "0.4, Its link was just what it needs.",
        "-0.4, Its link was just what it needs.", "-3, Its link was 3 dB under what it needs.",
        "NaN, Nobody knows how strong its link was."})
    void a_link_is_over_or_under_what_it_needs(double marginDb, String words) {
        assertThat(CaseView.known(situation(marginDb, -1))).containsExactly(words);
    }

    @ParameterizedTest
    @CsvSource({"0, today", "1, yesterday", "2, 2 days ago", "14, 14 days ago"})
    void a_change_of_the_router_was_so_long_ago(int days, String words) {
        assertThat(CaseView.known(situation(Double.NaN, days))).first().asString().endsWith("password was changed " + words + ".");
    }
}
