package roofnest.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.Houses;
import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;

/** Readings bend the model, and nothing else does. */
class RefitTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final WallCrossings CROSSINGS = new WallCrossings(PLAN);
    private static final SpacePoint ROUTER = PLAN.router().orElseThrow().position();
    private static final PathLoss PATHS = new PathLoss(CROSSINGS);

    @Property(tries = 200)
    void without_a_reading_it_is_the_plain_model_exactly(@ForAll @DoubleRange(min = -8, max = 30) double x,
            @ForAll @DoubleRange(min = -8, max = 20) double y) {
        LinkBudget fitted = model(List.of()).link(new SpacePoint(x, y, 2.4), Band.GHZ_2_4, 15).orElseThrow();
        LinkBudget plain = LinkBudget.of(PATHS.between(ROUTER, new SpacePoint(x, y, 2.4), Band.GHZ_2_4), Band.GHZ_2_4, 15);
        assertThat(fitted.rssiDbm()).isEqualTo(plain.rssiDbm(), within(1e-9));
        assertThat(fitted.sigmaDb()).isEqualTo(plain.sigmaDb());
    }

    @Test
    void one_low_reading_pulls_its_own_spot_by_more_than_half_and_a_far_one_by_far_less() {
        SpacePoint here = new SpacePoint(9, 2, 1.2);
        SpacePoint far = new SpacePoint(39, 2, 1.2);
        SignalModel bent = model(List.of(Reading.ofFigure(here, Band.GHZ_2_4, heard(List.of(), here) - 10)));
        double pulledHere = heard(List.of(), here) - bent.link(here, Band.GHZ_2_4, 20).orElseThrow().downDbm();
        double pulledFar = heard(List.of(), far) - bent.link(far, Band.GHZ_2_4, 20).orElseThrow().downDbm();
        assertThat(pulledHere).isBetween(5.0, 10.0);
        assertThat(pulledFar).isLessThan(0.65 * pulledHere);
        assertThat(bent.link(here, Band.GHZ_5, 20)).as("the other band was not read")
                .isEqualTo(model(List.of()).link(here, Band.GHZ_5, 20));
    }

    @Test
    void twenty_exact_readings_give_the_parameters_back_that_made_them() {
        double offset = 4;
        double exponent = 2.4;
        double scale = 1.3;
        Random random = new Random(11);
        List<Reading> readings = new ArrayList<>();
        while (readings.size() < 20) {
            SpacePoint at = new SpacePoint(-6 + 30 * random.nextDouble(), -4 + 18 * random.nextDouble(), 1.2);
            PathLoss.Ray ray = PATHS.between(ROUTER, at, Band.GHZ_2_4);
            double loss = PathLoss.freeSpaceDb(10, Band.GHZ_2_4.centreMhz()) + offset + exponent * 10 * Math.log10(ray.distanceM() / 10)
                    + scale * (ray.wallsDb() + ray.slabsDb());
            double rssi = 20 - loss;
            if (ray.distanceM() > 1 && rssi > -100 && rssi < -10) {
                readings.add(new Reading(at, Band.GHZ_2_4, rssi, 0.5));
            }
        }
        Refit fit = model(readings).fit(Band.GHZ_2_4);
        assertThat(fit.offsetDb()).isEqualTo(offset, within(0.7));
        assertThat(fit.exponent()).isEqualTo(exponent, within(0.1));
        assertThat(fit.wallScale()).isEqualTo(scale, within(0.05));
        assertThat(fit.leaveOneOutErrorDb()).isLessThan(0.5).isLessThan(fit.planErrorDb());
    }

    @Property(tries = 30)
    void more_readings_never_make_it_less_sure(@ForAll @IntRange(min = 1, max = 4) int count,
            @ForAll @DoubleRange(min = -5, max = 25) double x) {
        List<Reading> readings = new ArrayList<>();
        SpacePoint asked = new SpacePoint(x, 4, 1.2);
        double before = model(readings).link(asked, Band.GHZ_2_4, 15).orElseThrow().sigmaDb();
        for (int i = 0; i < count; i++) {
            readings.add(Reading.ofFigure(new SpacePoint(3 + 5 * i, 3, 1.2), Band.GHZ_2_4, -60));
            double now = model(readings).link(asked, Band.GHZ_2_4, 15).orElseThrow().sigmaDb();
            assertThat(now).isLessThanOrEqualTo(before + 1e-9);
            before = now;
        }
    }

    @Test
    void leaving_one_out_is_what_fitting_without_it_says() {
        List<Reading> three = List.of(Reading.ofFigure(new SpacePoint(3, 3, 1.2), Band.GHZ_2_4, -52),
                Reading.ofFigure(new SpacePoint(12, 2, 1.2), Band.GHZ_2_4, -71),
                Reading.ofFigure(new SpacePoint(16, 9, 1.2), Band.GHZ_2_4, -66));
        double squares = 0;
        for (int i = 0; i < 3; i++) {
            List<Reading> others = new ArrayList<>(three);
            Reading left = others.remove(i);
            squares += Math.pow(heard(others, left.at()) - left.rssiDbm(), 2);
        }
        assertThat(model(three).fit(Band.GHZ_2_4).leaveOneOutErrorDb()).isEqualTo(Math.sqrt(squares / 3), within(1e-6));
        assertThat(model(three.subList(0, 1)).fit(Band.GHZ_2_4).leaveOneOutErrorDb()).isNaN();
    }

    @Test
    void bars_are_the_middle_of_their_span_and_less_sure() {
        Reading bars = Reading.ofBars(new SpacePoint(0, 0, 1), Band.GHZ_5, 2);
        assertThat(LinkBudget.bars(bars.rssiDbm())).isEqualTo(2);
        assertThat(bars.sdDb()).isGreaterThan(Reading.FIGURE_SD_DB);
    }

    @Test
    void an_access_point_helps_where_it_is_nearer_and_nowhere_hurts() {
        HousePlan more = with(PLAN, new Thing("ap", "shed point", Thing.Kind.ACCESS_POINT, new PlanPoint(15, 8), 2));
        SignalModel one = model(List.of());
        SignalModel two = new SignalModel(more, new WallCrossings(more), List.of());
        SpacePoint shed = new SpacePoint(16, 9, 2.4);
        assertThat(two.link(shed, Band.GHZ_2_4, 15).orElseThrow()).satisfies(link -> {
            assertThat(link.rssiDbm()).isGreaterThan(one.link(shed, Band.GHZ_2_4, 15).orElseThrow().rssiDbm() + 20);
            assertThat(link.peer()).isEqualTo("shed point");
        });
        SpacePoint kitchen = new SpacePoint(4, 7, 2.4);
        assertThat(two.link(kitchen, Band.GHZ_2_4, 15).orElseThrow().rssiDbm())
                .isEqualTo(one.link(kitchen, Band.GHZ_2_4, 15).orElseThrow().rssiDbm());
    }

    @Test
    void through_a_hub_the_weaker_hop_is_the_link() {
        var drift = Catalogue.shipped().get("pellan-drift").radio();
        SpacePoint camera = new SpacePoint(16, 9, 2.2);
        HousePlan nearCamera = with(PLAN, new Thing("h", "Perch hub", Thing.Kind.HUB, new PlanPoint(15.5, 8.5), 1));
        HousePlan nearRouter = with(PLAN, new Thing("h", "Perch hub", Thing.Kind.HUB, new PlanPoint(ROUTER.xM() + 0.5, ROUTER.yM()), 1));
        LinkBudget far = new SignalModel(nearCamera, new WallCrossings(nearCamera), List.of()).cameraLink(camera, Band.GHZ_2_4, drift)
                .orElseThrow();
        LinkBudget close = new SignalModel(nearRouter, new WallCrossings(nearRouter), List.of()).cameraLink(camera, Band.GHZ_2_4, drift)
                .orElseThrow();
        assertThat(far.peer()).isEqualTo("Perch hub to " + PLAN.router().orElseThrow().name());
        assertThat(close.peer()).isEqualTo("Perch hub");
        LinkBudget direct = model(List.of()).cameraLink(camera, Band.GHZ_2_4, drift).orElseThrow();
        assertThat(direct.peer()).as("no hub on the plan").isEqualTo(PLAN.router().orElseThrow().name());
    }

    @Test
    void airtime_is_bitrate_over_what_the_rate_leaves_for_data() {
        assertThat(Airtime.share(2, -64)).isEqualTo(2 / (0.6 * 65), within(1e-9));
        assertThat(Airtime.share(2, -81)).isEqualTo(2 / (0.6 * 6.5), within(1e-9));
        assertThat(Airtime.share(2, -90)).as("no rate, no room").isEqualTo(1);
    }

    @Test
    void the_whole_map_agrees_with_single_links_on_the_largest_house() {
        HousePlan maltings = Houses.plan("maltings");
        SignalModel model = new SignalModel(maltings, new WallCrossings(maltings),
                List.of(Reading.ofFigure(new SpacePoint(14, 13, 1.2), Band.GHZ_2_4, -61)));
        SignalMap mean = SignalMap.of(maltings, model, Band.GHZ_2_4, 15, 2.4, 4, false);
        SignalMap sure = SignalMap.of(maltings, model, Band.GHZ_2_4, 15, 2.4, 4, true);
        for (int row = 0; row < mean.rssiDbm().length; row++) {
            for (int column = 0; column < mean.rssiDbm()[0].length; column++) {
                LinkBudget link = model.link(new SpacePoint(mean.originXM() + 4 * column, mean.originYM() + 4 * row, 2.4), Band.GHZ_2_4, 15)
                        .orElseThrow();
                assertThat(mean.rssiDbm()[row][column]).isEqualTo(link.rssiDbm(), within(1e-6));
                assertThat(sure.rssiDbm()[row][column]).isLessThan(mean.rssiDbm()[row][column]);
            }
        }
    }

    private static HousePlan with(HousePlan plan, Thing thing) {
        List<Thing> things = new ArrayList<>(plan.things());
        things.add(thing);
        return plan.withThings(things);
    }

    private static SignalModel model(List<Reading> readings) {
        return new SignalModel(PLAN, CROSSINGS, readings);
    }

    private static double heard(List<Reading> readings, SpacePoint at) {
        return model(readings).link(at, Band.GHZ_2_4, 20).orElseThrow().downDbm();
    }
}
