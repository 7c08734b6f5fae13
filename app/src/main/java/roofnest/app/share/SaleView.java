package roofnest.app.share;

import java.util.List;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HubRepository;
import roofnest.core.access.Access;
import roofnest.core.catalogue.HubModel;
import roofnest.core.pairing.HouseSale;

/** A house that is sold, or given up: what is left to do, in order, and what the next owner is given. */
public record SaleView(List<Line> steps, List<Given> given) {
    /** @param link where it is done, under the household's path; empty when it is not done here */
    public record Line(String words, String why, String link) {}

    public record Given(String name, List<String> lines) {}

    /** A hub with its model. */
    record Hub(HubRepository.Hub hub, HubModel model) {}

    static SaleView of(Frame frame, List<Hub> hubs) {
        Access access = frame.facts().access();
        List<HouseSale.Device> cameras = frame.facts().cameras().stream()
                .map(camera -> new HouseSale.Device(camera.id(), camera.name(), camera.model(), camera.joined())).toList();
        Optional<String> owner = access.people().stream().filter(person -> access.grants().stream()
                .anyMatch(grant -> grant.personId() == person.id() && grant.role() == Access.Role.OWNER)).map(Access.Person::name)
                .findFirst();
        List<HouseSale.Step> steps = HouseSale.of(cameras,
                hubs.stream().map(each -> new HouseSale.Hub(each.hub().id(), each.hub().name(), each.model())).toList(),
                access.screens().stream().map(screen -> new HouseSale.Screen(screen.id(), screen.name())).toList(), owner.orElse(""));
        return new SaleView(steps.stream().map(step -> new Line(step.words(), step.why(), link(step))).toList(),
                frame.cameras().stream().map(SaleView::given).toList());
    }

    private static String link(HouseSale.Step step) {
        return switch (step.at()) {
            case CAMERA -> "/pair/cameras/" + step.id() + "/remove?to=GIVEN_AWAY";
            case HUB -> "/pair/hubs/" + step.id() + "/remove";
            case SCREEN -> "/share#ledger";
            case ACCOUNT -> "";
        };
    }

    private static Given given(CameraRepository.Record record) {
        return new Given(record.camera().name(),
                HouseSale.given(record.camera().model(), record.serial() == null ? "" : record.serial()));
    }
}
