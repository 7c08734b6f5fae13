package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import java.util.Collections;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.io.geojson.GeoJsonReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;
import roofnest.core.Houses;

/** Plans out and in again, and documents that must be refused. */
class PlanExchangeTest {
    private static final PlanDocument DOCUMENTS = new PlanDocument();

    @ParameterizedTest
    @ValueSource(strings = {"weir-steps", "terrace", "bungalow", "cottage", "maltings"})
    void every_demo_house_goes_out_as_json_and_as_geojson_and_comes_back_the_same(String house) throws Exception {
        HousePlan plan = Houses.plan(house);
        assertThat(DOCUMENTS.read(DOCUMENTS.write(plan))).isEqualTo(plan);
        GeoJson geoJson = new GeoJson(DOCUMENTS);
        assertThat(geoJson.read(geoJson.write(plan))).isEqualTo(plan);
    }

    /** Read by a library that did not write it. */
    @Test
    void rings_run_counter_clockwise_outside_however_they_were_drawn() throws Exception {
        for (HousePlan plan : List.of(Houses.plan("maltings"), Houses.plan("weir-steps"))) {
            for (boolean turned : new boolean[] {false, true}) {
                HousePlan drawn = !turned ? plan : plan.withAreas(plan.areas().stream().map(area -> {
                    List<PlanPoint> other = new ArrayList<>(area.outline());
                    Collections.reverse(other);
                    return new Area(area.id(), area.name(), area.kind(), other, area.heightM(), area.slope());
                }).toList());
                String json = new GeoJson(DOCUMENTS).write(drawn);
                int rings = 0;
                for (JsonNode feature : new ObjectMapper().readTree(json).path("features")) {
                    Geometry read = new GeoJsonReader().read(feature.path("geometry").toString());
                    if (read instanceof Polygon polygon) {
                        assertThat(Orientation.isCCW(polygon.getExteriorRing().getCoordinates())).isTrue();
                        rings++;
                    }
                }
                assertThat(rings).isGreaterThanOrEqualTo(plan.areas().size());
                assertThat(new GeoJson(DOCUMENTS).read(json)).isEqualTo(drawn);
            }
        }
    }

    @Test
    void the_published_schema_is_the_one_that_checks() throws Exception {
        assertThat(Files.readString(Path.of("../docs/plan.schema.json")))
                .isEqualTo(Files.readString(Path.of("src/main/resources/roofnest/plan.schema.json")));
    }

    @Test
    void walls_that_cross_lie_on_one_another_or_are_nothing_are_all_named_at_once() {
        String document = DOCUMENTS.write(Houses.plan("terrace"));
        String walls = """
            "walls" : [ {"id": "a", "storey": "ground", "from": [0, 0], "to": [4, 4], "material": "brick", "thicknessM": 0.3},
              {"id": "b", "storey": "ground", "from": [0, 4], "to": [4, 0], "material": "brick", "thicknessM": 0.3},
              {"id": "c", "storey": "ground", "from": [0, 0], "to": [4, 4.001], "material": "brick", "thicknessM": 0.3},
              {"id": "d", "storey": "ground", "from": [9, 9], "to": [9, 9], "material": "brick", "thicknessM": 0.3} ], "areas" """;
        int from = document.indexOf("\"walls\"");
        int to = document.indexOf("\"areas\"");
        String crossed = document.substring(0, from) + walls + document.substring(to + "\"areas\"".length());
        assertThatThrownBy(() -> DOCUMENTS.read(crossed)).isInstanceOfSatisfying(DocumentRefused.class,
                refused -> assertThat(refused.faults()).extracting(DocumentFault::toString)
                        .anyMatch(fault -> fault.startsWith("/walls/1:") && fault.contains("“a” and “b” cross at 2.00, 2.00 "
                                + "(the brick wall from 0.00, 0.00 to 4.00, 4.00, the brick wall from 0.00, 4.00 to 4.00, 0.00)"))
                        .anyMatch(fault -> fault.startsWith("/walls/2:") && fault.contains("lies on the wall “a”"))
                        .anyMatch(fault -> fault.startsWith("/walls/3:") && fault.contains("0.00 m long")));
    }

    @Test
    void five_thousand_walls_are_refused_with_the_limit_said() {
        List<Wall> walls = new ArrayList<>();
        for (int i = 0; i < 5000; i++) {
            walls.add(new Wall("w" + i, "ground", new PlanPoint(i % 100, i / 100), new PlanPoint(i % 100 + 0.5, i / 100), Material.BRICK,
                    0.1, 2.5, List.of()));
        }
        HousePlan huge = HousePlan.blank("huge", 50).withWalls(walls);
        assertThatThrownBy(() -> DOCUMENTS.read(DOCUMENTS.write(huge))).hasMessage("/walls: Must have at most 2000 items but found 5,000.");
    }

    @Test
    void nan_is_in_no_document_and_in_no_plan() {
        assertThatThrownBy(() -> DOCUMENTS.read("{\"format\": \"roofnest-plan/1\", \"latitudeDeg\": NaN}"))
                .isInstanceOf(DocumentRefused.class);
        assertThatThrownBy(() -> new PlanPoint(Double.NaN, 0)).hasMessageContaining("x in metres");
        assertThatThrownBy(() -> new Area.Slope(Double.NaN, 0)).hasMessageContaining("rise in metres");
        assertThatThrownBy(() -> new Thing("t", "t", Thing.Kind.TREE, new PlanPoint(0, 0), 3, Double.NaN))
                .hasMessageContaining("radius in metres");
    }

    @Test
    void geojson_that_is_something_else_is_refused() {
        GeoJson geoJson = new GeoJson(DOCUMENTS);
        assertThatThrownBy(() -> geoJson.read("{\"type\": \"FeatureCollection\", \"features\": []}")).hasMessageContaining("roofnest");
        String wrong = geoJson.write(Houses.plan("terrace")).replaceFirst("\"list\" : \"walls\"", "\"list\" : \"fences\"");
        assertThatThrownBy(() -> geoJson.read(wrong)).hasMessageContaining("/features/0/properties/list").hasMessageContaining("fences");
    }
}
