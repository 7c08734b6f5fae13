package roofnest.app.share;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletRequest;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.NoSuchPage;
import roofnest.core.promise.Stage;

@Controller
class ShareController {
    private final Frames frames;
    private final Changes changes;
    private final Grants grants;
    private final ResidentRepository residents;
    private final Invitations invitations;
    private final MailRepository mail;

    ShareController(
            Frames frames, Changes changes, Grants grants, ResidentRepository residents,
            Invitations invitations, MailRepository mail) {
        this.frames = frames;
        this.changes = changes;
        this.grants = grants;
        this.residents = residents;
        this.invitations = invitations;
        this.mail = mail;
    }

    @GetMapping("/households/{household}/share")
    String share(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/share/{resident}/{camera}")
    @Says("The access is set.")
    String set(
            HouseholdRef ref, @PathVariable("resident") long residentId, @PathVariable("camera") long cameraId,
            Form form, Model model) {
        return form.save(() -> grants.set(ref, residentId, cameraId, form)) ? "redirect:" + ref.path() + "/share" : page(ref, model, form);
    }

    @PostMapping("/households/{household}/share/{resident}/invite")
    String invite(HouseholdRef ref, @PathVariable("resident") long residentId, HttpServletRequest request, RedirectAttributes flash) {
        ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
        String site = request.getScheme() + "://" + request.getServerName() + ":" + request.getServerPort();
        String said = changes.make(ref, Stage.SHARE, () -> invitations.send(ref, resident, site));
        flash.addFlashAttribute("notice", said);
        return "redirect:" + ref.path() + "/share";
    }

    @GetMapping("/households/{household}/share/mailbox")
    String mailbox(HouseholdRef ref, Model model) {
        frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("mails", mail.of(ref.id()));
        return "mailbox";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("form", form);
        model.addAttribute("share", ShareView.of(frame, residents.of(ref.id()), invitations.byResident(ref.id())));
        return "share";
    }
}
