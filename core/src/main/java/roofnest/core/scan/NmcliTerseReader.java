package roofnest.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * {@code nmcli -t -f … dev wifi}: values parted by colons, colons within them escaped, no heading. What a column holds is
 * told from all of its values together; of two columns that could both be the channel the first is, as the program
 * lists them.
 */
final class NmcliTerseReader implements ScanReader {
    private static final CSVFormat FORMAT
            = CSVFormat.Builder.create().setDelimiter(':').setEscape('\\').setQuote(null).setRecordSeparator('\n').get();
    private static final Pattern MHZ = Pattern.compile("\\d{4} MHz");
    private static final Pattern WHOLE = Pattern.compile("\\d{1,3}");
    private static final Pattern SECURITY = Pattern.compile("(WPA\\d?|WEP|802\\.1X|--|OWE)( (WPA\\d?|WEP|802\\.1X))*");
    private static final Pattern KNOWN
            = Pattern.compile("\\*?|Infra|Ad-Hoc|Mesh|AP|[\u2581-\u2588_* ]+|\\d+ Mbit/s|\\d+,\\d+ Mbit/s|\\d+ MHz");
    private static final int LOOKED_AT = 50;
    private static final double MOST_EXCEPTIONS = 0.2;

    @Override
    public Scan.Source source() {
        return Scan.Source.NMCLI_TERSE;
    }

    @Override
    public boolean knows(List<String> lines) {
        List<List<String>> first = lines.stream().filter(line -> !line.isBlank()).limit(LOOKED_AT).map(NmcliTerseReader::cells).toList();
        return first.stream().anyMatch(cells -> cells.size() > 2 && cells.stream().anyMatch(NmcliTerseReader::isMac))
                || first.stream().filter(cells -> cells.size() > 2).count() > first.size() / 2;
    }

    private static boolean isMac(String cell) {
        return Values.MAC.matcher(cell).matches();
    }

    private static List<String> cells(String line) {
        List<List<String>> rows = line.isBlank() ? List.of() : records(line);
        return rows.size() == 1 ? rows.get(0) : List.of();
    }

    /** All records of a text; none when it cannot be read as such. */
    private static List<List<String>> records(String text) {
        try (CSVParser parser = CSVParser.parse(text, FORMAT)) {
            List<List<String>> rows = new ArrayList<>();
            for (CSVRecord record : parser) {
                rows.add(record.toList());
            }
            return rows;
        } catch (IOException | RuntimeException e) {
            return List.of();
        }
    }

    /** Whole where every line is a record of its own, else line by line: one bad line then spoils no other. */
    private static List<List<String>> rows(List<String> lines) {
        boolean plain = lines.stream().noneMatch(line -> line.isBlank() || line.endsWith("\\"));
        List<List<String>> whole = plain ? records(String.join("\n", lines)) : List.of();
        return whole.size() == lines.size() ? whole : lines.stream().map(NmcliTerseReader::cells).toList();
    }

    @Override
    public void read(List<String> lines, Findings findings) {
        List<List<String>> rows = rows(lines);
        int width = commonest(rows);
        List<List<String>> whole = rows.stream().filter(row -> row.size() == width).toList();
        Columns columns = columns(whole, width);
        for (int i = 0; i < rows.size(); i++) {
            int index = i;
            columns.network(rows.get(i)).ifPresent(network -> {
                findings.heard(network);
                findings.read(index);
            });
        }
    }

    private static int commonest(List<List<String>> rows) {
        Map<Integer, Integer> counts = new HashMap<>();
        rows.stream().filter(row -> row.size() > 1).forEach(row -> counts.merge(row.size(), 1, Integer::sum));
        return counts.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(0);
    }

    private static Columns columns(List<List<String>> rows, int width) {
        List<Columns.Role> roles = new ArrayList<>(Collections.nCopies(width, Columns.Role.OTHER));
        assign(roles, rows, Columns.Role.BSSID, NmcliTerseReader::isMac);
        assign(roles, rows, Columns.Role.FREQUENCY, cell -> MHZ.matcher(cell).matches());
        if (!roles.contains(Columns.Role.FREQUENCY)) {
            assign(roles, rows, Columns.Role.CHANNEL, cell -> WHOLE.matcher(cell).matches() && Channels.exists(Integer.parseInt(cell)));
        }
        assign(roles, rows, Columns.Role.SIGNAL, cell -> WHOLE.matcher(cell).matches() && Integer.parseInt(cell) <= 100);
        assign(roles, rows, Columns.Role.SECURITY, cell -> SECURITY.matcher(cell).matches());
        assign(roles, rows, Columns.Role.NAME, cell -> !KNOWN.matcher(cell).matches());
        return new Columns(roles);
    }

    /** Gives a role to the first free column nearly all of whose values fit it. */
    private static void assign(List<Columns.Role> roles, List<List<String>> rows, Columns.Role role, Predicate<String> fits) {
        for (int column = 0; column < roles.size(); column++) {
            int at = column;
            List<String> filled = rows.stream().map(row -> row.get(at)).filter(cell -> !cell.isEmpty()).toList();
            long exceptions = filled.stream().filter(fits.negate()).count();
            if (roles.get(column) == Columns.Role.OTHER && !filled.isEmpty() && exceptions <= MOST_EXCEPTIONS * filled.size()) {
                roles.set(column, role);
                return;
            }
        }
    }
}
