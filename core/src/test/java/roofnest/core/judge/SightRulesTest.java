package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static roofnest.core.judge.Judging.FIELD;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.PX_AT_ONE_METRE;
import static roofnest.core.judge.Judging.allCells;
import static roofnest.core.judge.Judging.camera;
import static roofnest.core.judge.Judging.east;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.field;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.judged;
import static roofnest.core.judge.Judging.madeOut;
import static roofnest.core.judge.Judging.of;
import static roofnest.core.judge.Judging.post;

import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.Wall;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/**
 * Promises of sight at their edges: from where on they are thin or broken, what is said, and that what is proposed would mend it.
 */
class SightRulesTest {
    @Test
    void density_falls_with_distance_and_is_thin_within_eight_percent_of_its_level() {
        double level = DetailLevel.RECOGNISE.pxPerM();
        Finding kept = madeOut(PX_AT_ONE_METRE / (level * 1.081), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(kept.standing()).isEqualTo(Standing.KEPT);
        assertThat(kept.measured().getAsDouble()).isEqualTo(level * 1.081, within(1.0));
        assertThat(kept.remedies()).isEmpty();
        Finding thin = madeOut(PX_AT_ONE_METRE / (level * 1.03), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(thin.standing()).isEqualTo(Standing.THIN);
        Finding broken = madeOut(PX_AT_ONE_METRE / (level * 0.97), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        assertThat(broken.reason()).isEqualTo("Eye at 6.2 m, needs 125 px/m, face from 0° above.");
    }

    /** Moved nearer by as much as it says, it keeps the promise; by a tenth of a metre less it does not. */
    @Test
    void the_remedy_says_how_much_nearer_is_enough() {
        double far = 8;
        Finding broken = madeOut(far, DetailLevel.RECOGNISE, Light.DAY);
        Remedy remedy = broken.remedies().get(0);
        assertThat(remedy.action()).isEqualTo("Move Eye 2.4 m nearer");
        assertThat(remedy.effect()).isEqualTo("135 px/m");
        assertThat(madeOut(far - 2.5, DetailLevel.RECOGNISE, Light.DAY).standing()).isEqualTo(Standing.KEPT);
        assertThat(madeOut(far - 2.3, DetailLevel.RECOGNISE, Light.DAY).standing()).isEqualTo(Standing.THIN);
        Finding nearly = madeOut(PX_AT_ONE_METRE / 134.5, DetailLevel.RECOGNISE, Light.DAY);
        assertThat(nearly.remedies().get(0).action()).as("never by nothing").isEqualTo("Move Eye 0.1 m nearer");
    }

    @Test
    void at_night_a_lens_sees_as_far_as_its_light_and_by_day_farther() {
        assertThat(madeOut(11.9, DetailLevel.DETECT, Light.NIGHT).standing()).isEqualTo(Standing.KEPT);
        Finding dark = madeOut(12.1, DetailLevel.DETECT, Light.NIGHT);
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
        assertThat(dark.measured()).hasValue(0);
        assertThat(dark.reason()).isEqualTo("The place is past the 12 m that its light reaches at night for Eye at 12.1 m.");
        assertThat(dark.remedies()).containsExactly(new Remedy("Move or turn Eye", "it looks 90° now"));
        assertThat(madeOut(12.1, DetailLevel.DETECT, Light.BOTH).standing()).isEqualTo(Standing.BROKEN);
        assertThat(madeOut(12.1, DetailLevel.DETECT, Light.DAY).standing()).isEqualTo(Standing.KEPT);
    }

    /** Under a cap a face is lost from above; that somebody is there is not. */
    @Test
    void a_face_from_too_steep_is_no_face_but_still_somebody() {
        HouseholdFacts steep = facts(field(3), List.of(new Promise.MakeOut(KEY, DetailLevel.RECOGNISE, "spot", Light.DAY)),
                post(new CameraPose(0, 0, 4.0, 90, 40)));
        assertThat(finding(steep, KEY).reason()).isEqualTo("The place is seen from so steep that a cap hides the face for Eye at 3.0 m.");
        assertThat(finding(steep, KEY).standing()).isEqualTo(Standing.BROKEN);
        HouseholdFacts there = facts(field(3), List.of(new Promise.MakeOut(KEY, DetailLevel.OBSERVE, "spot", Light.DAY)),
                post(new CameraPose(0, 0, 4.0, 90, 40)));
        assertThat(finding(there, KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(there, KEY).reason()).isEqualTo("Eye at 3.0 m, needs 62.5 px/m.");
    }

    @Test
    void a_wall_between_hides_the_place_and_a_mask_over_it_blacks_it_out() {
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.DETECT, "spot", Light.DAY));
        Wall wall = new Wall("w", "ground", new PlanPoint(2, -3), new PlanPoint(2, 3), Material.BRICK, 0.2, 3.0, List.of());
        Finding hidden = finding(facts(field(4).withWalls(List.of(wall)), seen, post(east(1.6))), KEY);
        assertThat(hidden.reason()).isEqualTo("The place is hidden by a wall for Eye at 4.0 m.");
        Camera masked = post(east(1.6)).withMasked(Set.of(MaskCell.parse("I5")));
        assertThat(finding(facts(field(4), seen, masked), KEY).reason())
                .isEqualTo("The place is blacked out by the mask for Eye at 4.0 m.");
        Camera maskedBeside = post(east(1.6)).withMasked(Set.of(MaskCell.parse("A1")));
        assertThat(finding(facts(field(4), seen, maskedBeside), KEY).standing()).isEqualTo(Standing.KEPT);
        Camera turned = post(new CameraPose(0, 0, 1.6, 270, 0));
        assertThat(finding(facts(field(4), seen, turned), KEY).reason()).isEqualTo("The place is outside the picture for Eye at 4.0 m.");
    }

    /** Of two that both see nothing the nearer one is spoken of: it is the one to turn. */
    @Test
    void the_densest_view_counts_and_of_two_blind_ones_the_nearer() {
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.DETECT, "spot", Light.DAY));
        Camera far = camera(8, "dunmark-post", new CameraPose(-3, 0, 1.6, 270, 0));
        Camera near = post(new CameraPose(0, 0, 1.6, 270, 0));
        assertThat(judged(facts(field(4), seen, far, near), KEY).cameraId()).contains(7L);
        assertThat(judged(facts(field(4), seen, near, far), KEY).cameraId()).contains(7L);
        Camera farButSeeing = camera(8, "dunmark-post", new CameraPose(-3, 0, 1.6, 90, 0));
        assertThat(judged(facts(field(4), seen, near, farButSeeing), KEY).cameraId()).contains(8L);
        assertThat(judged(facts(field(4), seen, farButSeeing, near), KEY).cameraId()).contains(8L);
    }

