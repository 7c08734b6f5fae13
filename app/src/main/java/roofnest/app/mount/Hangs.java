package roofnest.app.mount;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

import org.springframework.stereotype.Service;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.ReadPlans;
import roofnest.app.records.StillRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Stage;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.still.StillReader;
import roofnest.core.still.StillReading;
import roofnest.core.still.Tap;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.standins.hanging.HungAskew;

/** Reads from a camera's still how it hangs, and does with it what is wished. */
@Service
class Hangs {
    /** A still whose sides are to one another otherwise than the lens's picture, by more than this share, is of something else. */
    private static final double SHAPE_SHARE = 0.015;

    private final Changes changes;
    private final CameraRepository cameras;
    private final PoseReadingRepository readings;
    private final StillRepository stills;
    private final HouseholdRepository households;
    private final ReadPlans plans;

    Hangs(Changes changes, CameraRepository cameras, PoseReadingRepository readings, StillRepository stills,
            HouseholdRepository households, ReadPlans plans) {
        this.changes = changes;
        this.cameras = cameras;
        this.readings = readings;
        this.stills = stills;
        this.households = households;
        this.plans = plans;
    }

    /** A tap as it was sent: the landmark by its id, and pixels of the lens's picture. */
    record Tapped(String landmark, double xPx, double yPx) {}

    /** What a still can be read with, and what was read from it. */
    record Looked(List<Tap> taps, StillReading reading) {}

    /** The points of the plan that the camera should see, and those that were tapped besides. */
    static Looked look(HousePlan plan, CameraRepository.Record camera, List<Tapped> tapped) {
        LensSpec lens = camera.camera().model().lens();
        CameraPose planned = camera.planned();
        Map<String, Landmark> all
                = Landmarks.of(plan, planned.onPlan()).stream().collect(Collectors.toMap(Landmark::id, Function.identity()));
        List<Tap> taps = new ArrayList<>();
        for (Tapped tap : tapped) {
            if (!all.containsKey(tap.landmark())) {
                throw new Conflict("The plan has changed since this page was shown; one of the points is no more where it was.");
            }
            taps.add(new Tap(all.get(tap.landmark()), new Projection.Pixel(tap.xPx(), tap.yPx())));
        }
        try {
            return new Looked(taps, new StillReader(lens, planned, Landmarks.offered(plan, lens, planned)).read(taps));
        } catch (IllegalArgumentException twice) {
            throw new BadInput("Each point is tapped once.");
        }
    }

    /**
     * Reads the taps and keeps the pose, if they say one.
     *
     * @param stillAt of the still that the taps were made on
     * @param version of the camera that the page was shown for
     */
    Looked read(HouseholdRef ref, long cameraId, List<Tapped> tapped, String stillAt, int version) {
        return changes.make(ref, Stage.MOUNT, () -> {
            CameraRepository.Record camera = cameras.get(ref.id(), cameraId);
            StillRepository.Still still = still(ref.id(), cameraId)
                    .orElseThrow(() -> new BadInput("There is no still of it any more. Keep one, and tap the points in it."));
            if (!still.at().toString().equals(stillAt)) {
                throw new Conflict("Another still was kept since this page was shown. Tap the points in that one.");
            }
            if (camera.version() != version) {
                throw new Conflict("The camera was changed since this page was shown. Look at it, and read it again.");
            }
            if (!fits(still.jpeg(), camera.camera().model().lens())) {
                throw new BadInput("The still has another shape than the camera's picture.");
            }
            HousePlan plan
                    = households.planDocument(ref.id()).map(plans::plan).orElseThrow(() -> new BadInput("The house has no plan yet."));
            Looked looked = look(plan, camera, tapped);
            if (looked.reading() instanceof StillReading.Read read) {
                readings.keep(ref.id(), camera, read, looked.taps(), still.at(), ref.by());
            }
            return looked;
        });
    }

    /**
     * Makes of a photo of a screen the picture that the screen shows, which takes the photo's place.
     *
     * @param corners of the picture in the photo, its pixels: upper left, upper right, lower right, lower left
     */
    void straighten(HouseholdRef ref, long cameraId, List<Projection.Pixel> corners, String stillAt) {
        changes.unjudged(ref, Stage.MOUNT, () -> {
            LensSpec lens = cameras.get(ref.id(), cameraId).camera().model().lens();
            StillRepository.Still photo = still(ref.id(), cameraId).orElseThrow(() -> new BadInput("There is no still of it any more."));
            if (!photo.at().toString().equals(stillAt)) {
                throw new Conflict("Another still was kept since this page was shown. Look at that one.");
            }
            stills.keep(ref.id(), cameraId, Straightened.of(photo.jpeg(), corners, lens), ref.by());
            return null;
        });
    }

    /** The plan takes over the pose that was read: from now on it is meant to hang so. */
    void take(HouseholdRef ref, long cameraId, int version) {
        changes.run(ref, Stage.MOUNT, () -> {
            CameraRepository.Record camera = cameras.get(ref.id(), cameraId);
            HousePlan plan
                    = households.planDocument(ref.id()).map(plans::plan).orElseThrow(() -> new BadInput("The house has no plan yet."));
            PoseReadingRepository.Row row = readings.find(ref.id(), cameraId).filter(read -> read.stands(camera, Optional.of(plan)))
                    .orElseThrow(() -> new Conflict("What was read is no more of what is planned. Read it again."));
            cameras.aim(ref.id(), cameraId, row.pose(), version);
            readings.taken(ref.id(), cameraId);
        });
    }

    void forget(HouseholdRef ref, long cameraId) {
        changes.run(ref, Stage.MOUNT, () -> {
            if (!readings.forget(ref.id(), cameraId)) {
                throw new NoSuchPage();
            }
        });
    }

    Optional<PoseReadingRepository.Row> reading(long householdId, long cameraId) {
        return readings.find(householdId, cameraId);
    }

    Optional<StillRepository.Still> still(long householdId, long cameraId) {
        return stills.find(householdId, cameraId);
    }

    /** How the stand-in of a camera hangs, before and after it was turned to its plan. */
    static CameraPose onStandIns(CameraRepository.Record camera, boolean turned) {
        return turned ? HungAskew.turned(camera.planned(), camera.id()) : HungAskew.of(camera.planned(), camera.id());
    }

    /** Whether a still is as wide and high as the lens's picture, or its like. */
    static boolean fits(byte[] jpeg, LensSpec lens) {
        double[] size = size(jpeg);
        double shape = size[0] / size[1] * lens.heightPx() / lens.widthPx();
        return Math.abs(shape - 1) <= SHAPE_SHARE;
    }

    /** Width and height, pixels; read from the file's head. */
    static double[] size(byte[] jpeg) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(jpeg))) {
            ImageReader reader = ImageIO.getImageReaders(in).next();
            try {
                reader.setInput(in);
                return new double[] {reader.getWidth(0), reader.getHeight(0)};
            } finally {
                reader.dispose();
            }
        } catch (IOException e) {
            throw new IllegalStateException("a still that was drawn here cannot be read", e);
        }
    }
}
