package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;

/** Laws of the whole judgement: where the plan lies and which way it is turned changes no finding. */
class HouseLawsTest {
    /** What rays through corners and cells of a grid may differ by, in the unit of the finding. */
    private static final double ROUNDING = 0.2;
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final List<Promise> WRITTEN = List.of(
            new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.BOTH),
            new Promise.NeverShows(PromiseKey.written(2), "landing"));

    private record Motion(double turnDeg, double dx, double dy) {
        PlanPoint of(PlanPoint p) {
            double turn = Math.toRadians(turnDeg);
            // Clockwise, as headings run.
            return new PlanPoint(p.xM() * Math.cos(turn) + p.yM() * Math.sin(turn) + dx,
                    -p.xM() * Math.sin(turn) + p.yM() * Math.cos(turn) + dy);
        }

        CameraPose of(CameraPose pose) {
            PlanPoint moved = of(pose.onPlan());
            return new CameraPose(moved.xM(), moved.yM(), pose.heightM(), pose.headingDeg() + turnDeg, pose.tiltDeg());
        }

        HousePlan of(HousePlan plan) {
            return new HousePlan(plan.format(), plan.name(), plan.latitudeDeg(),
                    plan.storeys().stream()
                            .map(s -> new Storey(s.id(), s.name(), s.floorM(), s.heightM(), s.slab().stream().map(this::of).toList()))
                            .toList(),
                    plan.walls().stream()
                            .map(w -> new Wall(w.id(), w.storey(), of(w.from()), of(w.to()), w.material(), w.thicknessM(), w.heightM(),
                                    w.openings()))
                            .toList(),
                    plan.areas().stream().map(a -> new Area(a.id(), a.name(), a.kind(), a.outline().stream().map(this::of).toList()))
                            .toList(),
                    List.of(),
                    plan.places().stream().map(p -> new Place(p.id(), p.name(), of(p.at()), p.groundM())).toList(),
                    plan.things().stream().map(t -> new Thing(t.id(), t.name(), t.kind(), of(t.at()), t.heightM())).toList(), List.of(),
                    List.of(), turnDeg > 180 ? turnDeg - 360 : turnDeg);
        }
    }

    @Property(tries = 25)
    void turning_and_moving_the_whole_house_changes_no_finding(
            @ForAll @DoubleRange(min = 0, max = 359) double turn, @ForAll @DoubleRange(min = -200, max = 200) double dx,
            @ForAll @DoubleRange(min = -200, max = 200) double dy, @ForAll @DoubleRange(min = 0, max = 359) double heading) {
        Motion motion = new Motion(turn, dx, dy);
        HousePlan plan = WeirSteps.plan();
        CameraPose pose = new CameraPose(-0.41, 8.93, 3.1, heading, 18);
        Judgement here = judge(plan, pose);
        Judgement there = judge(motion.of(plan), motion.of(pose));
        for (int i = 0; i < here.promises().size(); i++) {
            Finding a = here.promises().get(i).finding();
            Finding b = there.promises().get(i).finding();
            String wording = here.promises().get(i).wording();
            // The sun is looked at every quarter of an hour, and behind an edge it goes sooner or later by one look.
            double rounding = here.promises().get(i).promise() instanceof Promise.BatteryLasts ? 3 : ROUNDING;
            assertThat(b.measured().orElse(0)).as(wording).isEqualTo(a.measured().orElse(0), within(rounding));
            assertThat(b.measured().isPresent()).as(wording).isEqualTo(a.measured().isPresent());
            // Figures in the words may round to either side; the words may not.
            if (rounding == ROUNDING) {
                assertThat(b.reason().replaceAll("[0-9.−]+", "#")).as(wording).isEqualTo(a.reason().replaceAll("[0-9.−]+", "#"));
            }
            if (!onAnEdge(a, rounding)) {
                assertThat(b.standing()).as(wording).isEqualTo(a.standing());
            }
        }
    }

    private static boolean onAnEdge(Finding finding, double rounding) {
        return finding.margin().isPresent() && (Math.abs(finding.margin().getAsDouble()) <= rounding
                || Math.abs(finding.margin().getAsDouble() - finding.limit().tolerance()) <= rounding);
    }

    @Property(tries = 25)
    void nearer_to_the_place_is_never_less_dense_along_one_line(@ForAll @DoubleRange(min = 1.5, max = 12) double near,
            @ForAll @DoubleRange(min = 0.1, max = 8) double more) {
        HousePlan open = new HousePlan(HousePlan.FORMAT, "field", 50, WeirSteps.plan().storeys(), List.of(), null, null,
                List.of(new Place("river-stairs", "river stairs", new PlanPoint(0, 0), 0)), null, null, null);
        assertThat(density(open, near)).isGreaterThanOrEqualTo(density(open, near + more));
    }

    private static double density(HousePlan plan, double southM) {
        Promise promise = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "river-stairs", Light.DAY);
        return HouseholdJudge.judge(facts(plan, new CameraPose(0, -southM, 1.6, 0, 0), List.of(promise))).promises().get(0).finding()
                .measured().orElseThrow();
    }

    private static Judgement judge(HousePlan plan, CameraPose pose) {
        return HouseholdJudge.judge(facts(plan, pose, WRITTEN));
    }

    private static HouseholdFacts facts(HousePlan plan, CameraPose pose, List<Promise> written) {
        Camera camera = new Camera(7, "Eye", POST, pose, Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.of(LocalDate.of(2026, 11, 1)));
        return new HouseholdFacts(Optional.of(plan), List.of(camera), written, Optional.empty(), 0, new Access(List.of(), List.of()),
                List.of(),
                Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
    }
}
