package roofnest.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.StringLength;

import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;

class DeviceDocumentTest {
    private static final DeviceDocument DOCUMENTS = new DeviceDocument();

    static List<DeviceModel> shipped() {
        return new ArrayList<>(Catalogue.shipped().models());
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void every_shipped_model_is_written_and_read_back_the_same(DeviceModel model) throws DocumentRefused {
        assertThat(DOCUMENTS.read(DOCUMENTS.write(model))).isEqualTo(model);
    }

    /** The program reads them without: they are checked here. */
    @Test
    void every_shipped_document_is_read_by_every_check_as_the_catalogue_has_it() throws IOException, DocumentRefused {
        Catalogue catalogue = Catalogue.shipped();
        List<Joinable> read = new ArrayList<>();
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/roofnest/models"))) {
            for (Path file : files.toList()) {
                read.add(DOCUMENTS.readAny(Files.readString(file)));
            }
        }
        List<Joinable> known = new ArrayList<>(catalogue.models());
        known.addAll(catalogue.hubs());
        assertThat(read).containsExactlyInAnyOrderElementsOf(known);
    }

    @Test
    void the_published_schema_is_the_one_that_is_used() throws IOException {
        try (InputStream used = DeviceDocument.class.getResourceAsStream("/roofnest/device.schema.json")) {
            assertThat(Files.readString(Path.of("../docs/device.schema.json")))
                    .isEqualTo(new String(used.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    @Test
    void every_fault_of_form_is_told_at_once_with_where_it_is() {
        String bad = post().replace("\"hfovDeg\": 104", "\"hfovDeg\": 500")
                .replace("\"key\": \"dunmark-post\"", "\"key\": \"Dunmark Post\"").replace("\"sharing\"", "\"shared\"");
        assertThat(faults(bad)).extracting(DocumentFault::pointer).contains("/lens/hfovDeg", "/key", "");
        assertThat(faults(bad)).extracting(DocumentFault::sentence).allSatisfy(sentence -> assertThat(sentence).endsWith("."));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"giveUpSeconds\": [0-9]+|\"giveUpSeconds\": 1|/setUp/giveUpSeconds|give up before",
        "\"clipMaxSeconds\": [0-9]+|\"clipMaxSeconds\": 1|/recording/clipMaxSeconds|longest clip",
        "\"hotspotPrefix\": \"[^\"]*\"|\"hotspotPrefix\": null|/setUp/hotspotPrefix|how its network's name begins",
        "\"columns\": [0-9]+|\"columns\": 0|/mask|both columns and rows",
        "\"way\": \"sticker\"|\"way\": \"hotspot\"|/setUp/methods/1/way|given twice",
        "\"factoryPassword\"|\"factoryAddress\": \"300.1.1.1/24\", \"factoryPassword\"|/factoryAddress|no IPv4 address",
        "\"factoryPassword\"|\"factoryAddress\": \"10.1.1.1/31\", \"factoryPassword\"|/factoryAddress|no IPv4 address",
        "\"codeToCm\": [0-9]+|\"codeToCm\": 2|/setUp/limits/codeToCm|nearer than the nearest",
        "\\[5, 10, 20, 30|[5, 5, 20, 30|/alerts/coolDownSeconds/1|from the shortest",
        "\"capacityMah\": [0-9.]+|\"capacityMah\": 0|/power/panelW|charges a pack"})
    void figures_that_make_no_sense_together_are_told(String was, String is, String pointer, String words) {
        String changed = post().replaceFirst(was, is);
        assertThat(changed).isNotEqualTo(post());
        assertThat(faults(changed)).anySatisfy(fault -> {
            assertThat(fault.pointer()).isEqualTo(pointer);
            assertThat(fault.sentence()).contains(words);
        });
    }

    @Test
    void two_states_that_look_alike_are_told() {
        String alike = post()
                .replaceFirst("\"failed\"\\s*:\\s*\\{[^}]*}", "\"failed\": {\"light\": \"amber\", \"rhythm\": \"slow\", \"voice\": null}")
                .replaceFirst("\"ready\"\\s*:\\s*\\{[^}]*}", "\"ready\": {\"light\": \"amber\", \"rhythm\": \"slow\", \"voice\": null}");
        assertThat(faults(alike)).extracting(DocumentFault::pointer).containsExactly("/setUp/cues/failed");
    }

    @Test
    void a_document_from_before_resets_and_alerts_were_asked_for_still_reads() throws DocumentRefused {
        String old = post().replaceFirst("(?s),\\s*\"limits\".*?\"updateFirst\": false", "")
                .replaceFirst("(?s),\\s*\"alerts\": \\{.*?\\n  }", "");
        assertThat(old).doesNotContain("resets").doesNotContain("coolDownSeconds");
        DeviceModel model = DOCUMENTS.read(old);
        assertThat(model.alerts()).isEqualTo(AlertSpec.PLAIN);
        assertThat(model.setUp().limits()).isEqualTo(PairingLimits.USUAL);
        assertThat(model.setUp().recovery()).isEqualTo(Recovery.NONE);
        assertThat(model.setUp().resets()).isEmpty();
    }

    @Test
    void a_hub_is_read_as_a_hub_and_not_as_a_camera() throws DocumentRefused {
        HubModel perch = Catalogue.shipped().hubs().iterator().next();
        String document = DOCUMENTS.write(perch);
        assertThat(DOCUMENTS.readAny(document)).isEqualTo(perch);
        assertThat(faults(document)).singleElement().satisfies(fault -> assertThat(fault.pointer()).isEqualTo("/kind"));
        assertThat(catchThrowableOfType(DocumentRefused.class,
                () -> DOCUMENTS.readAny(document.replace("\"camerasMax\" : 8", "\"camerasMax\" : 0"))).faults())
                .extracting(DocumentFault::pointer).containsExactly("/camerasMax");
    }

    @Test
    void what_is_no_document_is_told_in_words() {
        assertThat(faults("{")).singleElement().satisfies(fault -> assertThat(fault.sentence()).contains("not readable JSON at line 1"));
        assertThat(faults("x".repeat(DeviceDocument.MAX_BYTES + 1))).singleElement()
                .satisfies(fault -> assertThat(fault.sentence()).contains("at most 60,000"));
        assertThat(faults("{\"key\": \"a-b\", \"key\": \"a-c\"}")).singleElement()
                .satisfies(fault -> assertThat(fault.sentence()).contains("not readable JSON"));
        assertThat(faults("[]")).isNotEmpty();
    }

    @Test
    void a_character_that_cannot_be_shown_is_refused_where_it_stands() {
        String good = post();
        assertThat(faults(good.replaceFirst("\"maker\" *: *\"", "$0\\\\u0000"))).singleElement().satisfies(fault -> {
            assertThat(fault.pointer()).isEqualTo("/maker");
            assertThat(fault.sentence()).contains("cannot be shown");
        });
        assertThat(faults("{\"ke\\u0007y\": 1}")).singleElement().satisfies(fault -> assertThat(fault.pointer()).isEmpty());
    }

    /** Any part of a good document replaced by anything: it is read, or refused with reasons; nothing else happens. */
    @Property(tries = 300)
    void a_document_torn_anywhere_is_read_or_refused_with_reasons(@ForAll @IntRange(max = 3000) int at,
            @ForAll @IntRange(max = 40) int length, @ForAll @StringLength(max = 10) String put) {
        String good = post();
        int from = Math.min(at, good.length());
        String torn = good.substring(0, from) + put + good.substring(Math.min(good.length(), from + length));
        try {
            assertThat(DOCUMENTS.read(torn).key()).isNotEmpty();
        } catch (DocumentRefused refused) {
            assertThat(refused.faults()).isNotEmpty().allSatisfy(fault -> assertThat(fault.sentence()).isNotBlank());
        }
    }

    private static List<DocumentFault> faults(String document) {
        return catchThrowableOfType(DocumentRefused.class, () -> DOCUMENTS.read(document)).faults();
    }

    private static String post() {
        try (InputStream in = Catalogue.class.getResourceAsStream("/roofnest/models/dunmark-post.json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
