package roofnest.app.care;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CareStillRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.ProofRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Photograph;
import roofnest.app.web.Says;
import roofnest.core.judge.Proof;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;

/** Signal and picture of today beside those of the hand-over. A signal that is read is a test like any other, and counts at once. */
@Controller
class NowController {
    private static final double WEAKEST_DBM = -110;
    private static final double STRONGEST_DBM = -15;

    private final Frames frames;
    private final Changes changes;
    private final ProofRepository proofs;
    private final StillRepository then;
    private final CareStillRepository now;
    private final PoseReadingRepository poses;
    private final LogRepository log;
    private final ThenAndNow comparing;
    private final Clock clock;

    NowController(
            Frames frames, Changes changes, ProofRepository proofs, StillRepository then, CareStillRepository now,
            PoseReadingRepository poses, LogRepository log, ThenAndNow comparing, Clock clock) {
        this.frames = frames;
        this.changes = changes;
        this.proofs = proofs;
        this.then = then;
        this.now = now;
        this.poses = poses;
        this.log = log;
        this.comparing = comparing;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care/now")
    String compare(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/care/now/{camera}/signal")
    @Says("The signal is kept; its promise stands by it.")
    String signal(HouseholdRef ref, @PathVariable("camera") long id, Form form, Model model) {
        double dbm = form.decimal("signal-" + id, "the signal", WEAKEST_DBM, STRONGEST_DBM, "dBm");
        Frame frame = frames.frame(ref, Stage.CARE);
        CameraRepository.Record camera = joined(frame, id);
        Promise promise = new Promise.HoldsLink(PromiseKey.ofCamera(id, "link"), id);
        return form.save(() -> changes.run(ref, Stage.CARE, () -> proofs.add(ref.id(), new Proof(promise.key(), id, true, OptionalDouble.of(
                dbm), Optional.empty(), "its signal was read in its app.", frame.judge().proofMark(frame.facts(), camera.camera(), promise),
                clock.instant(), ref.by())))) ? back(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/care/now/{camera}/still")
    @Says("The picture of today is kept.")
    String still(HouseholdRef ref, @PathVariable("camera") long id, @RequestParam(required = false) MultipartFile picture, Form form,
            Model model) throws IOException {
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        joined(frames.frame(ref, Stage.CARE), id);
        return form.save("still-" + id, () -> {
            byte[] drawn = Photograph.drawnAnew(sent);
            changes.unjudged(ref, Stage.CARE, () -> {
                now.keep(ref.id(), id, drawn, ref.by());
                return null;
            });
        }) ? back(ref) : page(ref, model, form);
    }

    @GetMapping("/households/{household}/care/now/{camera}/still.jpg")
    ResponseEntity<byte[]> picture(HouseholdRef ref, @PathVariable("camera") long id) {
        return jpeg(now.of(ref.id()).get(id));
    }

    @GetMapping("/households/{household}/care/now/{camera}/then.jpg")
    ResponseEntity<byte[]> before(HouseholdRef ref, @PathVariable("camera") long id) {
        return jpeg(then.find(ref.id(), id).orElse(null));
    }

    /** The camera is taken to hang as the two stills say, and what was tested of it before does not count any more. */
    @PostMapping("/households/{household}/care/now/{camera}/turned")
    @Says("It is taken to hang so from now on. What was tested of it before is to be tested again.")
    String turned(HouseholdRef ref, @PathVariable("camera") long id, Form form) {
        Frame frame = frames.frame(ref, Stage.CARE);
        ThenAndNow.Turn turn = comparing.turn(frame, joined(frame, id)).orElseThrow(() -> new Conflict(
                "The stills do not tell a turn any more. Look at them again."));
        if (!turn.stillAt().toString().equals(form.raw("still"))) {
            throw new Conflict("Somebody kept another still meanwhile. Look at it first.");
        }
        changes.run(ref, Stage.CARE, () -> {
            poses.put(ref.id(), turn.reading(ref.by(), clock));
            // From now on that still is the one to compare with.
            then.keep(ref.id(), id, now.of(ref.id()).get(id));
            log.add(ref.id(), id, LogRepository.Kind.MOVED, turn.words(), LocalDate.now(clock), ref.by());
        });
        return back(ref);
    }

    private static ResponseEntity<byte[]> jpeg(StillRepository.Still still) {
        if (still == null) {
            throw new NoSuchPage();
        }
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).header("Cache-Control", "no-store").body(still.jpeg());
    }

    private static CameraRepository.Record joined(Frame frame, long id) {
        CameraRepository.Record camera = frame.judged().find(id).orElseThrow(NoSuchPage::new);
        if (!camera.camera().joined()) {
            throw new BadInput("The camera is not joined, so that it has no signal and shows nothing.");
        }
        return camera;
    }

    private static String back(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/care/now";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.CARE, model);
        Map<Long, StillRepository.Still> stills = then.taken(ref.id());
        model.addAttribute("form", form);
        model.addAttribute("view", comparing.of(frame, stills, proofs.of(ref.id())));
        return "then-now";
    }
}
