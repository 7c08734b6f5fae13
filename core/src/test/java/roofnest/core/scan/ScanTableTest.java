package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/** Tables of networks, whatever their columns are called and in what order they stand. */
class ScanTableTest {
    private static final String[] SECURITIES = {"WPA2", "WPA3", "WPA1 WPA2", "--", "WPA2 802.1X"};

    /** Any table of networks, printed in any of the forms with its columns shuffled, comes back as it was. */
    @Property(tries = 400)
    void any_table_comes_back_the_same(@ForAll long seed) {
        Random random = new Random(seed);
        List<String[]> networks = networks(random);
        int form = random.nextInt(4);
        List<Integer> order = new ArrayList<>(IntStream.range(0, 7).boxed().toList());
        Collections.shuffle(order, random);
        String text = switch (form) {
            case 0 -> networks.stream().map(row -> order.stream().map(at -> escaped(row[at])).collect(Collectors.joining(":")))
                    .collect(Collectors.joining("\n"));
            default -> {
                String delimiter = form == 1 ? "," : form == 2 ? ";" : "\t";
                String[] heading
                        = random.nextBoolean() ? new String[] {"In use", "BSSID", "SSID", "Channel", "Frequency", "RSSI", "Security"}
                                : new String[] {"Aktiv", "MAC-Adresse", "Netzname", "Kanal", "Frequenz", "Signalstärke", "Verschlüsselung"};
                yield order.stream().map(at -> heading[at]).collect(Collectors.joining(delimiter)) + "\n"
                        + networks.stream().map(row -> order.stream().map(at -> quoted(row[at])).collect(Collectors.joining(delimiter)))
                                .collect(Collectors.joining("\n"));
            }
        };
        Scan scan = ScanText.read(random.nextBoolean() ? "\uFEFF" + text : text);
        assertThat(scan.heard()).as("%s\n%s", scan.source(), text).hasSize(networks.size());
        for (int i = 0; i < networks.size(); i++) {
            String[] row = networks.get(i);
            HeardNetwork heard = scan.heard().get(i);
            assertThat(heard.bssid()).isEqualTo(row[1].toLowerCase());
            assertThat(heard.name()).as(text).isEqualTo(row[2].equals("--") ? "" : row[2]);
            assertThat(String.valueOf(heard.channel())).as(text).isEqualTo(row[3]);
            assertThat(Channels.centreMhz(heard.channel(), heard.band()) + " MHz").isEqualTo(row[4]);
            assertThat(heard.rssiDbm()).as(text).isEqualTo(Integer.parseInt(row[5]) / 2.0 - 100);
        }
        assertThat(scan.unread()).isEmpty();
    }

    /** In use, address, name, channel, frequency, signal, security; names are of all kinds, some of digits alone. */
    private static List<String[]> networks(Random random) {
        List<String[]> rows = new ArrayList<>();
        int count = 7 + random.nextInt(8);
        int signal = 100;
        for (int i = 0; i < count; i++) {
            Band band = Band.values()[random.nextInt(3)];
            int channel;
            do {
                channel = 1 + random.nextInt(233);
            } while (!Channels.exists(channel, band));
            signal = Math.max(0, signal - 1 - random.nextInt(9));
            String name = switch (random.nextInt(5)) {
                case 0 -> "Weirhouse " + i;
                case 1 -> "a: b\\c \"d\"" + i;
                case 2 -> "水車小屋" + i;
                default -> "café-" + i;
            };
            rows.add(new String[] {i == 0 ? "*" : "", String.format("02:00:5E:10:%02X:%02X", random.nextInt(256), i), name,
                String.valueOf(channel), Channels.centreMhz(channel, band) + " MHz", String.valueOf(signal),
                SECURITIES[random.nextInt(5)]});
        }
        return rows;
    }

    private static String escaped(String cell) {
        return cell.replace("\\", "\\\\").replace(":", "\\:");
    }

    private static String quoted(String cell) {
        return "\"" + cell.replace("\"", "\"\"") + "\"";
    }

