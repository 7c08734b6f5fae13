package roofnest.app.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.app.drawing.Readout;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.Judges;
import roofnest.app.web.PromiseLine;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Storey;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

@AppTest
class LiveViewTest {
    @Autowired private JudgedHouseholds households;
    @Autowired private Judges judges;
    @Autowired private Contouring contouring;
    @Autowired private DemoPlaces demo;

    @Test
    void everything_that_moves_with_the_camera_changes_with_it_and_the_rest_stays() {
        LiveView before = live(camera());
        LiveView moved = live(camera().withPose(new CameraPose(11.4, -0.2, 2.5, 106, 12)));
        assertThat(moved.footprints()).isNotEqualTo(before.footprints());
        assertThat(moved.picture().shapes()).isNotEqualTo(before.picture().shapes());
        assertThat(moved.promises()).isNotEqualTo(before.promises());
        assertThat(moved.readouts()).extracting(Readout::what).contains("blind under it", "face angle at river stairs", "signal");
        LiveView turned = live(camera().withPose(new CameraPose(11.4, 2.0, 2.4, 60, 12)));
        assertThat(turned.contours()).as("turning changes no signal").isEqualTo(before.contours());
        String had = before.contours().orElseThrow().key();
        assertThat(live(camera(), Map.of("contours", had)).contours()).as("what the page has is not sent again").isEmpty();
    }

    @Test
    void raising_it_changes_the_contours() {
        LiveView low = live(camera());
        LiveView high = live(camera().withPose(new CameraPose(11.4, 2.0, 4.5, 121, 12)));
        assertThat(high.contours()).isNotEqualTo(low.contours());
        assertThat(low.contours().orElseThrow().contours()).filteredOn(Contouring.Contour::twoBars).singleElement()
                .satisfies(contour -> assertThat(contour.dbm()).isEqualTo(-67));
    }

    @Test
    void footprints_are_bands_from_near_to_far_with_the_nearer_cut_out() {
        List<LiveView.Footing> bands = live(camera()).footprints();
        assertThat(bands).extracting(LiveView.Footing::level).containsExactly("identify", "recognise", "observe", "detect", "night");
        for (int i = 1; i < 4; i++) {
            String nearerOutline = bands.get(i - 1).path().split("(?<=Z)")[0];
            assertThat(bands.get(i).path()).endsWith(nearerOutline);
        }
    }

    @Test
    void what_shows_next_door_is_offered_for_blacking_out_and_blacked_out_it_is_not() {
        Camera nosy = camera().withPose(new CameraPose(-0.41, 9, 3.4, 290, 20));
        LiveView shown = live(nosy);
        assertThat(shown.maskSuggestion()).isNotEmpty();
        assertThat(line(shown, "Stays off").standing()).isEqualTo("broken");
        Set<MaskCell> cells = shown.maskSuggestion().stream().map(MaskCell::parse).collect(Collectors.toSet());
        LiveView masked = live(nosy.withMasked(cells));
        assertThat(masked.maskSuggestion()).isEmpty();
        assertThat(masked.picture().masked()).hasSameSizeAs(cells);
        assertThat(line(masked, "Stays off").standing()).isEqualTo("kept");
    }

    @Test
    void the_plan_is_drawn_a_storey_at_a_time_over_the_same_grounds() {
        HousePlan plan = facts().plan().orElseThrow();
        Storey ground = plan.storeys().get(0);
        Storey upper = plan.storeys().get(1);
        PlanDrawing below = PlanDrawing.of(plan, ground);
        PlanDrawing above = PlanDrawing.of(plan, upper);
        assertThat(below.walls()).hasSize(13);
        assertThat(above.walls()).hasSize(5);
        assertThat(above.grounds()).isEqualTo(below.grounds());
        assertThat(below.grounds()).filteredOn(area -> area.kind().equals("neighbour")).singleElement()
                .satisfies(area -> assertThat(area.upright()).as("a tall strip is lettered upwards").isTrue());
    }

    @Test
    void smooth_lines_keep_their_ends() {
        List<PlanPoint> line = List.of(new PlanPoint(0, 0), new PlanPoint(1, 0), new PlanPoint(2, 1), new PlanPoint(3, 3));
        assertThat(Svg.smooth(line)).startsWith("M0 ").endsWith("L3 -3").contains("Q");
        assertThat(Svg.closed(List.of())).isEmpty();
    }

    private static PromiseLine line(LiveView view, String wording) {
        return view.promises().stream().filter(line -> line.wording().startsWith(wording)).findFirst().orElseThrow();
    }

    private HouseholdFacts facts() {
        return households.of(demo.household("Quiller")).facts();
    }

    private Camera camera() {
        Camera stored = facts().cameras().get(0);
        return stored.withPose(new CameraPose(11.4, 2.0, 2.4, 121, 12)).withMasked(Set.of());
    }

    private LiveView live(Camera camera) {
        return live(camera, Map.of());
    }

    private LiveView live(Camera camera, Map<String, String> look) {
        HouseholdFacts facts = facts().withCamera(camera);
        return LiveView.of(facts, judges.of(facts), judges.of(facts).again(facts), camera,
                LiveView.Sights.of(judges.of(facts).house().orElseThrow(), facts, camera, Look.of(look).night()).get(), 0, Look.of(look),
                true,
                contouring);
    }
}
