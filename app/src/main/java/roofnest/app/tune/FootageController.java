package roofnest.app.tune;

import java.util.List;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.footage.CheapestWays;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** Where the footage of a house is kept, and the cheapest ways to keep it as it is promised. */
@Controller
class FootageController {
    private final Frames frames;
    private final Changes changes;
    private final HubRepository hubs;
    private final FootageRepository footage;
    private final CameraRepository cameras;
    private final RouterRepository routers;
    private final JudgedHouseholds judged;
    private final StorePrices prices;

    FootageController(Frames frames, Changes changes, HubRepository hubs, FootageRepository footage, CameraRepository cameras,
            RouterRepository routers, JudgedHouseholds judged, StorePrices prices) {
        this.frames = frames;
        this.changes = changes;
        this.hubs = hubs;
        this.footage = footage;
        this.cameras = cameras;
        this.routers = routers;
        this.judged = judged;
        this.prices = prices;
    }

    @GetMapping("/households/{household}/tune/footage")
    String footage(HouseholdRef ref, Form form, Model model) {
        return page(ref, form, model);
    }

    /** What the house has for all its cameras. */
    @PostMapping("/households/{household}/tune/footage/house")
    @Says("What the house has is kept, and the promises judged by it.")
    String house(HouseholdRef ref, Form form, Model model) {
        int recorder = form.whole("recorderGb", "the disk of the recorder, 0 for none,", 0, FootagePlan.MOST_RECORDER_GB, "GB");
        List<HubRepository.Hub> withCard = List.copyOf(prices.of(ref).hubs().values());
        withCard.stream().filter(hub -> !form.raw("hub-" + hub.id()).isBlank()).forEach(hub -> form.whole("hub-" + hub.id(),
                "the card in the hub, 0 for none,", 0, prices.of(ref).offers().hubMostGb().get(hub.modelKey()), "GB"));
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            footage.say(ref.id(), new FootageRepository.House(recorder, footage.house(ref.id()).packsByFirm(), version));
            withCard.stream().filter(hub -> !form.raw("hub-" + hub.id()).isBlank()).forEach(hub -> hubs.sayCard(ref.id(), hub.id(), form
                    .whole("hub-" + hub.id(), "the card in the hub", 0, 2000, "GB")));
        })) ? back(ref) : page(ref, form, model);
    }

    /** Takes one of the cheapest ways: what it buys is what the house has, and each camera keeps its footage so. */
    @PostMapping("/households/{household}/tune/footage/take")
    @Says("The house keeps its footage so. Nothing was bought.")
    String take(HouseholdRef ref, Form form, Model model) {
        String key = form.raw("way");
        return form.save("way", () -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            StorePrices.Offered offered = prices.of(ref);
            CheapestWays.Way way = FootageView.ways(now.facts(), offered).stream().filter(each -> FootageView.key(each).equals(key))
                    .findFirst().orElseThrow(() -> new Conflict(
                            "Prices, cameras or promises were changed meanwhile. Look at the ways once more."));
            FootageRepository.House house = footage.house(ref.id());
            footage.say(ref.id(), new FootageRepository.House(way.buys().stream().filter(buy -> buy.place() == Survival.Place.RECORDER)
                    .mapToInt(CheapestWays.Buy::gb).findFirst().orElse(0), house.packsByFirm(), house.version()));
            offered.hubs().forEach((hubModel, hub) -> hubs.sayCard(ref.id(), hub.id(), way.buys().stream().filter(
                    buy -> buy.place() == Survival.Place.HUB
                            && buy.cameras().stream().anyMatch(id -> hubModel.equals(now.camera(id).camera()
                                    .model().hub())))
                    .mapToInt(CheapestWays.Buy::gb).findFirst().orElse(0)));
            now.cameras().forEach(record -> take(ref, now, record, way));
        })) ? back(ref) : page(ref, form, model);
    }

    private void take(HouseholdRef ref, JudgedHousehold now, CameraRepository.Record record, CheapestWays.Way way) {
        Camera camera = record.camera();
        List<CheapestWays.Buy> its = way.buys().stream().filter(buy -> buy.cameras().contains(camera.id())).toList();
        Keeping was = now.facts().footage().of(camera.id());
        footage.keep(ref.id(), camera.id(), new Keeping(was.when(), was.fromHour(), was.toHour(), its.stream().anyMatch(
                buy -> buy.place() == Survival.Place.RECORDER), false, its.stream().flatMap(buy -> buy.plan().stream()).findFirst()));
        int card = its.stream().filter(buy -> buy.place() == Survival.Place.CARD).mapToInt(CheapestWays.Buy::gb).findFirst().orElse(0);
        cameras.tune(ref.id(), camera.id(), camera.settings().withCardGb(card), null, record.version());
    }

    private static String back(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/tune/footage";
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        model.addAttribute("form", form);
        model.addAttribute("footage", FootageView.of(frame, prices.of(ref), footage.house(ref.id()), routers.of(ref.id())));
        return "footage";
    }
}