    @Test
    void a_margin_of_less_than_half_a_second_is_thin_and_the_remedy_is_the_way_walked_in_the_rest() {
        Walk walk = new Walk("w", "across", List.of(new PlanPoint(12, 0), new PlanPoint(4, 0)));
        HousePlan plan = field(4).withPaths(List.of(walk));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Finding early = finding(facts(plan, before, camera(7, "cairnlow-eave", east(2.4))), KEY);
        assertThat(early.standing()).isEqualTo(Standing.KEPT);
        assertThat(early.remedies()).isEmpty();
        assertThat(early.measured().getAsDouble()).as("at most the whole walk").isLessThanOrEqualTo(8 / 1.4 + 1e-9);
        Finding never = finding(facts(plan, before, post(new CameraPose(0, 0, 2.4, 270, 0))), KEY);
        assertThat(never.measured().getAsDouble()).as("the whole walk is over, and half a second more").isEqualTo(-0.5, within(1e-9));
        assertThat(never.reason()).isEqualTo("No camera has them on a kept frame at 25 px/m anywhere on this path; they are there after "
                + "5.7 s.");
        assertThat(never.remedies()).containsExactly(new Remedy("Let Eye see them 1.4 m earlier on the path", "they are recorded in time"),
                new Remedy("Turn it so that they walk across its view, not towards it", "its sensor then reaches 9 m"));
        Finding picture = finding(facts(plan, before, camera(7, "cairnlow-eave", new CameraPose(0, 0, 2.4, 270, 0))), KEY);
        assertThat(picture.remedies().get(1)).isEqualTo(new Remedy("Widen its zones along the path", "it notices them sooner"));
    }

