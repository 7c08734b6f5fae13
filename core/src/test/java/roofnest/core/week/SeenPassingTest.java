package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Vision;

/** What passes, as a picture shows it. */
class SeenPassingTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final DeviceModel MODEL = Catalogue.shipped().get("cairnlow-eave");

    private static Vision vision(Set<MaskCell> masked) {
        return new Vision(new Eye(new WallCrossings(FIELD), MODEL.lens(), new CameraPose(0, 0, 2.4, 0, 10)), MODEL.mask(), masked);
    }

    private static List<Optional<SeenPassing.Figure>> along(Vision vision, SourceKind.Body body, PlanPoint from, PlanPoint to) {
        return SeenPassing.along(vision, new Source.Way("w", "way", new Walk("w", "way", List.of(from, to)), 1, 0, ""), body,
                new Ground(FIELD));
    }

    private static double heightPx(SeenPassing.Figure figure) {
        return figure.feet().y() - figure.head().y();
    }

    @Test
    void whoeverWalksAwayGetsSmallerAndStaysOnTheirFeet() {
        List<Optional<SeenPassing.Figure>> away = along(vision(Set.of()), SourceKind.Body.GROWN, new PlanPoint(0, 4), new PlanPoint(0, 24));
        assertThat(away).hasSize(SeenPassing.MOMENTS).allMatch(Optional::isPresent);
        for (int i = 1; i < away.size(); i++) {
            assertThat(heightPx(away.get(i).orElseThrow())).isPositive().isLessThan(heightPx(away.get(i - 1).orElseThrow()));
            assertThat(away.get(i).orElseThrow().feet().x()).isCloseTo(MODEL.lens().widthPx() / 2.0, within(1.0));
            assertThat(away.get(i).orElseThrow().breadthPx() / heightPx(away.get(i).orElseThrow())).isCloseTo(0.6 / 1.75 / 1.75,
                    within(0.01));
        }
    }

    @Test
    void behindTheLensUnderTheMaskAndBeforeTheLensNothingIsShown() {
        assertThat(along(vision(Set.of()), SourceKind.Body.VEHICLE, new PlanPoint(-5, -6), new PlanPoint(5, -6)))
                .allMatch(Optional::isEmpty);
        Set<MaskCell> all = new HashSet<>();
        for (int column = 0; column < MODEL.mask().columns(); column++) {
            for (int row = 0; row < MODEL.mask().rows(); row++) {
                all.add(new MaskCell(column, row));
            }
        }
        assertThat(along(vision(all), SourceKind.Body.GROWN, new PlanPoint(0, 4), new PlanPoint(0, 24))).allMatch(Optional::isEmpty);
        List<Optional<SeenPassing.Figure>> across = along(vision(Set.of()), SourceKind.Body.VEHICLE, new PlanPoint(-40, 8),
                new PlanPoint(40, 8));
        assertThat(across.get(0)).as("outside to the left").isEmpty();
        assertThat(across.get(SeenPassing.MOMENTS / 2)).isPresent();
        assertThat(across.get(SeenPassing.MOMENTS / 2).orElseThrow().breadthPx()).as("broader than high")
                .isGreaterThan(heightPx(across.get(SeenPassing.MOMENTS / 2).orElseThrow()));
    }
}
