package roofnest.app.survey;

import java.util.List;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.core.judge.Camera;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Storey;

/** The unmoving part of the board's page. */
record BoardView(Optional<PlanDrawing> drawing, List<Storey> storeys, String storeyId, List<CameraChoice> cameras) {
    record CameraChoice(long id, String name, String model) {}

    static BoardView of(Frame frame, String storeyId) {
        Optional<HousePlan> plan = frame.facts().plan();
        List<Storey> storeys = plan.map(HousePlan::storeys).orElse(List.of());
        Optional<Storey> shown = storeys.stream().filter(storey -> storey.id().equals(storeyId)).findFirst()
                .or(() -> storeys.stream().findFirst());
        return new BoardView(
                plan.flatMap(p -> shown.map(storey -> PlanDrawing.of(p, storey))), storeys, shown.map(Storey::id).orElse(""),
                frame.facts().cameras().stream().map((Camera camera) -> new CameraChoice(camera.id(), camera.name(), camera.model().fullName())).toList());
    }
}
