package roofnest.app.mount;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;

import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Place;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.spots.HeightStudy;
import roofnest.core.view.Sightline;

/**
 * Curves over the height, drawn beside the wall on its own measure.
 *
 * @param columns what is read at every height, one curve or strip each
 * @param rows heights from the highest down, as they stand in the table
 * @param chosen which of them is the planned one
 * @param schools where faces and reach draw the line, in the wall's measure
 */
record HeightsView(List<Column> columns, List<Row> rows, int chosen, List<School> schools) {
    /** Of one curve. */
    static final double WIDTH_PX = 92;
    private static final double INSET_PX = 9;

    /**
     * @param pieces of the curve, each with how the promise stands there; empty for a strip
     * @param limitX where the limit is; NaN without one that can be drawn
     * @param strip how it stands at each height, where there is no figure to draw a curve of
     */
    record Column(String name, String least, String most, List<Piece> pieces, double limitX, String limit, List<Bar> strip) {
        public boolean limited() {
            return !Double.isNaN(limitX);
        }
    }

    record Piece(String standing, String path) {}

    record Bar(String standing, double y, double height) {}

    /** @param y in the wall's measure */
    record Row(String height, String overFoot, String heightM, double y, boolean planned, List<Cell> cells) {}

    record Cell(String standing, String word, String value) {}

    record School(String name, double y) {}

    /** One curve's data. */
    private record Series(String name, Unit unit, List<OptionalDouble> values, List<Standing> standings, List<String> words,
            OptionalDouble limit) {}

    /** How many curves and strips it comes to. */
    static int columns(HeightStudy study) {
        return study.places().size() + 1 + study.promises().size();
    }

    /** @param px of the wall's drawing that one pixel is */
    static HeightsView of(HeightStudy study, double reachM, double px) {
        List<HeightStudy.Row> up = study.rows();
        List<Series> all = new ArrayList<>();
        for (int i = 0; i < study.places().size(); i++) {
            int at = i;
            Place place = study.places().get(i);
            all.add(series("Face at the " + place.name() + " from above", Unit.DEGREES, up, row -> OptionalDouble.of(row.faceDeg().get(at)),
                    row -> row.faceDeg().get(at) <= Sightline.GOOD_FACE_DEG ? Standing.KEPT
                            : row.faceDeg().get(at) <= Sightline.USABLE_FACE_DEG ? Standing.THIN : Standing.BROKEN,
                    OptionalDouble.of(Sightline.USABLE_FACE_DEG)));
        }
        all.add(series("Ground hidden under it", Unit.METRES, up,
                row -> row.blindM().map(OptionalDouble::of).orElse(OptionalDouble.empty()), row -> null, OptionalDouble.empty()));
        for (Judged judged : study.promises()) {
            Limit limit = judged.finding().limit();
            boolean drawn = limit.unit() != Unit.FAULTS && limit.unit() != Unit.IN_THE_WAY;
            all.add(series(judged.wording(), limit.unit(), up, row -> drawn ? finding(row, judged).measured() : OptionalDouble.empty(),
                    row -> finding(row, judged).standing(), drawn ? OptionalDouble.of(limit.value()) : OptionalDouble.empty(),
                    row -> finding(row, judged).measuredText()));
        }
        List<Column> columns = all.stream().map(series -> column(series, up, px)).toList();
        List<Row> rows = new ArrayList<>();
        double planned = study.plannedM();
        for (int i = up.size() - 1; i >= 0; i--) {
            HeightStudy.Row row = up.get(i);
            int at = i;
            rows.add(new Row(Unit.METRES.format(row.heightM()), Numbers.fixed(row.overFootM(), 2) + " m over what one stands on",
                    String.format(Locale.ROOT, "%.2f", row.heightM()), y(row.heightM()), row.heightM() == planned,
                    all.stream().map(series -> cell(series, at)).toList()));
        }
        int chosen = 0;
        for (int i = 0; i < rows.size(); i++) {
            chosen = rows.get(i).planned() ? i : chosen;
        }
        return new HeightsView(columns, rows, chosen, schools(study, reachM));
    }

    private static Finding finding(HeightStudy.Row row, Judged judged) {
        return row.findings().get(judged.promise().key());
    }

