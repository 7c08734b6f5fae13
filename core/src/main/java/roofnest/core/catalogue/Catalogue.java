package roofnest.core.catalogue;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The device models known to the application. */
public final class Catalogue {
    private static final List<String> SHIPPED = List.of(
            "dunmark-post", "pellan-drift", "pellan-knock", "oskarra-sill", "cairnlow-eave", "tarrowby-turn", "vellin-dome",
            "dunmark-gate", "oskarra-ledge", "tarrowby-turn-air", "vellin-ridge", "pellan-swift", "spare-phone");
    private static final List<String> SHIPPED_HUBS = List.of("pellan-perch");

    private final Map<String, DeviceModel> byKey;
    private final Map<String, HubModel> hubs;

    public Catalogue(Collection<DeviceModel> models, Collection<HubModel> hubModels) {
        byKey = new LinkedHashMap<>();
        models.forEach(model -> byKey.put(model.key(), model));
        hubs = new LinkedHashMap<>();
        hubModels.forEach(hub -> hubs.put(hub.key(), hub));
    }

    /** The models that ship with the application. */
    public static Catalogue shipped() {
        DeviceDocument documents = new DeviceDocument();
        return new Catalogue(SHIPPED.stream().map(key -> (DeviceModel) read(documents, key)).toList(),
                SHIPPED_HUBS.stream().map(key -> (HubModel) read(documents, key)).toList());
    }

    public Collection<HubModel> hubs() {
        return List.copyOf(hubs.values());
    }

    /** The hub that a camera joins through, or may join through. */
    public Optional<HubModel> hubOf(DeviceModel model) {
        return Optional.ofNullable(model.hub()).map(hubs::get);
    }

    public Collection<DeviceModel> models() {
        return List.copyOf(byKey.values());
    }

    public Optional<DeviceModel> find(String key) {
        return Optional.ofNullable(byKey.get(key));
    }

    /** The model of this key; it is a fault of the program to ask for one that is not there. */
    public DeviceModel get(String key) {
        return find(key).orElseThrow(() -> new IllegalArgumentException("the catalogue has no model " + key));
    }

    private static Joinable read(DeviceDocument documents, String key) {
        try (InputStream in = Catalogue.class.getResourceAsStream("/roofnest/models/" + key + ".json")) {
            return documents.shipped(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
