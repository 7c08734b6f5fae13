package roofnest.app.share;

import java.util.concurrent.atomic.AtomicReference;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Role;
import roofnest.app.web.Site;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.NoSuchPage;
import roofnest.core.promise.Stage;

@Controller
class ShareController {
    private final Site site;
    private final Frames frames;
    private final Changes changes;
    private final Grants grants;
    private final ResidentRepository residents;
    private final Invitations invitations;
    private final MailRepository mail;
    private final Knowing knowing;
    private final LedgerRepository ledger;

    ShareController(Frames frames, Changes changes, Grants grants, ResidentRepository residents,
            Invitations invitations, MailRepository mail, Knowing knowing, LedgerRepository ledger, Site site) {
        this.site = site;
        this.knowing = knowing;
        this.ledger = ledger;
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
    String set(
            HouseholdRef ref, @PathVariable("resident") long residentId, @PathVariable("camera") long cameraId,
            Form form, Model model, RedirectAttributes flash) {
        AtomicReference<String> said = new AtomicReference<>();
        if (!form.save(() -> said.set(grants.set(ref, residentId, cameraId, form)))) {
            return page(ref, model, form);
        }
        flash.addFlashAttribute("notice", said.get());
        return toShare(ref);
    }

    @PostMapping("/households/{household}/share/known")
    @Says("It is noted. Only a change of it ends that.")
    String note(HouseholdRef ref, Form form, Model model) {
        return form.save(() -> knowing.note(ref, form)) ? toShare(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/share/known/{known}/mistaken")
    @Says("It was noted by mistake: they never knew it.")
    String mistaken(HouseholdRef ref, @PathVariable("known") long known, Form form, Model model) {
        return form.save(() -> knowing.mistaken(ref, known)) ? toShare(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/share/changed")
    @Says("Nobody who knew it knows it any more. Note whom you tell the new one.")
    String changed(HouseholdRef ref, Form form, Model model) {
        return form.save(() -> knowing.changed(ref, form)) ? toShare(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/share/screens")
    @Says("The screen is noted.")
    String link(HouseholdRef ref, Form form, Model model) {
        return form.save(() -> knowing.link(ref, form)) ? toShare(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/share/screens/{screen}/unlinked")
    @Says("The screen shows nothing any more.")
    String unlink(HouseholdRef ref, @PathVariable("screen") long screen) {
        knowing.unlink(ref, screen);
        return toShare(ref);
    }

    private static String toShare(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/share";
    }

    @PostMapping("/households/{household}/share/{resident}/invite")
    String invite(HouseholdRef ref, @PathVariable("resident") long residentId, RedirectAttributes flash) {
        ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
        String said = changes.make(ref, Stage.SHARE, () -> invitations.send(ref, resident, site.address()));
        flash.addFlashAttribute("notice", said);
        return "redirect:" + ref.path() + "/share";
    }

    @GetMapping("/households/{household}/share/mailbox")
    String mailbox(HouseholdRef ref, Model model) {
        frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("mails", mail.of(ref.id(), ref.staff().may(Role.Permission.SEE_LINKS)));
        model.addAttribute("mayOpen", ref.staff().may(Role.Permission.SEE_LINKS));
        return "mailbox";
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("form", form);
        model.addAttribute("share", ShareView.of(frame, residents.of(ref.id()), invitations.byResident(ref.id())));
        model.addAttribute("ledger", LedgerView.of(frame, ledger.history(ref.id()), knowing.all(frame)));
        model.addAttribute("questions", frame.judge().localQuestions(frame.facts()));
        return "share";
    }
}
