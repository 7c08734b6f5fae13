package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.of;
import static roofnest.core.judge.Judging.post;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.mount.SpotLook;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;
import roofnest.core.power.Climate;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** Whether somebody may go up there: as the plan shows it, and as somebody saw it. */
class ReachedSafelyTest {
    private static final CameraPose HIGH = new CameraPose(5, -0.3, 3.4, 180, 15);

    private static HousePlan wall(Opening... openings) {
        return HousePlan.blank("wall", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 5, null)))
                .withWalls(List.of(new Wall("s", "g", new PlanPoint(0, 0), new PlanPoint(10, 0), Material.BRICK, 0.3, null,
                        List.of(openings))));
    }

    private static HousePlan over(Area.Kind kind) {
        return wall().withAreas(List.of(new Area("a", "it", kind, List.of(new PlanPoint(0, -4), new PlanPoint(10, -4),
                new PlanPoint(10, 0), new PlanPoint(0, 0)))));
    }

    private static Finding safe(HousePlan plan, Camera camera) {
        return finding(facts(plan, List.of(), camera), of("safe"));
    }

    private static SpotLook look(boolean lines, boolean firm) {
        return new SpotLook(lines, firm, HIGH.onPlan(), HIGH.heightM(), "Jory Penhale");
    }

    @Test
    void a_free_wall_is_predicted_to_do_and_says_that_nobody_looked() {
        Finding free = safe(wall(), post(HIGH));
        assertThat(free.standing()).isEqualTo(Standing.KEPT);
        assertThat(free.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(free.reason()).contains("A ladder of 3.6 m, 0.85 m out", "on no plan").doesNotContain("looked");
        Finding seen = safe(wall(), post(HIGH).withLook(look(false, true)));
        assertThat(seen.standing()).isEqualTo(Standing.KEPT);
        assertThat(seen.evidence()).isEqualTo(Evidence.READ);
        assertThat(seen.reason()).contains("Jory Penhale looked: no lines near, firm ground.");
    }

    @Test
    void water_or_a_door_under_the_ladder_breaks_it_and_a_way_makes_it_thin() {
        Finding water = safe(over(Area.Kind.WATER), post(HIGH));
        assertThat(water.standing()).isEqualTo(Standing.BROKEN);
        assertThat(water.measuredText()).isEqualTo("1 thing in the way");
        assertThat(water.limit()).hasToString("nothing in the way");
        assertThat(safe(wall(new Opening(Opening.Kind.DOOR, 3.5, 3, 0, 2.1, Material.TIMBER)), post(HIGH)).reason())
                .contains("a door opens there");
        Finding way = safe(over(Area.Kind.PATH), post(HIGH));
        assertThat(way.standing()).isEqualTo(Standing.THIN);
        assertThat(way.reason()).contains("bar it off");
        Finding low = safe(over(Area.Kind.WATER), post(HIGH.atHeight(2.1)));
        assertThat(low.standing()).as("the remedy that is offered").isEqualTo(Standing.KEPT);
        assertThat(water.remedies()).extracting(remedy -> remedy.action()).contains("Hang it 2.1 m over the ground or lower");
    }

    @Test
    void what_somebody_saw_counts_for_that_spot_alone() {
        Finding lines = safe(wall(), post(HIGH).withLook(look(true, true)));
        assertThat(lines.standing()).isEqualTo(Standing.BROKEN);
        assertThat(lines.reason()).contains("overhead lines are near").endsWith("Jory Penhale looked.");
        assertThat(safe(wall(), post(HIGH).withLook(look(true, false))).measured()).hasValue(2);
        Camera moved = post(HIGH).withLook(look(true, true)).withPose(new CameraPose(7, -0.3, 3.4, 180, 15));
        assertThat(safe(wall(), moved).standing()).as("2 m farther on nobody looked").isEqualTo(Standing.KEPT);
        assertThat(safe(wall(), moved).evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(safe(wall(), post(HIGH.atHeight(2.8)).withLook(look(true, true))).standing()).as("steps, 0.6 m lower")
                .isEqualTo(Standing.KEPT);
    }

    @Test
    void without_plan_or_wall_it_is_not_tried() {
        Finding post = safe(wall(), post(new CameraPose(5, -3, 3.4, 180, 15)));
        assertThat(post.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(post.reason()).contains("no wall of the plan");
        assertThat(safe(wall(), post(new CameraPose(5, -3, 1.9, 180, 15))).standing()).as("from the ground").isEqualTo(Standing.KEPT);
        HouseholdFacts noPlan = new HouseholdFacts(Optional.empty(), List.of(post(HIGH)), List.of(), Optional.empty(), 0, Judging.nobody(),
                List.of(), Climate.MILD_COAST, Judging.TODAY, false, List.of());
        assertThat(finding(noPlan, of("safe")).standing()).isEqualTo(Standing.UNTRIED);
        assertThat(safe(wall(), post(HIGH.atHeight(4.2))).standing()).as("two people").isEqualTo(Standing.THIN);
    }
}
