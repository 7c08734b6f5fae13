package roofnest.core.scan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import com.google.re2j.Matcher;
import com.google.re2j.Pattern;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/**
 * {@code netsh wlan show networks mode=bssid}. Labels come in the system's language, save SSID and BSSID, so a line is
 * known by its value: a percentage is the signal, and the first bare number after it the channel.
 */
final class NetshReader implements ScanReader {
    private static final Pattern SSID = Pattern.compile("^SSID\\s+\\d+\\s*:\\s?(.*)$");
    private static final Pattern BSSID = Pattern.compile("^\\s+BSSID\\s+\\d+\\s*:\\s*(" + Values.MAC.pattern() + ")\\s*$");
    private static final Pattern LINE = Pattern.compile("^\\s+([^:]{1,80}?)\\s*:\\s*(.*?)\\s*$");
    private static final Pattern PERCENT = Pattern.compile("^\\d{1,3}\\s?%$");
    private static final Pattern BARE = Pattern.compile("^\\d{1,3}$");
    private static final int PREAMBLE_LINES = 4;
    /** Under a name: its kind, how one logs in, how it is enciphered, in whatever language. */
    private static final int AUTHENTICATION_LINE = 2;

    @Override
    public Scan.Source source() {
        return Scan.Source.NETSH;
    }

    @Override
    public boolean knows(List<String> lines) {
        return lines.stream().anyMatch(line -> SSID.matcher(line).matches());
    }

    private static final class Radio {
        private final int line;
        private final String bssid;
        private OptionalDouble dbm = OptionalDouble.empty();
        private int channel;
        private Optional<Band> band = Optional.empty();

        private Radio(int line, String bssid) {
            this.line = line;
            this.bssid = bssid;
        }

        /** By the band that a line of its own names, where there is one. */
        private Optional<Channels.Channel> placed(int number) {
            return band.isPresent() ? band.filter(of -> Channels.exists(number, of)).map(of -> new Channels.Channel(of, number))
                    : Channels.of(number);
        }
    }

    @Override
    public void read(List<String> lines, Findings findings) {
        String name = null;
        Optional<WifiSecurity> security = Optional.empty();
        Radio radio = null;
        int preamble = 0;
        int details = 0;
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i);
            Matcher ssid = SSID.matcher(line);
            Matcher bssid = BSSID.matcher(line);
            Matcher detail = LINE.matcher(line);
            if (ssid.matches()) {
                close(radio, name, security, findings);
                radio = null;
                name = ssid.group(1).strip();
                security = Optional.empty();
                details = 0;
                findings.read(i);
            } else if (name == null) {
                if (!line.isBlank() && preamble++ < PREAMBLE_LINES) {
                    findings.passOver(i);
                }
            } else if (bssid.matches()) {
                close(radio, name, security, findings);
                radio = new Radio(i, Values.mac(bssid.group(1)));
                findings.read(i);
            } else if (detail.matches()) {
                String value = detail.group(2);
                details += radio == null ? 1 : 0;
                if (radio == null && details == AUTHENTICATION_LINE) {
                    security = Values.security(value);
                    findings.read(i);
                } else if (radio != null && radio.band.isEmpty() && Values.band(value).isPresent()) {
                    radio.band = Values.band(value);
                    findings.read(i);
                } else if (radio != null && radio.dbm.isEmpty() && PERCENT.matcher(value).matches()) {
                    radio.dbm = Values.dbm(value);
                    findings.read(i);
                } else if (radio != null && radio.dbm.isPresent() && radio.channel == 0 && BARE.matcher(value).matches()
                        && radio.placed(Integer.parseInt(value)).isPresent()) {
                    radio.channel = Integer.parseInt(value);
                    findings.read(i);
                } else {
                    findings.passOver(i);
                }
            }
        }
        close(radio, name, security, findings);
    }

    private static void close(Radio radio, String name, Optional<WifiSecurity> security, Findings findings) {
        if (radio == null) {
            return;
        }
        if (radio.dbm.isEmpty() || radio.channel == 0) {
            findings.notUnderstood(radio.line);
            return;
        }
        Channels.Channel placed = radio.placed(radio.channel).orElseThrow();
        findings.heard(new HeardNetwork(name, radio.bssid, radio.dbm.getAsDouble(), placed.number(), placed.band(),
                HeardNetwork.Second.NONE, security, Optional.empty()));
    }
}
