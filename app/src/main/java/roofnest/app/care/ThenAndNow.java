package roofnest.app.care;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CareStillRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.watch.Metrics;
import roofnest.app.web.PhotoFile;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.judge.Proof;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.still.PictureShift;
import roofnest.core.still.PictureTurn;
import roofnest.core.still.Spread;
import roofnest.core.view.CameraPose;

/** Compares signal and picture of the hand-over with those of today. */
@Component
class ThenAndNow {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final int KEPT = 64;
    /** Less is what two readings of one link differ by from day to day, dB. */
    private static final double DRIFT_DB = 6;
    private static final double RED = 0.299;
    private static final double GREEN = 0.587;
    private static final double BLUE = 0.114;

    private final StillRepository then;
    private final CareStillRepository now;
    private final Cache<Pair, Optional<Compared>> shifts;

    ThenAndNow(StillRepository then, CareStillRepository now, Metrics metrics) {
        this.then = then;
        this.now = now;
        this.shifts = metrics.watched("picture-shifts", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build());
    }

    /** The same two stills are compared once. */
    private record Pair(long camera, OffsetDateTime then, OffsetDateTime now, CameraPose pose) {}

    /** What two stills of one shape tell. @param turn empty where none makes the two alike */
    private record Compared(PictureShift shift, Optional<PictureTurn> turn, CameraPose was) {
        private boolean found() {
            return turn.isPresent() || shift.found();
        }

        private boolean moved() {
            return turn.map(each -> each.moved(was)).orElseGet(shift::moved);
        }
    }

    /**
     * One camera, then and now.
     *
     * @param signal in a sentence; drifted says whether it has grown weaker by more than readings differ
     * @param picture what the two stills say; empty while there are not both
     * @param turn that can be taken over; null for none
     * @param falls promises that would be broken by it
     */
    record Line(long id, String name, boolean joined, String thenSignal, String nowSignal, String signal, boolean drifted, String standing,
            String egg, boolean thenStill, String thenAt, boolean nowStill, String nowAt, String picture, boolean moved, Turn turn,
            List<String> falls) {}

    /** A turn that two stills tell. @param pose in which it hangs by it */
    record Turn(CameraRepository.Record camera, CameraPose pose, double spreadDeg, OffsetDateTime stillAt, String words) {
        /** As a pose that was read; the place is where it was. */
        PoseReadingRepository.Row reading(String by, Clock clock) {
            return new PoseReadingRepository.Row(camera.id(), camera.camera().model().key(), camera.planned(), pose,
                    new Spread(0, 0, spreadDeg,
                            spreadDeg, 0),
                    List.of(), stillAt, OffsetDateTime.now(clock), by);
        }
    }

    List<Line> of(Frame frame, Map<Long, StillRepository.Still> thenTaken, List<Proof> proofs) {
        Map<Long, StillRepository.Still> nowTaken = now.of(frame.ref().id());
        return frame.cameras().stream()
                .map(record -> line(frame, record, Optional.ofNullable(thenTaken.get(record.id())), Optional.ofNullable(
                        nowTaken.get(record.id())), proofs))
                .toList();
    }

    private Line line(Frame frame, CameraRepository.Record record, Optional<StillRepository.Still> before,
            Optional<StillRepository.Still> today,
            List<Proof> proofs) {
        PromiseKey link = PromiseKey.ofCamera(record.id(), "link");
        List<Proof> read = proofs.stream().filter(proof -> proof.promise().equals(link) && proof.measured().isPresent()).sorted(Comparator
                .comparing(Proof::at)).toList();
        Instant end = Optional.ofNullable(frame.household().handedOverAt()).map(OffsetDateTime::toInstant).orElse(Instant.MIN);
        Optional<Proof> first
                = read.stream().filter(proof -> !proof.at().isAfter(end)).reduce((older, newer) -> newer).or(() -> read.stream()
                        .findFirst());
        Optional<Proof> last = read.stream().reduce((older, newer) -> newer).filter(newer -> first.filter(newer::equals).isEmpty());
        double drift
                = first.isPresent() && last.isPresent() ? last.get().measured().getAsDouble() - first.get().measured().getAsDouble() : 0;
        Optional<Judged> promise = frame.judgement().promises().stream().filter(each -> each.promise().key().equals(link)).findFirst();
        Optional<Compared> shift
                = before.isPresent() && today.isPresent() ? shift(frame, record, before.get().at(), today.get()) : Optional
                        .empty();
        Turn turn = turn(frame, record).orElse(null);
        return new Line(record.id(), record.camera().name(), record.camera().joined(), first.map(ThenAndNow::said).orElse("never read"),
                last
                        .map(ThenAndNow::said).orElse("not read since"),
                signal(first, last, drift), drift <= -DRIFT_DB, promise.map(each -> each
                        .finding().standing().word() + ": " + each.finding().reason()).orElse("no link is promised"),
                promise.map(each -> each.finding().standing().name().toLowerCase(Locale.ROOT)).orElse("untried"), before.isPresent(), before
                        .map(still -> DAY.format(still.at())).orElse(""),
                today.isPresent(), today.map(still -> DAY.format(still.at())).orElse(""), before.isEmpty() || today.isEmpty() ? ""
                        : picture(shift),
                shift.filter(Compared::moved).isPresent(), turn, turn == null ? List.of() : falls(frame, turn));
    }

