package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

class StillReaderTest {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 104, 8);
    /** Outside the front of the house, looking back along it. */
    private static final CameraPose PLANNED = new CameraPose(11.4, -6, 2.6, 330, 12);
    private static final CameraPose TRUTH = new CameraPose(11.45, -5.9, 2.52, 334, 10.5, 2);
    private static final int TAPS = 6;

    private static Hung weirSteps(CameraPose truth, int most, double noisePx) {
        HousePlan plan = WeirSteps.plan();
        List<Landmark> offered = Landmarks.offered(plan, LENS, PLANNED);
        List<Tap> taps = Hung.taps(offered, LENS, truth, new Random(5), noisePx);
        return new Hung(LENS, PLANNED, truth, offered, taps.subList(0, Math.min(most, taps.size())));
    }

    private static StillReading.Read settled(Hung hung) {
        return (StillReading.Read) hung.read();
    }

    private static StillReading.Unsettled unsettled(Hung hung) {
        return (StillReading.Unsettled) hung.read();
    }

    /** The check values, on as many houses; with them the share of truths inside the interval that was said. */
    @Test
    void six_points_tapped_to_a_pixel_say_heading_and_tilt_to_a_third_of_a_degree_and_the_height_to_a_hand() {
        Random random = new Random(20_261_127);
        int read = 0;
        int good = 0;
        int within = 0;
        int accused = 0;
        int houses = 1000;
        for (int i = 0; i < houses; i++) {
            Hung hung = Hung.random(random, TAPS, 1);
            if (hung.read() instanceof StillReading.Read r) {
                read++;
                double heading = Math.abs(Math.IEEEremainder(r.pose().headingDeg() - hung.truth().headingDeg(), 360));
                double tilt = Math.abs(r.pose().tiltDeg() - hung.truth().tiltDeg());
                double height = Math.abs(r.pose().heightM() - hung.truth().heightM());
                good += heading <= 0.3 && tilt <= 0.3 && height <= 0.05 ? 1 : 0;
                within += (heading <= r.spread().headingDeg() ? 1 : 0) + (tilt <= r.spread().tiltDeg() ? 1 : 0)
                        + (height <= r.spread().heightM() ? 1 : 0);
                accused += r.wrong().isPresent() ? 1 : 0;
            }
        }
        assertThat(read).as("read at all").isGreaterThanOrEqualTo(980);
        assertThat(good / (double) read).as("share within 0.3°, 0.3° and 5 cm").isGreaterThanOrEqualTo(0.95);
        assertThat(within / (3.0 * read)).as("share inside what was said").isBetween(0.93, 0.995);
        assertThat(accused).as("wrongly accused taps").isLessThanOrEqualTo(2);
    }

    @Test
    void two_points_that_were_exchanged_are_named() {
        Random random = new Random(41);
        int named = 0;
        int houses = 300;
        for (int i = 0; i < houses; i++) {
            Hung hung = Hung.random(random, TAPS, 1);
            int a = random.nextInt(TAPS);
            int b = (a + 1 + random.nextInt(TAPS - 1)) % TAPS;
            if (hung.exchanged(a, b).read() instanceof StillReading.Read r && r.wrong().isPresent()) {
                StillReading.Wrong wrong = r.wrong().get();
                Set<String> ids = Stream.concat(Stream.of(wrong.tapped()), wrong.other().stream()).map(Landmark::id)
                        .collect(Collectors.toSet());
                named += wrong.exchanged()
                        && ids.equals(Set.of(hung.taps().get(a).landmark().id(), hung.taps().get(b).landmark().id())) ? 1 : 0;
            }
        }
        assertThat(named / (double) houses).isGreaterThanOrEqualTo(0.95);
    }

    @Test
    void a_tap_on_another_landmark_is_named_with_the_one_that_it_lies_on_and_not_counted() {
        Hung hung = weirSteps(TRUTH, 12, 1);
        assertThat(hung.taps()).hasSizeGreaterThanOrEqualTo(7);
        Tap lies = hung.taps().get(6);
        List<Tap> taps = new ArrayList<>(hung.taps().subList(0, TAPS));
        taps.set(2, new Tap(taps.get(2).landmark(), lies.at()));
        StillReading.Read read = settled(hung.with(taps));
        assertThat(read.wrong()).hasValueSatisfying(wrong -> {
            assertThat(wrong.tapped()).isEqualTo(taps.get(2).landmark());
            assertThat(wrong.other()).contains(lies.landmark());
            assertThat(wrong.exchanged()).isFalse();
        });
        assertThat(read.pose().headingDeg()).isCloseTo(TRUTH.headingDeg(), within(0.5));
        assertThat(read.left().get(2).offPx()).as("as it was tapped, in the pose that was read").isGreaterThan(50);
    }

    @Test
    void what_is_left_over_is_said_by_tap_and_together() {
        StillReading.Read exact = settled(weirSteps(TRUTH, TAPS, 0));
        assertThat(exact.rmsPx()).isLessThan(0.01);
        assertThat(exact.left()).hasSize(TAPS).allMatch(left -> left.offPx() < 0.01);
        assertThat(exact.pose().rollDeg()).isCloseTo(2, within(0.01));
        assertThat(exact.pose().heightM()).isCloseTo(2.52, within(0.001));
        StillReading.Read rough = settled(weirSteps(TRUTH, TAPS, 4));
        assertThat(rough.rmsPx()).isBetween(1.0, 9.0);
        assertThat(rough.spread().headingDeg()).as("rough taps are less sure").isGreaterThan(1.5 * exact.spread().headingDeg());
    }

    @Test
    void hung_upside_down_is_recognised_and_is_not_taken_for_mirrored() {
        StillReading.Read read = settled(weirSteps(TRUTH.turned(334, 10.5, -178), TAPS, 1));
        assertThat(read.upsideDown()).isTrue();
        assertThat(read.mirrored()).isFalse();
        assertThat(read.pose().rollDeg()).isCloseTo(-178, within(0.5));
        assertThat(settled(weirSteps(TRUTH, TAPS, 1)).upsideDown()).isFalse();
    }

    @Test
    void a_mirrored_picture_is_recognised() {
        Hung hung = weirSteps(TRUTH, TAPS, 1);
        StillReading.Read read = settled(hung.with(hung.taps().stream()
                .map(tap -> new Tap(tap.landmark(), new Pixel(1920 - tap.at().x(), tap.at().y()))).toList()));
        assertThat(read.mirrored()).isTrue();
        assertThat(read.pose().headingDeg()).isCloseTo(TRUTH.headingDeg(), within(0.5));
        assertThat(read.left()).allMatch(left -> left.offPx() < 8);
    }

    @Test
    void another_field_of_view_than_the_catalogues_is_read_from_enough_points_and_the_right_one_is_left_alone() {
        LensSpec narrower = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 96, 8);
        Hung hung = weirSteps(TRUTH, 12, 1);
        List<Tap> taps = Hung.taps(hung.offered(), narrower, TRUTH, new Random(8), 1);
        assertThat(taps).hasSizeGreaterThanOrEqualTo(8);
        StillReading.Read read = settled(hung.with(taps));
        assertThat(read.width()).hasValueSatisfying(width -> {
            assertThat(width.differs()).isTrue();
            assertThat(width.hfovDeg()).isCloseTo(96, within(width.spreadDeg()));
        });
        assertThat(read.pose().heightM()).as("rests on the width that was read").isCloseTo(TRUTH.heightM(), within(0.05));
        assertThat(settled(weirSteps(TRUTH, 12, 1)).width()).hasValueSatisfying(width -> {
            assertThat(width.differs()).isFalse();
            assertThat(width.hfovDeg()).isCloseTo(104, within(width.spreadDeg()));
        });
        assertThat(settled(weirSteps(TRUTH, 5, 1)).width()).isEmpty();
    }

    @Test
    void fewer_than_four_points_ask_for_more_and_say_which() {
        StillReading.Unsettled none = unsettled(weirSteps(TRUTH, 0, 1));
        assertThat(none.why()).isEqualTo("4 more points are needed: four say where it hangs.");
        assertThat(none.next()).isPresent();
        Hung three = weirSteps(TRUTH, 3, 1);
        assertThat(unsettled(three).why()).startsWith("One more point is needed");
        assertThat(unsettled(three).next().orElseThrow()).isNotIn(three.taps().stream().map(Tap::landmark).toList());
    }

    @Test
    void four_points_say_a_pose_but_cannot_say_that_one_of_them_is_wrong() {
        assertThat(settled(weirSteps(TRUTH, 4, 1)).checked()).isFalse();
        assertThat(settled(weirSteps(TRUTH, 5, 1)).checked()).isTrue();
    }

    @Test
    void points_on_one_line_say_no_pose_and_ask_for_one_beside_it() {
        Hung hung = weirSteps(TRUTH, 12, 0);
        Projection projection = new Projection(LENS, TRUTH);
        List<Tap> line = new ArrayList<>();
        for (double x : new double[] {2, 4, 6, 7.5, 9}) {
            SpacePoint at = new SpacePoint(x, -0.15, 0);
            projection.pixel(at).filter(projection::inFrame)
                    .ifPresent(pixel -> line.add(new Tap(new Landmark("l" + x, "on the line", at), pixel)));
        }
        assertThat(line).hasSizeGreaterThanOrEqualTo(4);
        StillReading.Unsettled open = unsettled(hung.with(line));
        assertThat(open.why()).contains("on one line");
        double[] ends
                = {line.get(0).at().x(), line.get(0).at().y(), line.get(line.size() - 1).at().x(), line.get(line.size() - 1).at().y()};
        Pixel next = projection.pixel(open.next().orElseThrow().at()).orElseThrow();
        double off = Math.abs((ends[2] - ends[0]) * (next.y() - ends[1]) - (ends[3] - ends[1]) * (next.x() - ends[0]))
                / Math.hypot(ends[2] - ends[0], ends[3] - ends[1]);
        assertThat(off).as("pixels beside the line").isGreaterThan(60);
    }

    /** Four points of one small square far away look the same from both sides of its middle. */
    @Test
    void two_poses_that_fit_alike_are_both_said_with_the_point_that_parts_them() {
        CameraPose truth = new CameraPose(3, -12, 2.4, 0, 4);
        List<Landmark> offered = new ArrayList<>();
        double[][] corners = {{2, 1}, {4, 1}, {4, 2.6}, {2, 2.6}};
        for (double[] corner : corners) {
            offered.add(new Landmark("c" + offered.size(), "corner", new SpacePoint(corner[0], 0, corner[1])));
        }
        Landmark nearer = new Landmark("post", "post", new SpacePoint(5, -6, 1.2));
        offered.add(nearer);
        offered.add(new Landmark("beside", "beside the square", new SpacePoint(3, 0, 1.8)));
        CameraPose planned = new CameraPose(3.4, -11.5, 2.4, 2, 4);
        Hung hung = new Hung(LENS, planned, truth, offered, Hung.taps(offered.subList(0, 4), LENS, truth, new Random(2), 1));
        StillReading reading = hung.read();
        assertThat(reading).isInstanceOf(StillReading.Unsettled.class);
        assertThat(((StillReading.Unsettled) reading).next()).contains(nearer);
        List<Tap> more = Hung.taps(offered.subList(0, 5), LENS, truth, new Random(2), 1);
        assertThat(hung.with(more).read()).isInstanceOf(StillReading.Read.class);
    }

    @Test
    void taps_that_belong_to_no_pose_read_nothing() {
        Hung hung = weirSteps(TRUTH, TAPS, 0);
        Random random = new Random(3);
        StillReading.Unsettled nothing = unsettled(hung.with(hung.taps().stream()
                .map(tap -> new Tap(tap.landmark(), new Pixel(1920 * random.nextDouble(), 1080 * random.nextDouble()))).toList()));
        assertThat(nothing.why()).contains("do not fit together");
    }

    @Test
    void a_point_tapped_twice_or_nowhere_is_refused() {
        Hung hung = weirSteps(TRUTH, 5, 0);
        List<Tap> twice = Stream.concat(hung.taps().stream(), Stream.of(hung.taps().get(0))).toList();
        assertThatThrownBy(() -> hung.with(twice).read()).isInstanceOf(IllegalArgumentException.class);
        for (double bad : DoubleStream.of(Double.NaN, Double.POSITIVE_INFINITY).toArray()) {
            assertThatThrownBy(() -> new Tap(hung.offered().get(0), new Pixel(bad, 1))).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
