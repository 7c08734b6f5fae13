package roofnest.core.view;

import java.util.Objects;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

/**
 * What one lens, posed and masked as it is, makes out: the one answer that promises, footprint, walks and suggestions ask.
 * A face is made out where it is in the picture, hidden by nothing, under no masked cell, at the level's density, by night
 * within the model's own light, and, where it is a face that is wanted and not only somebody, not from so steep that a cap
 * hides it. Never changes.
 */
public final class Vision {
    private final Eye eye;
    private final DeviceModel.MaskGrid grid;
    private final boolean[] masked;

    /** @param masked cells of the model's grid; nothing is masked where the model cannot */
    public Vision(Eye eye, DeviceModel.MaskGrid grid, Set<MaskCell> masked) {
        this.eye = Objects.requireNonNull(eye, "eye");
        this.grid = grid;
        this.masked = grid.canMask() && !masked.isEmpty() ? new boolean[grid.columns() * grid.rows()] : null;
        for (MaskCell cell : masked) {
            if (this.masked != null && cell.column() < grid.columns() && cell.row() < grid.rows()) {
                this.masked[cell.row() * grid.columns() + cell.column()] = true;
            }
        }
    }

    /** A lens without any mask. */
    public static Vision unmasked(Eye eye) {
        return new Vision(eye, new DeviceModel.MaskGrid(0, 0), Set.of());
    }

    public Eye eye() {
        return eye;
    }

    boolean masks() {
        return masked != null;
    }

    DeviceModel.MaskGrid grid() {
        return grid;
    }

    /** Whether a pixel of the frame lies under a masked cell. */
    public boolean masked(Projection.Pixel pixel) {
        if (masked == null) {
            return false;
        }
        MaskCell cell = MaskCell.under(pixel, eye.lens(), grid);
        return masked[cell.row() * grid.columns() + cell.column()];
    }

    /** Where a point is in the picture and may be seen there: in the frame, unmasked, hidden by nothing. */
    public Optional<Projection.Pixel> sees(double xM, double yM, double zM) {
        return eye.projection().pixel(xM, yM, zM).filter(eye.projection()::inFrame).filter(pixel -> !masked(pixel))
                .filter(pixel -> eye.clearTo(xM, yM, zM));
    }

    /** Why a face is not made out, in words that follow "the place is"; empty when nothing hinders but the density might. */
    public Optional<String> hindrance(double xM, double yM, double faceM, DetailLevel level, boolean night) {
        Optional<Projection.Pixel> face = eye.projection().pixel(xM, yM, faceM).filter(eye.projection()::inFrame);
        if (face.isEmpty()) {
            return Optional.of("outside the picture");
        }
        WallCrossings.Hider hider = eye.hider(xM, yM, faceM);
        if (hider != null) {
            return Optional.of("hidden by " + hider.words());
        }
        if (masked(face.get())) {
            return Optional.of("blacked out by the mask");
        }
        double distance = distanceM(xM, yM);
        if (night && distance > eye.lens().nightRangeM()) {
            return Optional.of("past the " + Numbers.fixed(eye.lens().nightRangeM(), 0) + " m that its light reaches at night");
        }
        return steep(distance, faceM, level) ? Optional.of("seen from so steep that a cap hides the face") : Optional.empty();
    }

    /** Density of a face that is made out but for the density, px/m; 0 where anything else hinders. */
    public double densityPxPerM(double xM, double yM, double faceM, DetailLevel level, boolean night) {
        double distance = distanceM(xM, yM);
        if (night && distance > eye.lens().nightRangeM() || steep(distance, faceM, level) || sees(xM, yM, faceM).isEmpty()) {
            return 0;
        }
        return PixelDensity.atPxPerM(eye.projection(), xM, yM, faceM);
    }

    /** Whether a face at a point is made out at a level. */
    public boolean makesOut(double xM, double yM, double faceM, DetailLevel level, boolean night) {
        return densityPxPerM(xM, yM, faceM, level, night) >= level.pxPerM();
    }

    /** From somebody's face is asked only where that is to be told; that somebody is there is seen from above as well. */
    static boolean faceAsked(DetailLevel level) {
        return level.compareTo(DetailLevel.RECOGNISE) >= 0;
    }

    boolean steep(double distanceM, double faceM, DetailLevel level) {
        return faceAsked(level)
                && Math.toDegrees(Math.atan2(eye.pose().heightM() - faceM, distanceM)) > Sightline.USABLE_FACE_DEG;
    }

    private double distanceM(double xM, double yM) {
        double dx = xM - eye.pose().xM();
        double dy = yM - eye.pose().yM();
        return Math.sqrt(dx * dx + dy * dy);
    }
}
