package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

class ScanTextTest {
    private static final String IW = """
        BSS 02:00:5e:10:00:01(on wlan0) -- associated
        \tTSF: 1234567 usec (0d, 00:00:01)
        \tfreq: 2437
        \tbeacon interval: 100 TUs
        \tcapability: ESS Privacy ShortSlotTime (0x0411)
        \tsignal: -61.00 dBm
        \tlast seen: 120 ms ago
        \tSSID: Weirhouse
        \tSupported rates: 1.0* 2.0* 5.5* 11.0*\s
        \tDS Parameter set: channel 6
        \tBSS Load:
        \t\t * station count: 3
        \t\t * channel utilisation: 102/255
        \tRSN:\t * Version: 1
        \t\t * Group cipher: CCMP
        \t\t * Authentication suites: PSK SAE
        \tHT operation:
        \t\t * primary channel: 6
        \t\t * secondary channel offset: above
        BSS 02:00:5e:10:00:02(on wlan0)
        \tfreq: 5180.0
        \tsignal: -72,50 dBm
        \tSSID: Caf\\xc3\\xa9 M\\xc3\\xbchle
        \tRSN:\t * Version: 1
        \t\t * Authentication suites: SAE
        BSS 02:00:5e:10:00:03(on wlan0)
        \tfreq: 2412
        \tsignal: -80.00 dBm
        \tSSID: \\x00\\x00\\x00\\x00
        BSS 02:00:5e:10:00:04(on wlan0)
        \tfreq: 24
        """;

    @Test
    void iw_gives_name_signal_channel_width_security_and_load() {
        Scan scan = ScanText.read(IW);
        assertThat(scan.source()).isEqualTo(Scan.Source.IW);
        assertThat(scan.heard()).containsExactly(
                new HeardNetwork("Weirhouse", "02:00:5e:10:00:01", -61, 6, Band.GHZ_2_4, HeardNetwork.Second.ABOVE,
                        Optional.of(WifiSecurity.WPA2_WPA3), Optional.of(0.4)),
                new HeardNetwork("Café Mühle", "02:00:5e:10:00:02", -72.5, 36, Band.GHZ_5, HeardNetwork.Second.NONE,
                        Optional.of(WifiSecurity.WPA3), Optional.empty()),
                new HeardNetwork("", "02:00:5e:10:00:03", -80, 1, Band.GHZ_2_4, HeardNetwork.Second.NONE, Optional.of(WifiSecurity.OPEN),
                        Optional.empty()));
    }

    @Test
    void a_block_cut_off_before_its_signal_is_shown_as_not_understood() {
        assertThat(ScanText.read(IW).unread()).containsExactly(new Scan.Unread(30, "BSS 02:00:5e:10:00:04(on wlan0)"));
    }

    @Test
    void lines_that_are_no_part_of_an_iw_scan_are_shown() {
        Scan scan = ScanText.read("command failed: busy (-16)\n" + IW.replace("\tTSF", "??? noise between\n\tTSF"));
        assertThat(scan.unread()).extracting(Scan.Unread::text).contains("command failed: busy (-16)", "??? noise between");
        assertThat(scan.heard()).hasSize(3);
    }

