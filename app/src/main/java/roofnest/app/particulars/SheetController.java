package roofnest.app.particulars;

import org.springframework.stereotype.Controller;
import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.web.Language;
import roofnest.app.web.BadInput;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.TakenOut;
import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** The household's own sheet. */
@Controller("householdSheetController")
class SheetController {
    private final Frames frames;
    private final Particulars particulars;
    private final Devices devices;
    private final Ahead ahead;

    SheetController(Frames frames, Particulars particulars, Devices devices, Ahead ahead) {
        this.frames = frames;
        this.particulars = particulars;
        this.devices = devices;
        this.ahead = ahead;
    }

    @GetMapping("/households/{household}/sheet")
    String sheet(HouseholdRef ref, Model model) {
        return page(ref, Form.empty(), model);
    }

    @PostMapping("/households/{household}/sheet")
    @Says("Name, address and phone are kept. They stand so on every page and paper from now on.")
    String change(HouseholdRef ref, Form form, Model model) {
        return particulars.change(ref, form) ? toSheet(ref) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/sheet/language")
    @Says("From now on its pages and papers are in this language. What was signed stays as it is.")
    String speak(HouseholdRef ref, @RequestParam(defaultValue = "") String language) {
        Language chosen = Language.of(language).orElseThrow(() -> new BadInput("Choose one of the languages."));
        particulars.speak(ref, chosen);
        return "redirect:" + ref.path() + "/sheet";
    }

    @PostMapping("/households/{household}/sheet/due")
    @Says("Kept. It stands so until the work has moved on.")
    String setDue(HouseholdRef ref, Form form, Model model) {
        return ahead.setByHand(ref, form) ? toSheet(ref) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/sheet/due/follow")
    @Says("What is next follows the work again.")
    String followTheWork(HouseholdRef ref) {
        ahead.followTheWork(ref);
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/sheet/visit")
    @Says("The visit is written down.")
    String appoint(HouseholdRef ref, Form form, Model model) {
        return ahead.appoint(ref, form) ? toSheet(ref) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/sheet/visit/off")
    @Says("The visit is called off. The household has not been told by this: its calendar learns of it at its own link.")
    String callOff(HouseholdRef ref) {
        ahead.callOff(ref);
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/sheet/cameras/{camera}")
    @Says("The correction is kept.")
    String correctCamera(HouseholdRef ref, @PathVariable("camera") long camera, Form form, Model model) {
        return devices.correctCamera(ref, camera, form) ? toSheet(ref) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/sheet/cameras/{camera}/remove")
    String takeOutCamera(HouseholdRef ref, @PathVariable("camera") long camera, RedirectAttributes flash) {
        flash.addFlashAttribute("notice", devices.takeOut(ref, camera) + " is off the plan. It can be brought back below.");
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/sheet/hubs/{hub}")
    @Says("The correction is kept.")
    String correctHub(HouseholdRef ref, @PathVariable("hub") long hub, Form form, Model model) {
        return devices.correctHub(ref, hub, form) ? toSheet(ref) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/sheet/back")
    String bringBack(HouseholdRef ref, @RequestParam TakenOut.Kind kind, @RequestParam long id, RedirectAttributes flash) {
        flash.addFlashAttribute("notice", particulars.bringBack(ref, kind, id));
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/sheet/away")
    String archive(HouseholdRef ref, @RequestParam boolean away, RedirectAttributes flash) {
        particulars.archive(ref, away);
        flash.addFlashAttribute("notice", away ? "Put away. It is found by looking for it, and stands in no list."
                : "It stands in the lists again.");
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/sheet/remove")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The household is removed with everything in it. What stays is that one was removed, when and by whom.")
    String remove(HouseholdRef ref, Form form, Model model) {
        return form.save("typedName", () -> particulars.remove(ref, form.raw("typedName"))) ? "redirect:/" : page(ref, form, model);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, frames.stageOf(ref), model);
        model.addAttribute("form", form);
        model.addAttribute("blank", Form.empty());
        model.addAttribute("visit", ahead.appointment(ref.id()).orElse(null));
        model.addAttribute("people", ahead.people(ref));
        model.addAttribute("cameras", devices.cameras(ref.id()));
        model.addAttribute("hubs", devices.hubs(ref.id()));
        model.addAttribute("household", frame.household());
        model.addAttribute("languages", Language.values());
        model.addAttribute("language", particulars.language(ref.id()));
        model.addAttribute("takenOut", particulars.takenOut(ref.id()));
        return "household-sheet";
    }

    private static String toSheet(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/sheet";
    }
}
