package roofnest.app.care;

import java.io.IOException;
import java.util.Optional;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.records.CasePhotoRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogPhotoRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Photograph;
import roofnest.app.web.Says;

/** Photos of log entries, and those of calls. */
@Controller
class CarePhotosController {
    private final CareController care;
    private final Changes changes;
    private final LogPhotoRepository photos;
    private final CasePhotoRepository ofCases;

    CarePhotosController(CareController care, Changes changes, LogPhotoRepository photos, CasePhotoRepository ofCases) {
        this.care = care;
        this.changes = changes;
        this.photos = photos;
        this.ofCases = ofCases;
    }

    @PostMapping("/households/{household}/care/log/{entry}/photos")
    @Says("The photo is kept with its entry.")
    String add(HouseholdRef ref, @PathVariable("entry") long entry, @RequestParam(required = false) MultipartFile picture, Form form,
            Model model) throws IOException {
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        return form.save("photo-" + entry, () -> {
            byte[] drawn = Photograph.drawnAnew(sent);
            changes.aside(ref.id(), () -> {
                photos.add(ref.id(), entry, drawn, ref.by());
                return null;
            });
        }) ? "redirect:" + ref.path() + "/care" : care.page(ref, model, form);
    }

    @GetMapping("/households/{household}/care/log/{entry}/photos/{photo}")
    ResponseEntity<byte[]> show(HouseholdRef ref, @PathVariable("entry") long entry, @PathVariable("photo") long id) {
        return jpeg(photos.jpeg(ref.id(), entry, id));
    }

    @PostMapping("/households/{household}/care/log/{entry}/photos/{photo}/remove")
    @Says("The photo is gone.")
    String remove(HouseholdRef ref, @PathVariable("entry") long entry, @PathVariable("photo") long id) {
        changes.aside(ref.id(), () -> gone(photos.remove(ref.id(), entry, id)));
        return "redirect:" + ref.path() + "/care";
    }

    @GetMapping("/households/{household}/care/cases/{case}/photos/{photo}")
    ResponseEntity<byte[]> ofCase(HouseholdRef ref, @PathVariable("case") long of, @PathVariable("photo") long id) {
        return jpeg(ofCases.jpeg(ref.id(), of, id));
    }

    @PostMapping("/households/{household}/care/cases/{case}/photos/{photo}/remove")
    @Says("The photo is gone.")
    String removeOfCase(HouseholdRef ref, @PathVariable("case") long of, @PathVariable("photo") long id) {
        changes.aside(ref.id(), () -> gone(ofCases.remove(ref.id(), of, id, Optional.empty())));
        return "redirect:" + ref.path() + "/care/cases/" + of;
    }

    private static Void gone(boolean was) {
        if (!was) {
            throw new Conflict("Somebody else took this photo out meanwhile.");
        }
        return null;
    }

    private static ResponseEntity<byte[]> jpeg(Optional<byte[]> picture) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).header("Cache-Control", "no-store").body(picture.orElseThrow(
                NoSuchPage::new));
    }
}
