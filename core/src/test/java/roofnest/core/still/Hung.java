package roofnest.core.still;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import roofnest.core.RandomHouses;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

/** A camera that hangs a little off its plan, and what somebody taps in its still. */
record Hung(LensSpec lens, CameraPose planned, CameraPose truth, List<Landmark> offered, List<Tap> taps) {
    /** At a random house, with so many points tapped. */
    static Hung random(Random random, int points, double noisePx) {
        while (true) {
            HousePlan plan = RandomHouses.plan(random.nextInt(100_000));
            LensSpec lens = random.nextInt(3) == 0
                    ? new LensSpec(LensSpec.Projection.EQUIDISTANT, 1920, 1080, 110 + 40 * random.nextDouble(), 8)
                    : new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 80 + 30 * random.nextDouble(), 8);
            CameraPose planned = RandomHouses.pose(random);
            List<Landmark> offered = Landmarks.offered(plan, lens, planned);
            if (offered.size() < points || planned.tiltDeg() > 45) {
                continue;
            }
            CameraPose truth = new CameraPose(planned.xM() + off(random, 0.2), planned.yM() + off(random, 0.2),
                    planned.heightM() + off(random, 0.2), planned.headingDeg() + off(random, 8), planned.tiltDeg() + off(random, 5),
                    off(random, 4));
            List<Tap> taps = taps(offered, lens, truth, random, noisePx);
            if (taps.size() >= points) {
                return new Hung(lens, planned, truth, offered, taps.subList(0, points));
            }
        }
    }

    private static double off(Random random, double most) {
        return most * (2 * random.nextDouble() - 1);
    }

    /** Every landmark that is in the frame, as it is tapped there. */
    static List<Tap> taps(List<Landmark> offered, LensSpec lens, CameraPose truth, Random random, double noisePx) {
        Projection projection = new Projection(lens, truth);
        List<Tap> taps = new ArrayList<>();
        for (Landmark landmark : offered) {
            projection.pixel(landmark.at()).filter(projection::inFrame).ifPresent(at -> taps.add(new Tap(landmark,
                    new Pixel(at.x() + noisePx * random.nextGaussian(), at.y() + noisePx * random.nextGaussian()))));
        }
        return taps;
    }

    StillReading read() {
        return new StillReader(lens, planned, offered).read(taps);
    }

    Hung with(List<Tap> others) {
        return new Hung(lens, planned, truth, offered, others);
    }

    Hung exchanged(int a, int b) {
        List<Tap> others = new ArrayList<>(taps);
        others.set(a, new Tap(taps.get(a).landmark(), taps.get(b).at()));
        others.set(b, new Tap(taps.get(b).landmark(), taps.get(a).at()));
        return with(others);
    }
}