    private static String said(Proof proof) {
        return Unit.DBM.format(proof.measured().getAsDouble()) + ", " + DAY.format(LocalDate.ofInstant(proof.at(), ZoneOffset.UTC)) + ", "
                + proof.by();
    }

    private static String signal(Optional<Proof> first, Optional<Proof> last, double drift) {
        return first.isEmpty() || last.isEmpty() ? "There are not two readings to compare."
                : Math.abs(drift) < DRIFT_DB ? "As it was, within what two readings differ by (" + Numbers.fixed(DRIFT_DB, 0) + " dB)."
                        : Numbers.fixed(Math.abs(drift), 0) + " dB " + (drift < 0 ? "weaker" : "stronger") + " than then.";
    }

    private static String picture(Optional<Compared> both) {
        if (both.isEmpty()) {
            return "The two stills have not the same shape: they cannot be compared.";
        } else if (!both.get().found()) {
            return "The two stills are not alike enough to compare: other light, something before the lens, or another view.";
        } else if (!both.get().moved()) {
            return "Where it was: nothing in the picture has moved.";
        }
        return both.get().turn().isPresent() ? "What it shows has moved."
                : words(both.get().shift()) + " No turn alone does that: look at it.";
    }

    private static String words(PictureShift shift) {
        String across = Math.abs(shift.rightShare()) * PictureShift.COLUMNS < 1 ? "" : Numbers.fixed(100 * Math.abs(shift.rightShare()), 1)
                + " % of the width to the " + (shift.rightShare() > 0 ? "right" : "left");
        String along = Math.abs(shift.downShare()) * PictureShift.COLUMNS < 1 ? "" : Numbers.fixed(100 * Math.abs(shift.downShare()), 1)
                + " % of the width " + (shift.downShare() > 0 ? "down" : "up");
        return "What it shows has moved by " + across + (across.isEmpty() || along.isEmpty() ? "" : " and ") + along + ".";
    }

    /** What the two stills say of how the camera hangs now; empty where they tell none, or it was taken over. */
    Optional<Turn> turn(Frame frame, CameraRepository.Record record) {
        Optional<StillRepository.Still> before = then.find(frame.ref().id(), record.id());
        StillRepository.Still today = now.of(frame.ref().id()).get(record.id());
        if (before.isEmpty() || today == null || !before.get().at().isBefore(today.at())) {
            return Optional.empty();
        }
        return shift(frame, record, before.get().at(), today).filter(Compared::moved).flatMap(both -> both.turn().map(found -> {
            CameraPose was = both.was();
            double heading = (found.pose().headingDeg() - was.headingDeg() + 540) % 360 - 180;
            double tilt = found.pose().tiltDeg() - was.tiltDeg();
            return new Turn(record, found.pose(), found.spreadDeg(), today.at(),
                    "By the still of today it is turned by " + Numbers.fixed(Math.abs(heading), 1) + "° to the "
                            + (heading < 0 ? "left" : "right") + " and " + Numbers.fixed(Math.abs(tilt), 1) + "° "
                            + (tilt > 0 ? "down" : "up") + ", each ± " + Numbers.fixed(found.spreadDeg(), 1) + "°, if it was only turned.");
        }));
    }

    private Optional<Compared> shift(Frame frame, CameraRepository.Record record, OffsetDateTime before, StillRepository.Still today) {
        CameraPose was = record.camera().pose();
        return shifts.get(new Pair(record.id(), before, today.at(), was), any -> then.find(frame.ref().id(), record.id()).flatMap(still -> {
            PictureShift.Gray one = gray(still.jpeg());
            PictureShift.Gray other = gray(today.jpeg());
            return one.rows() != other.rows() ? Optional.empty() : Optional.of(new Compared(PictureShift.of(one, other), PictureTurn.of(one,
                    other, record.camera().model().lens(), was), was));
        }));
    }

    private static PictureShift.Gray gray(byte[] jpeg) {
        BufferedImage image = PhotoFile.open(jpeg, 4 * PictureShift.COLUMNS);
        int rows = Math.max(16, Math.round((float) PictureShift.COLUMNS * image.getHeight() / image.getWidth()));
        BufferedImage small = new BufferedImage(PictureShift.COLUMNS, rows, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawing = small.createGraphics();
        drawing.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        drawing.drawImage(image, 0, 0, PictureShift.COLUMNS, rows, null);
        drawing.dispose();
        double[] light = new double[PictureShift.COLUMNS * rows];
        for (int i = 0; i < light.length; i++) {
            int rgb = small.getRGB(i % PictureShift.COLUMNS, i / PictureShift.COLUMNS);
            light[i] = RED * (rgb >> 16 & 255) + GREEN * (rgb >> 8 & 255) + BLUE * (rgb & 255);
        }
        return new PictureShift.Gray(PictureShift.COLUMNS, rows, light);
    }

    /** Promises that stand worse by a turn, as they were predicted to. */
    private static List<String> falls(Frame frame, Turn turn) {
        Judgement after = frame.judge().again(frame.facts().withCamera(turn.camera().camera().withPose(turn.pose())));
        Map<PromiseKey, Standing> before = new HashMap<>();
        frame.judgement().promises().forEach(each -> before.put(each.promise().key(), each.finding().standing()));
        return after.promises().stream()
                .filter(each -> each.finding().standing() == Standing.BROKEN && before.get(each.promise().key()) != Standing.BROKEN)
                .map(Judged::wording).toList();
    }
}
