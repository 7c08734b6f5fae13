package roofnest.app.survey;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

import roofnest.app.web.ImportRefused;
import roofnest.core.catalogue.Band;
import roofnest.core.plan.SpacePoint;
import roofnest.core.radio.Reading;

/** Readings as a table of comma-separated values: x_m, y_m, height_m, band, dbm, sd_db. Everything is checked before any is taken. */
final class ReadingsCsv {
    static final int MAX_BYTES = 200_000;
    private static final String[] HEADER = {"x_m", "y_m", "height_m", "band", "dbm", "sd_db"};
    private static final int MOST_FAULTS = 40;

    private ReadingsCsv() {}

    static String write(List<Reading> readings) {
        StringWriter out = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(HEADER).get())) {
            for (Reading reading : readings) {
                printer.printRecord(reading.at().xM(), reading.at().yM(), reading.at().zM(), reading.band() == Band.GHZ_2_4 ? "2.4" : "5",
                        reading.rssiDbm(), reading.sdDb());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    static List<Reading> read(String text) throws ImportRefused {
        List<Reading> readings = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        CSVFormat format = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).setTrim(true).setIgnoreEmptyLines(true)
                .setIgnoreHeaderCase(true).get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (String column : HEADER) {
                if (!column.equals("sd_db") && !parser.getHeaderMap().containsKey(column)) {
                    faults.add(
                            "The column “" + column + "” is missing; the first line names the columns " + String.join(", ", HEADER) + ".");
                }
            }
            if (faults.isEmpty()) {
                parser.forEach(record -> row(record, readings, faults));
            }
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            faults.add("This is no table of comma-separated values: " + e.getMessage());
        }
        if (readings.isEmpty() && faults.isEmpty()) {
            faults.add("There is no reading in it.");
        }
        if (!faults.isEmpty()) {
            throw new ImportRefused(faults.stream().limit(MOST_FAULTS).toList());
        }
        return readings;
    }

    private static void row(CSVRecord record, List<Reading> readings, List<String> faults) {
        String at = "Line " + (record.getRecordNumber() + 1) + ": ";
        try {
            SpacePoint point = new SpacePoint(number(record, "x_m", -500, 500), number(record, "y_m", -500, 500),
                    number(record, "height_m", -20, 60));
            double sd = record.isMapped("sd_db") && record.isSet("sd_db") && !record.get("sd_db").isEmpty()
                    ? number(record, "sd_db", 0.1, 20) : Reading.FIGURE_SD_DB;
            readings.add(new Reading(point, band(record.get("band")), number(record, "dbm", -100, -10), sd));
        } catch (IllegalArgumentException e) {
            faults.add(at + e.getMessage());
        }
    }

    private static Band band(String said) {
        return switch (said) {
            case "2.4", "2,4" -> Band.GHZ_2_4;
            case "5" -> Band.GHZ_5;
            default -> throw new IllegalArgumentException("the band is 2.4 or 5, not “" + said + "”");
        };
    }

    private static double number(CSVRecord record, String column, double least, double most) {
        String said = record.get(column);
        try {
            double value = Double.parseDouble(said);
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Said below, like a number that is out of range.
        }
        throw new IllegalArgumentException(
                String.format(Locale.ROOT, "%s is a number from %.0f to %.0f, not “%s”", column, least, most, said));
    }
}
