package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.power.Climates;
import roofnest.core.mount.SaidLead;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.PromiseKey;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.Practice;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** What a camera is fed with: by its lead, and by the sun on its panel. */
class PowerRulesTest {
    private static final PromiseKey LEAD = Judging.of("lead");
    private static final CameraPose ON_THE_WALL = new CameraPose(0, 0, 2.4, 180, 10);

    private static HousePlan socketAt(double xM) {
        HousePlan field = Judging.field(3);
        return field.withWalls(List.of(new Wall("long", field.storeys().get(0).id(), new PlanPoint(-1, 0.2), new PlanPoint(155, 0.2),
                Material.BRICK, 0.2, 2.6, List.of()))).withThings(List.of(new Thing("s", "yard socket", Thing.Kind.SOCKET,
                        new PlanPoint(xM, 0.1), 2.4)));
    }

    private static double along(HousePlan plan) {
        return new House(plan, List.of()).cables(Practice.USUAL).toGo(ON_THE_WALL, Catalogue.shipped().get("tarrowby-turn").power())
                .orElseThrow().alongM();
    }

    private static Finding lead(HousePlan plan) {
        return Judging.finding(Judging.facts(plan, List.of(), Judging.camera(7, "tarrowby-turn", ON_THE_WALL)), LEAD);
    }

    @Test
    void copper_takes_its_volts() {
        assertThat(PowerSpec.dropV(10, 0.5, 1)).isEqualTo(0.70, within(1e-12));
        assertThat(PowerSpec.dropV(10, 1.0, 1)).isEqualTo(0.35, within(1e-12));
    }

    @Test
    void a_long_thin_lead_starves_a_camera_and_a_thicker_one_does_not() {
        Finding near = lead(socketAt(1));
        assertThat(near.standing()).isEqualTo(Standing.KEPT);
        assertThat(near.remedies()).isEmpty();
        Finding far = lead(socketAt(18));
        assertThat(far.standing()).isEqualTo(Standing.BROKEN);
        assertThat(far.measured().getAsDouble()).isEqualTo(5 - PowerSpec.dropV((along(socketAt(18)) + 0.6) * 1.1, 0.5, 0.52), within(1e-9));
        assertThat(along(socketAt(18))).as("18 m along one wall").isBetween(18.0, 18.5);
        assertThat(far.reason()).contains("m of 0.5 mm² from the yard socket", "5 V at the plug", "0.52 A with its light on");
        assertThat(far.remedies()).singleElement().satisfies(remedy -> assertThat(remedy.action()).startsWith("An extension of 1.5 mm²"));
        assertThat(lead(socketAt(80)).remedies().get(0).action()).contains("licensed electrician");
        assertThat(lead(socketAt(150)).standing()).as("no lead is as long as that").isEqualTo(Standing.UNTRIED);
    }

