package roofnest.app.pair;

import java.util.List;
import java.util.Optional;

import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.Joinable;

/** What a run is about, and where what is learned of it is written down. */
interface Subject {
    String name();

    Joinable device();

    /** Empty for a hub and in a rehearsal. */
    Optional<CameraRepository.Record> camera();

    void markJoined();

    /** @return what the run's event says of it */
    String ownPassword(String password);

    Optional<String> passwordOnLabel();

    void settle(String firmware, String recoveryAddress);

    /** What else of the firm's has this serial already, in words; empty when nothing has. */
    Optional<String> serialElsewhere(String serial);

    void keepSticker(String serial, String kept);

    void rename(String name, String room);

    /** Names of everything else in the house. */
    List<String> otherNames();
}
