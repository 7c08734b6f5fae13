package roofnest.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Comma, semicolon or tab separated values (RFC 4180), with a heading in any of many languages, one that nobody knows, or none:
 * what the columns hold is told from their values. Quoted line breaks belong to their value.
 */
final class CsvReader implements ScanReader {
    private static final char[] DELIMITERS = {',', ';', '\t'};
    /** Programs put a line or two of their own before the table. */
    private static final int BEGINS_WITHIN = 5;
    private static final int LEAST_COLUMNS = 3;

    @Override
    public Scan.Source source() {
        return Scan.Source.CSV;
    }

    /** @param first and {@code last} lines that it stands on */
    private record Row(List<String> cells, int first, int last) {}

    private record Table(List<Row> rows, boolean headed, int width, ColumnGuess.Told told, char delimiter) {}

    @Override
    public boolean knows(List<String> lines) {
        return table(lines).isPresent();
    }

    private static Optional<Table> table(List<String> lines) {
        for (int start = 0; start < Math.min(BEGINS_WITHIN, lines.size()); start++) {
            for (char delimiter : DELIMITERS) {
                if (lines.get(start).indexOf(delimiter) >= 0) {
                    Optional<Table> table = table(lines, start, delimiter);
                    if (table.isPresent()) {
                        return table;
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<Table> table(List<String> lines, int start, char delimiter) {
        List<Row> rows = rows(lines, start, delimiter);
        int width = rows.isEmpty() ? 0 : rows.get(0).cells().size();
        if (width < LEAST_COLUMNS) {
            return Optional.empty();
        }
        List<List<String>> cells = rows.stream().map(Row::cells).toList();
        long hints = cells.get(0).stream().map(ColumnGuess::hint).filter(hint -> hint != null && hint != Columns.Role.OTHER).count();
        ColumnGuess.Told headed = ColumnGuess.of(cells.subList(1, cells.size()), cells.get(0), width);
        if (hints > 0 && (headed.columns().suffice() || hints >= 2 && !headed.sure())) {
            return Optional.of(new Table(rows, true, width, headed, delimiter));
        }
        // Nobody knows its words, or it has none: the first row is a heading unless it is read as a network.
        ColumnGuess.Told bare = ColumnGuess.of(cells, List.of(), width);
        boolean address = bare.columns().roles().contains(Columns.Role.BSSID);
        if (address && (bare.columns().suffice() || !bare.sure())) {
            boolean first = bare.columns().suffice() && bare.columns().network(cells.get(0)).isEmpty();
            return Optional.of(new Table(rows, first, width, bare, delimiter));
        }
        return Optional.empty();
    }

    private static CSVFormat format(char delimiter) {
        return CSVFormat.Builder.create().setDelimiter(delimiter).setQuote('"').setTrailingData(true).setLenientEof(true)
                .setIgnoreEmptyLines(false).get();
    }

    /** Read as a whole where that accounts for every line, else line by line: one bad quote then spoils no other line. */
    private static List<Row> rows(List<String> lines, int start, char delimiter) {
        List<Row> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(String.join("\n", lines.subList(start, lines.size())), format(delimiter))) {
            int from = start;
            for (CSVRecord record : parser) {
                int to = start + (int) parser.getCurrentLineNumber();
                to = Math.max(from + 1, Math.min(lines.size(), to));
                rows.add(new Row(record.toList(), from, to - 1));
                from = to;
            }
            int width = rows.isEmpty() ? 0 : rows.get(0).cells().size();
            long odd = rows.stream().filter(row -> row.cells().size() != width).count();
            if (2 * odd < rows.size()) {
                return rows;
            }
        } catch (IOException | RuntimeException e) {
            // Told below, line by line.
        }
        rows.clear();
        for (int i = start; i < lines.size(); i++) {
            List<String> cells = line(lines.get(i), delimiter);
            if (!cells.isEmpty()) {
                rows.add(new Row(cells, i, i));
            }
        }
        return rows;
    }

    private static List<String> line(String line, char delimiter) {
        try (CSVParser parser = CSVParser.parse(line, format(delimiter))) {
            List<String> cells = new ArrayList<>();
            for (CSVRecord record : parser) {
                record.forEach(cells::add);
            }
            return cells;
        } catch (IOException | RuntimeException e) {
            return List.of();
        }
    }

    @Override
    public void read(List<String> lines, Findings findings) {
        Table table = table(lines).orElseThrow();
        int from = table.headed() ? 1 : 0;
        for (int line = 0; table.headed() && line <= table.rows().get(0).last(); line++) {
            findings.passOver(line);
        }
        List<Row> rows = table.rows().subList(from, table.rows().size());
        List<List<String>> cells = rows.stream().map(Row::cells).toList();
        Columns columns = findings.columns(source(), table.told(), cells, table.width(),
                table.headed() ? table.rows().get(0).cells() : List.of());
        for (Row row : columns == null ? List.<Row>of() : rows) {
            columns.network(row.cells()).ifPresent(network -> {
                findings.heard(network);
                for (int line = row.first(); line <= row.last(); line++) {
                    findings.read(line);
                }
            });
        }
    }
}
