package roofnest.app.mount;

import java.io.IOException;
import java.time.Clock;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.MountPhotoRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.mount.HangScript.Step;
import roofnest.core.promise.Stage;
import roofnest.standins.hanging.HangBench.Hidden;

/** Hanging a camera step by step, or rehearsing it on stand-ins. */
@Controller
@RequestMapping("/households/{household}/mount/{camera}/run")
class HangRunController {
    private static final double LEAST_DBM = -100;
    private static final double MOST_DBM = -10;

    private final Frames frames;
    private final HangRuns runs;
    private final MountPhotoRepository photos;
    private final Clock clock;

    HangRunController(Frames frames, HangRuns runs, MountPhotoRepository photos, Clock clock) {
        this.frames = frames;
        this.runs = runs;
        this.photos = photos;
        this.clock = clock;
    }

    @GetMapping
    String page(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "false") boolean standIns,
            Model model) {
        return page(ref, cameraId, standIns, Form.empty(), Optional.empty(), model);
    }

    /** A step as the run would stand at it: a phone takes these pages along for when there is no line. */
    @GetMapping("/steps/{step}")
    String ahead(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable String step, Model model) {
        HangRuns.Open open = going(ref, cameraId);
        Step there = open.script().steps().stream().filter(each -> each.slug().equals(step)).findFirst().orElseThrow(NoSuchPage::new);
        model.addAttribute("ahead", there);
        return page(ref, cameraId, false, Form.empty(), Optional.empty(), model);
    }

    /** Where each answer leads, for a phone that goes on without a line. */
    @GetMapping("/along")
    @ResponseBody
    Map<String, Map<String, String>> along(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        return going(ref, cameraId).script().ways();
    }

    private HangRuns.Open going(HouseholdRef ref, long cameraId) {
        return runs.open(ref.id(), cameraId, false).filter(open -> !open.ended()).orElseThrow(NoSuchPage::new);
    }

    @PostMapping("/begin")
    @Says("It has begun. Every step is kept; whoever opens this page goes on from here.")
    String begin(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "false") boolean standIns, Form form,
            Model model) {
        Optional<Hidden> chosen = Arrays.stream(Hidden.values()).filter(each -> each.slug().equals(form.raw("hidden"))).findFirst();
        boolean begun = form.save(() -> runs.begin(ref, cameraId, standIns, form.raw("order").equals("there"), chosen, clock.millis()));
        return begun ? back(ref, cameraId, standIns) : page(ref, cameraId, standIns, form, Optional.empty(), model);
    }

    /** Takes an answer, and writes down what is read with it. */
    @PostMapping("/answer")
    String answer(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "false") boolean standIns,
            Form form,
            Model model) {
        OptionalDouble dbm = form.raw("dbm").isBlank() ? OptionalDouble.empty()
                : OptionalDouble.of(form.decimal("dbm", "the signal, as −63,", LEAST_DBM, MOST_DBM, "dBm"));
        OptionalInt seen = seen(form);
        @SuppressWarnings("unchecked")
        Optional<String>[] against = new Optional[] {Optional.empty()};
        boolean taken
                = form.save("answer", () -> against[0] = runs.answer(ref, cameraId, standIns, form.raw("step"), form.raw("answer"), seen,
                        dbm));
        return taken && against[0].isEmpty() ? back(ref, cameraId, standIns) : page(ref, cameraId, standIns, form, against[0], model);
    }

    /** Takes the answer before back. */
    @PostMapping("/undo")
    String undo(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "false") boolean standIns, Form form,
            Model model) {
        OptionalInt seen = seen(form);
        boolean undone = form.save("answer", () -> runs.undo(ref, cameraId, standIns, seen));
        return undone ? back(ref, cameraId, standIns) : page(ref, cameraId, standIns, form, Optional.empty(), model);
    }

    @PostMapping("/give-up")
    @Says("The rehearsal is over.")
    String giveUp(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        runs.giveUp(ref, cameraId);
        return back(ref, cameraId, true);
    }

    @PostMapping("/photo")
    @Says("The photo is kept.")
    String photo(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(required = false) MultipartFile picture, Form form,
            Model model) throws IOException {
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        return form.save("picture", () -> runs.photo(ref, cameraId, sent)) ? back(ref, cameraId, false)
                : page(ref, cameraId, false, form, Optional.empty(), model);
    }

    @GetMapping("/photo.jpg")
    ResponseEntity<byte[]> photo(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).cacheControl(CacheControl.noStore())
                .body(photos.find(ref.id(), cameraId).orElseThrow(NoSuchPage::new).jpeg());
    }

    /** How many steps the page knew of; empty from a page that was taken along. */
    private static OptionalInt seen(Form form) {
        return form.raw("seen").isBlank() ? OptionalInt.empty()
                : OptionalInt.of(form.whole("seen", "how many steps there were", 0, Integer.MAX_VALUE, "steps"));
    }

    private static String back(HouseholdRef ref, long cameraId, boolean standIns) {
        return "redirect:" + ref.path() + "/mount/" + cameraId + "/run" + (standIns ? "?standIns=true" : "");
    }

    private String page(HouseholdRef ref, long cameraId, boolean standIns, Form form, Optional<String> against, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        boolean photo = photos.find(ref.id(), cameraId).isPresent();
        model.addAttribute("record", record);
        model.addAttribute("form", form);
        model.addAttribute("standIns", standIns);
        model.addAttribute("against", against.orElse(""));
        model.addAttribute("base", ref.path() + "/mount/" + cameraId + "/run");
        model.addAttribute("photo", photo);
        model.addAttribute("notThere", HangRuns.notThere(frame.judged(), record.camera()).orElse(""));
        model.addAttribute("faults", Hidden.values());
        model.addAttribute("run",
                runs.open(ref.id(), cameraId, standIns).map(open -> HangRunView.of(frame, record, open, photo,
                        Optional.ofNullable((Step) model.getAttribute("ahead")))).orElse(null));
        return "hang-run";
    }
}
