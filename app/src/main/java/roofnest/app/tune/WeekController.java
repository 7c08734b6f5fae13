package roofnest.app.tune;

import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.promise.Stage;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Rates;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/** An ordinary week of a household, before it happens. */
@Controller
class WeekController {
    private final Frames frames;
    private final Changes changes;
    private final ComingsRepository comings;
    private final CameraRepository cameras;
    private final JudgedHouseholds judged;
    private final WeeksKept weeks;
    private final Rates rates = Rates.shipped();

    WeekController(Frames frames, Changes changes, ComingsRepository comings, CameraRepository cameras, JudgedHouseholds judged,
            WeeksKept weeks) {
        this.frames = frames;
        this.changes = changes;
        this.comings = comings;
        this.cameras = cameras;
        this.judged = judged;
        this.weeks = weeks;
    }

    @GetMapping("/households/{household}/tune/week")
    String week(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    /** Says what goes on about the house. */
    @PostMapping("/households/{household}/tune/week/comings")
    @Says("What goes on here is kept, and the week drawn by it.")
    String comings(HouseholdRef ref, Form form, Model model) {
        ComingsAndGoings said = ComingsView.read(form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> comings.say(ref.id(), said, version))) ? back(ref, form)
                : page(ref, form, model);
    }

    /** Battery and card of every camera are reckoned by what it notices in the week. */
    @PostMapping("/households/{household}/tune/week/take")
    @Says("Battery and card are reckoned by this week.")
    String take(HouseholdRef ref, Form form, Model model) {
        int month = month(ref, form);
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            weeks.of(now.facts(), now.judge(), month).ifPresent(drawn -> drawn.outcome().cameras().forEach(week -> take(ref, now, week)));
        })) ? back(ref, form) : page(ref, form, model);
    }

    private void take(HouseholdRef ref, JudgedHousehold now, WeekOutcome.OfCamera week) {
        CameraRepository.Record record = now.camera(week.cameraId());
        Camera.Settings settings = record.camera().settings().withVisitsPerDay(Math.min(Camera.Settings.MOST_VISITS, week.noticedADay()));
        cameras.tune(ref.id(), week.cameraId(), settings, null, record.version());
    }

    private static String back(HouseholdRef ref, Form form) {
        String month = form.raw("month");
        return "redirect:" + ref.path() + "/tune/week" + (month.matches("[0-9]{1,2}") ? "?month=" + month : "");
    }

    private int month(HouseholdRef ref, Form form) {
        int today = judged.of(ref.id()).facts().today().getMonthValue();
        return form.raw("month").isBlank() ? today : form.whole("month", "a month", 1, 12, "");
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        int month = month(ref, form);
        int day = form.raw("day").isBlank() ? 0 : form.whole("day", "a day", 0, Week.DAYS - 1, "");
        Optional<WeeksKept.Drawn> drawn = frame.cameras().isEmpty() ? Optional.empty() : weeks.of(frame.facts(), frame.judge(), month);
        model.addAttribute("form", form);
        model.addAttribute("month", month);
        model.addAttribute("houses", HouseKind.values());
        model.addAttribute("comings", ComingsView.of(comings.of(ref.id()), rates));
        model.addAttribute("week", drawn.map(d -> WeekView.of(frame, d, month, day)).orElse(null));
        return "week";
    }
}
