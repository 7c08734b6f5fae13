package roofnest.app.tune;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.promise.Stage;
import roofnest.core.week.DayCurve;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;

/** How often something comes by a house, drawn by the hour. */
@Controller
class CurveController {
    private final Frames frames;
    private final Changes changes;
    private final ComingsRepository comings;
    private final Rates rates = Rates.shipped();

    CurveController(Frames frames, Changes changes, ComingsRepository comings) {
        this.frames = frames;
        this.changes = changes;
        this.comings = comings;
    }

    @GetMapping("/households/{household}/tune/week/hours")
    String hours(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    @PostMapping("/households/{household}/tune/week/hours")
    @Says("Kept as it was drawn; the week is drawn by it.")
    String draw(HouseholdRef ref, Form form, Model model) {
        SourceKind kind = kind(form);
        DayCurve curve = CurveView.read(form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> comings.say(ref.id(), comings.of(ref.id()).comings().drawn(kind, curve),
                version))) ? back(ref, kind) : page(ref, form, model);
    }

    /** At the hours at which it ordinarily comes, as often as is said. */
    @PostMapping("/households/{household}/tune/week/hours/ordinary")
    @Says("It comes at ordinary hours again.")
    String ordinary(HouseholdRef ref, Form form, Model model) {
        SourceKind kind = kind(form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> comings.say(ref.id(), comings.of(ref.id()).comings().undrawn(kind),
                version))) ? back(ref, kind) : page(ref, form, model);
    }

    private static SourceKind kind(Form form) {
        return form.raw("kind").isBlank() ? SourceKind.VEHICLE : form.choice("kind", "what comes", SourceKind.class);
    }

    private static String back(HouseholdRef ref, SourceKind kind) {
        return "redirect:" + ref.path() + "/tune/week/hours?kind=" + kind.name();
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        frames.frame(ref, Stage.TUNE, model);
        ComingsRepository.Said said = comings.of(ref.id());
        model.addAttribute("form", form);
        model.addAttribute("curve", CurveView.of(said.comings(), said.version(), rates, kind(form)));
        return "week-hours";
    }
}
