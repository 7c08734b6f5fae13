package roofnest.app.prove;

import java.io.IOException;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.records.Stills;
import roofnest.app.records.StillRepository;
import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.web.Site;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.promise.Stage;

/** What goes with the pack: stills of what the cameras show, and the link by which the household reads it. */
@Controller
class PackSideController {
    private final Site site;
    private final ProvePages pages;
    private final Stills stills;
    private final StillRepository stillRows;
    private final PackLinks links;

    PackSideController(ProvePages pages, Stills stills, StillRepository stillRows, PackLinks links, Site site) {
        this.site = site;
        this.pages = pages;
        this.stills = stills;
        this.stillRows = stillRows;
        this.links = links;
    }

    @GetMapping("/households/{household}/prove/{camera}/still.jpg")
    ResponseEntity<byte[]> still(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).header("Cache-Control", "no-store")
                .body(stillRows.jpeg(ref.id(), cameraId).orElseThrow(NoSuchPage::new));
    }

    /** What the camera shows, as a picture from its app. */
    @PostMapping("/households/{household}/prove/{camera}/still")
    @Says("The still is kept. It stands in the pack beside the computed picture.")
    String keepStill(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(required = false) MultipartFile picture,
            Form form, Model model) throws IOException {
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        return form.save("still-" + cameraId, () -> stills.keep(ref, Stage.PROVE, cameraId, sent)) ? "redirect:" + ref.path() + "/prove"
                : pages.page(ref, model, form);
    }

    @PostMapping("/households/{household}/prove/{camera}/still/remove")
    @Says("The still is gone. In a pack that was signed it stays.")
    String removeStill(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        stills.remove(ref, cameraId);
        return "redirect:" + ref.path() + "/prove";
    }

    @PostMapping("/households/{household}/prove/link")
    @Needs(value = Role.Permission.HAND_OVER, act = "send the household the link to its pack")
    @Says("The link is in the mailbox. One sent before opens nothing any more.")
    String sendLink(HouseholdRef ref, Form form, Model model) {
        String to = form.email("linkTo", "the household's e-mail address");
        return form.save("linkTo", () -> links.send(ref, to, site.address())) ? "redirect:" + ref.path() + "/prove"
                : pages.page(ref, model, form);
    }

    @PostMapping("/households/{household}/prove/link/end")
    @Needs(value = Role.Permission.HAND_OVER, act = "end the link to the pack")
    @Says("The link opens nothing any more.")
    String endLink(HouseholdRef ref) {
        if (!links.end(ref)) {
            throw new Conflict("There is no link that is good.");
        }
        return "redirect:" + ref.path() + "/prove";
    }
}