    @Test
    void nmcli_tables_are_read_whatever_the_width_of_a_name() {
        Scan scan = ScanText.read("""
            IN-USE  BSSID              SSID               MODE   CHAN  RATE        SIGNAL  BARS  SECURITY
            *       02:00:5E:10:00:01  Weirhouse          Infra  6     270 Mbit/s  78      ▂▄▆_  WPA2 WPA3
                    02:00:5E:10:00:02  two  gaps  in it   Infra  11    54,0 Mbit/s  40      ▂▄__  WPA1 WPA2
                    02:00:5E:10:00:03  水車小屋             Infra  1     130 Mbit/s  22      ▂___  --
                    02:00:5E:10:00:05  --                 Infra  44    130 Mbit/s  30      ▂___  WPA2 802.1X
                    02:00:5E:10:00:04  cut off            Inf
            """);
        assertThat(scan.source()).isEqualTo(Scan.Source.NMCLI_TABLE);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Weirhouse", "two  gaps  in it", "水車小屋", "");
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-61.0, -80.0, -89.0, -85.0);
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 11, 1, 44);
        assertThat(scan.heard()).extracting(network -> network.security().orElseThrow())
                .containsExactly(WifiSecurity.WPA2_WPA3, WifiSecurity.WPA2, WifiSecurity.OPEN, WifiSecurity.ENTERPRISE);
        assertThat(scan.unread()).extracting(Scan.Unread::line).containsExactly(6);
    }

    @Test
    void terse_nmcli_is_told_apart_by_its_values() {
        Scan scan = ScanText.read("""
            *:02\\:00\\:5E\\:10\\:00\\:01:Weirhouse:Infra:6:270 Mbit/s:78:▂▄▆_:WPA2
             :02\\:00\\:5E\\:10\\:00\\:02:name\\: with colon:Infra:11:54 Mbit/s:40:▂▄__:WPA2
             :02\\:00\\:5E\\:10\\:00\\:03::Infra:1:130 Mbit/s:22:▂___:
            """);
        assertThat(scan.source()).isEqualTo(Scan.Source.NMCLI_TERSE);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Weirhouse", "name: with colon", "");
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 11, 1);
        assertThat(scan.heard()).extracting(HeardNetwork::bssid).containsExactly("02:00:5e:10:00:01", "02:00:5e:10:00:02",
                "02:00:5e:10:00:03");
        assertThat(scan.unread()).isEmpty();
    }

    @Test
    void terse_nmcli_in_another_order_is_read_as_well() {
        Scan scan = ScanText.read("Weirhouse:2437 MHz:61:WPA2\nkiln:5220 MHz:80:WPA3\n");
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 44);
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-69.5, -60.0);
    }

    /** One line in five may be odd before a column is taken for something else; short or empty lines spoil no other. */
    @Test
    void a_column_is_what_nearly_all_of_its_values_are() {
        Scan scan = ScanText.read("""
            02\\:00\\:5E\\:10\\:00\\:01:Weirhouse:6:78:WPA2

            02\\:00\\:5E\\:10\\:00\\:02:kiln:36:100:WPA3
            half a line:
            02\\:00\\:5E\\:10\\:00\\:03:staithe:11:0:--
            02\\:00\\:5E\\:10\\:00\\:04:reed:1:40:WPA1 WPA2
            02\\:00\\:5E\\:10\\:00\\:05:ferry:11:20:no idea
            """);
        assertThat(scan.source()).isEqualTo(Scan.Source.NMCLI_TERSE);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Weirhouse", "kiln", "staithe", "reed", "ferry");
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 36, 11, 1, 11);
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-61.0, -50.0, -100.0, -80.0, -90.0);
        assertThat(scan.heard().get(2).security()).contains(WifiSecurity.OPEN);
        assertThat(scan.heard().get(4).security()).as("what it does not know it does not guess").isEmpty();
        assertThat(scan.unread()).extracting(Scan.Unread::text).containsExactly("half a line:");
    }

    /** Without an address a line of three values is a scan; most lines that are not are none. */
    @Test
    void terse_output_is_told_from_ordinary_text() {
        assertThat(ScanText.read("Weirhouse:6:70\nkiln:11:40\nnoise\n").source()).isEqualTo(Scan.Source.NMCLI_TERSE);
        assertThat(ScanText.read("Dear all\nthe time is 10:30:00\nthe end\nof it\n").source()).isNotEqualTo(Scan.Source.NMCLI_TERSE);
        assertThat(ScanText.read("a note\nwithout any colon\n").source()).isNotEqualTo(Scan.Source.NMCLI_TERSE);
    }

    /** A channel is told by the frequency, else by either of the two lines that say it, and never by one that cannot be. */
    @Test
    void an_iw_block_says_its_channel_in_three_ways() {
        String block = "BSS 02:00:5e:10:00:0%d(on wlan0)\n\tsignal: -60.00 dBm\n\tSSID: n%d\n%s\n";
        Scan scan = ScanText.read(String.format(block, 1, 1, "\tDS Parameter set: channel 11")
                + String.format(block, 2, 2, "\tHT operation:\n\t\t * primary channel: 44\n\t\t * secondary channel offset: below")
                + String.format(block, 3, 3, "\tfreq: 2412\n\tDS Parameter set: channel 6")
                + String.format(block, 4, 4, "\tDS Parameter set: channel 20\n\tHT operation:\n\t\t * primary channel: 3")
                + String.format(block, 5, 5, "\tcapability: ESS Privacy (0x11)\n\tfreq: 2437")
                + String.format(block, 6, 6, "\tcapability: ESS (0x01)\n\tfreq: 2437\n\tWPA:\t * Version: 1"));
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(11, 44, 1, 3, 6, 6);
        assertThat(scan.heard().get(1).second()).isEqualTo(HeardNetwork.Second.BELOW);
        assertThat(scan.heard().get(2).second()).isEqualTo(HeardNetwork.Second.NONE);
        assertThat(scan.heard().get(4).security()).as("closed somehow; how, it does not say").isEmpty();
        assertThat(scan.heard().get(5).security()).contains(WifiSecurity.WPA2);
        assertThat(scan.unread()).isEmpty();
    }

    @Test
    void netsh_is_read_in_any_language() {
        String german = """

            Schnittstellenname : WLAN\s
            Momentan sind 2 Netzwerke sichtbar.

            SSID 1 : Weirhouse
                Netzwerktyp             : Infrastruktur
                Authentifizierung       : WPA2-Personal
                Verschlüsselung         : CCMP
                BSSID 1                 : 02:00:5e:10:00:01
                     Signal             : 83%
                     Funktyp            : 802.11n
                     Kanal              : 6
                     Basisraten (MBit/s) : 1 2 5.5 11
                BSSID 2                 : 02:00:5e:10:00:09
                     Signal             : 20 %
                     Kanal              : 36

            SSID 2 :\s
                Authentifizierung       : WPA3-Personal
                BSSID 1                 : 02:00:5e:10:00:02
                     Signal             : 40%
            """;
        Scan scan = ScanText.read(german);
        assertThat(scan.source()).isEqualTo(Scan.Source.NETSH);
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 36);
        assertThat(scan.heard().get(0).rssiDbm()).isEqualTo(-58.5);
        assertThat(scan.bandsOf("Weirhouse")).isEqualTo(Set.of(Band.GHZ_2_4, Band.GHZ_5));
        assertThat(scan.securityOf("Weirhouse")).contains(WifiSecurity.WPA2);
        assertThat(scan.unread()).extracting(Scan.Unread::text).containsExactly("    BSSID 1                 : 02:00:5e:10:00:02");
        Scan whole = ScanText.read(german + "         Kanal              : 11\n");
        assertThat(whole.heard()).extracting(HeardNetwork::hidden).containsExactly(false, false, true);
    }

    @Test
    void csv_is_read_with_any_delimiter_and_decimal_comma() {
        Scan semicolons = ScanText.read(
                "\uFEFFSSID;BSSID;RSSI (dBm);Frequency;Security\n\"Weir; house\";02-00-5E-10-00-01;-61,5;2,437 GHz;WPA2\nnothing;here\n");
        assertThat(semicolons.source()).isEqualTo(Scan.Source.CSV);
        assertThat(semicolons.heard())
                .containsExactly(new HeardNetwork("Weir; house", "02:00:5e:10:00:01", -61.5, 6, Band.GHZ_2_4, HeardNetwork.Second.NONE,
                        Optional.of(WifiSecurity.WPA2), Optional.empty()));
        assertThat(semicolons.unread()).containsExactly(new Scan.Unread(3, "nothing;here"));
        Scan commas = ScanText.read("name,channel,signal\n\"a \"\"quoted\"\" name\",11,70\n");
        assertThat(commas.heard()).extracting(HeardNetwork::name).containsExactly("a \"quoted\" name");
    }

    @Test
    void text_of_no_scanner_is_shown_whole_and_long_lines_cut_off() {
        Scan scan = ScanText.read("hello\n\n" + "x".repeat(500));
        assertThat(scan.source()).isEqualTo(Scan.Source.UNKNOWN);
        assertThat(scan.unread()).extracting(Scan.Unread::line).containsExactly(1, 3);
        assertThat(scan.unread().get(1).text()).hasSize(ScanText.SHOWN_CHARACTERS + 1).endsWith("…");
        assertThatThrownBy(() -> ScanText.read("x".repeat(ScanText.MOST_CHARACTERS + 1))).hasMessageContaining("at most");
    }

    @Test
    void percentages_and_dbm_are_told_apart_by_sign() {
        assertThat(Values.dbm("-67 dBm").getAsDouble()).isEqualTo(-67);
        assertThat(Values.dbm("\u221267").getAsDouble()).isEqualTo(-67);
        assertThat(Values.dbm("100").getAsDouble()).isEqualTo(-50);
        assertThat(Values.dbm("250")).isEmpty();
        assertThat(Values.dbm("-400")).isEmpty();
        assertThat(Values.unescaped("bad \\xff byte")).isEqualTo("bad \\xff byte");
    }

    @Test
    void channels_and_frequencies_match() {
        assertThat(Channels.ofMhz(2438)).isEmpty();
        for (Band band : Band.values()) {
            for (int channel = 1; channel <= 233; channel++) {
                assertThat(Channels.exists(channel, band) ? Channels.ofMhz(Channels.centreMhz(channel, band)) : Optional.empty())
                        .isEqualTo(Channels.exists(channel, band) ? Optional.of(new Channels.Channel(band, channel)) : Optional.empty());
            }
        }
    }

    @Property(tries = 400)
    void any_text_is_read_without_an_error_and_every_line_is_accounted_for(@ForAll @StringLength(max = 400) String text) {
        accountedFor(text);
    }

    /** Lines of real scans, cut, mixed and doubled at random. */
    @Property(tries = 300)
    void scans_torn_to_pieces_lose_no_line(@ForAll @Size(max = 30) List<@IntRange(max = 10_000) Integer> picks) {
        List<String> pool = (IW
                + "SSID 1 : a\n    BSSID 1 : 02:00:5e:10:00:01\n  Signal : 300%\n  Signal : 80%\n   Kanal : "
                + "999\n*:02\\:00\\:5E\\:10\\:00\\:01:a:6:50:WPA2\nSSID,CHAN,SIGNAL\n\"open,6\na,6,\\\n"
                + "IN-USE  BSSID  SSID  CHAN  SIGNAL\n*\n*  *  *  *  *  *\n").lines().toList();
        StringBuilder text = new StringBuilder();
        for (int pick : picks) {
            String line = pool.get(pick % pool.size());
            text.append(line, 0, pick % 7 == 0 ? line.length() / 2 : line.length()).append('\n');
        }
        accountedFor(text.toString());
    }

    private static void accountedFor(String text) {
        Scan scan = ScanText.read(text);
        long lines = text.lines().filter(line -> !line.isBlank()).count();
        assertThat(scan.linesRead() + scan.linesPassedOver() + scan.unread().size()).isEqualTo((int) lines);
        assertThat(scan.heard()).hasSizeLessThanOrEqualTo((int) lines);
    }
}
