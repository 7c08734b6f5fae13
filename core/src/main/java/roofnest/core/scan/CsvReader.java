package roofnest.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Comma, semicolon or tab separated values (RFC 4180) under a heading that names signal and channel or frequency. */
final class CsvReader implements ScanReader {
    private static final char[] DELIMITERS = {',', ';', '\t'};
    private static final int HEADING_WITHIN = 5;

    @Override
    public Scan.Source source() {
        return Scan.Source.CSV;
    }

    private record Layout(int heading, char delimiter, Columns columns) {}

    @Override
    public boolean knows(List<String> lines) {
        return layout(lines).isPresent();
    }

    private static Optional<Layout> layout(List<String> lines) {
        for (int i = 0; i < Math.min(HEADING_WITHIN, lines.size()); i++) {
            for (char delimiter : DELIMITERS) {
                List<String> cells = cells(lines.get(i), delimiter);
                Columns columns = Columns.headed(cells);
                if (cells.size() > 1 && columns.suffice()) {
                    return Optional.of(new Layout(i, delimiter, columns));
                }
            }
        }
        return Optional.empty();
    }

    private static List<String> cells(String line, char delimiter) {
        CSVFormat format = CSVFormat.Builder.create().setDelimiter(delimiter).setQuote('"').setTrailingData(true).setLenientEof(true).get();
        try (CSVParser parser = CSVParser.parse(line.startsWith("\uFEFF") ? line.substring(1) : line, format)) {
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
        Layout layout = layout(lines).orElseThrow();
        findings.passOver(layout.heading());
        for (int i = layout.heading() + 1; i < lines.size(); i++) {
            int index = i;
            layout.columns().network(cells(lines.get(i), layout.delimiter())).ifPresent(network -> {
                findings.heard(network);
                findings.read(index);
            });
        }
    }
}
