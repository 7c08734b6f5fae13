package roofnest.app.share;

import java.time.LocalDate;
import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.brief.ResidentRepository;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

@Controller
class ShareController {
    private final Frames frames;
    private final HouseholdChanges changes;
    private final AccessRepository access;
    private final ResidentRepository residents;
    private final CameraRepository cameras;
    private final Invitations invitations;
    private final MailRepository mail;

    ShareController(
            Frames frames, HouseholdChanges changes, AccessRepository access, ResidentRepository residents, CameraRepository cameras,
            Invitations invitations, MailRepository mail) {
        this.frames = frames;
        this.changes = changes;
        this.access = access;
        this.residents = residents;
        this.cameras = cameras;
        this.invitations = invitations;
        this.mail = mail;
    }

    @GetMapping("/households/{household}/share")
    String share(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/share/{resident}/{camera}")
    String set(
            HouseholdRef ref, @PathVariable("resident") long residentId, @PathVariable("camera") long cameraId,
            @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
        cameras.get(ref.id(), cameraId);
        Form form = new Form(values);
        if (form.raw("role").isEmpty()) {
            changes.run(ref, Stage.SHARE, () -> access.revoke(ref.id(), residentId, cameraId));
            return "redirect:" + ref.path() + "/share";
        }
        Access.Role role = form.choice("role", "a role", Access.Role.class);
        if (resident.tie() == Access.Tie.LEFT) {
            form.fault("cell-" + residentId + "-" + cameraId, resident.name() + " has left; give access to people who belong here.");
        }
        LocalDate until = role == Access.Role.GUEST ? form.date("until", "the guest's last day") : null;
        if (!form.ok()) {
            form.fault("cell-" + residentId + "-" + cameraId,
                    form.faultAt("until") == null ? form.faultAt("role") : "A guest needs a last day.");
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, model, form);
        }
        changes.run(ref, Stage.SHARE, () -> access.grant(ref.id(), residentId, cameraId, role, until));
        return "redirect:" + ref.path() + "/share";
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