    /** What the two schools would choose: the highest from which faces are still seen well, and the lowest out of reach. */
    private static List<School> schools(HeightStudy study, double reachM) {
        Optional<School> faces = study.places().isEmpty() ? Optional.empty()
                : study.rows().stream().filter(row -> row.faceDeg().stream().allMatch(deg -> deg <= Sightline.GOOD_FACE_DEG))
                        .reduce((low, high) -> high).map(row -> new School("faces: up to here", y(row.heightM())));
        Optional<School> reach = study.rows().stream().filter(row -> row.overFootM() >= reachM).findFirst()
                .map(row -> new School("out of reach: from here", y(row.heightM())));
        return Stream.of(faces, reach).flatMap(Optional::stream).toList();
    }

    private static Series series(String name, Unit unit, List<HeightStudy.Row> up, Function<HeightStudy.Row, OptionalDouble> value,
            Function<HeightStudy.Row, Standing> standing, OptionalDouble limit) {
        return series(name, unit, up, value, standing, limit,
                row -> value.apply(row).isPresent() ? unit.format(value.apply(row).getAsDouble()) : "all of it");
    }

    private static Series series(String name, Unit unit, List<HeightStudy.Row> up, Function<HeightStudy.Row, OptionalDouble> value,
            Function<HeightStudy.Row, Standing> standing, OptionalDouble limit, Function<HeightStudy.Row, String> words) {
        List<Standing> standings = new ArrayList<>();
        up.forEach(row -> standings.add(standing.apply(row)));
        return new Series(name, unit, up.stream().map(value).toList(), standings, up.stream().map(words).toList(), limit);
    }

    private static Cell cell(Series series, int at) {
        Standing standing = series.standings().get(at);
        return new Cell(standing == null ? "" : standing.name().toLowerCase(Locale.ROOT), standing == null ? "" : standing.word(),
                series.words().get(at));
    }

    private static Column column(Series series, List<HeightStudy.Row> up, double px) {
        double[] known = series.values().stream().filter(OptionalDouble::isPresent).mapToDouble(OptionalDouble::getAsDouble).toArray();
        if (known.length == 0) {
            return new Column(series.name(), "", "", List.of(), Double.NaN, "", bars(series, up));
        }
        double least = Stream.of(known).flatMapToDouble(java.util.Arrays::stream).min().orElseThrow();
        double most = Stream.of(known).flatMapToDouble(java.util.Arrays::stream).max().orElseThrow();
        // The limit is shown with the curve wherever that does not press the curve flat.
        double span = Math.max(most - least, Math.abs(most) * 0.02);
        if (series.limit().isPresent() && series.limit().getAsDouble() > least - 3 * span
                && series.limit().getAsDouble() < most + 3 * span) {
            least = Math.min(least, series.limit().getAsDouble());
            most = Math.max(most, series.limit().getAsDouble());
        }
        double from = least;
        double to = most == least ? least + 1 : most;
        Function<Double, Double> x = value -> round((INSET_PX + (value - from) / (to - from) * (WIDTH_PX - 2 * INSET_PX)) * px);
        double limit = series.limit().isPresent() && series.limit().getAsDouble() >= from && series.limit().getAsDouble() <= to
                ? x.apply(series.limit().getAsDouble()) : Double.NaN;
        return new Column(series.name(), Numbers.fixed(from, series.unit().decimals()), series.unit().format(to), pieces(series, up, x),
                limit,
                series.limit().isPresent() ? series.unit().format(series.limit().getAsDouble()) : "", List.of());
    }

    private static List<Piece> pieces(Series series, List<HeightStudy.Row> up, Function<Double, Double> x) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i + 1 < up.size(); i++) {
            if (series.values().get(i).isPresent() && series.values().get(i + 1).isPresent()) {
                Standing standing = series.standings().get(i + 1);
                pieces.add(new Piece(standing == null ? "plain" : standing.name().toLowerCase(Locale.ROOT),
                        "M" + x.apply(series.values().get(i).getAsDouble()) + " " + y(up.get(i).heightM()) + "L"
                                + x.apply(series.values().get(i + 1).getAsDouble()) + " " + y(up.get(i + 1).heightM())));
            }
        }
        return pieces;
    }

    private static List<Bar> bars(Series series, List<HeightStudy.Row> up) {
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i < up.size(); i++) {
            double low = i == 0 ? up.get(0).heightM() : (up.get(i - 1).heightM() + up.get(i).heightM()) / 2;
            double high = i + 1 == up.size() ? up.get(i).heightM() : (up.get(i).heightM() + up.get(i + 1).heightM()) / 2;
            Standing standing = series.standings().get(i);
            bars.add(new Bar(standing == null ? "plain" : standing.name().toLowerCase(Locale.ROOT), y(high), round((high - low) * 100)));
        }
        return bars;
    }

    private static double y(double heightM) {
        return round(-heightM * 100);
    }

    private static double round(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