    @ParameterizedTest
    @CsvSource({"1.9, false", "2.1, true"})
    void a_path_leads_to_a_place_that_it_passes_within_two_metres(double asideM, boolean untried) {
        Walk walk = new Walk("w", "past it", List.of(new PlanPoint(12, asideM), new PlanPoint(4, asideM)));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Finding finding = finding(facts(field(4).withPaths(List.of(walk)), before, post(east(2.4))), KEY);
        assertThat(finding.standing() == Standing.UNTRIED).isEqualTo(untried);
        if (untried) {
            assertThat(finding.reason()).isEqualTo("The path passes the place at 2.1 m; draw it to within 2 m.");
        }
        Finding nobodyThere = finding(facts(field(4).withPaths(List.of(walk)), before), KEY);
        assertThat(nobodyThere.standing()).isEqualTo(Standing.UNTRIED);
    }

    @Test
    void the_camera_that_shows_most_of_the_neighbours_is_named_with_the_cells_to_black_out() {
        List<Promise> off = List.of(new Promise.NeverShows(KEY, "landing"));
        Camera looking = camera(8, "dunmark-post", new CameraPose(2, 12, 2.6, 270, 15));
        Judged judged = judged(facts(FIELD, off, post(new CameraPose(18, 5, 2.4, 90, 12)), looking), KEY);
        assertThat(judged.cameraId()).contains(8L);
        Finding shown = judged.finding();
        assertThat(shown.standing()).isEqualTo(Standing.BROKEN);
        assertThat(shown.reason()).isEqualTo(
                String.format("%.1f %% of what Eye 8 shows is next door's landing.", shown.measured().getAsDouble()));
        Remedy remedy = shown.remedies().get(0);
        assertThat(remedy.action()).matches("Black out [A-P][1-9], [A-P][1-9], [A-P][1-9], [A-P][1-9] and [0-9]+ more");
        int cells = 4 + Integer.parseInt(remedy.action().replaceAll(".* and ([0-9]+) more", "$1"));
        assertThat(remedy.effect()).isEqualTo("costs " + Math.round(100.0 * cells / (16 * 9)) + " % of the picture");
        Finding covered = finding(facts(FIELD, off, looking.withMasked(allCells(looking.model()))), KEY);
        assertThat(covered.standing()).isEqualTo(Standing.KEPT);
        assertThat(covered.measured()).hasValue(0);
        assertThat(covered.reason()).isEqualTo("No camera shows it, with 144 cells blacked out.");
        assertThat(covered.remedies()).isEmpty();
        Finding away = finding(facts(FIELD, off, post(new CameraPose(18, 5, 2.4, 90, 12))), KEY);
        assertThat(away.reason()).isEqualTo("No camera shows it.");
    }

