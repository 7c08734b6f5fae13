package roofnest.app.pair;

import java.util.List;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.web.Form;
import roofnest.core.pairing.Removal;
import roofnest.core.promise.Stage;

/** A device that leaves the house. */
@Controller
class ChangeController {
    private final Frames frames;
    private final HubRepository hubs;
    private final Models models;
    private final Leaving leaving;

    ChangeController(Frames frames, HubRepository hubs, Models models, Leaving leaving) {
        this.frames = frames;
        this.hubs = hubs;
        this.models = models;
        this.leaving = leaving;
    }

    @GetMapping("/households/{household}/pair/cameras/{camera}/remove")
    String removal(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "GIVEN_AWAY") Removal.To to,
            Model model) {
        return removalPage(ref, cameraId, to, Form.empty(), model);
    }

    @PostMapping("/households/{household}/pair/cameras/{camera}/remove")
    String remove(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "GIVEN_AWAY") Removal.To to,
            Form form, Model model, RedirectAttributes flash) {
        Frame frame = frames.frame(ref, Stage.PAIR);
        String name = frame.judged().camera(cameraId).camera().name();
        String owner = form.text("owner", "who of the household said so", 80);
        Removal.Card card = form.choice("card", "what becomes of its card", Removal.Card.class);
        if (!form.raw("outOfAccount").equals("true")) {
            form.fault("outOfAccount", "Take it out of the account first, then tick this: otherwise nobody else can ever add it.");
        }
        if (!form.save(() -> leaving.camera(ref, cameraId, to, card, owner))) {
            return removalPage(ref, cameraId, to, form, model);
        }
        flash.addFlashAttribute("notice", name + " is out of the house. The log has it; its password left the sealed store.");
        return "redirect:" + ref.path() + "/pair";
    }

    @GetMapping("/households/{household}/pair/hubs/{hub}/remove")
    String hubRemoval(HouseholdRef ref, @PathVariable("hub") long hubId, Model model) {
        return hubPage(ref, hubId, Form.empty(), model);
    }

    @PostMapping("/households/{household}/pair/hubs/{hub}/remove")
    @Needs(value = Role.Permission.TAKE_HUBS_OUT, act = "take a hub out")
    String removeHub(HouseholdRef ref, @PathVariable("hub") long hubId, Form form, Model model, RedirectAttributes flash) {
        HubRepository.Hub hub = hubs.get(ref.id(), hubId);
        String owner = form.text("owner", "who of the household said so", 80);
        if (!form.save(() -> flash.addFlashAttribute("notice", out(hub, leaving.hub(ref, hubId, owner))))) {
            return hubPage(ref, hubId, form, model);
        }
        return "redirect:" + ref.path() + "/pair";
    }

    private static String out(HubRepository.Hub hub, List<String> with) {
        return hub.name() + " is out of the house." + (with.isEmpty() ? "" : " To be joined again: " + String.join(", ", with) + ".");
    }

    private String hubPage(HouseholdRef ref, long hubId, Form form, Model model) {
        HubRepository.Hub hub = hubs.get(ref.id(), hubId);
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        model.addAttribute("form", form);
        model.addAttribute("hub", hub);
        model.addAttribute("warning", Removal.withHub(models.hub(hub.modelKey()),
                Leaving.through(frame.cameras(), hub).stream().map(record -> record.camera().name()).toList()));
        return "hub-removal";
    }

    private String removalPage(HouseholdRef ref, long cameraId, Removal.To to, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        int people = (int) frame.facts().access().grants().stream().filter(grant -> grant.cameraId() == cameraId).count();
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("to", to);
        model.addAttribute("tos", Removal.To.values());
        model.addAttribute("cards", Removal.Card.values());
        model.addAttribute("steps", Removal.steps(record.camera().model(), to, people));
        return "removal";
    }
}
