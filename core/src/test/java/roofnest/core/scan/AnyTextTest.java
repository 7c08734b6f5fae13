package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** Text from outside is read as far as it goes, whatever it is: no text is too strange and no line too long. */
class AnyTextTest {
    /** Pieces of real scans, put together as no scanner would. */
    @Provide
    Arbitrary<String> scans() {
        Arbitrary<String> pieces = Arbitraries.of("BSS aa:bb:cc:dd:ee:01(on wlan0)", "\tsignal: -61.00 dBm", "\tSSID: weir", "\tfreq: 2437",
                "SSID 1 : weir", "    BSSID 1                 : aa:bb:cc:dd:ee:02", "         Signal             : 88%",
                "IN-USE  BSSID  SSID  MODE  CHAN  RATE  SIGNAL  BARS  SECURITY",
                "*  aa:bb:cc:dd:ee:03  weir  Infra  6  270 Mbit/s  88  ___  WPA2",
                "ssid,channel,signal,security", "weir,6,-61,WPA2", "aa\\:bb\\:cc\\:dd\\:ee\\:04:weir:6:-61", "\"", ",,,,", "::::::",
                "\\x00\\xff",
                "\t* primary channel: 1e308", "-120", "\u2212", "\ud83d", "\uFEFF", "1e999", "\tDS Parameter set: channel 99999999999");
        Arbitrary<String> anything = Arbitraries.strings().all().ofMaxLength(60);
        return Arbitraries.oneOf(pieces, pieces, anything).list().ofMaxSize(30)
                .flatMap(lines -> Arbitraries.of("\n", "\r\n", "\t", ",", ";").map(between -> String.join(between, lines)));
    }

    @Property(tries = 3000)
    void every_text_is_read_and_every_line_accounted_for(@ForAll("scans") String text) {
        Scan scan = ScanText.read(text);
        long lines = (text.startsWith("\uFEFF") ? text.substring(1) : text).lines().filter(line -> !line.isBlank()).count();
        assertThat(scan.linesRead() + scan.linesPassedOver() + scan.unread().size()).isEqualTo((int) lines);
        assertThat(scan.heard()).allSatisfy(heard -> {
            assertThat(heard.rssiDbm()).isFinite();
            assertThat(heard.channel()).isPositive();
        });
    }

    /** Half a million repetitions of what a pattern repeats: nothing recurses, and it ends. */
    @Test
    void no_repetition_is_too_long_to_be_read_to_its_end() {
        for (String again : List.of("af", "wpa2 ", "ab:", "a_", "\\x41", " ", "*", "\t*", "1", ":", "\"", ",", "-", "AP[1]")) {
            String endless = again.repeat(500_000 / again.length());
            for (String head : List.of("", "BSS aa:bb:cc:dd:ee:01(on wlan0)\n\tSSID: ", "SSID 1 : ", "ssid,channel,signal\n", "weir:",
                    "IN-USE  BSSID  SSID  CHAN  SIGNAL  SECURITY\n")) {
                assertThat(ScanText.read(head + endless).heard()).isEmpty();
                // The longest line that is looked at, twenty times over.
                ScanText.read((head + again.repeat(1_900 / again.length()) + "\n").repeat(20));
            }
        }
    }
}
