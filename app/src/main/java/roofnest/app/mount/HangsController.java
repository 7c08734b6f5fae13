package roofnest.app.mount;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.records.Stills;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.Photograph;
import roofnest.app.web.Says;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Place;
import roofnest.core.promise.Stage;
import roofnest.core.still.Landmarks;
import roofnest.core.still.MeasuredDensity;
import roofnest.core.still.StillReading;
import roofnest.core.view.Projection;

/** Where a camera hangs, read from its still. */
@Controller
@RequestMapping("/households/{household}/mount/{camera}/hangs")
class HangsController {
    private final Frames frames;
    private final Hangs hangs;
    private final Stills stills;
    private final Clock clock;

    HangsController(Frames frames, Hangs hangs, Stills stills, Clock clock) {
        this.frames = frames;
        this.hangs = hangs;
        this.stills = stills;
        this.clock = clock;
    }

    @GetMapping
    String page(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "false") boolean standIns,
            @RequestParam(defaultValue = "false") boolean screen, Form form, Model model) {
        model.addAttribute("screen", screen);
        Form turned = Form.empty();
        turned.put("turned", form.raw("turned"));
        return page(ref, cameraId, standIns, turned, Optional.empty(), model);
    }

    @PostMapping("/still")
    @Says("The still is kept. Tap the points in it.")
    String keepStill(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(required = false) MultipartFile picture,
            Form form, Model model) throws IOException {
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        return form.save("picture", () -> stills.keep(ref, Stage.MOUNT, cameraId, sent)) ? back(ref, cameraId)
                : page(ref, cameraId, false, form, Optional.empty(), model);
    }

    /** Reads the taps; the pose is kept if they say one. */
    @PostMapping("/read")
    @Says("It is read how the camera hangs; its promises are judged by that.")
    String read(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        List<Hangs.Tapped> tapped = taps(ref, cameraId, form);
        int version = form.version();
        Hangs.Looked[] looked = new Hangs.Looked[1];
        boolean done = form.save("taps", () -> looked[0] = hangs.read(ref, cameraId, tapped, form.raw("still"), version));
        return done && looked[0].reading() instanceof StillReading.Read ? back(ref, cameraId)
                : page(ref, cameraId, false, form, Optional.ofNullable(looked[0]).map(Hangs.Looked::reading), model);
    }

    /** Reads taps in the still of a stand-in, of which nothing is kept. */
    @PostMapping("/rehearse")
    String rehearse(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT);
        List<Hangs.Tapped> tapped = taps(ref, cameraId, form);
        Hangs.Looked[] looked = new Hangs.Looked[1];
        form.save("taps", () -> looked[0] = Hangs.look(frame.facts().plan().orElseThrow(), frame.judged().camera(cameraId), tapped));
        return page(ref, cameraId, true, form, Optional.ofNullable(looked[0]).map(Hangs.Looked::reading), model);
    }

    /** Measures by a thing of known length; nothing is kept of it. */
    @PostMapping("/measure")
    String measure(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT);
        Camera camera = frame.judged().camera(cameraId).camera();
        LensSpec lens = camera.model().lens();
        List<Projection.Pixel> ends = Stream.of("A", "B")
                .map(end -> new Projection.Pixel(form.decimal("x" + end, "pixels from the left", 0, lens.widthPx(), "px"),
                        form.decimal("y" + end, "pixels from the top", 0, lens.heightPx(), "px")))
                .toList();
        double length = form.decimal("lengthM", "a length", 0.1, 5, "m");
        Optional<Place> place = frame.facts().plan().flatMap(plan -> plan.place(form.raw("place")));
        if (place.isEmpty()) {
            form.fault("place", "Choose the place at which it is held.");
        }
        form.save("measure", () -> {
            try {
                model.addAttribute("measured", MeasuredView.of(frame, camera, place.orElseThrow(),
                        MeasuredDensity.of(lens, ends.get(0), ends.get(1), length)));
            } catch (IllegalArgumentException refused) {
                throw BadInput.of(refused);
            }
        });
        return page(ref, cameraId, form.raw("standIns").equals("true"), form, Optional.empty(), model);
    }

    /** Of a photo of a screen the picture that it shows. */
    @PostMapping("/corners")
    @Says("The photo is straightened to the camera's picture. Tap the points in it.")
    String corners(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        List<Projection.Pixel> corners = IntStream.rangeClosed(1, 4)
                .mapToObj(i -> new Projection.Pixel(form.decimal("x" + i, "pixels from the left", 0, Photograph.LONGEST_SIDE, "px"),
                        form.decimal("y" + i, "pixels from the top", 0, Photograph.LONGEST_SIDE, "px")))
                .toList();
        form.put("screen", "true");
        return form.save("taps", () -> hangs.straighten(ref, cameraId, corners, form.raw("still"))) ? back(ref, cameraId)
                : page(ref, cameraId, false, form, Optional.empty(), model);
    }

    @PostMapping("/take")
    @Says("The plan shows it as it hangs.")
    String take(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        int version = form.version();
        return form.save(() -> hangs.take(ref, cameraId, version)) ? back(ref, cameraId)
                : page(ref, cameraId, false, form, Optional.empty(), model);
    }

    @PostMapping("/forget")
    @Says("The reading is gone; promises are judged by the plan again.")
    String forget(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        hangs.forget(ref, cameraId);
        return back(ref, cameraId);
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/mount/" + cameraId + "/hangs";
    }

    /** Each point that has both its figures; one that has only one of them, or none that is a number, is at fault. */
    private List<Hangs.Tapped> taps(HouseholdRef ref, long cameraId, Form form) {
        LensSpec lens = frames.frame(ref, Stage.MOUNT).judged().camera(cameraId).camera().model().lens();
        List<Hangs.Tapped> tapped = new ArrayList<>();
        for (int i = 1; i <= Landmarks.MOST_OFFERED; i++) {
            String x = form.raw("x" + i);
            String y = form.raw("y" + i);
            if (!x.isBlank() || !y.isBlank()) {
                tapped.add(new Hangs.Tapped(form.raw("id" + i), form.decimal("x" + i, "pixels from the left", 0, lens.widthPx(), "px"),
                        form.decimal("y" + i, "pixels from the top", 0, lens.heightPx(), "px")));
            }
        }
        return tapped;
    }

    private String page(HouseholdRef ref, long cameraId, boolean standIns, Form form, Optional<StillReading> read, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("base", ref.path() + "/mount/" + cameraId + "/hangs");
        if (frame.facts().plan().isPresent()) {
            Optional<HangsView.Still> still = standIns ? Optional.of(standIn(frame, record, form.raw("turned").equals("true")))
                    : hangs.still(ref.id(), cameraId).map(kept -> real(ref, record, kept));
            Optional<PoseReadingRepository.Row> row = hangs.reading(ref.id(), cameraId);
            Optional<PoseReadingRepository.Row> shown = row.filter(kept -> !standIns && form.raw("id1").isEmpty()
                    && still.filter(of -> of.at().equals(kept.stillAt().toString())).isPresent() && record.camera().hangs().isPresent());
            model.addAttribute("hangs", HangsView.of(frame, record, row, still, standIns, shown.map(HangsController::tapped)
                    .orElseGet(() -> typed(form)), shown.<StillReading>map(kept -> again(frame, record, kept)).or(() -> read),
                    clock.getZone()));
        }
        return "hangs";
    }

    /** The taps of the reading on record, read once more for what they say besides the pose. */
    private static StillReading again(Frame frame, CameraRepository.Record record, PoseReadingRepository.Row kept) {
        return Hangs.look(frame.facts().plan().orElseThrow(), record, kept.taps().stream()
                .map(tap -> new Hangs.Tapped(tap.landmark().id(), tap.at().x(), tap.at().y())).toList()).reading();
    }

    private static Map<String, String> tapped(PoseReadingRepository.Row kept) {
        Map<String, String> tapped = new HashMap<>();
        kept.taps().forEach(tap -> {
            tapped.put("x " + tap.landmark().id(), Numbers.plain(tap.at().x()));
            tapped.put("y " + tap.landmark().id(), Numbers.plain(tap.at().y()));
        });
        return tapped;
    }

    private HangsView.Still real(HouseholdRef ref, CameraRepository.Record record, StillRepository.Still kept) {
        double[] size = Hangs.size(kept.jpeg());
        return new HangsView.Still(ref.path() + "/prove/" + record.id() + "/still.jpg?at=" + kept.at().toEpochSecond(), "",
                kept.at().toString(), HangsView.when(kept.at(), clock.getZone()) + " by " + kept.by(),
                (int) size[0], (int) size[1], Hangs.fits(kept.jpeg(), record.camera().model().lens()));
    }

    private static HangsView.Still standIn(Frame frame, CameraRepository.Record record, boolean turned) {
        return new HangsView.Still("", HangsView.paths(frame.facts().plan().orElseThrow(), record.camera().model().lens(),
                Hangs.onStandIns(record, turned)), "", "of a stand-in", record.camera().model().lens().widthPx(),
                record.camera().model().lens().heightPx(), true);
    }

    /** What was tapped, by "x" or "y" and the point's id. */
    private static Map<String, String> typed(Form form) {
        Map<String, String> typed = new HashMap<>();
        for (int i = 1; i <= Landmarks.MOST_OFFERED; i++) {
            typed.put("x " + form.raw("id" + i), form.raw("x" + i));
            typed.put("y " + form.raw("id" + i), form.raw("y" + i));
        }
        return typed;
    }
}
