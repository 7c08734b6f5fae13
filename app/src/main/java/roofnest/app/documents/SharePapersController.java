package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.judge.Camera;
import roofnest.app.share.Lessons;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.promise.Stage;

/** Papers of the stage Share: a card for each who learns, a sign for the gate, what the next owner gets. */
@Controller
class SharePapersController {
    private final Frames frames;
    private final Lessons lessons;
    private final HouseholdRepository households;
    private final Words words;
    private final CueWords cues;
    private final Pdf pdf;
    private final Clock clock;

    SharePapersController(Frames frames, Lessons lessons, HouseholdRepository households, Words words, CueWords cues, Pdf pdf,
            Clock clock) {
        this.frames = frames;
        this.lessons = lessons;
        this.households = households;
        this.words = words;
        this.cues = cues;
        this.pdf = pdf;
        this.clock = clock;
    }

    /** What somebody learns, as a card to keep. */
    @GetMapping("/households/{household}/share/lesson/{resident}/card.pdf")
    ResponseEntity<byte[]> card(HouseholdRef ref, @PathVariable("resident") long residentId) {
        Frame frame = frames.frame(ref, Stage.SHARE);
        String name = frame.facts().access().people().stream().filter(person -> person.id() == residentId).findFirst()
                .orElseThrow(NoSuchPage::new).name();
        return paper("lesson-card", frame,
                Map.of("name", name, "items", lessons.of(frame, residentId).items(), "lights", lights(frame, residentId)));
    }

    @GetMapping("/households/{household}/share/sale/next-owner.pdf")
    ResponseEntity<byte[]> nextOwner(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.SHARE);
        return paper("next-owner", frame, Map.of());
    }

    /** A sign says whether sound is recorded: somebody has to know. */
    @PostMapping("/households/{household}/share/sign.pdf")
    ResponseEntity<byte[]> sign(HouseholdRef ref, Form form) {
        String contact = form.text("contact", "who is asked about the cameras", 120);
        if (!form.raw("sound").equals("yes") && !form.raw("sound").equals("no")) {
            form.fault("sound", "Say whether sound is recorded.");
        }
        if (!form.ok()) {
            throw new BadInput(form.faultAt("contact") == null ? form.faultAt("sound") : form.faultAt("contact"));
        }
        return paper("sign", frames.frame(ref, Stage.SHARE), Map.of("contact", contact, "sound", form.raw("sound").equals("yes")));
    }

    /** What the lights of the models mean that somebody may look through, a line each. */
    private List<String> lights(Frame frame, long residentId) {
        Language language = households.language(frame.ref().id());
        return frame.facts().cameras().stream().filter(camera -> frame.facts().access().grant(residentId, camera.id()).isPresent())
                .map(Camera::model).distinct().map(model -> words.say(language, "card.lights", model.fullName(),
                        cues.of(model.setUp().cue(DeviceState.JOINED), language), cues.of(model.setUp().cue(DeviceState.FAILED), language),
                        cues.of(model.setUp().cue(DeviceState.OFF), language)))
                .toList();
    }

    private ResponseEntity<byte[]> paper(String name, Frame frame, Map<String, Object> what) {
        Map<String, Object> all = new HashMap<>(what);
        all.put("frame", frame);
        Language language = households.language(frame.ref().id());
        all.put("date", language.day(LocalDate.now(clock)));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"" + name + "-" + frame.ref().id() + ".pdf\"")
                .body(pdf.render("documents/" + name, frame.ref().staff().firmId(), language, all));
    }
}
