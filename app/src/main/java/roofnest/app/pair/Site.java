package roofnest.app.pair;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

import roofnest.app.models.Models;
import roofnest.app.records.Experience;
import roofnest.app.records.HubRepository;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.RouterRepository;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.judge.Camera;
import roofnest.core.network.AddressPlan;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.network.HomeNetwork;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.plan.Thing;
import roofnest.core.radio.LinkBudget;
import roofnest.standins.Place;

/**
 * A house as pairing has to know it: read once for a request. It says which ways in there are, and what the stand-ins have
 * to be told so that they behave as the real thing would in it.
 *
 * @param experience of the firm, looked up when first asked for
 */
record Site(JudgedHousehold household, List<HubRepository.Hub> hubs, RouterRepository.Router router, Supplier<Experience> experience,
        Models models) {
    Optional<HomeNetwork> network() {
        return household.facts().network();
    }

    private boolean isolated() {
        return network().filter(HomeNetwork::isolated).isPresent();
    }

    /** Hubs that the household's cameras join through, or that are there already. */
    List<HubModel> hubModels() {
        List<HubModel> needed = new ArrayList<>();
        household.facts().cameras().stream().map(Camera::model).filter(model -> model.radio().viaHub())
                .flatMap(model -> models.hubOf(model).stream()).distinct().forEach(needed::add);
        hubs.stream().map(hub -> models.hub(hub.modelKey())).filter(hub -> !needed.contains(hub)).forEach(needed::add);
        return needed;
    }

    Optional<HubRepository.Hub> hub(String modelKey) {
        return hubs.stream().filter(hub -> hub.modelKey().equals(modelKey)).findFirst();
    }

    String hubNameFor(DeviceModel model) {
        return models.hubOf(model).map(HubModel::fullName).orElse("its hub");
    }

    /** Name of the hub that a device waits for; empty when it needs none, or its hub is online. */
    Optional<String> waitsForHub(Open open) {
        return open.camera().map(record -> record.camera().model()).filter(model -> open.run().way() == PairingMethod.Way.HUB_BUTTON)
                .flatMap(models::hubOf).filter(hub -> hub(hub.key())
                        .filter(own -> own.joined() || open.run().bench() && own.rehearsed()).isEmpty())
                .map(HubModel::fullName);
    }

    /** Ways in of a camera, by the firm's log with such phones. */
    MethodOrder order(DeviceModel model, PhoneKind phone) {
        MethodOrder.Here here = new MethodOrder.Here(router.pushButton(), isolated(), models.hubOf(model).isPresent(), true, true);
        return MethodOrder.of(model, here, experience.get().log(model.key(), phone));
    }

    MethodOrder order(HubModel hub) {
        return MethodOrder.of(hub, new MethodOrder.Here(router.pushButton(), isolated(), true, true, true), Map.of());
    }

    MethodOrder order(Open open) {
        return open.device() instanceof DeviceModel model ? order(model, open.run().phone()) : order((HubModel) open.device());
    }

    /** How a model of fixed address is reached from this house, as one text; empty when it needs no such thing. */
    Optional<String> recipe(String name, DeviceModel model) {
        return Optional.ofNullable(model.factoryAddress())
                .flatMap(fixed -> router.addresses().flatMap(RouterRepository.Addresses::understood)
                        .flatMap(plan -> plan.recipe(name, fixed)))
                .map(recipe -> String.join(" ", recipe.steps()));
    }

    /** Where a run sets its device up: beside the router, or at its place with the signal there. */
    Place placeOf(RunRepository.Run run, Joinable device) {
        Place beside = beside(device, run.networkName(), run.phone());
        if (!run.atPlace()) {
            return beside;
        }
        Camera camera = household.camera(run.cameraId()).camera();
        boolean noBar = run.way() == PairingMethod.Way.HUB_BUTTON ? beyondHub(camera) : bars(camera).filter(bars -> bars == 0).isPresent();
        return noBar ? beside.oneBar() : beside;
    }

    /**
     * What of the house the stand-ins are honest to: name, password, band and security against the model, isolation, free
     * addresses, push-button, range.
     */
    Place beside(Joinable device, String networkName, PhoneKind phone) {
        boolean suits = network().map(each -> CredentialFit.judge(each, device).stream().noneMatch(FitIssue::blocks)).orElse(false)
                && router.addresses().map(RouterRepository.Addresses::plan).map(AddressPlan::free).orElse(1) > 0;
        boolean outside = device instanceof DeviceModel model && recipe(model.name(), model).isPresent();
        return new Place(networkName, suits, isolated(), router.pushButton(), false, outside, phone);
    }

    /** Whether a camera's place is farther from every hub on the plan than its button reaches; not, where the plan shows no hub. */
    private boolean beyondHub(Camera camera) {
        double reachM = models.hubOf(camera.model()).map(HubModel::pairingRangeM).orElse(Double.MAX_VALUE);
        List<Thing> onPlan = household.facts().plan().map(plan -> plan.ofKind(Thing.Kind.HUB).toList()).orElse(List.of());
        return !onPlan.isEmpty() && onPlan.stream().allMatch(hub -> hub.at().distanceM(camera.pose().onPlan()) > reachM);
    }

    /** Bars that a phone would show at a camera's place, by the plan and the readings; empty without a plan. */
    Optional<Integer> bars(Camera camera) {
        return household.judge().link(household.facts(), camera).map(link -> LinkBudget.bars(link.rssiDbm()));
    }

    /** Whether its pack is empty by now, by what it draws in a day and when it was last charged; what the sun gave is not counted. */
    boolean flat(Camera camera) {
        if (!camera.model().power().onBattery() || camera.model().power().panelW() > 0 || camera.lastCharged().isEmpty()) {
            return false;
        }
        double drawMah = household.judge().batteryYear(household.facts(), camera).drawMahPerDay();
        LocalDate today = household.facts().today();
        return ChronoUnit.DAYS.between(camera.lastCharged().get(), today) > camera.model().power().capacityMah() / drawMah;
    }
}