    @Test
    void channel_and_frequency_together_leave_the_signal_no_choice() {
        Scan scan = ScanText.read("""
            yes:Weirhouse:6:2437 MHz:78:WPA2
            no:12345:11:2462 MHz:40:WPA2
            no:2021:36:5180 MHz:11:WPA2
            """);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Weirhouse", "12345", "2021");
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 11, 36);
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-61.0, -80.0, -94.5);
    }

    /** All fields of the program, the active one first. */
    @Test
    void all_fields_of_the_terse_form_are_read() {
        String row
                = "AP[%d]:%s:%s:02\\:00\\:5E\\:10\\:00\\:0%d:Infra:%d:%d MHz:270 Mbit/s:%d:▂▄▆_:WPA2:(none):pair_ccmp group_ccmp psk:wlan0:"
                        + "%s:*:/org/example/AccessPoint/%d";
        Scan scan = ScanText.read(String.format(row, 1, "Weir", "57656972", 1, 6, 2437, 80, "yes", 7) + "\n"
                + String.format(row, 2, "4711", "34373131", 2, 44, 5220, 36, "no", 8) + "\n"
                + String.format(row, 3, "kiln", "6B696C6E", 3, 37, 6135, 30, "no", 9));
        assertThat(scan.source()).isEqualTo(Scan.Source.NMCLI_TERSE);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Weir", "4711", "kiln");
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(6, 44, 37);
        assertThat(scan.heard()).extracting(HeardNetwork::band).containsExactly(Band.GHZ_2_4, Band.GHZ_5, Band.GHZ_6);
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-60.0, -82.0, -85.0);
    }

    /** Two columns of small numbers that could both be channels: nothing is taken until somebody says which is which. */
    @Test
    void what_cannot_be_told_is_asked_and_remembered_for_tables_of_that_shape() {
        String text = "Weirhouse:6:11:WPA2\nkiln:1:36:WPA2\nstaithe:11:44:--\n";
        Scan asked = ScanText.read(text);
        assertThat(asked.heard()).isEmpty();
        Scan.Question question = asked.question().orElseThrow();
        assertThat(question.rows().get(1)).containsExactly("kiln", "1", "36", "WPA2");
        assertThat(question.open().get(1)).isEqualTo(Set.of(Columns.Role.CHANNEL, Columns.Role.SIGNAL));
        assertThat(question.open().get(0)).isEmpty();
        Columns said = new Columns(List.of(Columns.Role.NAME, Columns.Role.CHANNEL, Columns.Role.SIGNAL, Columns.Role.SECURITY));
        Scan answered = ScanText.read("ferry:6:40:WPA2\nreed:1:36:WPA2\n",
                shape -> shape.equals(question.shape()) ? Optional.of(said) : Optional.empty());
        assertThat(answered.question()).isEmpty();
        assertThat(answered.heard()).extracting(HeardNetwork::channel).containsExactly(6, 1);
        assertThat(ScanText.read("02\\:00\\:5E\\:10\\:00\\:01:6:40:WPA2\n", shape -> Optional.of(said)).heard())
                .as("an answer for other tables does no harm").hasSizeLessThan(2);
    }

    @ParameterizedTest
    @CsvSource({"Channel width,OTHER", "Kanalbreite,OTHER", "Largeur du canal,OTHER", "Ancho de canal,OTHER", "Kanal,CHANNEL",
        "Canal,CHANNEL",
        "Canale,CHANNEL", "Kanaal,CHANNEL", "Kanał,CHANNEL", "Stärke,SIGNAL", "Puissance,SIGNAL", "Señal,SIGNAL", "Segnale,SIGNAL",
        "Sinal,SIGNAL", "Sygnał,SIGNAL", "Fréquence,FREQUENCY", "Sécurité,SECURITY", "Seguridad,SECURITY", "Sicurezza,SECURITY",
        "Zabezpieczenia,SECURITY", "Beveiliging,SECURITY", "Säkerhet,SECURITY", "Réseau,NAME", "Nombre,NAME", "Naam,NAME", "Nazwa,NAME",
        "MAC,BSSID", "Adresse MAC,BSSID", "Band,BAND", "RSSI (dBm),SIGNAL", "Change,", "Checked,", "Redundant,"})
    void headings_are_hints_in_many_languages(String heading, Columns.Role role) {
        assertThat(ColumnGuess.hint(heading)).isEqualTo(role);
    }

    @Test
    void csv_of_foreign_headings_decimal_commas_and_line_breaks_in_names() {
        Scan scan = ScanText.read("""
            Réseau;Adresse MAC;Largeur du canal;Canal;Puissance (dBm);Bande;Sécurité
            "Moulin
            du bief";02:00:5E:10:00:01;80;37;-61,5;6 GHz;WPA3
            Kiln;02:00:5E:10:00:02;20;6;-70;2,4 GHz;WPA2
            """);
        assertThat(scan.heard()).extracting(HeardNetwork::name).containsExactly("Moulin\ndu bief", "Kiln");
        assertThat(scan.heard()).extracting(HeardNetwork::band).containsExactly(Band.GHZ_6, Band.GHZ_2_4);
        assertThat(scan.heard()).extracting(HeardNetwork::channel).containsExactly(37, 6);
        assertThat(scan.heard()).extracting(HeardNetwork::rssiDbm).containsExactly(-61.5, -70.0);
        assertThat(scan.unread()).isEmpty();
        Scan unknown = ScanText.read("""
            qwe,asd,zxc,rty
            02:00:5E:10:00:01,-61,6,Weirhouse
            02:00:5E:10:00:02,-77,36,"kiln, east"
            """);
        assertThat(unknown.heard()).extracting(HeardNetwork::name).containsExactly("Weirhouse", "kiln, east");
        assertThat(unknown.heard()).extracting(HeardNetwork::channel).containsExactly(6, 36);
        assertThat(ScanText.read("02:00:5E:10:00:01,-61,6,Weirhouse\n02:00:5E:10:00:02,-77,36,kiln\n").heard()).as("no heading").hasSize(2);
    }

    @Test
    void six_gigahertz_is_never_counted_among_the_older_bands() {
        Scan scan = ScanText.read("""
            SSID 1 : Weirhouse
                Network type            : Infrastructure
                Authentication          : Open
                Encryption              : None
                BSSID 1                 : 02:00:5e:10:00:01
                     Signal             : 83%
                     Radio type         : 802.11ax
                     Band               : 6 GHz
                     Channel            : 5
                BSSID 2                 : 02:00:5e:10:00:02
                     Signal             : 60%
                     Band               : 2.4 GHz
                     Channel            : 5
            """);
        assertThat(scan.heard()).extracting(HeardNetwork::band).containsExactly(Band.GHZ_6, Band.GHZ_2_4);
        assertThat(scan.heard().get(0).security()).contains(WifiSecurity.OPEN);
        assertThat(ChannelAdvice.of(scan.heard(), "other").scores().get(1).networks()).as("on channel 6, one and not two").isEqualTo(1);
        assertThat(ChannelAdvice.sixGhz(scan.heard(), "other")).isEqualTo("One other network was heard at 6 GHz; the quietest "
                + "first-looked-for channel there is 21. The house's own name was not heard there.");
        assertThat(ChannelAdvice.sixGhz(scan.heard(), "Weirhouse")).startsWith("No other network").doesNotContain("own name");
        assertThat(ScanText.read("name,frequency,signal\nkiln,5955,70\n").heard().get(0).band()).isEqualTo(Band.GHZ_6);
    }

    @Test
    void iw_tells_the_newer_securities_apart_and_reports_what_was_cut_off() {
        String block
                = "BSS 02:00:5e:10:00:0%d(on wlan0)\n\tfreq: 2437\n\tcapability: ESS Privacy (0x11)\n\tsignal: -60.00 dBm\n\tSSID: n%d\n"
                        + "\tRSN:\t * Version: 1\n\t\t * Authentication suites: %s\n";
        Scan scan = ScanText.read("\uFEFF" + String.format(block, 1, 1, "OWE") + String.format(block, 2, 2, "IEEE 802.1X")
                + String.format(block, 3, 3, "SAE") + String.format(block, 4, 4, "PSK SAE") + "\tsign");
        assertThat(scan.heard()).extracting(network -> network.security().orElseThrow()).containsExactly(WifiSecurity.OWE,
                WifiSecurity.ENTERPRISE, WifiSecurity.WPA3, WifiSecurity.WPA2_WPA3);
        assertThat(scan.unread()).extracting(Scan.Unread::text).containsExactly("\tsign");
    }
}
