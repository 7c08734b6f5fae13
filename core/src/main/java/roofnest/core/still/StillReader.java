package roofnest.core.still;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.geometry.euclidean.threed.Rotation;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.SpacePoint;
import roofnest.core.still.Resection.Solved;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection.Pixel;

/**
 * Reads a pose from taps on landmarks. The search begins at the planned pose, upright and upside down, and at poses swung about the
 * landmarks, so that a second pose that fits as well is found too. Where the taps do not fit together, each is left out in turn and
 * each two are exchanged in turn, and what then fits beyond chance is named.
 *
 * <p>How sure it is follows from JᵀJ and from the taps' variance, for which what is left over is pooled with what is usual:
 * {@code s² = (ν₀σ₀² + Σr²)/(ν₀ + ν)}, ν = 2n − 6. Source: Gelman et al., "Bayesian Data Analysis", 3rd ed. 2013, 2.6 (scaled
 * inverse-χ²); Förstner and Wrobel, "Photogrammetric Computer Vision", 2016, 4.6 (gross errors).
 */
public final class StillReader {
    /** So many say a pose. */
    public static final int LEAST_TAPS = 4;
    /** So many tell the field of view too. */
    public static final int TAPS_FOR_WIDTH = 6;
    /** How well a point is tapped, as a share of the picture's width: 1.5 px of 1920. */
    static final double TAP_SHARE = 1.5 / 1920;
    private static final double TAP_WEIGHT = 4;
    /** Taps that leave more than this share of the picture's width over do not belong together. */
    static final double MOST_LEFT_SHARE = 0.015;
    /** Below this many times the usual, what is left over is no reason to look for a wrong tap. */
    private static final double SUSPECT_TIMES = 3;
    private static final double BEYOND_CHANCE = 0.999;
    /** A wrong tap is named when what explains it next best leaves this many times as much over. */
    private static final double CLEARLY = 4;
    /** Two poses fit alike when the sum of squares of one is over the other's by less than this many variances. */
    private static final double ALIKE_VARIANCES = 9;
    private static final double OTHER_PLACE_M = 0.1;
    private static final double OTHER_TURN_DEG = 2;
    /** A tap that close to another landmark was meant for it, as a share of the picture's width. */
    private static final double ON_IT_SHARE = 0.012;
    /** Half the width of an interval of 95 of 100, standard deviations. */
    static final double TWO_SIDED = 1.96;
    private static final double[][] SWINGS_DEG = {{0, 0}, {35, 0}, {-35, 0}, {70, 0}, {-70, 0}, {0, 25}, {0, -20}};
    /** Taps this much of the picture's width off one line, or less, lie on it. */
    private static final double ON_LINE_SHARE = 0.03;
    private static final Spread WORTHLESS = new Spread(0.6, 0.4, 3, 3, 5);
    private static final double TELLS_WIDTH_DEG = 6;

    private final LensSpec lens;
    private final CameraPose planned;
    private final List<Landmark> offered;

    /** @param offered the landmarks that can be tapped, to choose the next from */
    public StillReader(LensSpec lens, CameraPose planned, List<Landmark> offered) {
        this.lens = lens;
        this.planned = planned;
        this.offered = List.copyOf(offered);
    }

    private record Fit(List<Tap> taps, Solved solved) {
        int freedom(int unknown) {
            return 2 * taps.size() - unknown;
        }
    }

    private record Suspicion(Fit fit, StillReading.Wrong wrong, boolean significant) {}

