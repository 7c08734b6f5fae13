package roofnest.app.tune;

import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CameraSetupRepository;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.MaskCost;
import roofnest.core.judge.Patrol;
import roofnest.core.judge.PictureAdvice;
import roofnest.core.judge.PictureSetup;
import roofnest.core.judge.SettingSheet;
import roofnest.core.lang.Numbers;
import roofnest.core.view.MaskCell;

/**
 * One camera's sheet.
 *
 * @param head how far it is set
 * @param mask what would have to be blacked out; empty where nothing has
 */
record SheetView(String head, PictureSetup set, List<Choice> lights, List<Choice> sizes, boolean listens, PictureAdvice advice,
        Optional<Mask> mask,
        List<Line> lines) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    record Choice(String value, String words, boolean now) {}

    record Mask(String cells, String share, List<String> lost) {}

    /**
     * @param state set, changed or open
     * @param said who set it and when, or what it was set to before
     */
    record Line(String key, String what, String where, String value, String state, String said) {}

    static SheetView of(Frame frame, CameraRepository.Record record, List<Patrol.View> views,
            Map<String, CameraSetupRepository.Tick> ticks) {
        Camera camera = record.camera();
        List<Line> lines = SettingSheet.of(camera, frame.facts().alerts(), views, frame.facts().footage().of(camera.id())).stream()
                .map(step -> line(step, Optional.ofNullable(ticks.get(step.key())), record.joinedAt())).toList();
        long set = lines.stream().filter(line -> line.state().equals("set")).count();
        return new SheetView(set + " of " + lines.size() + " are set at the camera", camera.pictureSetup(), camera.model().nights().stream()
                .map(night -> new Choice(night.light().name(), words(night), night.light() == camera.pictureSetup().light())).toList(),
                sizes(camera), listens(camera), frame.judge().pictureAdvice(frame.facts(), camera),
                mask(frame.judge().maskCost(frame.facts(), camera)), lines);
    }

    private static List<Choice> sizes(Camera camera) {
        return camera.model().picture().sizes().stream().map(size -> new Choice(String.valueOf(size.widthPx()), size.name() + ", "
                + size.widthPx() + " px wide, " + Numbers.plain(size.bitrateMbps()) + " Mbit/s",
                size.widthPx() == camera.model().lens()
                        .widthPx()))
                .toList();
    }

    static boolean listens(Camera camera) {
        return camera.model().alerts().kinds().stream().anyMatch(kind -> kind.kind() == AlertSpec.Kind.SOUND);
    }

    private static String words(PictureSpec.Night night) {
        return night.light().words() + (night.light() == PictureSpec.Light.AMBIENT ? ", nothing promised"
                : ", to " + Numbers.fixed(night.rangeM(), 0) + " m, " + Numbers.fixed(night.lightMa(), 0) + " mA");
    }

    private static Optional<Mask> mask(MaskCost cost) {
        return cost.cells().isEmpty() ? Optional.empty()
                : Optional.of(new Mask(cost.cells().stream().sorted().map(MaskCell::toString).collect(Collectors.joining(" ")),
                        cost.cells().size() + (cost.cells().size() == 1 ? " cell, " : " cells, ") + Numbers.fixed(cost.percent(), 1)
                                + " % of the picture",
                        cost.lost()));
    }

    private static Line line(SettingSheet.Step step, Optional<CameraSetupRepository.Tick> tick, OffsetDateTime joinedAt) {
        if (tick.isEmpty()) {
            return new Line(step.key(), step.what(), step.where(), step.value(), "open", "");
        }
        String who = tick.get().by() + ", " + DAY.format(tick.get().at());
        if (!tick.get().holds(joinedAt)) {
            return new Line(step.key(), step.what(), step.where(), step.value(), "changed", "was set by " + who
                    + (joinedAt == null ? ", before the camera left the network: set it anew once it has joined"
                            : ", before the camera joined as it is now: look whether it still is"));
        }
        return tick.get().value().equals(step.value())
                ? new Line(step.key(), step.what(), step.where(), step.value(), "set", "set by " + who)
                : new Line(step.key(), step.what(), step.where(), step.value(), "changed", "was set to " + tick.get().value() + " by " + who
                        + ": set it anew");
    }
}
