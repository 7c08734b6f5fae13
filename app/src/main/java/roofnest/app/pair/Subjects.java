package roofnest.app.pair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.models.Models;
import roofnest.app.secrets.SecretStore;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.HouseholdRef;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;

/** What a run of a house is about: one of its cameras, or its hub; and where what is learned of it is written down. */
@Component
class Subjects {
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final SecretStore secrets;
    private final Models models;

    Subjects(CameraRepository cameras, HubRepository hubs, SecretStore secrets, Models models) {
        this.cameras = cameras;
        this.hubs = hubs;
        this.secrets = secrets;
        this.models = models;
    }

    interface Subject {
        String name();

        Joinable device();

        /** Empty for a hub. */
        Optional<CameraRepository.Record> camera();

        void markJoined();

        void ownPassword(String password);

        Optional<String> passwordOnLabel();

        void settle(String firmware, String recoveryAddress);

        void keepSticker(String serial, String kept);

        void rename(String name, String room);

        /** Names of everything else in the house. */
        List<String> otherNames();
    }

    Subject of(HouseholdRef ref, RunRepository.Run run) {
        return run.hubId() > 0 ? hub(ref, hubs.get(ref.id(), run.hubId())) : camera(ref, cameras.get(ref.id(), run.cameraId()));
    }

    private Subject camera(HouseholdRef ref, CameraRepository.Record record) {
        long house = ref.id();
        long id = record.id();
        return new Subject() {
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
                cameras.markJoined(house, id);
            }

            @Override
            public void ownPassword(String password) {
                secrets.sealCameraPassword(house, id, password, ref.by());
                cameras.markOwnPassword(house, id);
            }

            @Override
            public Optional<String> passwordOnLabel() {
                return secrets.initialPasswordForRules(house, id);
            }

            @Override
            public void settle(String firmware, String recoveryAddress) {
                cameras.settle(house, id, firmware, recoveryAddress);
            }

            @Override
            public void keepSticker(String serial, String kept) {
                cameras.keepSticker(house, id, serial, kept);
            }

            @Override
            public void rename(String name, String room) {
                cameras.rename(house, id, name);
                cameras.putInRoom(house, id, room.isBlank() ? null : room.strip());
            }

            @Override
            public List<String> otherNames() {
                List<String> names = new ArrayList<>(cameras.namesOfOthers(house, id));
                hubs.of(house).forEach(hub -> names.add(hub.name()));
                return names;
            }
        };
    }

    private Subject hub(HouseholdRef ref, HubRepository.Hub hub) {
        HubModel model = models.hub(hub.modelKey());
        long house = ref.id();
        return new Subject() {
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
                hubs.markJoined(house, hub.id());
            }

            @Override
            public void ownPassword(String password) {
                secrets.sealHubPassword(house, hub.id(), password, ref.by());
                hubs.markOwnPassword(house, hub.id());
            }

            @Override
            public Optional<String> passwordOnLabel() {
                return Optional.empty();
            }

            @Override
            public void settle(String firmware, String recoveryAddress) {
                hubs.settle(house, hub.id(), firmware);
            }

            @Override
            public void keepSticker(String serial, String kept) {
                hubs.keepSticker(house, hub.id(), serial, kept);
            }

            @Override
            public void rename(String name, String room) {
                hubs.rename(house, hub.id(), name, room.strip());
            }

            @Override
            public List<String> otherNames() {
                return cameras.of(house).stream().map(camera -> camera.name()).toList();
            }
        };
    }
}
