package roofnest.app.tune;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntFunction;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.alert.AlertPlan;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.judge.WeekUse;
import roofnest.core.promise.Stage;
import roofnest.core.week.Counted;
import roofnest.core.week.EventList;
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
    private final CountedWeekRepository counts;
    private final Clock clock;
    private final Rates rates = Rates.shipped();

    WeekController(Frames frames, Changes changes, ComingsRepository comings, CameraRepository cameras, JudgedHouseholds judged,
            WeeksKept weeks, CountedWeekRepository counts, Clock clock) {
        this.frames = frames;
        this.changes = changes;
        this.comings = comings;
        this.cameras = cameras;
        this.judged = judged;
        this.weeks = weeks;
        this.counts = counts;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/tune/week")
    String week(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    /** Says what goes on about the house. */
    @PostMapping("/households/{household}/tune/week/comings")
    @Says("What goes on here is kept, and the week drawn by it.")
    String comings(HouseholdRef ref, Form form, Model model) {
        ComingsAndGoings said = ComingsView.read(form, comings.of(ref.id()).comings());
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> comings.say(ref.id(), said, version))) ? back(ref, form)
                : page(ref, form, model);
    }

    /** Takes what the firm's other houses of this kind say, wherever nothing was said of this one. */
    @PostMapping("/households/{household}/tune/week/comings/learned")
    @Says("What the firm’s other houses say is taken, and the week drawn by it.")
    String learned(HouseholdRef ref, Form form, Model model) {
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            ComingsAndGoings now = comings.of(ref.id()).comings();
            comings.say(ref.id(), ComingsView.learned(now, rates, comings.learned(ref.staff().firmId(), now.house(), ref.id())), version);
        })) ? back(ref, form) : page(ref, form, model);
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
        Camera.Settings settings = WeekUse.taken(record.camera().settings(), week);
        cameras.tune(ref.id(), week.cameraId(), settings, null, record.version());
    }

    /** Keeps what somebody counted in the camera's own app. */
    @PostMapping("/households/{household}/tune/week/counted")
    @Says("What was counted is kept, beside what was reckoned.")
    String counted(HouseholdRef ref, Form form, Model model) {
        long camera = judged.of(ref.id()).camera(form.whole("counted", "which camera", 1, Integer.MAX_VALUE, "")).id();
        LocalDate from = form.date("fromDay", "from which day");
        int days = form.whole("days", "over how many days,", 1, 92, "days");
        int clips = form.whole("clips", "how many clips,", 0, 200_000, "clips");
        OptionalInt wanted = form.raw("wanted").isBlank() ? OptionalInt.empty()
                : OptionalInt.of(form.whole("wanted", "how many for somebody who came,", 0, clips, "clips"));
        if (form.ok() && from.plusDays(days - 1L).isAfter(judged.of(ref.id()).facts().today())) {
            form.fault("fromDay", "Those days are not over yet.");
        }
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> counts.keep(ref.id(), camera, from, days, clips, wanted,
                mark(ref, camera), ref.by())))
                        ? back(ref, form) : page(ref, form, model);
    }

    /** Counts a list of events that the camera's app gave out; refused as a whole, it changes nothing. */
    @PostMapping("/households/{household}/tune/week/events")
    @Says("The list is counted, beside what was reckoned.")
    String events(HouseholdRef ref, @RequestParam(required = false) MultipartFile events, Form form, Model model) throws IOException {
        JudgedHousehold now = judged.of(ref.id());
        CameraRepository.Record record = now.camera(form.whole("listed", "which camera", 1, Integer.MAX_VALUE, ""));
        EventList.Order order = form.choice("order", "what comes first in its times", EventList.Order.class);
        boolean kept = form.bring("events", () -> {
            EventList list = EventLists.read(events, record.camera().name(), now, clock.getZone(), order);
            changes.run(ref, Stage.TUNE, () -> counts.keep(ref.id(), record.id(), list.from(), list.days(), list.clips(),
                    OptionalInt.empty(), list.kinds(), mark(ref, record.id()), ref.by()));
        });
        return kept ? back(ref, form) : page(ref, form, model);
    }

    @PostMapping("/households/{household}/tune/week/counted/{count}/forget")
    @Says("What was counted there is forgotten.")
    String forget(HouseholdRef ref, @PathVariable("count") long count, Form form) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!counts.forget(ref.id(), count)) {
                throw new NoSuchPage();
            }
        });
        return back(ref, form);
    }

    /** Bends the rates of what rings for nothing by what was counted at one camera. */
    @PostMapping("/households/{household}/tune/week/bend")
    @Says("The rates are bent by what was counted, and the week drawn by them.")
    String bend(HouseholdRef ref, Form form, Model model) {
        int version = form.version();
        int camera = form.whole("counted", "which camera", 1, Integer.MAX_VALUE, "");
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            Map<Integer, WeekOutcome.OfCamera> months = new HashMap<>();
            IntFunction<WeekOutcome.OfCamera> ofMonth
                    = month -> months.computeIfAbsent(month, any -> weeks.ofCamera(now.facts(), now.judge(), any, camera)
                            .orElseThrow(NoSuchPage::new));
            List<CountedWeekRepository.Row> rows = now(of(counts.of(ref.id()), camera), now.camera(camera), now.facts().alerts());
            Optional<Counted> nothing = CountedView.nothing(rows, ofMonth);
            Map<AlertSpec.Kind, Counted> byBody = CountedView.byBody(rows, ofMonth);
            if (nothing.isEmpty() && byBody.isEmpty()) {
                throw new Conflict("Somebody took out what was counted meanwhile.");
            }
            comings.say(ref.id(), CountedView.bent(now.facts().comings(), rates, ofMonth.apply(now.facts().today().getMonthValue()),
                    nothing, byBody), version);
        })) ? back(ref, form) : page(ref, form, model);
    }

    /** How a camera hangs and is set now. */
    private String mark(HouseholdRef ref, long camera) {
        JudgedHousehold now = judged.of(ref.id());
        return now.camera(camera).camera().watchMark(now.facts().alerts());
    }

    private static List<CountedWeekRepository.Row> of(List<CountedWeekRepository.Row> all, long camera) {
        return all.stream().filter(row -> row.cameraId() == camera).toList();
    }

    /** Counts under which the camera hung and was set as it is now: no others tell anything of it. */
    private static List<CountedWeekRepository.Row> now(List<CountedWeekRepository.Row> all, CameraRepository.Record record,
            AlertPlan alerts) {
        return all.stream().filter(row -> row.mark().equals(record.camera().watchMark(alerts))).toList();
    }

    private List<CountedView> counted(HouseholdRef ref, Frame frame, WeeksKept.Drawn drawn) {
        List<CountedWeekRepository.Row> all = counts.of(ref.id());
        return drawn.outcome().cameras().stream().map(week -> {
            List<CountedWeekRepository.Row> rows = of(all, week.cameraId());
            CameraRepository.Record record = frame.judged().camera(week.cameraId());
            return CountedView.of(week, rows, now(rows, record, frame.facts().alerts()),
                    month -> weeks.ofCamera(frame.facts(), frame.judge(), month, week.cameraId()).orElseThrow(),
                    rows.isEmpty() ? Optional.empty() : weeks.quietest(frame.facts(), frame.judge(),
                            record.camera(), frame.facts().today().getMonthValue()));
        }).toList();
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
        ComingsRepository.Said said = comings.of(ref.id());
        model.addAttribute("comings", ComingsView.of(said, rates, comings.learned(ref.staff().firmId(), said.comings().house(), ref.id())));
        model.addAttribute("counted", drawn.map(d -> counted(ref, frame, d)).orElse(List.of()));
        model.addAttribute("week", drawn.map(d -> WeekView.of(frame, d, month, day, !counts.of(ref.id()).isEmpty())).orElse(null));
        return "week";
    }
}
