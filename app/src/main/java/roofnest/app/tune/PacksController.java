package roofnest.app.tune;

import java.time.Clock;

import net.fortuna.ical4j.model.component.VEvent;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.CalendarFile;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.promise.Stage;

/** The packs of a household, and the fewest visits that keep them above their warnings. */
@Controller
class PacksController {
    private final Frames frames;
    private final FootageRepository footage;
    private final Changes changes;
    private final Clock clock;

    PacksController(Frames frames, FootageRepository footage, Changes changes, Clock clock) {
        this.frames = frames;
        this.footage = footage;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/tune/packs")
    String packs(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        return page(frame, Form.empty(), model);
    }

    /** Says who comes to charge them. A house that was handed over is told too: it is work of its care. */
    @PostMapping("/households/{household}/tune/packs/who")
    @Says("Who charges the packs is kept.")
    String who(HouseholdRef ref, Form form, Model model) {
        boolean byFirm = "firm".equals(form.raw("who"));
        int version = form.version();
        return form.save(() -> changes.ahead(ref, () -> {
            footage.say(ref.id(), new FootageRepository.House(footage.house(ref.id()).recorderGb(), byFirm, version));
            return null;
        })) ? "redirect:" + ref.path() + "/tune/packs" : page(frames.frame(ref, Stage.TUNE, model), form, model);
    }

    private String page(Frame frame, Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("packs", PacksView.of(frame, footage.house(frame.ref().id())));
        return "packs";
    }

    /** One all-day event a visit; the same visit has the same number in a later file, wherever it has moved to. */
    @GetMapping("/households/{household}/tune/packs.ics")
    ResponseEntity<String> calendar(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.TUNE);
        CalendarFile file = new CalendarFile("Packs", clock);
        PacksView.of(frame, footage.house(ref.id())).visits()
                .forEach(visit -> file.add(new VEvent(visit.on(), "Charge " + visit.what() + " · "
                        + frame.household().title()), "packs-" + ref.id() + "-" + visit.key(), visit.why()
                                + ". The maker’s charger only; not below freezing; never a swollen pack."));
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"packs-" + ref.id() + ".ics\"").body(file.toString());
    }
}
