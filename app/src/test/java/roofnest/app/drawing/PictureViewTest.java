package roofnest.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.document.DocumentRefused;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;

/** Labels of a picture belong to somebody who is seen, and can be read. */
class PictureViewTest {
    private static final double LABEL_PX = 60;
    private final House house = new House(maltings(), List.of());

    @Test
    void nobody_behind_the_house_has_a_label() {
        Camera cart = camera(new CameraPose(-4.8, 16.2, 2.2, 112, 12));
        List<String> seen = picture(cart).labels().stream().map(PictureView.FigureLabel::words).toList();
        assertThat(seen).anySatisfy(words -> assertThat(words).startsWith("front door"));
        assertThat(seen).noneSatisfy(words -> assertThat(words).startsWith("south door")).isNotEmpty();
    }

    /** Round the house and round the compass no label lies on another, nor outside the picture. */
    @Test
    void no_label_lies_on_another_from_wherever_one_looks() {
        int read = 0;
        for (double heading = 0; heading < 360; heading += 15) {
            for (double[] at : new double[][] {{-4.8, 16.2}, {40, 20}, {36, -6}, {17, 26}, {-8, -8}}) {
                PictureView picture = picture(camera(new CameraPose(at[0], at[1], 3.2, heading, 8)));
                List<PictureView.FigureLabel> labels = picture.labels();
                read += labels.size();
                for (int i = 0; i < labels.size(); i++) {
                    PictureView.FigureLabel one = labels.get(i);
                    assertThat(one.y()).isBetween(LABEL_PX, (double) picture.height());
                    assertThat(one.x() - half(one)).isGreaterThanOrEqualTo(-1e-6);
                    for (PictureView.FigureLabel other : labels.subList(i + 1, labels.size())) {
                        assertThat(Math.abs(one.y() - other.y()) >= LABEL_PX || Math.abs(one.x() - other.x()) >= half(one) + half(other))
                                .as(one + " and " + other).isTrue();
                    }
                }
            }
        }
        assertThat(read).isGreaterThan(100);
    }

    private static double half(PictureView.FigureLabel label) {
        return label.words().length() * 0.52 * LABEL_PX / 2;
    }

    private PictureView picture(Camera camera) {
        List<Promise> all = new ArrayList<>();
        house.plan().places().forEach(place -> all
                .add(new Promise.MakeOut(PromiseKey.written(all.size() + 1L), DetailLevel.DETECT, place.id(), Light.DAY)));
        HouseholdFacts facts = new HouseholdFacts(Optional.of(house.plan()), List.of(camera), all, Optional.empty(), 0,
                new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
        return PictureView.of(house, facts, camera, false);
    }

    private static Camera camera(CameraPose pose) {
        return new Camera(1, "Cart eye", Catalogue.shipped().get("dunmark-post"), pose, Set.of(), Camera.Settings.DEFAULT, false, false,
                false, Optional.empty());
    }

    private static HousePlan maltings() {
        try (var plan = PictureViewTest.class.getResourceAsStream("/demo/plans/maltings.json")) {
            return new PlanDocument().read(new String(plan.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException | DocumentRefused e) {
            throw new AssertionError(e);
        }
    }
}