    /** @throws IllegalArgumentException when a landmark was tapped twice */
    public StillReading read(List<Tap> taps) {
        Set<String> once = new HashSet<>();
        if (!taps.stream().allMatch(tap -> once.add(tap.landmark().id()))) {
            throw new IllegalArgumentException("each point is tapped once");
        }
        if (taps.size() < LEAST_TAPS) {
            int missing = LEAST_TAPS - taps.size();
            return unsettled((missing == 1 ? "One more point is" : missing + " more points are") + " needed: four say where it hangs.",
                    taps);
        }
        if (onOneLine(taps)) {
            return unsettled("The points lie on one line, so that the camera could be turned about it.", taps);
        }
        // Taps that do not fit from where the camera is planned are mostly tapped wrong: the dear search for other poses comes after that.
        List<Fit> near = fits(taps, List.of(planned, overturned(planned)));
        List<Fit> fits = isSuspect(near) ? near : fits(taps);
        boolean mirrored = false;
        if (isSuspect(fits)) {
            List<Tap> turned = taps.stream().map(this::mirrored).toList();
            if (taps.size() > LEAST_TAPS && !isSuspect(fit(turned, planned, overturned(planned)).stream().toList())) {
                fits = fits(turned);
                mirrored = true;
            }
        }
        StillReading.Wrong wrong = null;
        if (isSuspect(fits) && taps.size() > LEAST_TAPS) {
            Fit all = fits.isEmpty() ? null : fits.get(0);
            List<Suspicion> suspicions = suspicions(taps, all, planned);
            if (suspicions.isEmpty() || !suspicions.get(0).significant()) {
                suspicions = suspicions(taps, all, overturned(planned));
            }
            if (!suspicions.isEmpty() && suspicions.get(0).significant()) {
                if (suspicions.size() > 1 && variance(suspicions.get(1).fit()) < CLEARLY * variance(suspicions.get(0).fit())
                        && suspicions.get(1).significant()) {
                    return unsettled("One point is tapped wrong, but it could be “" + suspicions.get(0).wrong().tapped().name() + "” or “"
                            + suspicions.get(1).wrong().tapped().name() + "”. Look at both again, or tap another.", taps);
                }
                fits = fits(suspicions.get(0).fit().taps());
                wrong = suspicions.get(0).wrong();
            }
        }
        if (isSuspect(fits) && !mirrored && wrong == null) {
            fits = fits(taps);
        }
        if (fits.isEmpty() || left(fits.get(0)) > MOST_LEFT_SHARE * lens.widthPx()) {
            return unsettled("The points do not fit together" + (fits.isEmpty() ? "" : ": they lie "
                    + Numbers.fixed(left(fits.get(0)), 0) + " px off") + ". Two or more are tapped wrong, or the plan is not as the house.",
                    taps);
        }
        return settled(fits, taps, mirrored, Optional.ofNullable(wrong));
    }

    private StillReading settled(List<Fit> fits, List<Tap> taps, boolean mirrored, Optional<StillReading.Wrong> wrong) {
        Fit best = fits.get(0);
        Optional<Spread> spread = spread(best.solved(), variance(best));
        if (spread.isEmpty() || isWorthless(spread.get())) {
            return unsettled(spread.map(open -> "These points leave it open: the place by ± " + Numbers.fixed(open.placeM(), 1)
                    + " m, the height by ± " + Numbers.fixed(open.heightM(), 1) + " m.").orElse("These points leave it open."), taps);
        }
        for (Fit other : fits.subList(1, fits.size())) {
            boolean alike = other.solved().sumOfSquares() - best.solved().sumOfSquares() < ALIKE_VARIANCES * variance(best);
            if (alike && isOther(best.solved().pose(), other.solved().pose())) {
                return new StillReading.Unsettled("Two poses fit these points alike: " + hangs(best.solved().pose()) + ", or "
                        + hangs(other.solved().pose()) + ".", parting(best.solved().pose(), other.solved().pose(), taps));
            }
        }
        Optional<Fit> wide = best.taps().size() < TAPS_FOR_WIDTH ? Optional.empty()
                : new Resection(lens, best.taps(), true).from(best.solved().pose()).map(solved -> new Fit(best.taps(), solved));
        Optional<StillReading.Width> width = wide.flatMap(fit -> width(best, fit));
        boolean differs = width.filter(StillReading.Width::differs).isPresent();
        Solved solved = differs ? wide.get().solved() : best.solved();
        Spread sure = differs ? spread(solved, variance(wide.get(), Resection.POSE + 1)).orElse(spread.get()) : spread.get();
        LensSpec read = Resection.withWidth(lens, solved.hfovDeg());
        List<StillReading.Left> left = taps.stream().map(tap -> mirrored ? mirrored(tap) : tap)
                .map(tap -> new StillReading.Left(tap.landmark(), Landmarks.where(tap.landmark(), read, solved.pose())
                        .map(at -> apart(at, tap.at())).orElse(Double.POSITIVE_INFINITY)))
                .toList();
        int freedom = best.freedom(Resection.POSE);
        boolean checked = freedom > 2;
        return new StillReading.Read(solved.pose(), sure, mirrored, left, Math.sqrt(solved.sumOfSquares() / freedom), wrong, width,
                checked);
    }

