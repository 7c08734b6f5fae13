package roofnest.app.tune;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PriceBook;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.alert.QuietHours;
import roofnest.core.promise.Stage;
import roofnest.core.week.Quietest;
import roofnest.core.week.WeekOutcome;

/** The quietest settings of one camera that miss nothing. */
@Controller
class QuietController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final JudgedHouseholds judged;
    private final WeeksKept weeks;
    private final AlertRepository alerts;
    private final CloudPlanRepository plans;
    private final PriceBook prices;

    QuietController(Frames frames, Changes changes, CameraRepository cameras, JudgedHouseholds judged, WeeksKept weeks,
            AlertRepository alerts, CloudPlanRepository plans, PriceBook prices) {
        this.alerts = alerts;
        this.plans = plans;
        this.prices = prices;
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.judged = judged;
        this.weeks = weeks;
    }

    @GetMapping("/households/{household}/tune/{camera}/quiet")
    String quiet(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** Takes one of the three settings for the camera. */
    @PostMapping("/households/{household}/tune/{camera}/quiet/take")
    @Says("Taken here; type it into the camera’s own app too.")
    String take(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        QuietView.Which which = form.choice("which", "quiet, middle or watchful", QuietView.Which.class);
        int version = form.version();
        boolean taken = form.save("which", () -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            Quietest.Choice choice = which.of(weeks.quietest(now.facts(), now.judge(), now.camera(cameraId).camera(), month(now))
                    .orElseThrow(() -> new BadInput("The house has no plan any more.")));
            Optional<QuietHours> before = Optional.ofNullable(now.facts().alerts().silent().get(cameraId));
            cameras.take(ref.id(), cameraId, choice.setting(), choice.zones(), new CameraRepository.Silence(before, choice.silent()),
                    version);
            silence(ref, cameraId, before, choice.silent());
        }));
        return taken ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    /** Sets the camera as it was before. */
    @PostMapping("/households/{household}/tune/{camera}/quiet/back")
    @Says("It is set as it was before.")
    String takeBack(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            CameraRepository.Silence silence = cameras.takeBack(ref.id(), cameraId, version);
            silence(ref, cameraId, silence.taken(), silence.before());
        })) ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    /** Other silent hours, unless somebody set them by hand meanwhile. */
    private void silence(HouseholdRef ref, long cameraId, Optional<QuietHours> from, Optional<QuietHours> to) {
        AlertRepository.Said said = alerts.of(ref.id());
        if (!from.equals(to) && from.equals(Optional.ofNullable(said.plan().silent().get(cameraId)))) {
            alerts.say(ref.id(), said.plan().withSilent(cameraId, to), said.version());
        }
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/quiet";
    }

    private QuietView.Plans plans(HouseholdRef ref) {
        return new QuietView.Plans(plans.of(ref.staff().firmId()), prices.money(ref.staff().firmId()).currency());
    }

    private static int month(JudgedHousehold now) {
        return now.facts().today().getMonthValue();
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        int month = month(frame.judged());
        Optional<Quietest.Found> found = weeks.quietest(frame.facts(), frame.judge(), record.camera(), month);
        Optional<WeekOutcome.OfCamera> week = weeks.of(frame.facts(), frame.judge(), month).stream()
                .flatMap(drawn -> drawn.outcome().cameras().stream()).filter(each -> each.cameraId() == cameraId).findFirst();
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("quiet", found.map(all -> QuietView.of(frame, record, all, Month.of(month).getDisplayName(TextStyle.FULL,
                Locale.ENGLISH), week, cameras.canTakeBack(ref.id(), cameraId), plans(ref))).orElse(null));
        return "quiet";
    }
}
