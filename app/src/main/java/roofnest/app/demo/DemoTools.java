package roofnest.app.demo;

import java.util.List;
import java.util.ArrayList;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.ready.AirScanRepository;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.PlanDocument;
import roofnest.core.document.DocumentRefused;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What the demo's households have in common in the making. */
@Component
class DemoTools {
    final HouseholdRepository households;
    final Changes changes;
    final CameraRepository cameras;
    final PromiseRepository promises;
    final ResidentRepository residents;
    private final List<Runnable> wanted = new ArrayList<>();
    final NetworkRepository networks;
    final AppointmentRepository appointments;
    final OtherThingRepository otherThings;
    final AccessRepository access;
    final LedgerRepository ledger;
    final RouterRepository routers;
    private final AirScanRepository scans;
    private final PlanDocument plans;

    DemoTools(
            HouseholdRepository households, Changes changes, CameraRepository cameras, PromiseRepository promises,
            ResidentRepository residents, NetworkRepository networks, AppointmentRepository appointments, OtherThingRepository otherThings,
            AccessRepository access,
            LedgerRepository ledger,
            RouterRepository routers,
            AirScanRepository scans,
            PlanDocument plans) {
        this.households = households;
        this.changes = changes;
        this.cameras = cameras;
        this.promises = promises;
        this.residents = residents;
        this.networks = networks;
        this.appointments = appointments;
        this.otherThings = otherThings;
        this.access = access;
        this.ledger = ledger;
        this.routers = routers;
        this.scans = scans;
        this.plans = plans;
    }

    HouseholdRef household(Staff staff, String name, String address, LocalDate due, String dueWhat) {
        HouseholdRef ref = new HouseholdRef(households.add(staff.firmId(), name, address, due, dueWhat), staff);
        wanted.add(() -> households.setDueByHand(ref.id(), due, dueWhat, staff.id(), true, households.get(ref.id()).particulars()));
        return ref;
    }

    /** What is next at each household as its story has it, once all its work is told: reaching a stage makes it follow the work. */
    void settleDues() {
        wanted.forEach(Runnable::run);
        wanted.clear();
    }

    long idOf(long firmId, String name) {
        return households.all(firmId).stream()
                .filter(household -> household.name().equals(name)).findFirst().orElseThrow().id();
    }

    void plan(HouseholdRef ref, String file) {
        try {
            String document = plans.write(plans.read(text("/demo/plans/" + file + ".json")));
            changes.run(ref, Stage.BRIEF, () -> households.setPlan(ref.id(), document));
        } catch (DocumentRefused e) {
            throw new IllegalStateException("demo plan " + file, e);
        }
    }

    private static String text(String resource) {
        try (InputStream in = DemoTools.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    long camera(HouseholdRef ref, Stage stage, String name, String model, CameraPose pose, Camera.Settings settings) {
        return changes.make(ref, stage, () -> cameras.add(ref.id(), name, model, pose, settings));
    }

    void network(HouseholdRef ref, Stage stage, String name, String password, Set<Band> bands, WifiSecurity security) {
        changes.run(ref, stage, () -> networks.save(ref.id(), new HomeNetwork(name, password, bands, security, false), 0, ref.by()));
    }

    void router(HouseholdRef ref, RouterRepository.Router router) {
        changes.run(ref, Stage.READY, () -> routers.save(ref.id(), router));
    }

    void scan(HouseholdRef ref, String file) {
        scans.keep(ref.id(), text("/demo/scans/" + file + ".txt"), ref.by());
    }

    long person(HouseholdRef ref, String name, String email, Access.Tie tie, LocalDate leftOn) {
        return changes.make(ref, Stage.BRIEF, () -> residents.add(ref.id(), name, email, tie, leftOn));
    }

    void notes(HouseholdRef ref, String notes) {
        households.setNotes(ref.id(), notes, households.get(ref.id()).version());
    }
}