    private Tap mirrored(Tap tap) {
        return new Tap(tap.landmark(), new Pixel(lens.widthPx() - tap.at().x(), tap.at().y()));
    }

    /** The minima that the starts lead to, the best first, each once. */
    private List<Fit> fits(List<Tap> taps) {
        return fits(taps, starts(taps));
    }

    private List<Fit> fits(List<Tap> taps, List<CameraPose> starts) {
        Resection resection = new Resection(lens, taps, false);
        List<Fit> found = new ArrayList<>();
        for (CameraPose start : starts) {
            resection.from(start).filter(solved -> found.stream().noneMatch(fit -> !isOther(fit.solved().pose(), solved.pose())
                    && fit.solved().sumOfSquares() <= solved.sumOfSquares())).ifPresent(solved -> found.add(new Fit(taps, solved)));
        }
        found.sort(Comparator.comparingDouble(fit -> fit.solved().sumOfSquares()));
        return found;
    }

    /** The planned pose, and the same swung about the middle of the landmarks, each upright and upside down. */
    private List<CameraPose> starts(List<Tap> taps) {
        double x = taps.stream().mapToDouble(tap -> tap.landmark().at().xM()).average().orElseThrow();
        double y = taps.stream().mapToDouble(tap -> tap.landmark().at().yM()).average().orElseThrow();
        double z = taps.stream().mapToDouble(tap -> tap.landmark().at().zM()).average().orElseThrow();
        List<CameraPose> starts = new ArrayList<>();
        for (double[] swing : SWINGS_DEG) {
            CameraPose swung = swing[0] == 0 && swing[1] == 0 ? planned : swung(new SpacePoint(x, y, z), swing[0], swing[1]);
            starts.add(swung);
            starts.add(overturned(swung));
        }
        return starts;
    }

    private static CameraPose overturned(CameraPose pose) {
        return pose.turned(pose.headingDeg(), pose.tiltDeg(), pose.rollDeg() > 0 ? pose.rollDeg() - 180 : pose.rollDeg() + 180);
    }

    private CameraPose swung(SpacePoint middle, double besideDeg, double higherDeg) {
        double east = planned.xM() - middle.xM();
        double north = planned.yM() - middle.yM();
        double up = planned.heightM() - middle.zM();
        double level = Math.hypot(east, north);
        double far = Math.hypot(level, up);
        double bearing = Math.atan2(east, north) + Math.toRadians(besideDeg);
        double above = Math.max(-1.3, Math.min(1.3, Math.atan2(up, level) + Math.toRadians(higherDeg)));
        double height = Math.max(0.3, Math.min(11.9, middle.zM() + far * Math.sin(above)));
        double tilt = Math.max(-30, Math.min(89, Math.toDegrees(above)));
        return new CameraPose(middle.xM() + far * Math.cos(above) * Math.sin(bearing),
                middle.yM() + far * Math.cos(above) * Math.cos(bearing), height, Math.toDegrees(bearing) + 180, tilt, planned.rollDeg());
    }

    /** What is left over, pixels for each degree of freedom. */
    private static double left(Fit fit) {
        return Math.sqrt(fit.solved().sumOfSquares() / fit.freedom(Resection.POSE));
    }

    private double variance(Fit fit) {
        return variance(fit, Resection.POSE);
    }

    private double variance(Fit fit, int unknown) {
        double usual = TAP_SHARE * lens.widthPx();
        return (TAP_WEIGHT * usual * usual + fit.solved().sumOfSquares()) / (TAP_WEIGHT + Math.max(0, fit.freedom(unknown)));
    }

    private boolean isSuspect(List<Fit> fits) {
        return fits.isEmpty() || left(fits.get(0)) > SUSPECT_TIMES * TAP_SHARE * lens.widthPx();
    }

