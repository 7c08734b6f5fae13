package roofnest.core.week;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.AlertSpec;

/** What lists of events call what was noticed. */
final class EventKinds {
    private static final Map<AlertSpec.Kind, List<String>> WORDS = Map.of(
            AlertSpec.Kind.PERSON, List.of("person", "people", "human", "somebody", "familiar face", "face"),
            AlertSpec.Kind.VEHICLE, List.of("vehicle", "vehicles", "car", "truck", "van"),
            AlertSpec.Kind.PET, List.of("animal", "animals", "pet", "pets", "cat", "dog"),
            AlertSpec.Kind.PACKAGE, List.of("package", "parcel", "parcels", "delivery"),
            AlertSpec.Kind.SOUND, List.of("sound", "noise", "audio"),
            AlertSpec.Kind.ANY, List.of("motion", "movement", "any", "other", "unknown", "activity"));

    private EventKinds() {}

    /** @param cell such as {@code Person detected}; empty where it names no kind */
    static Optional<AlertSpec.Kind> of(String cell) {
        String bare = cell.toLowerCase(Locale.ROOT).replaceAll("[ _-]*(detected|detection|alert|event)$", "").strip();
        return WORDS.entrySet().stream().filter(entry -> entry.getValue().contains(bare)).map(Map.Entry::getKey).findFirst();
    }
}
