package roofnest.app.survey;

import java.util.List;
import java.util.Optional;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.household.Frame;
import roofnest.app.records.ReadingRepository;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.motion.Walker;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Walk;
import roofnest.core.promise.Unit;
import roofnest.core.radio.Reading;

/** The unmoving part of the board's page. */
record BoardView(
        Optional<PlanDrawing> drawing, List<Storey> storeys, String storeyId, List<CameraChoice> cameras, List<Walk> paths,
        List<ReadingRow> readings,
        List<VariantRepository.Name> variants, String within) {
    record CameraChoice(long id, String name, String model) {}

    /** @param x on the drawing @param dbm as it was read, for correcting it */
    record ReadingRow(long id, double x, double y, double xM, double yM, double heightM, String where, String band, String bandKey,
            String signal, double dbm, String by) {}

    static BoardView of(Frame frame, String storeyId, List<ReadingRepository.Record> readings, List<VariantRepository.Name> variants) {
        Optional<HousePlan> plan = frame.facts().plan();
        List<Storey> storeys = plan.map(HousePlan::storeys).orElse(List.of());
        Optional<Storey> shown = storeys.stream().filter(storey -> storey.id().equals(storeyId)).findFirst()
                .or(() -> storeys.stream().findFirst());
        return new BoardView(
                plan.flatMap(p -> shown.map(storey -> PlanDrawing.of(p, storey))), storeys, shown.map(Storey::id).orElse(""),
                frame.facts().cameras().stream()
                        .map((Camera camera) -> new CameraChoice(camera.id(), camera.name(), camera.model().fullName())).toList(),
                plan.map(HousePlan::paths).orElse(List.of()), readings.stream().map(BoardView::reading).toList(), variants,
                plan.map(BoardView::within).orElse(""));
    }

    /** Everything that is on the plan lies within this, as the script reads it; y downwards. */
    private static String within(HousePlan plan) {
        double[] box = plan.extentM();
        return "{\"minX\": " + box[0] + ", \"maxX\": " + box[2] + ", \"minY\": " + -box[3] + ", \"maxY\": " + -box[1] + "}";
    }

    private static ReadingRow reading(ReadingRepository.Record record) {
        Reading reading = record.reading();
        return new ReadingRow(record.id(), reading.at().xM(), -reading.at().yM(), reading.at().xM(), reading.at().yM(), reading.at().zM(),
                Numbers.fixed(reading.at().xM(), 1) + ", " + Numbers.fixed(reading.at().yM(), 1) + " m, "
                        + Numbers.fixed(reading.at().zM(), 1) + " m up",
                reading.band().words(), reading.band().name(), Unit.DBM.format(reading.rssiDbm()), reading.rssiDbm(), record.by());
    }

    public Walker[] walkers() {
        return Walker.values();
    }

    public Look.Panel[] panels() {
        return Look.Panel.values();
    }
}