    /** What could be wrong, the likeliest first. */
    private List<Suspicion> suspicions(List<Tap> taps, Fit all, CameraPose start) {
        List<Suspicion> found = new ArrayList<>();
        for (int i = 0; i < taps.size(); i++) {
            List<Tap> without = new ArrayList<>(taps);
            Tap odd = without.remove(i);
            fit(without, start).ifPresent(fit -> found.add(new Suspicion(fit,
                    new StillReading.Wrong(odd.landmark(), takenFor(odd, fit.solved().pose()), false), explainsIt(all, fit))));
            for (int j = 0; j < i; j++) {
                List<Tap> exchanged = new ArrayList<>(taps);
                exchanged.set(i, new Tap(taps.get(i).landmark(), taps.get(j).at()));
                exchanged.set(j, new Tap(taps.get(j).landmark(), taps.get(i).at()));
                Landmark one = taps.get(j).landmark();
                Landmark other = taps.get(i).landmark();
                fit(exchanged, start).ifPresent(fit -> found.add(new Suspicion(fit, new StillReading.Wrong(one, Optional.of(other), true),
                        explainsIt(all, fit))));
            }
        }
        found.sort(Comparator.comparingDouble(suspicion -> variance(suspicion.fit())));
        return found;
    }

    private Optional<Fit> fit(List<Tap> taps, CameraPose... starts) {
        Resection resection = new Resection(lens, taps, false);
        return Stream.of(starts).flatMap(start -> resection.from(start).stream()).map(solved -> new Fit(taps, solved))
                .min(Comparator.comparingDouble(fit -> fit.solved().sumOfSquares()));
    }

    private boolean explainsIt(Fit all, Fit better) {
        if (all == null) {
            return left(better) <= MOST_LEFT_SHARE * lens.widthPx();
        }
        int fewer = all.freedom(Resection.POSE) - better.freedom(Resection.POSE);
        double by = fewer == 0 ? all.solved().sumOfSquares() / all.freedom(Resection.POSE)
                : (all.solved().sumOfSquares() - better.solved().sumOfSquares()) / fewer;
        int over = fewer == 0 ? all.freedom(Resection.POSE) : fewer;
        return left(better) <= MOST_LEFT_SHARE * lens.widthPx()
                && by / variance(better) > new FDistribution(over, TAP_WEIGHT + better.freedom(Resection.POSE))
                        .inverseCumulativeProbability(BEYOND_CHANCE);
    }

    private Optional<Landmark> takenFor(Tap odd, CameraPose pose) {
        return offered.stream().filter(landmark -> !landmark.id().equals(odd.landmark().id()))
                .filter(landmark -> Landmarks.where(landmark, lens, pose).filter(at -> apart(at, odd.at()) < ON_IT_SHARE * lens.widthPx())
                        .isPresent())
                .min(Comparator.comparingDouble(landmark -> apart(Landmarks.where(landmark, lens, pose).orElseThrow(), odd.at())));
    }

    private Optional<StillReading.Width> width(Fit narrow, Fit wide) {
        double variance = variance(wide, Resection.POSE + 1);
        return covariance(wide.solved(), variance).map(covariance -> Math.sqrt(covariance.getEntry(Resection.POSE, Resection.POSE)))
                .filter(sigma -> TWO_SIDED * sigma < TELLS_WIDTH_DEG).map(sigma -> {
                    double better = (narrow.solved().sumOfSquares() - wide.solved().sumOfSquares()) / variance;
                    boolean differs = better > new FDistribution(1, TAP_WEIGHT + wide.freedom(Resection.POSE + 1))
                            .inverseCumulativeProbability(BEYOND_CHANCE);
                    return new StillReading.Width(wide.solved().hfovDeg(), TWO_SIDED * sigma, differs);
                });
    }

    private static Optional<RealMatrix> covariance(Solved solved, double variance) {
        try {
            return Optional
                    .of(even(new CholeskyDecomposition(even(solved.information())).getSolver().getInverse()).scalarMultiply(variance));
        } catch (MathRuntimeException singular) {
            return Optional.empty();
        }
    }

    /** Symmetric to the last digit. */
    private static RealMatrix even(RealMatrix matrix) {
        return matrix.add(matrix.transpose()).scalarMultiply(0.5);
    }

