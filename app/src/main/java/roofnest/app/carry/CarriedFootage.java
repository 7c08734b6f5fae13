package roofnest.app.carry;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

import org.springframework.stereotype.Component;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.FootageListRepository;
import roofnest.app.records.FootageRepository;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.footage.CardCheck;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.Keeping;
import roofnest.core.judge.Camera;

/** Where footage is kept, on its way out of one firm and into another. Plans are the firm's: one is known again by maker and name, and
 * written down where it is not known. */
@Component
class CarriedFootage {
    private final FootageRepository footage;
    private final CardRepository cards;
    private final FootageListRepository lists;
    private final CloudPlanRepository plans;

    CarriedFootage(FootageRepository footage, CardRepository cards, FootageListRepository lists, CloudPlanRepository plans) {
        this.footage = footage;
        this.cards = cards;
        this.lists = lists;
        this.plans = plans;
    }

    /** What the house has for all its cameras; null before anybody said. */
    HouseholdFile.HouseFootage houseOut(long household) {
        FootageRepository.House house = footage.house(household);
        return house.version() == 0 ? null : new HouseholdFile.HouseFootage(house.recorderGb(), house.packsByFirm());
    }

    void houseIn(long household, HouseholdFile.HouseFootage in) {
        if (in != null) {
            footage.say(household, new FootageRepository.House(in.recorderGb(), in.packsByFirm(), 0));
        }
    }

    /** What is set of one camera's footage; null where nothing is. */
    HouseholdFile.FootageSet out(long household, CameraRepository.Record record) {
        Camera camera = record.camera();
        HouseholdFile.KeptSo kept = Optional.ofNullable(footage.of(household).byCamera().get(camera.id()))
                .map(k -> new HouseholdFile.KeptSo(
                        k.when().name(), k.fromHour(), k.toHour(), k.toRecorder(), k.stopsWhenFull(),
                        k.plan().map(CarriedFootage::paid).orElse(null)))
                .orElse(null);
        HouseholdFile.Card card = Optional.ofNullable(cards.of(household).get(camera.id())).map(c -> new HouseholdFile.Card(c.putIn(),
                c.highEndurance(), c.printedGb(), c.check().map(CardCheck::wroteGb).orElse(null), c.check().map(CardCheck::sameGb).orElse(
                        null),
                c.testedOn(), c.by())).orElse(null);
        List<HouseholdFile.GivenOut> given = lists.of(household).stream().filter(list -> list.cameraId() == camera.id())
                .map(list -> new HouseholdFile.GivenOut(list.files().stream().map(file -> new HouseholdFile.GivenFile(file.name(), file
                        .bytes(), file.sha256())).toList(), list.clockFastS().isPresent() ? list.clockFastS().getAsDouble() : null, list
                                .forWhom(),
                        list.by(), list.at()))
                .toList();
        OptionalDouble worst = camera.settings().worstWeekShare();
        return kept == null && card == null && given.isEmpty() && record.packSince() == null && worst.isEmpty() ? null
                : new HouseholdFile.FootageSet(record.packSince(), worst.isPresent() ? worst.getAsDouble() : null, kept, card, given);
    }

    private static HouseholdFile.PaidPlan paid(CloudPlan plan) {
        return new HouseholdFile.PaidPlan(plan.name(), plan.centsAMonth(), plan.camerasMost(), plan.keepsDays(), plan.clipMostS(),
                plan.kinds().stream().map(Enum::name).sorted().toList());
    }

    /** The firm's own plan of that maker and name; written down there if it has none. */
    private CloudPlan plan(long firm, String maker, HouseholdFile.PaidPlan in) {
        return named(firm, maker, in.name()).orElseGet(() -> {
            plans.say(firm,
                    new CloudPlan(0, in.name(), maker, in.centsAMonth(), in.camerasMost(), in.keepsDays(), in.clipMostS(), in.kinds()
                            .stream().map(AlertSpec.Kind::valueOf).collect(Collectors.toSet())),
                    0);
            return named(firm, maker, in.name()).orElseThrow();
        });
    }

    private Optional<CloudPlan> named(long firm, String maker, String name) {
        return plans.of(firm).stream().filter(plan -> plan.maker().equals(maker) && plan.name().equals(name)).findFirst();
    }

    void in(long household, long firm, long camera, String maker, HouseholdFile.FootageSet in) {
        Optional.ofNullable(in.keeping()).ifPresent(k -> footage.keep(household, camera, new Keeping(Keeping.When.valueOf(k.when()), k
                .fromHour(), k.toHour(), k.toRecorder(), k.stopsWhenFull(),
                Optional.ofNullable(k.plan()).map(plan -> plan(firm, maker,
                        plan)))));
        Optional.ofNullable(in.card()).filter(c -> (c.wroteGb() == null) != (c.sameGb() == null) || (c.wroteGb() == null) != (c
                .testedOn() == null)).ifPresent(c -> {
                    throw new IllegalArgumentException("a card that was tested says on which day, what it took and what came back");
                });
        Optional.ofNullable(in.card()).ifPresent(c -> cards.say(household, camera, new CardRepository.Card(c.putIn(), c.highEndurance(), c
                .printedGb(),
                c.wroteGb() == null || c.sameGb() == null ? Optional.empty()
                        : Optional.of(new CardCheck(c.printedGb(), c.wroteGb(), c.sameGb())),
                c.testedOn(), c.by(), 0)));
        if (in.givenOut() != null) {
            in.givenOut().forEach(list -> lists.put(household, new FootageListRepository.Kept(0, camera, list.files().stream().map(
                    file -> new FootageListRepository.File(file.name(), file.bytes(), file.sha256())).toList(), list.clockFastS() == null
                            ? OptionalDouble.empty() : OptionalDouble.of(list.clockFastS()),
                    list.forWhom(), list.by(), list.at())));
        }
    }
}
