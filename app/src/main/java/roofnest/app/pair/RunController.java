package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import jakarta.servlet.http.HttpServletResponse;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.web.Says;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.StateBelief;
import roofnest.core.pairing.Step;
import roofnest.standins.Fault;

/** One run, one step a page, at a household and in the rehearsal room alike. */
@Controller
@RequestMapping({"/households/{household}/pair/runs/{run}", "/rehearsals/{rehearsal}"})
class RunController {
    private final RunDesk desk;
    private final Clock clock;
    private final SecureRandom random;

    RunController(RunDesk desk, Clock clock, SecureRandom random) {
        this.desk = desk;
        this.clock = clock;
        this.random = random;
    }

    @GetMapping
    String run(RunPort port, Model model) {
        return page(port, Form.empty(), model);
    }

    /** In this one answer, and only where the step wants it: of this house, for the device that is being joined. */
    @PostMapping("/reveal")
    @Needs(Role.Permission.REVEAL)
    String reveal(RunPort port, Model model, HttpServletResponse response) {
        model.addAttribute("wifiPassword", port.reveal(port.open()));
        response.setHeader("Cache-Control", "no-store");
        return page(port, Form.empty(), model);
    }

    @PostMapping("/answer")
    String answer(RunPort port, @RequestParam String step, @RequestParam String answer, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.answer(port, step, answer).ifPresent(
                told -> flash.addFlashAttribute("notice", "The bench shows something else. " + told + " Undo, if that was a slip.")));
    }

    @PostMapping("/look-again")
    String lookAgain(RunPort port, @RequestParam String step, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.lookAgain(port, step));
    }

    @PostMapping("/still-waiting")
    String stillWaiting(RunPort port, @RequestParam String step, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.stillWaiting(port, step));
    }

    @PostMapping("/undo")
    String undo(RunPort port, @RequestParam String step, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.undo(port, step));
    }

    @PostMapping("/fill")
    @Says("Written down.")
    String fill(RunPort port, @RequestParam String step, Form form, Model model) {
        return form.save(() -> desk.fill(port, step, form)) ? "redirect:" + port.path() : page(port, form, model);
    }

    @PostMapping("/way")
    @Says("Going on by this way.")
    String changeWay(RunPort port, @RequestParam PairingMethod.Way way) {
        return "redirect:" + desk.changeWay(port, way).path();
    }

    @PostMapping("/seen")
    String seen(RunPort port, @RequestParam Cue.Light light, @RequestParam Cue.Rhythm rhythm, @RequestParam(defaultValue = "") String voice,
            RedirectAttributes flash) {
        Optional<String> heard = voice.isBlank() ? Optional.empty() : Optional.of(voice.strip());
        flash.addFlashAttribute("belief", desk.seen(port, new StateBelief.Seen(light, rhythm, heard)));
        return "redirect:" + port.path();
    }

    @PostMapping("/bench/hands")
    String hands(RunPort port, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.handsOn(port));
    }

    @PostMapping("/bench/skip")
    String skip(RunPort port, RedirectAttributes flash) {
        return taken(port, flash, () -> desk.skipAhead(port));
    }

    /** A step as the run would stand at it: a phone takes these pages along for when there is no line. */
    @GetMapping("/steps/{step}")
    String ahead(RunPort port, @PathVariable String step, Model model) {
        Open open = port.open();
        Step there = open.script().steps().stream().filter(each -> each.id().equals(step)).findFirst().orElseThrow(NoSuchPage::new);
        model.addAttribute("ahead", true);
        return page(port, open.at(there), Form.empty(), model);
    }

    /** Where each answer leads, for a phone that goes on without a line. */
    @GetMapping("/along")
    @ResponseBody
    Map<String, Map<String, String>> along(RunPort port) {
        return port.open().script().ways();
    }

    /** Back to the run; when somebody else was quicker, with a word on what they did. What a phone kept is refused instead. */
    private static String taken(RunPort port, RedirectAttributes flash, Runnable act) {
        try {
            act.run();
        } catch (Conflict other) {
            if (keptOnAPhone()) {
                throw other;
            }
            flash.addFlashAttribute("notice", other.getMessage());
        }
        return "redirect:" + port.path();
    }

    private static boolean keptOnAPhone() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now
                && now.getRequest().getHeader("X-Acted-At") != null;
    }

    private String page(RunPort port, Form form, Model model) {
        return page(port, port.open(), form, model);
    }

    private String page(RunPort port, Open open, Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("base", port.path());
        Optional<String> instead = port.addTo(model, open, form);
        if (instead.isPresent()) {
            return instead.get();
        }
        model.addAttribute("run", RunView.of(open, OffsetDateTime.now(clock), clock.getZone()));
        model.addAttribute("otherWays", open.state().changeMethod() ? port.otherWays(open) : List.of());
        if (open.step().form() == Step.Form.DEVICE_PASSWORD) {
            model.addAttribute("suggestedPassword", open.device().passwordRule().suggest(random));
            model.addAttribute("passwordRule", open.device().passwordRule().words());
        }
        if (open.step().form() == Step.Form.NAME) {
            model.addAttribute("suggestedName", port.suggestedName(open));
        }
        model.addAttribute("lights", Cue.Light.values());
        model.addAttribute("rhythms", Cue.Rhythm.values());
        return port.view();
    }

    static Fault faultOf(String name) {
        return Arrays.stream(Fault.values()).filter(fault -> fault.name().equals(name)).findFirst()
                .orElseThrow(() -> new BadInput("There is no such fault on the bench."));
    }
}
