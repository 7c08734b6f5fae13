package roofnest.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * {@code nmcli -t -f … dev wifi}: values parted by colons, colons within them escaped, no heading. What a column holds is
 * told from the values of all lines together ({@link ColumnGuess}).
 */
final class NmcliTerseReader implements ScanReader {
    private static final CSVFormat FORMAT
            = CSVFormat.Builder.create().setDelimiter(':').setEscape('\\').setQuote(null).setRecordSeparator('\n').get();
    private static final int LOOKED_AT = 50;

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
        Columns columns = findings.columns(source(), ColumnGuess.of(rows, List.of(), width), rows, width, List.of());
        for (int i = 0; columns != null && i < rows.size(); i++) {
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
}
