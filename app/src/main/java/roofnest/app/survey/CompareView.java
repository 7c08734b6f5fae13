package roofnest.app.survey;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.app.drawing.PlanDrawing;
import roofnest.core.judge.Judged;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Standing;

/** Variants side by side, promise by promise. */
record CompareView(List<Column> columns, List<Row> rows) {
    /** @param cameras drawn on the small plan */
    record Column(Optional<Long> id, String name, PlanDrawing drawing, List<LiveView.OtherCamera> cameras, String counts) {}

    /** @param differs whether the columns do not all stand alike */
    record Row(String wording, String camera, List<Cell> cells, boolean differs) {}

    /** @param change against the first column: {@code better}, {@code worse} or empty */
    record Cell(String standing, String word, String measured, String change) {
        static final Cell NONE = new Cell("untried", "not there", "", "");
    }

    static CompareView of(List<Variants.Judged> judged) {
        List<Column> columns = judged.stream().map(CompareView::column).toList();
        Map<String, Row> rows = new LinkedHashMap<>();
        for (Variants.Judged variant : judged) {
            for (Judged promise : variant.judgement().promises()) {
                rows.computeIfAbsent(promise.promise().key().value(), key -> row(promise, key, judged));
            }
        }
        return new CompareView(columns, List.copyOf(rows.values()));
    }

    private static Column column(Variants.Judged variant) {
        return new Column(variant.id(), variant.name(), PlanDrawing.of(variant.plan(), variant.plan().storeys().get(0)),
                variant.cameras().stream().map(camera -> new LiveView.OtherCamera(camera.name(), camera.pose().xM(), -camera.pose().yM(),
                        camera.pose().headingDeg())).toList(),
                variant.judgement().countsInWords());
    }

    private static Row row(Judged promise, String key, List<Variants.Judged> judged) {
        List<Optional<Finding>> findings = judged.stream()
                .map(variant -> variant.judgement().promises().stream().filter(other -> other.promise().key().value().equals(key))
                        .map(Judged::finding).findFirst())
                .toList();
        List<Cell> cells = new ArrayList<>();
        for (Optional<Finding> finding : findings) {
            cells.add(finding.map(f -> cell(f, findings.get(0))).orElse(Cell.NONE));
        }
        String camera = key.startsWith("c") ? judged.stream().flatMap(variant -> variant.cameras().stream())
                .filter(c -> promise.cameraId().filter(id -> id == c.id()).isPresent()).map(c -> c.name()).findFirst().orElse("") : "";
        return new Row(promise.wording(), camera, cells, cells.stream().map(Cell::standing).distinct().count() > 1);
    }

    private static Cell cell(Finding finding, Optional<Finding> first) {
        Standing was = first.map(Finding::standing).orElse(Standing.UNTRIED);
        int turn = finding.standing().compareTo(was);
        return new Cell(finding.standing().name().toLowerCase(Locale.ROOT), finding.standing().word(), finding.measuredText(),
                turn < 0 ? "better" : turn > 0 ? "worse" : "");
    }
}
