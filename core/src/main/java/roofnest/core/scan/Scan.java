package roofnest.core.scan;

import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/**
 * A scan as far as it could be read. Every line that is not blank is counted once: it gave a figure, it was recognised
 * and not needed, or it was not understood.
 *
 * @param unread lines that were not understood, as they stood
 * @param question what has to be said before the table can be read; empty when nothing has
 */
public record Scan(Source source, List<HeardNetwork> heard, List<Unread> unread, int linesRead, int linesPassedOver,
        Optional<Question> question) {
    public enum Source {
        IW("iw"), NMCLI_TABLE("nmcli, table"), NMCLI_TERSE("nmcli, terse"), NETSH("netsh"), CSV("CSV"), UNKNOWN("no scanner that is known");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Two columns could be the same thing and their values do not tell.
     *
     * @param shape of the table, by which the answer is remembered
     * @param heading as it stands, or empty
     * @param rows the first few
     * @param told what is clear already
     * @param open for each column what it may be; empty where that is clear
     */
    public record Question(String shape, List<String> heading, List<List<String>> rows, Columns told, List<Set<Columns.Role>> open) {}

    /** @param line counted from 1 */
    public record Unread(int line, String text) {}

    public Scan {
        heard = List.copyOf(heard);
        unread = List.copyOf(unread);
    }

    /** Bands on which a name was heard. */
    public Set<Band> bandsOf(String name) {
        Set<Band> bands = EnumSet.noneOf(Band.class);
        called(name).forEach(network -> bands.add(network.band()));
        return bands;
    }

    /** How a name was heard to be secured: by the radio heard best that says so. */
    public Optional<WifiSecurity> securityOf(String name) {
        return called(name).stream().filter(network -> network.security().isPresent())
                .max((a, b) -> Double.compare(a.rssiDbm(), b.rssiDbm())).flatMap(HeardNetwork::security);
    }

    private Collection<HeardNetwork> called(String name) {
        return heard.stream().filter(network -> network.name().equals(name)).toList();
    }
}
