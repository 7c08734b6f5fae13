package roofnest.core.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import com.google.re2j.Pattern;

/**
 * {@code nmcli dev wifi}: a heading in capitals, columns parted by two spaces or more. They are not told apart by where
 * they stand, because names of wide characters shift them.
 */
final class NmcliTableReader implements ScanReader {
    private static final Pattern GAP = Pattern.compile("\\s{2,}");
    private static final Pattern HEADING = Pattern.compile("^[A-Z0-9*-]+(\\s+[A-Z0-9*-]+)+\\s*$");

    @Override
    public Scan.Source source() {
        return Scan.Source.NMCLI_TABLE;
    }

    @Override
    public boolean knows(List<String> lines) {
        return lines.stream().anyMatch(NmcliTableReader::isHeading);
    }

    private static boolean isHeading(String line) {
        return HEADING.matcher(line).matches() && heading(line).suffice();
    }

    /** The program's own words, which are the same everywhere. */
    private static Columns heading(String line) {
        List<Columns.Role> roles = new ArrayList<>();
        for (String word : GAP.split(line.strip())) {
            Columns.Role role = switch (word) {
                case "SSID" -> Columns.Role.NAME;
                case "BSSID" -> Columns.Role.BSSID;
                case "SIGNAL" -> Columns.Role.SIGNAL;
                case "CHAN" -> Columns.Role.CHANNEL;
                case "FREQ" -> Columns.Role.FREQUENCY;
                case "SECURITY" -> Columns.Role.SECURITY;
                default -> Columns.Role.OTHER;
            };
            roles.add(roles.contains(role) ? Columns.Role.OTHER : role);
        }
        return new Columns(roles);
    }

    @Override
    public void read(List<String> lines, Findings findings) {
        Columns columns = null;
        boolean mayStartBlank = false;
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i);
            if (isHeading(line)) {
                columns = heading(line);
                mayStartBlank = line.strip().startsWith("IN-USE") || line.strip().startsWith("*");
                findings.passOver(i);
            } else if (columns != null && !line.isBlank()) {
                int index = i;
                columns.network(cells(line, columns, mayStartBlank)).ifPresent(network -> {
                    findings.heard(network);
                    findings.read(index);
                });
            }
        }
    }

    private static List<String> cells(String line, Columns columns, boolean mayStartBlank) {
        List<String> cells = new ArrayList<>(Arrays.asList(GAP.split(line.strip())));
        if (mayStartBlank && !cells.get(0).equals("*")) {
            cells.add(0, "");
        }
        // Nothing but a name has gaps of its own; what is too much belongs to it.
        int name = columns.of(Columns.Role.NAME);
        while (name >= 0 && cells.size() > columns.roles().size() && name + 1 < cells.size()) {
            cells.set(name, cells.get(name) + "  " + cells.remove(name + 1));
        }
        return cells;
    }
}
