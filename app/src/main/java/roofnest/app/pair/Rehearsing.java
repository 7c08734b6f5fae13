package roofnest.app.pair;

import java.util.List;
import java.util.Optional;

import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.Joinable;

/** A device of a house whose run is made on stand-ins: what is typed is asked for as on the real one, and nothing of it is kept. */
record Rehearsing(Subject real) implements Subject {
    @Override
    public String name() {
        return real.name();
    }

    @Override
    public Joinable device() {
        return real.device();
    }

    @Override
    public Optional<CameraRepository.Record> camera() {
        return real.camera();
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

    @Override
    public List<String> otherNames() {
        return real.otherNames();
    }
}
