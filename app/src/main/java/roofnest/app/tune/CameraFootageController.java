package roofnest.app.tune;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.FootageListRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.footage.CardCheck;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.Keeping;
import roofnest.core.promise.Stage;

/** Where one camera's footage goes, the card in it, and what of it was given out. */
@Controller
class CameraFootageController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final FootageRepository footage;
    private final CloudPlanRepository plans;
    private final CardRepository cards;
    private final FootageListRepository lists;
    private final JudgedHouseholds judged;
    private final StorePrices prices;
    private final WeeksKept weeks;

    CameraFootageController(Frames frames, Changes changes, CameraRepository cameras, FootageRepository footage, CloudPlanRepository plans,
            CardRepository cards, FootageListRepository lists, JudgedHouseholds judged, StorePrices prices, WeeksKept weeks) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.footage = footage;
        this.plans = plans;
        this.cards = cards;
        this.lists = lists;
        this.judged = judged;
        this.prices = prices;
        this.weeks = weeks;
    }

    @GetMapping("/households/{household}/tune/{camera}/footage")
    String footage(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** Sets when it records and where that goes. */
    @PostMapping("/households/{household}/tune/{camera}/footage")
    @Says("It keeps its footage so here; set it in the camera’s own app too.")
    String keep(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        DeviceModel of = cameras.get(ref.id(), cameraId).camera().model();
        Keeping keeping = read(form, of, plans.of(ref.staff().firmId()));
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            footage.keep(ref.id(), cameraId, keeping);
            cameras.touch(ref.id(), cameraId, version);
        })) ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    private static Keeping read(Form form, DeviceModel model, List<CloudPlan> plans) {
        Keeping.When when = form.choice("when", "when it records", Keeping.When.class);
        int from = form.raw("fromHour").isBlank() ? 0 : form.whole("fromHour", "from which hour it records,", 0, 23, "h");
        int to = form.raw("toHour").isBlank() ? 0 : form.whole("toHour", "to which hour it records,", 0, 23, "h");
        Optional<CloudPlan> plan = plans.stream().filter(each -> String.valueOf(each.id()).equals(form.raw("plan"))).findFirst();
        if (when != null && when != Keeping.When.EVENT && !model.recording().continuous()) {
            form.fault("when", "This model records only when something counts.");
        }
        if (when == Keeping.When.SCHEDULED && from == to) {
            form.fault("toHour", "Hours in which it records begin and end at different hours.");
        }
        if (form.has("toRecorder") && !model.recording().streams()) {
            form.fault("toRecorder", "No recorder can take the stream of this model.");
        }
        if (!form.raw("plan").isBlank() && plan.filter(each -> each.maker().equals(model.maker())).isEmpty()) {
            form.fault("plan", "Choose a plan of its maker.");
        }
        if (plan.isPresent() && when != null && !when.clips()) {
            form.fault("plan", "A plan keeps clips, and so it makes none.");
        }
        return form.ok() ? new Keeping(when, from, to, form.has("toRecorder"), form.has("stopsWhenFull"), plan) : Keeping.USUAL;
    }

    /** What card is in it, and what filling it and reading it back told. */
    @PostMapping("/households/{household}/tune/{camera}/footage/card")
    @Says("What card is in it is kept.")
    String card(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        LocalDate today = judged.of(ref.id()).facts().today();
        LocalDate putIn = form.date("putIn", "the day on which it was put in");
        double printed = form.decimal("printed", "the size on the card,", 1, 10_000, "GB");
        boolean tested = !form.raw("wrote").isBlank() || !form.raw("same").isBlank();
        double wrote = tested ? form.decimal("wrote", "how much it took,", 0, 20_000, "GB") : 0;
        double same = tested ? form.decimal("same", "how much came back the same,", 0, 20_000, "GB") : 0;
        if (form.ok() && same > wrote) {
            form.fault("same", "No more can come back than was written.");
        }
        if (form.ok() && putIn.isAfter(today)) {
            form.fault("putIn", "That day is still to come.");
        }
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            cameras.get(ref.id(), cameraId);
            cards.say(ref.id(), cameraId, new CardRepository.Card(putIn, form.has("highEndurance"), printed, tested
                    ? Optional.of(new CardCheck(printed, wrote, same)) : Optional.empty(), tested ? today : null, ref.by(), version));
        })) ? back(ref, cameraId) + "#card" : page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/footage/card/forget")
    @Says("Nothing is said of its card any more.")
    String forget(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!cards.forget(ref.id(), cameraId)) {
                throw new NoSuchPage();
            }
        });
        return back(ref, cameraId) + "#card";
    }

    /** Keeps the list of files that were given out: a house that was handed over gives them out too. */
    @PostMapping("/households/{household}/tune/{camera}/footage/lists")
    @Says("The list is kept. It holds names, sizes and sums; the files themselves did not come here.")
    String give(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        String whom = form.text("forWhom", "for whom the files are", 120);
        OptionalDouble fast = form.raw("clockFast").isBlank() ? OptionalDouble.empty()
                : OptionalDouble.of(form.decimal("clockFast", "by how much its clock is fast, slow with a minus,", -86_400, 86_400, "s"));
        List<FootageListRepository.File> files = files(form);
        return form.save(() -> changes.aside(ref.id(), () -> {
            cameras.get(ref.id(), cameraId);
            return lists.keep(ref.id(), cameraId, files, fast, whom, ref.by());
        })) ? back(ref, cameraId) + "#given" : page(ref, cameraId, form, model);
    }

    /** One file a line: sum, size and name, as the browser wrote them. */
    private static List<FootageListRepository.File> files(Form form) {
        List<FootageListRepository.File> files = new ArrayList<>();
        try {
            for (String line : form.raw("files").lines().filter(each -> !each.isBlank()).toList()) {
                String[] parts = line.strip().split(" ", 3);
                files.add(new FootageListRepository.File(parts[2], Long.parseLong(parts[1]), parts[0]));
            }
        } catch (IllegalArgumentException | IndexOutOfBoundsException unreadable) {
            form.fault("files", "The sums of the files could not be read. Choose the files once more.");
        }
        if (files.isEmpty() || files.size() > FootageListRepository.MOST_FILES) {
            form.fault("files", files.isEmpty() ? "Choose the files that are given out; their sums are reckoned here in the browser."
                    : "A list holds " + FootageListRepository.MOST_FILES + " files at most.");
        }
        return files;
    }

    /** The list as a file: one line for each file, with the sum first, as tools that check sums read it. */
    @GetMapping("/households/{household}/tune/{camera}/footage/lists/{given}.txt")
    ResponseEntity<String> list(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("given") long listId) {
        FootageListRepository.Kept list = lists.of(ref.id()).stream().filter(each -> each.id() == listId && each.cameraId() == cameraId)
                .findFirst().orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"footage-" + listId + ".txt\"")
                .body(FootageListFile.of(list, cameras.get(ref.id(), cameraId).camera().name()));
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/footage";
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("whens", record.camera().model().recording().continuous() ? Keeping.When.values()
                : new Keeping.When[] {Keeping.When.EVENT});
        model.addAttribute("footage",
                CameraFootageView.of(frame, record.camera(), prices.of(ref), Optional.ofNullable(cards.of(ref.id()).get(
                        cameraId)), lists.of(ref.id()).stream().filter(list -> list.cameraId() == cameraId).toList(),
                        weeks.ofCamera(frame.facts(),
                                frame.judge(), frame.facts().today().getMonthValue(), cameraId)));
        return "camera-footage";
    }
}
