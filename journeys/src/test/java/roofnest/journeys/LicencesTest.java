package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

import org.junit.jupiter.api.Test;

/** Every part of others in the packaged application stands in the list with a licence whose text ships, and nothing else does. */
class LicencesTest {
    private static final Path LIST = Path.of("../app/src/main/resources/licences");

    @Test
    void every_part_that_ships_has_its_licence() throws IOException {
        Set<String> listed = new TreeSet<>();
        Set<String> licences = new TreeSet<>();
        Files.readAllLines(LIST.resolve("parts.csv")).stream().skip(1).forEach(line -> {
            listed.add(line.split(",")[0]);
            licences.addAll(Arrays.asList(line.split(",")[1].split(" AND ")));
        });
        Set<String> ships = new TreeSet<>();
        try (ZipFile jar = new ZipFile("../app/target/app-0.1.0-boot.jar")) {
            // One of them is called core, as a module of ours is.
            jar.stream().map(ZipEntry::getName).filter(name -> name.startsWith("BOOT-INF/lib/") && name.endsWith(".jar"))
                    .filter(name -> !name.matches("BOOT-INF/lib/(core|standins)-0\\.1\\.0\\.jar"))
                    .map(name -> name.replace("BOOT-INF/lib/", "").replaceFirst("-\\d[\\w.-]*\\.jar$", ""))
                    .forEach(ships::add);
            jar.stream().map(ZipEntry::getName)
                    .filter(name -> name.matches("BOOT-INF/classes/(static/vendor/.*\\.(js|css|woff2)|fonts/.*\\.ttf)"))
                    .map(name -> name.replaceFirst("BOOT-INF/classes/(static/)?", "")).forEach(ships::add);
        }
        assertThat(listed).isEqualTo(ships);
        try (Stream<Path> texts = Files.list(LIST.resolve("texts"))) {
            Set<String> kept = new TreeSet<>();
            texts.forEach(text -> kept.add(text.getFileName().toString().replace(".txt", "")));
            assertThat(kept).isEqualTo(licences);
        }
        for (String licence : licences) {
            assertThat(Files.size(LIST.resolve("texts/" + licence + ".txt"))).as(licence).isGreaterThan(150);
        }
    }
}
