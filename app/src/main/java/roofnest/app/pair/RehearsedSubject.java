package roofnest.app.pair;

import java.util.List;
import java.util.Optional;

import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.Joinable;

/** A stand-in, of a house's own device or in the rehearsal room: the same is asked of what is typed, and nothing of it is kept. */
record RehearsedSubject(String name, Joinable device, Optional<CameraRepository.Record> camera,
        List<String> otherNames) implements Subject {
    /** In the rehearsal room, where no house is. */
    static RehearsedSubject inTheRoom(Joinable device) {
        return new RehearsedSubject(device.fullName(), device, Optional.empty(), List.of());
    }

    /** In the place of a house's own device. */
    static RehearsedSubject of(Subject real) {
        return new RehearsedSubject(real.name(), real.device(), real.camera(), real.otherNames());
    }

    @Override
    public void markJoined() {
        // Only a stand-in is joined.
    }

    @Override
    public String ownPassword(String password) {
        return "own password set on the stand-in";
    }

    @Override
    public Optional<String> passwordOnLabel() {
        return Optional.empty();
    }

    @Override
    public void settle(String firmware, String recoveryAddress) {
        // The real one may show another version.
    }

    @Override
    public Optional<String> serialElsewhere(String serial) {
        return Optional.empty();
    }

    @Override
    public void keepSticker(String serial, String kept) {
        // A stand-in's sticker is nobody's.
    }

    @Override
    public void rename(String name, String room) {
        // The real one keeps its name until its own run.
    }
}
