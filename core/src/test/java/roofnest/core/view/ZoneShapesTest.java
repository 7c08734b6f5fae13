package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;

/** Zones as a model's app can draw them. */
class ZoneShapesTest {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1600, 900, 80, 8);

    private static AlertSpec spec(AlertSpec.ZoneShape shape) {
        return new AlertSpec(List.of("one"), 3, AlertSpec.PLAIN.kinds(), List.of(0), false, shape,
                shape == AlertSpec.ZoneShape.CELLS ? new DeviceModel.MaskGrid(16, 9) : null, null);
    }

    private static Zone zone(double... pairs) {
        List<Zone.Corner> corners = new ArrayList<>();
        for (int i = 0; i < pairs.length; i += 2) {
            corners.add(new Zone.Corner(pairs[i], pairs[i + 1]));
        }
        return new Zone("drawn", corners);
    }

    private static boolean in(List<Zone> zones, double across, double down) {
        return zones.stream().anyMatch(zone -> zone.contains(new Projection.Pixel(across * LENS.widthPx(), down * LENS.heightPx()), LENS));
    }

    @Test
    void aPolygonStaysAsItIsAndARectangleStandsUpright() {
        Zone leaning = zone(0.2, 0.5, 0.5, 0.2, 0.8, 0.5, 0.5, 0.9);
        assertThat(ZoneShapes.fitted(spec(AlertSpec.ZoneShape.POLYGONS), List.of(leaning))).containsExactly(leaning);
        assertThat(ZoneShapes.fitted(spec(AlertSpec.ZoneShape.RECTANGLES), List.of(leaning))).containsExactly(
                zone(0.2, 0.2, 0.8, 0.2, 0.8, 0.9, 0.2, 0.9));
    }

    /** Of random zones: a cell is in what is kept if and only if its middle is in what was drawn, and all of it is then. */
    @Test
    void cellsWhoseMiddleLiesWithinAreInWithAllOfThemAndNoOthers() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            List<Zone> drawn = new ArrayList<>();
            for (int z = 0; z <= random.nextInt(3); z++) {
                drawn.add(zone(random.nextDouble(), random.nextDouble(), random.nextDouble(), random.nextDouble(), random.nextDouble(),
                        random.nextDouble()));
            }
            List<Zone> kept = ZoneShapes.fitted(spec(AlertSpec.ZoneShape.CELLS), drawn);
            for (int column = 0; column < 16; column++) {
                for (int row = 0; row < 9; row++) {
                    boolean middle = in(drawn, (column + 0.5) / 16, (row + 0.5) / 9);
                    for (double[] at : new double[][] {{0.5, 0.5}, {0.02, 0.02}, {0.98, 0.98}}) {
                        assertThat(in(kept, (column + at[0]) / 16, (row + at[1]) / 9)).isEqualTo(middle);
                    }
                }
            }
            assertThat(ZoneShapes.fitted(spec(AlertSpec.ZoneShape.CELLS), kept)).as("fitted again").isEqualTo(kept);
            double area = kept.stream().mapToDouble(zone -> (zone.corners().get(2).acrossShare() - zone.corners().get(0).acrossShare())
                    * (zone.corners().get(2).downShare() - zone.corners().get(0).downShare())).sum();
            long cells = 0;
            for (int cell = 0; cell < 144; cell++) {
                cells += in(kept, (cell % 16 + 0.5) / 16, (cell / 16 + 0.5) / 9) ? 1 : 0;
            }
            assertThat(area).as("none twice").isCloseTo(cells / 144.0, within(1e-9));
        }
    }

    @Test
    void rowsAlikeAreOneRectangleNamedByItsCells() {
        List<Zone> kept = ZoneShapes.fitted(spec(AlertSpec.ZoneShape.CELLS), List.of(zone(0, 0, 0.25, 0, 0.25, 0.34, 0, 0.34)));
        assertThat(kept).extracting(Zone::name).containsExactly("A1–D3");
        assertThat(ZoneShapes.fitted(spec(AlertSpec.ZoneShape.CELLS), List.of(zone(0.001, 0.001, 0.01, 0.001, 0.01, 0.01)))).isEmpty();
        assertThat(ZoneShapes.most(spec(AlertSpec.ZoneShape.CELLS))).isEqualTo(144);
        assertThat(ZoneShapes.most(spec(AlertSpec.ZoneShape.RECTANGLES))).isEqualTo(3);
    }

    @Test
    void aGridIsOfCellsOnly() {
        assertThatThrownBy(() -> new AlertSpec(List.of("one"), 1, AlertSpec.PLAIN.kinds(), List.of(0), false, AlertSpec.ZoneShape.CELLS,
                null, null)).hasMessageContaining("grid");
        assertThatThrownBy(() -> new AlertSpec(List.of("one"), 1, AlertSpec.PLAIN.kinds(), List.of(0), false, null,
                new DeviceModel.MaskGrid(4, 4), null)).hasMessageContaining("grid");
    }
}
