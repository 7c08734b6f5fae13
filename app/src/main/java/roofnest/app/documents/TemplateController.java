package roofnest.app.documents;

import java.util.Map;
import java.util.Optional;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.MountSpec;
import roofnest.core.mount.Fixings;
import roofnest.core.promise.Stage;

/** The drilling template of a plate, at true size on either paper. */
@Controller
class TemplateController {
    private final Frames frames;
    private final Pdf pdf;

    TemplateController(Frames frames, Pdf pdf) {
        this.frames = frames;
        this.pdf = pdf;
    }

    /** @param paper {@code letter}, or A4 for anything else */
    @GetMapping("/households/{household}/mount/{camera}/template.pdf")
    ResponseEntity<byte[]> template(HouseholdRef ref, @PathVariable("camera") long cameraId,
            @RequestParam(defaultValue = "a4") String paper) {
        Frame frame = frames.frame(ref, Stage.MOUNT);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        MountSpec mount = record.camera().model().mount();
        if (mount.holes().isEmpty()) {
            throw new NoSuchPage();
        }
        Optional<Fixings> fixings = record.fixings(frame.facts().plan());
        String drawn = pdf.drawn("documents/drill-template", ref.staff().firmId(), Map.of("camera", record.camera(),
                "house", frame.household().title(), "letter", paper.equals("letter"), "holes", mount.holes(),
                "plateHoleMm", mount.screwMm(), "drill",
                fixings.filter(fix -> fix.drillMm() > 0).map(fix -> new Drill(fix.drillMm(), fix.bit(),
                        fix.depthMm(), fix.anchor())).map(Object.class::cast).orElse("")));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"drilling-template.pdf\"").body(pdf.of(drawn));
    }

    /** What goes through the template. */
    record Drill(double mm, String bit, int depthMm, String anchor) {}
}
