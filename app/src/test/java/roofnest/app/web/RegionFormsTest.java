package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Locale;
import java.util.Map;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

import roofnest.core.lang.Numbers;

class RegionFormsTest {
    @ParameterizedTest
    @CsvSource({"en-GB,03/04/2027,2027-04-03", "en-US,03/04/2027,2027-03-04", "de-DE,3.4.2027,2027-04-03", "sv-SE,2027-04-03,2027-04-03",
        "en-US,24 Nov 2026,2026-11-24", "en-GB,'Nov 24, 2026',2026-11-24", "en-GB,24th november 2026,2026-11-24",
        "de-DE,24. November 2026,2026-11-24", "ja-JP,2026/11/24,2026-11-24", "hu-HU,2026. 11. 24.,2026-11-24",
        "en-GB,tue 24 nov 2026,2026-11-24", "en-US,2026-11-24,2026-11-24", "de-DE,' 24 / 11 / 2026 ',2026-11-24"})
    void days_are_read_in_the_order_of_the_region_and_as_pages_and_calendars_write_them(String region, String typed, LocalDate meant) {
        assertThat(new RegionForms(Locale.forLanguageTag(region)).day(typed)).contains(meant);
    }

    @ParameterizedTest
    @CsvSource({"en-US,24/11/2026", "en-GB,11/24/2026", "en-GB,30/02/2026", "en-GB,31 Nov 2026", "en-GB,mon 24 nov 2026", "en-GB,24/11/26",
        "en-GB,''", "en-GB,soon", "en-GB,2026", "en-GB,1/2/3/2026"})
    void what_is_no_day_there_is_none(String region, String typed) {
        assertThat(new RegionForms(Locale.forLanguageTag(region)).day(typed)).isEmpty();
    }

    /** Whatever region, what a field shows is read back as the same day, and so is the example that a refusal gives. */
    @Test
    void what_is_shown_is_read_back_everywhere() {
        for (Locale region : Locale.getAvailableLocales()) {
            RegionForms forms = new RegionForms(region);
            LocalDate day = LocalDate.of(2027, 4, 3);
            assertThat(forms.day(forms.shown(day))).as(region.toLanguageTag()).contains(day);
            for (String example : forms.dayExample().split(" or ")) {
                assertThat(forms.day(example)).as(region.toLanguageTag() + ": " + example).contains(LocalDate.of(2026, 11, 24));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"9:05,09:05", "09:05,09:05", "9.05,09:05", "905,09:05", "1405,14:05", "2:05 pm,14:05", "2:05PM,14:05", "2 p.m.,14:00",
        "12 am,00:00", "23:59,23:59"})
    void times_are_read_to_24_hours_and_to_12(String typed, LocalTime meant) {
        assertThat(new RegionForms(Locale.UK).time(typed)).contains(meant);
    }

    @ParameterizedTest
    @ValueSource(strings = {"24:01", "9:60", "13:00 pm", "noonish", "9", ""})
    void what_is_no_time_is_none(String typed) {
        assertThat(new RegionForms(Locale.UK).time(typed)).isEmpty();
    }

    @Test
    void a_field_shows_a_day_as_the_pages_do_and_keeps_what_was_not_understood() {
        RegionForms here = new RegionForms(Locale.US);
        assertThat(new Form(Map.of(), here).value("on", LocalDate.of(2026, 3, 4))).isEqualTo("4 Mar 2026");
        assertThat(new Form(Map.of("on", "04/05/2026"), here).value("on", LocalDate.of(2026, 3, 4))).isEqualTo("5 Apr 2026");
        Form odd = new Form(Map.of("on", "24/11/2026"), here);
        odd.date("on", "the day");
        assertThat(odd.value("on", LocalDate.of(2026, 3, 4))).isEqualTo("24/11/2026");
        assertThat(odd.faultAt("on")).isEqualTo("Enter the day as a date between 2000 and 2100, such as 24 Nov 2026 or 11/24/2026.");
    }

    @ParameterizedTest
    @CsvSource({"en-GB,'1,500',1500", "en-US,'1,500.5',1500.5", "de-DE,'1,500',1.500", "pl-PL,'1,500',1.500", "de-DE,1.500,1.500",
        "de-DE,'1.500,5',1500.5", "de-DE,1.234.567,1234567", "fr-FR,'1\u202f500,5',1500.5", "fr-FR,'1 500',1500",
        "de-CH,1\u2019500.5,1500.5",
        "en-GB,'0,125',0.125", "en-GB,'2,4',2.4", "en-GB,'-2,5',-2.5", "de-DE,'\u22122,5',-2.5", "en-IN,'12,345',12345", "en-GB,'.5',0.5",
        "en-GB,'3.',3", "ar-EG,'2,5',2.5", "en-GB,'1500,250',1500.250"})
    void figures_are_read_as_the_region_writes_them_and_as_the_pages_do(String region, String typed, BigDecimal meant) {
        assertThat(new RegionForms(Locale.forLanguageTag(region)).number(typed)).hasValueSatisfying(
                read -> assertThat(read).isEqualByComparingTo(meant));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "1,2,3", "1.2.3", "1,50.5", "1.50,5", "1,500,5", "1 5", "1 5000", "1  500", "two", "1e3", "0x10", "--1",
        ".", "5 m",
        "1'500'00", "\u0663", "12345678901234567890123456789012345678901"})
    void what_is_no_figure_is_none(String typed) {
        for (String region : new String[] {"en-GB", "de-DE", "fr-FR", "de-CH"}) {
            assertThat(new RegionForms(Locale.forLanguageTag(region)).number(typed)).as(region).isEmpty();
        }
    }

    /** Whatever region, the figures that pages show are read back from a field as the same. */
    @Test
    void what_pages_show_is_read_back_everywhere() {
        for (Locale region : Locale.getAvailableLocales()) {
            for (double shown : new double[] {0, 2.4, -0.125, 12.345, 52.125, 1500, 1234.567}) {
                assertThat(new RegionForms(region).number(Numbers.plain(shown))).as(region.toLanguageTag())
                        .hasValueSatisfying(read -> assertThat(read.doubleValue()).isEqualTo(shown));
            }
        }
    }
}
