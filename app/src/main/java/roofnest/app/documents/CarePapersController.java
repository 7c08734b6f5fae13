package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Base64;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.care.Warranties;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.TheftRepository;
import roofnest.core.promise.Stage;

/** Papers for those outside who ask about a device: whoever takes it back, the police, an insurer. */
@Controller
class CarePapersController {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Frames frames;
    private final Warranties warranties;
    private final TheftRepository thefts;
    private final Pdf pdf;
    private final Clock clock;

    CarePapersController(Frames frames, Warranties warranties, TheftRepository thefts, Pdf pdf, Clock clock) {
        this.frames = frames;
        this.warranties = warranties;
        this.thefts = thefts;
        this.pdf = pdf;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care/cameras/{camera}/warranty.pdf")
    ResponseEntity<byte[]> warranty(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        Frame frame = frames.frame(ref, Stage.CARE);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        Warranties.Claim claim = warranties.of(frame, record);
        return paper("warranty", frame, Map.of("camera", record.camera().name(), "claim", claim, "photo",
                claim.photo().or(claim::still).map(CarePapersController::inline).orElse("")));
    }

    @GetMapping("/households/{household}/care/theft/{theft}.pdf")
    ResponseEntity<byte[]> theft(HouseholdRef ref, @PathVariable("theft") long id) {
        return paper("theft", frames.frame(ref, Stage.CARE), Map.of("theft", thefts.get(ref.id(), id)));
    }

    private static String inline(byte[] jpeg) {
        return "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(jpeg);
    }

    private ResponseEntity<byte[]> paper(String name, Frame frame, Map<String, Object> what) {
        Map<String, Object> all = new HashMap<>(what);
        all.put("frame", frame);
        all.put("date", DAY.format(LocalDate.now(clock)));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"" + name + "-" + frame.ref().id() + ".pdf\"")
                .body(pdf.of(pdf.drawn("documents/" + name, frame.ref().staff().firmId(), all)));
    }
}
