package roofnest.app.pair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.HubModel;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Joinable;
import roofnest.core.pairing.Step;

/** The devices of a house as subjects of runs: its cameras and its hubs. */
@Component
class Subjects {
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final SecretStore secrets;
    private final NetworkRepository networks;
    private final LedgerRepository ledger;
    private final Models models;

    Subjects(CameraRepository cameras, HubRepository hubs, SecretStore secrets, NetworkRepository networks,
            LedgerRepository ledger, Models models) {
        this.cameras = cameras;
        this.hubs = hubs;
        this.secrets = secrets;
        this.networks = networks;
        this.ledger = ledger;
        this.models = models;
    }

    Subject of(HouseholdRef ref, Site site, RunRepository.Run run) {
        Subject real = real(ref, site, run);
        return run.bench() ? RehearsedSubject.of(real) : real;
    }

    /** The password of the network that a run joins its device to; the look is logged with the device's name. */
    String revealNetwork(HouseholdRef ref, Open open) {
        if (open.run().finished() || !open.step().is(Step.Trait.NEEDS_WIFI_PASSWORD)) {
            throw new Conflict("The run has gone on: its step does not want the Wi-Fi password.");
        }
        return networks.all(ref.id()).stream().filter(network -> network.name().equals(open.run().networkName())).findFirst()
                .flatMap(network -> secrets.revealWifiPassword(ref.id(), network.id(), ref.by(),
                        "shown in the run of " + open.deviceName() + " at " + open.step().title()))
                .orElseThrow(() -> new Conflict("No password of " + open.run().networkName() + " is in the sealed store. Write it down at "
                        + "Ready."));
    }

    private Subject real(HouseholdRef ref, Site site, RunRepository.Run run) {
        if (run.hubId() > 0) {
            HubRepository.Hub hub = site.hubs().stream().filter(each -> each.id() == run.hubId()).findFirst().orElseThrow(NoSuchPage::new);
            return new HubSubject(ref, site, hub, models.hub(hub.modelKey()));
        }
        return new CameraSubject(ref, site, site.household().camera(run.cameraId()));
    }

    private final class CameraSubject implements Subject {
        private final HouseholdRef ref;
        private final Site site;
        private final CameraRepository.Record record;

        private CameraSubject(HouseholdRef ref, Site site, CameraRepository.Record record) {
            this.ref = ref;
            this.site = site;
            this.record = record;
        }

        @Override
        public String name() {
            return record.camera().name();
        }

        @Override
        public Joinable device() {
            return record.camera().model();
        }

        @Override
        public Optional<CameraRepository.Record> camera() {
            return Optional.of(record);
        }

        @Override
        public void markJoined() {
            cameras.markJoined(ref.id(), record.id());
        }

        @Override
        public String ownPassword(String password) {
            secrets.sealCameraPassword(ref.id(), record.id(), password, ref.by());
            cameras.markOwnPassword(ref.id(), record.id());
            ledger.changed(ref.id(), Secret.Kind.DEVICE, record.id(), "it was given another password in a run", ref.by());
            return "own password sealed";
        }

        @Override
        public Optional<String> passwordOnLabel() {
            return secrets.initialPasswordForRules(ref.id(), record.id());
        }

        @Override
        public void settle(String firmware, String recoveryAddress) {
            cameras.settle(ref.id(), record.id(), firmware, recoveryAddress);
        }

        @Override
        public Optional<String> serialElsewhere(String serial) {
            return cameras.otherOfSerial(ref.staff().firmId(), serial, record.id());
        }

        @Override
        public void keepSticker(String serial, String kept) {
            cameras.keepSticker(ref.id(), record.id(), serial, kept);
        }

        @Override
        public void rename(String name, String room) {
            cameras.rename(ref.id(), record.id(), name);
            cameras.putInRoom(ref.id(), record.id(), room.isBlank() ? null : room.strip());
        }

        @Override
        public List<String> otherNames() {
            List<String> names = new ArrayList<>(cameras.namesOfOthers(ref.id(), record.id()));
            site.hubs().forEach(hub -> names.add(hub.name()));
            return names;
        }
    }

    private final class HubSubject implements Subject {
        private final HouseholdRef ref;
        private final Site site;
        private final HubRepository.Hub hub;
        private final HubModel model;

        private HubSubject(HouseholdRef ref, Site site, HubRepository.Hub hub, HubModel model) {
            this.ref = ref;
            this.site = site;
            this.hub = hub;
            this.model = model;
        }

        @Override
        public String name() {
            return hub.name();
        }

        @Override
        public Joinable device() {
            return model;
        }

        @Override
        public Optional<CameraRepository.Record> camera() {
            return Optional.empty();
        }

        @Override
        public void markJoined() {
            hubs.markJoined(ref.id(), hub.id());
        }

        @Override
        public String ownPassword(String password) {
            secrets.sealHubPassword(ref.id(), hub.id(), password, ref.by());
            hubs.markOwnPassword(ref.id(), hub.id());
            ledger.changed(ref.id(), Secret.Kind.HUB, hub.id(), "it was given another password in a run", ref.by());
            return "own password sealed";
        }

        @Override
        public Optional<String> passwordOnLabel() {
            return Optional.empty();
        }

        @Override
        public void settle(String firmware, String recoveryAddress) {
            hubs.settle(ref.id(), hub.id(), firmware);
        }

        @Override
        public Optional<String> serialElsewhere(String serial) {
            return cameras.otherOfSerial(ref.staff().firmId(), serial, 0);
        }

        @Override
        public void keepSticker(String serial, String kept) {
            hubs.keepSticker(ref.id(), hub.id(), serial, kept);
        }

        @Override
        public void rename(String name, String room) {
            hubs.rename(ref.id(), hub.id(), name, room.strip());
        }

        @Override
        public List<String> otherNames() {
            List<String> names = new ArrayList<>(site.household().facts().cameras().stream().map(camera -> camera.name()).toList());
            site.hubs().stream().filter(other -> other.id() != hub.id()).forEach(other -> names.add(other.name()));
            return names;
        }
    }
}
