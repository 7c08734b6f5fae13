package roofnest.core.power;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/**
 * Ordinary climates by place ({@code climates.csv}), good to about 2 °C and 0.05 of clearness; a house's own figures win.
 * The latitude narrows them down and a longitude tells coast from inland roughly; who knows better picks by hand.
 */
public final class Climates {
    private final Map<String, Climate> byName = new LinkedHashMap<>();
    private final List<Band> bands = new ArrayList<>();

    private record Band(String name, double latitudeFromDeg, double latitudeToDeg) {
        private boolean holds(double latitudeDeg) {
            return Math.abs(latitudeDeg) >= latitudeFromDeg && Math.abs(latitudeDeg) <= latitudeToDeg;
        }
    }

    /** Where on the map a class lies, in northern terms: longitudes from and to, degrees, east positive. */
    private record Stretch(String name, double fromDeg, double toDeg, double latitudeFromDeg, double latitudeToDeg) {
        private boolean holds(double latitudeDeg, double longitudeDeg) {
            return longitudeDeg >= fromDeg && longitudeDeg <= toDeg && latitudeDeg >= latitudeFromDeg && latitudeDeg <= latitudeToDeg;
        }
    }

    /** Rough boxes, the narrower first; south of the equator latitudes are negative here. */
    private static final List<Stretch> STRETCHES = List.of(
            new Stretch("mild coast", -11, 4, 48, 58), new Stretch("mild coast", -130, -121, 43, 58),
            new Stretch("mild coast", 165, 180, -48, -38), new Stretch("mild coast", 144, 149, -44, -40),
            new Stretch("mild coast", -76, -71, -56, -40),
            new Stretch("dry summer", -10, 37, 34, 44), new Stretch("dry summer", -125, -117, 34, 43),
            new Stretch("dry summer", 115, 141, -38, -31), new Stretch("dry summer", 17, 22, -35, -32),
            new Stretch("dry summer", -73, -69, -39, -30),
            new Stretch("cold plain", -117, -92, 44, 56), new Stretch("cold plain", 45, 120, 46, 56),
            new Stretch("four seasons", -92, -66, 37, 48), new Stretch("four seasons", 105, 145, 36, 46),
            new Stretch("cool inland", 4, 45, 45, 57), new Stretch("cold north", -170, 180, 57, 90),
            new Stretch("hot dry", -17, 75, 14, 35), new Stretch("hot dry", -117, -102, 24, 37), new Stretch("hot dry", 115, 145, -31, -20),
            new Stretch("warm humid", -100, -74, 24, 37), new Stretch("warm humid", 100, 135, 22, 36),
            new Stretch("warm humid", 145, 154, -36, -22), new Stretch("warm humid", -60, -45, -36, -22));

    private Climates() {}

    /** The classes that ship with the application. */
    public static Climates shipped() {
        Climates climates = new Climates();
        try (InputStream in = Climates.class.getResourceAsStream("/roofnest/climates.csv");
                InputStreamReader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            Map<String, Map<String, List<Double>>> read = new LinkedHashMap<>();
            for (CSVRecord row : CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get().parse(reader)) {
                List<Double> months = new ArrayList<>();
                for (int month = 4; month < 16; month++) {
                    months.add(Double.valueOf(row.get(month)));
                }
                if (!read.containsKey(row.get("class"))) {
                    climates.bands.add(new Band(row.get("class"), Double.parseDouble(row.get("lat_from")),
                            Double.parseDouble(row.get("lat_to"))));
                }
                read.computeIfAbsent(row.get("class"), name -> new LinkedHashMap<>()).put(row.get("quantity"), months);
            }
            read.forEach((name, of) -> climates.byName.put(name,
                    new Climate(name, of.get("mean_c"), of.get("swing_c"), of.get("clearness"))));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return climates;
    }

    public List<Climate> all() {
        return List.copyOf(byName.values());
    }

    public Optional<Climate> named(String name) {
        return Optional.ofNullable(byName.get(name));
    }

    /** @param longitudeDeg east positive; without it the first class of the latitude is taken */
    public Climate at(double latitudeDeg, OptionalDouble longitudeDeg) {
        if (longitudeDeg.isPresent()) {
            for (Stretch stretch : STRETCHES) {
                if (stretch.holds(latitudeDeg, longitudeDeg.getAsDouble())) {
                    return byName.get(stretch.name());
                }
            }
        }
        return bands.stream().filter(band -> band.holds(latitudeDeg)).findFirst().map(band -> byName.get(band.name()))
                .orElseGet(() -> byName.get(Math.abs(latitudeDeg) > 50 ? "cold north" : "tropical"));
    }
}