    /** To that spot: hung a metre farther on it was not measured. */
    @Test
    void a_lead_that_somebody_measured_wins_over_what_is_found() {
        Camera camera = Judging.camera(7, "tarrowby-turn", ON_THE_WALL);
        SaidLead said = new SaidLead("porch socket", 25, 2, ON_THE_WALL.onPlan(), ON_THE_WALL.heightM(), "Jory Penhale");
        Finding measured = Judging.finding(Judging.facts(socketAt(1), List.of(), camera.withLead(said)), LEAD);
        assertThat(measured.evidence()).isEqualTo(Evidence.READ);
        assertThat(measured.standing()).isEqualTo(Standing.BROKEN);
        assertThat(measured.reason()).contains("28.2 m", "porch socket", "as Jory Penhale measured.");
        Finding moved = Judging.finding(Judging.facts(socketAt(1), List.of(), camera.withLead(said)
                .withPose(new CameraPose(1, 0, 2.4, 180, 10))), LEAD);
        assertThat(moved.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(moved.standing()).isEqualTo(Standing.KEPT);
        Finding unplanned = Judging.finding(Judging.facts(Judging.field(3).withThings(List.of()), List.of(), camera.withLead(said)), LEAD);
        assertThat(unplanned.measured()).as("the plan need not know a socket").isPresent();
    }

    /** What was drawn is no reading, follows the plan, and does not count where it cannot be led any more. */
    @Test
    void a_lead_that_somebody_drew_wins_too_but_was_not_read() {
        Camera camera = Judging.camera(7, "tarrowby-turn", ON_THE_WALL);
        HousePlan plan = socketAt(1);
        Thing socket = plan.ofKind(Thing.Kind.SOCKET).findFirst().orElseThrow();
        SaidLead drawn = new SaidLead(socket.name(), 1, 0, List.of(new SpacePoint(-9, ON_THE_WALL.yM() - 20, 0.3)), ON_THE_WALL.onPlan(),
                ON_THE_WALL.heightM(), "Jory Penhale");
        Finding far = Judging.finding(Judging.facts(plan, List.of(), camera.withLead(drawn)), LEAD);
        assertThat(far.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(far.standing()).as("about forty metres and not the one of that day").isEqualTo(Standing.BROKEN);
        assertThat(far.reason()).contains("as Jory Penhale drew it.");
        Finding gone = Judging.finding(Judging.facts(plan.withThings(List.of(new Thing("other", "other socket", Thing.Kind.SOCKET,
                socket.at(), socket.heightM()))), List.of(), camera.withLead(drawn)), LEAD);
        assertThat(gone.reason()).contains("other socket").doesNotContain("drew");
        assertThat(gone.standing()).isEqualTo(Standing.KEPT);
    }

    @Test
    void without_a_socket_on_the_plan_nothing_is_claimed_and_a_pack_has_no_lead() {
        Finding unknown = lead(Judging.field(3).withThings(List.of()));
        assertThat(unknown.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(unknown.reason()).contains("no socket yet");
        assertThat(HouseholdJudge.judge(Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()))).promises())
                .noneMatch(judged -> judged.promise().key().equals(LEAD));
    }

    private static double lowest(HousePlan plan, Camera camera, String climate) {
        HouseholdFacts mild = Judging.facts(plan, List.of(), camera);
        HouseholdFacts facts = new HouseholdFacts(mild.plan(), mild.cameras(), mild.written(), mild.network(), mild.otherThings(),
                mild.access(), mild.proofs(), Climates.shipped().named(climate).orElseThrow(), mild.today(), false);
        return HouseholdJudge.of(facts).batteryYear(facts, camera).lowest().percent();
    }

    private static Camera sunny(double panelSlopeDeg, double panelHeadingDeg) {
        return Judging.post(new CameraPose(0, 0, 2.4, 180, 10))
                .withSettings(new Camera.Settings(12, 30, 64, 40, 3, 0.9, 0, panelSlopeDeg, panelHeadingDeg));
    }

    /** On the shady side of a house the same panel is worth less; in a cold place less again. */
    @Test
    void a_wall_before_the_sun_and_a_colder_place_leave_less_in_the_pack() {
        HousePlan open = Judging.field(3);
        List<Wall> walls = new ArrayList<>(List.of(new Wall("house", "ground", new PlanPoint(-20, -0.4), new PlanPoint(20, -0.4),
                Material.BRICK, 0.3, 7.0, null)));
        HousePlan northWall = open.withWalls(walls);
        double free = lowest(open, sunny(45, 180), "cool inland");
        double shaded = lowest(northWall, sunny(45, 180), "cool inland");
        assertThat(shaded).isLessThan(free - 5);
        assertThat(lowest(open, sunny(45, 180), "cold plain")).isLessThan(lowest(open, sunny(45, 180), "dry summer"));
        assertThat(lowest(open, sunny(45, 0), "cool inland")).as("facing the pole").isLessThan(free);
    }

    @Test
    void the_advice_leans_the_panel_towards_the_sun_and_names_a_sunnier_place_only_when_it_pays() {
        Camera flat = sunny(0, 0);
        HouseholdFacts facts = Judging.facts(Judging.field(3), List.of(), flat);
        PanelAdvice advice = HouseholdJudge.of(facts).panelAdvice(facts, flat).orElseThrow();
        assertThat(advice.headingDeg()).isBetween(135.0, 225.0);
        assertThat(advice.slopeDeg()).isGreaterThanOrEqualTo(30);
        assertThat(advice.lowestPercent()).isGreaterThan(lowest(Judging.field(3), flat, "mild coast"));
        assertThat(advice.elsewhere()).as("in an open field the sun is the same everywhere").isEmpty();
        // A fence of 2 m to the south, whose shade ends two metres to the east.
        HousePlan fenced = Judging.field(3).withWalls(List.of(new Wall("fence", "ground", new PlanPoint(-9, -0.5), new PlanPoint(0.4, -0.5),
                Material.TIMBER, 0.1, 9.0, null)));
        HouseholdFacts shaded = Judging.facts(fenced, List.of(), flat);
        assertThat(HouseholdJudge.of(shaded).panelAdvice(shaded, flat).orElseThrow().elsewhere())
                .hasValueSatisfying(place -> assertThat(place.way()).isEqualTo("to its left"));
        Camera mains = Judging.camera(7, "cairnlow-eave", Judging.door());
        assertThat(HouseholdJudge.of(facts).panelAdvice(facts.withCameras(List.of(mains)), mains)).isEqualTo(Optional.empty());
    }

    @Property(tries = 15)
    void more_wall_never_leaves_more_in_the_pack(@ForAll @DoubleRange(min = -6, max = 6) double xM,
            @ForAll @DoubleRange(min = -6, max = -0.3) double yM,
            @ForAll @DoubleRange(min = 1, max = 9) double heightM) {
        HousePlan open = Judging.field(3);
        HousePlan more
                = open.withWalls(List.of(new Wall("w", "ground", new PlanPoint(xM, yM), new PlanPoint(xM + 4, yM), Material.BRICK, 0.2,
                        heightM, null)));
        assertThat(lowest(more, sunny(60, 180), "cool inland")).isLessThanOrEqualTo(lowest(open, sunny(60, 180), "cool inland") + 1e-9);
    }
}
