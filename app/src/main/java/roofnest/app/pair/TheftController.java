package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.util.stream.Collectors;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.TheftRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.judge.Theft;
import roofnest.core.promise.Stage;

/** Something was stolen: what is left, what the police want to know, and who has to change what. */
@Controller
class TheftController {
    private final Frames frames;
    private final HubRepository hubs;
    private final Leaving leaving;
    private final TheftRepository thefts;
    private final Changes changes;
    private final Clock clock;

    TheftController(Frames frames, HubRepository hubs, Leaving leaving, TheftRepository thefts, Changes changes, Clock clock) {
        this.frames = frames;
        this.hubs = hubs;
        this.leaving = leaving;
        this.thefts = thefts;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/pair/theft")
    String show(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    @PostMapping("/households/{household}/pair/theft")
    @Needs(value = Role.Permission.TAKE_HUBS_OUT, act = "write a theft down")
    String stolen(HouseholdRef ref, Form form, Model model, RedirectAttributes flash) {
        Frame frame = frames.frame(ref, Stage.PAIR);
        Theft.Taken taken = taken(ref, frame, form);
        if (taken.nothing()) {
            form.fault("on", "Say what is gone.");
        }
        if (!form.save(() -> {
            Theft theft = Theft.of(frame.facts(), taken);
            leaving.stolen(ref, taken, theft, TheftView.footage(theft));
        })) {
            return page(ref, form, model);
        }
        flash.addFlashAttribute("notice", "Written down, and taken out of the house. What is left to do stands here.");
        return "redirect:" + ref.path() + "/pair/theft";
    }

    @PostMapping("/households/{household}/pair/theft/{theft}/{seq}")
    @Says("Noted.")
    String done(HouseholdRef ref, @PathVariable("theft") long theft, @PathVariable("seq") int seq, Form form) {
        changes.aside(ref.id(), () -> {
            thefts.done(ref.id(), theft, seq, form.has("done"), ref.by());
            return null;
        });
        return "redirect:" + ref.path() + "/pair/theft";
    }

    private Theft.Taken taken(HouseholdRef ref, Frame frame, Form form) {
        LocalDate today = LocalDate.now(clock);
        LocalDate on = form.raw("on").isBlank() ? today : form.date("on", "the day");
        if (form.faultAt("on") == null && on.isAfter(today)) {
            form.fault("on", "This day is still to come.");
        }
        return new Theft.Taken(frame.cameras().stream().filter(each -> form.has("camera-" + each.id())).map(each -> each.id())
                .collect(Collectors.toSet()),
                hubs.of(ref.id()).stream().filter(each -> form.has("hub-" + each.id()))
                        .map(HubRepository.Hub::modelKey).collect(Collectors.toSet()),
                form.has("router"), form.has("recorder"), form.faultAt("on") == null ? on : today);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        Theft.Taken taken = taken(ref, frame, form);
        model.addAttribute("form", form);
        model.addAttribute("today", LocalDate.now(clock));
        model.addAttribute("cameras", frame.cameras());
        model.addAttribute("hubs", hubs.of(ref.id()));
        model.addAttribute("recorder", frame.facts().footage().recorderGb() > 0);
        model.addAttribute("chosen", !taken.nothing());
        model.addAttribute("found", taken.nothing() ? null : TheftView.of(Theft.of(frame.facts(), taken)));
        model.addAttribute("thefts", thefts.of(ref.id()));
        model.addAttribute("zone", clock.getZone());
        return "theft";
    }
}
