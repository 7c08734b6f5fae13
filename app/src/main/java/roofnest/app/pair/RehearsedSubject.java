package roofnest.app.pair;

import java.util.List;
import java.util.Optional;

import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.Joinable;

/** A stand-in in a rehearsal: the same is asked of what is typed, and nothing of it is kept. */
record RehearsedSubject(Joinable device) implements Subject {
    @Override
    public String name() {
        return device.fullName();
    }

    @Override
    public Optional<CameraRepository.Record> camera() {
        return Optional.empty();
    }

    @Override
    public void markJoined() {
        // Nothing of a rehearsal is written down.
    }

    @Override
    public String ownPassword(String password) {
        return "own password set";
    }

    @Override
    public Optional<String> passwordOnLabel() {
        return Optional.empty();
    }

    @Override
    public void settle(String firmware, String recoveryAddress) {
        // Nothing of a rehearsal is written down.
    }

    @Override
    public Optional<String> serialElsewhere(String serial) {
        return Optional.empty();
    }

    @Override
    public void keepSticker(String serial, String kept) {
        // Nothing of a rehearsal is written down.
    }

    @Override
    public void rename(String name, String room) {
        // Nothing of a rehearsal is written down.
    }

    @Override
    public List<String> otherNames() {
        return List.of();
    }
}
