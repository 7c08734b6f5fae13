package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.household.FactsLoader;
import roofnest.app.household.Judges;
import roofnest.app.models.Models;
import roofnest.app.ready.RouterRepository;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.HouseholdRef;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.network.AddressPlan;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.Thing;
import roofnest.core.radio.LinkBudget;
import roofnest.standins.Place;

/** What the stand-ins have to be told of a house, so that they behave as the real thing would in it. */
@Component
class HouseForBench {
    private final FactsLoader facts;
    private final Judges judges;
    private final CameraRepository cameras;
    private final RouterRepository routers;
    private final Models models;
    private final Clock clock;

    HouseForBench(FactsLoader facts, Judges judges, CameraRepository cameras, RouterRepository routers, Models models, Clock clock) {
        this.facts = facts;
        this.judges = judges;
        this.cameras = cameras;
        this.routers = routers;
        this.models = models;
        this.clock = clock;
    }

    /** Where a run sets its device up: beside the router, or at its place with the signal there. */
    Place placeOf(HouseholdRef ref, RunRepository.Run run, Joinable device) {
        Place beside = beside(ref, device, run.networkName(), run.phone());
        boolean noBar = run.atPlace() && (run.way() == PairingMethod.Way.HUB_BUTTON ? beyondHub(ref, run.cameraId())
                : barsAt(ref, run.cameraId()).filter(bars -> bars == 0).isPresent());
        return noBar ? beside.oneBar() : beside;
    }

    /** How a model of fixed address is reached from this house, as one text; empty when it needs no such thing. */
    Optional<String> recipe(HouseholdRef ref, String name, DeviceModel model) {
        return Optional.ofNullable(model.factoryAddress())
                .flatMap(fixed -> routers.of(ref.id()).addresses().flatMap(addresses -> addresses.plan().recipe(name, fixed)))
                .map(recipe -> String.join(" ", recipe.steps()));
    }

    /**
     * What of the house the stand-ins are honest to: name, password, band and security against the model, isolation, free
     * addresses, push-button, range.
     */
    Place beside(HouseholdRef ref, Joinable device, String networkName, PhoneKind phone) {
        Optional<HomeNetwork> network = facts.load(ref.id()).network();
        Optional<AddressPlan> addresses = routers.of(ref.id()).addresses().map(RouterRepository.Addresses::plan);
        boolean suits = network.map(each -> CredentialFit.judge(each, device).stream().noneMatch(FitIssue::blocks)).orElse(false)
                && addresses.map(plan -> plan.free() > 0).orElse(true);
        boolean outside = device instanceof DeviceModel model && recipe(ref, model.name(), model).isPresent();
        return new Place(networkName, suits, network.filter(HomeNetwork::isolated).isPresent(), routers.of(ref.id()).pushButton(), false,
                outside, phone);
    }

    /** Whether a camera's place is farther from every hub on the plan than its button reaches; not, where the plan shows no hub. */
    private boolean beyondHub(HouseholdRef ref, long cameraId) {
        Camera camera = cameras.get(ref.id(), cameraId).camera();
        double reachM = models.hubOf(camera.model()).map(HubModel::pairingRangeM).orElse(Double.MAX_VALUE);
        List<Thing> onPlan = facts.load(ref.id()).plan().map(plan -> plan.ofKind(Thing.Kind.HUB).toList()).orElse(List.of());
        return !onPlan.isEmpty() && onPlan.stream().allMatch(hub -> hub.at().distanceM(camera.pose().onPlan()) > reachM);
    }

    /** Bars that a phone would show at a camera's place, by the plan and the readings; empty without a plan. */
    Optional<Integer> barsAt(HouseholdRef ref, long cameraId) {
        HouseholdFacts household = facts.load(ref.id());
        return household.cameras().stream().filter(camera -> camera.id() == cameraId).findFirst()
                .flatMap(camera -> judges.of(household).link(household, camera)).map(link -> LinkBudget.bars(link.rssiDbm()));
    }

    /** Whether its pack is empty by now, by what it draws in a day and when it was last charged; what the sun gave is not counted. */
    boolean flat(HouseholdRef ref, Camera camera) {
        if (!camera.model().power().onBattery() || camera.model().power().panelW() > 0 || camera.lastCharged().isEmpty()) {
            return false;
        }
        HouseholdFacts household = facts.load(ref.id());
        double daysPerCharge = camera.model().power().capacityMah() / judges.of(household).batteryYear(household, camera).drawMahPerDay();
        return ChronoUnit.DAYS.between(camera.lastCharged().get(), LocalDate.now(clock)) > daysPerCharge;
    }
}
