package roofnest.core.scan;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * Reads the text of command-line Wi-Fi scanners as far as it goes: {@code iw dev … scan}, {@code nmcli … dev wifi} in
 * table and terse form, {@code netsh wlan show networks mode=bssid} in any language, and CSV with a heading.
 */
public final class ScanText {
    /** Longest text that is read, characters. */
    public static final int MOST_CHARACTERS = 4_000_000;
    private static final int MOST_CHARACTERS_A_LINE = 2_000;
    /** Longer lines are shown cut off at this many characters. */
    static final int SHOWN_CHARACTERS = 200;

    private static final List<ScanReader> READERS
            = List.of(new IwReader(), new NetshReader(), new NmcliTableReader(), new CsvReader(), new NmcliTerseReader());

    private ScanText() {}

    /** Reads a text of whose columns nobody has said anything. */
    public static Scan read(String text) {
        return read(text, shape -> Optional.empty());
    }

    /**
     * @param remembered what somebody said of tables of a shape
     * @throws IllegalArgumentException if the text is longer than {@link #MOST_CHARACTERS}
     */
    public static Scan read(String text, Function<String, Optional<Columns>> remembered) {
        if (text.length() > MOST_CHARACTERS) {
            throw new IllegalArgumentException("a scan has at most " + MOST_CHARACTERS + " characters; this has " + text.length());
        }
        // A byte order mark is no part of the first line.
        List<String> printed = (text.startsWith("\uFEFF") ? text.substring(1) : text).lines().toList();
        // No scanner prints longer lines; nobody has to look for anything in them, and they count as not understood.
        List<String> lines = printed.stream().map(line -> line.length() > MOST_CHARACTERS_A_LINE ? "" : line).toList();
        ScanReader reader = READERS.stream().filter(each -> each.knows(lines)).findFirst().orElse(null);
        Findings findings = new Findings(printed, remembered);
        if (reader == null) {
            return findings.scan(Scan.Source.UNKNOWN);
        }
        reader.read(lines, findings);
        return findings.scan(reader.source());
    }
}