    @Test
    void under_the_eaves_the_light_comes_back_before_any_wall_is_near() {
        HousePlan eaves = HOUSE.withWalls(List.of());
        double floor = HOUSE.storeys().get(1).floorM();
        Camera under = post(new CameraPose(5, 5, floor - 0.2, 90, 0));
        Finding soffit = finding(facts(eaves, List.of(), under), of("clear"));
        assertThat(soffit.standing()).isEqualTo(Standing.BROKEN);
        assertThat(soffit.measured().getAsDouble()).as("two thirds of its limit, as of a wall's").isEqualTo(0.4, within(1e-6));
        assertThat(soffit.reason()).isEqualTo("The eaves or floor above are 0.20 m over the lens; it needs 0.30 m.");
        assertThat(soffit.remedies())
                .containsExactly(new Remedy("Lower it or bring it out from under the eaves", "its light no longer comes back"));
        Finding open = finding(facts(eaves, List.of(), post(new CameraPose(15, 5, 2.4, 90, 0))), of("clear"));
        assertThat(open.reason()).isEqualTo("Nothing in its view is nearer than 3.00 m.");
        assertThat(open.remedies()).isEmpty();
        Wall beside = new Wall("w", "ground", new PlanPoint(15.5, 2), new PlanPoint(15.5, 8), Material.BRICK, 0.1, 3.0, List.of());
        Finding wall = finding(facts(eaves.withWalls(List.of(beside)), List.of(), post(new CameraPose(15, 5, 2.4, 90, 0))), of("clear"));
        assertThat(wall.reason()).isEqualTo("The nearest thing in its view is 0.45 m away.");
        assertThat(wall.remedies()).containsExactly(
                new Remedy("Turn it away from the wall or bring it out on an arm", "its light no longer comes back"));
    }

    @Test
    void of_two_that_record_them_the_first_one_counts() {
        Walk walk = new Walk("w", "across", List.of(new PlanPoint(14, 0), new PlanPoint(4, 0)));
        HousePlan plan = field(4).withPaths(List.of(walk));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Camera sleepy = post(east(2.4));
        Camera awake = camera(8, "cairnlow-eave", east(2.4));
        double alone = finding(facts(plan, before, awake), KEY).measured().getAsDouble();
        for (HouseholdFacts both : List.of(facts(plan, before, sleepy, awake), facts(plan, before, awake, sleepy))) {
            assertThat(judged(both, KEY).cameraId()).contains(8L);
            assertThat(judged(both, KEY).finding().measured()).hasValue(alone);
            assertThat(judged(both, KEY).finding().reason()).startsWith("Eye 8 has them at 25 px/m after ");
        }
    }

    @Test
    void a_camera_without_masks_is_to_be_turned_away() {
        Camera phone = camera(7, "spare-phone", new CameraPose(2, 12, 1.6, 270, 5));
        List<Promise> off = List.of(new Promise.NeverShows(KEY, "landing"));
        Finding shown = finding(facts(FIELD, off, phone), KEY);
        assertThat(shown.standing()).isEqualTo(Standing.BROKEN);
        if (!shown.remedies().isEmpty()) {
            assertThat(shown.remedies()).containsExactly(new Remedy("Turn Eye away", "it cannot black out parts of its picture"));
        }
        assertThat(HouseholdJudge.of(facts(FIELD, off, phone)).cellsShowing(facts(FIELD, off, phone), phone)).isEmpty();
    }

    /** Blacked out, the cells that are offered keep the promise, and none of them is offered in vain. */
    @Test
    void the_cells_that_show_a_neighbour_are_those_to_black_out() {
        Camera looking = post(new CameraPose(2, 12, 2.6, 270, 15));
        HouseholdFacts facts = facts(FIELD, List.of(new Promise.NeverShows(KEY, "landing")), looking);
        Set<MaskCell> cells = HouseholdJudge.of(facts).cellsShowing(facts, looking);
        assertThat(cells).isNotEmpty().hasSizeLessThan(144);
        assertThat(finding(facts.withCamera(looking.withMasked(cells)), KEY).standing()).isEqualTo(Standing.KEPT);
        HouseholdFacts unpromised = facts(FIELD, List.of(), looking);
        assertThat(HouseholdJudge.of(unpromised).cellsShowing(unpromised, looking)).as("what nobody promised is not masked").isEmpty();
    }
}
