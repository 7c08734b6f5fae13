package roofnest.app.firm;

import java.io.IOException;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.PhotoFile;
import roofnest.app.web.Says;

/** The firm's own people; only its owner adds to them. */
@Controller
class PeopleController {
    private static final int LONGEST_MARK_PX = 260;

    private final FirmRepository firms;
    private final Hiring hiring;
    private final PeoplePages pages;

    PeopleController(FirmRepository firms, Hiring hiring, PeoplePages pages) {
        this.firms = firms;
        this.hiring = hiring;
        this.pages = pages;
    }

    @GetMapping("/people")
    String people(@AuthenticationPrincipal Staff staff, Model model) {
        return pages.page(staff, model, Form.empty());
    }

    @PostMapping("/people")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    String hire(
            @AuthenticationPrincipal Staff staff, Form form, Model model, RedirectAttributes flash) {
        Role role = form.choice("role", "a role", Role.class);
        Hiring.NewPerson person = hiring.read(form, role, firms.name(staff.firmId()));
        boolean saved = form.save(() -> {
            if (!hiring.hire(staff.firmId(), person)) {
                form.fault("email", "Somebody already signs in with this address. Use another.");
            }
        });
        if (!saved) {
            return pages.page(staff, model, form);
        }
        flash.addFlashAttribute("notice", person.name() + " can sign in now.");
        return "redirect:/people";
    }

    @PostMapping("/people/firm")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The firm's details are kept. They stand on every paper and mail from now on.")
    String firm(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        FirmDetails details = new FirmDetails(form.text("firmName", "the firm's name", 80), form.optionalText("firmAddress", 200),
                form.phone("firmPhone"), form.raw("firmEmail").isBlank() ? "" : form.email("firmEmail", "an e-mail address"),
                form.optionalText("taxNumber", 40), "", form.version());
        return form.save(() -> firms.change(staff.firmId(), details)) ? "redirect:/people" : pages.page(staff, model, form);
    }

    /** An empty file takes the mark off. */
    @PostMapping("/people/firm/mark")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The firm's mark is kept as it was drawn here.")
    String mark(@AuthenticationPrincipal Staff staff, @RequestParam(required = false) MultipartFile mark, Form form, Model model)
            throws IOException {
        byte[] sent = mark == null ? new byte[0] : mark.getBytes();
        return form.save("mark", () -> firms.setMark(staff.firmId(), sent.length == 0 ? null : PhotoFile.drawnSmall(sent, LONGEST_MARK_PX)))
                ? "redirect:/people" : pages.page(staff, model, form);
    }

    @GetMapping("/people/firm/mark.png")
    ResponseEntity<byte[]> markPicture(@AuthenticationPrincipal Staff staff) {
        byte[] png = firms.mark(staff.firmId()).orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noCache()).body(png);
    }
}