    /** Empty where the points leave something wholly open. */
    private static Optional<Spread> spread(Solved solved, double variance) {
        return covariance(solved, variance).map(covariance -> {
            double[] largest = new EigenDecompositionSymmetric(covariance.getSubMatrix(0, 1, 0, 1)).getEigenvalues();
            RealMatrix turn = angles(solved);
            RealMatrix ofAngles = turn.multiply(covariance.getSubMatrix(3, 5, 3, 5)).multiplyTransposed(turn);
            return new Spread(TWO_SIDED * Math.sqrt(Math.max(largest[0], largest[1])), TWO_SIDED * Math.sqrt(covariance.getEntry(2, 2)),
                    degrees(ofAngles.getEntry(0, 0)), degrees(ofAngles.getEntry(1, 1)), degrees(ofAngles.getEntry(2, 2)));
        });
    }

    private static double degrees(double variance) {
        return Math.min(180, TWO_SIDED * Math.toDegrees(Math.sqrt(Math.max(0, variance))));
    }

    /** By how much heading, tilt and roll change with the turn. */
    private static RealMatrix angles(Solved solved) {
        double step = 1e-5;
        RealMatrix by = MatrixUtils.createRealMatrix(3, 3);
        for (int column = 0; column < 3; column++) {
            double[] more = new double[3];
            double[] less = new double[3];
            more[column] = step;
            less[column] = -step;
            double[] above = solved.turned(more);
            double[] below = solved.turned(less);
            for (int row = 0; row < 3; row++) {
                by.setEntry(row, column, Math.IEEEremainder(above[row] - below[row], 2 * Math.PI) / (2 * step));
            }
        }
        return by;
    }

    private static boolean isWorthless(Spread spread) {
        return spread.placeM() > WORTHLESS.placeM() || spread.heightM() > WORTHLESS.heightM()
                || spread.headingDeg() > WORTHLESS.headingDeg() || spread.tiltDeg() > WORTHLESS.tiltDeg()
                || spread.rollDeg() > WORTHLESS.rollDeg();
    }

    /** Of the picture, in two directions: the lesser of the taps' extents about their middle is next to nothing. */
    private boolean onOneLine(List<Tap> taps) {
        double x = taps.stream().mapToDouble(tap -> tap.at().x()).average().orElseThrow();
        double y = taps.stream().mapToDouble(tap -> tap.at().y()).average().orElseThrow();
        RealMatrix about = MatrixUtils.createRealMatrix(2, 2);
        for (Tap tap : taps) {
            double dx = tap.at().x() - x;
            double dy = tap.at().y() - y;
            about = about.add(MatrixUtils.createRealMatrix(new double[][] {{dx * dx, dx * dy}, {dx * dy, dy * dy}}));
        }
        double[] extents = new EigenDecompositionSymmetric(about).getEigenvalues();
        double least = Math.sqrt(Math.max(0, Math.min(extents[0], extents[1])) / taps.size());
        return least < ON_LINE_SHARE * lens.widthPx() / 2;
    }

    private static boolean isOther(CameraPose a, CameraPose b) {
        return a.lens().distanceM(b.lens()) > OTHER_PLACE_M
                || Math.toDegrees(Rotation.distance(Resection.rotation(a),
                        Resection.rotation(b))) > OTHER_TURN_DEG;
    }

    private static String hangs(CameraPose pose) {
        return Numbers.fixed(pose.heightM(), 1) + " m up looking " + Numbers.fixed(pose.headingDeg(), 0) + "°";
    }

    /** The landmark that would fall farthest apart in two poses. */
    private Optional<Landmark> parting(CameraPose one, CameraPose other, List<Tap> taps) {
        return untapped(taps).stream().filter(landmark -> Landmarks.where(landmark, lens, one).isPresent())
                .max(Comparator.comparingDouble(landmark -> Landmarks.where(landmark, lens, other)
                        .map(at -> apart(at, Landmarks.where(landmark, lens, one).orElseThrow())).orElse((double) lens.widthPx())));
    }

    private StillReading unsettled(String why, List<Tap> taps) {
        return new StillReading.Unsettled(why, Telling.next(untapped(taps), taps, lens, planned));
    }

    private List<Landmark> untapped(List<Tap> taps) {
        return offered.stream().filter(landmark -> taps.stream().noneMatch(tap -> tap.landmark().id().equals(landmark.id()))).toList();
    }

    private static double apart(Pixel a, Pixel b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }
}
