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

import roofnest.core.document.DocumentRefused;

/** The device models known to the application. */
public final class Catalogue {
    private static final List<String> SHIPPED = List.of(
            "dunmark-post", "pellan-drift", "pellan-knock", "oskarra-sill", "cairnlow-eave", "tarrowby-turn", "vellin-dome");

    private final Map<String, DeviceModel> byKey;

    public Catalogue(Collection<DeviceModel> models) {
        byKey = new LinkedHashMap<>();
        models.forEach(model -> byKey.put(model.key(), model));
    }

    /** The models that ship with the application. */
    public static Catalogue shipped() {
        DeviceDocument documents = new DeviceDocument();
        return new Catalogue(SHIPPED.stream().map(key -> read(documents, key)).toList());
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

    private static DeviceModel read(DeviceDocument documents, String key) {
        try (InputStream in = Catalogue.class.getResourceAsStream("/roofnest/models/" + key + ".json")) {
            return documents.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (DocumentRefused e) {
            throw new IllegalStateException("the shipped model " + key, e);
        }
    }
}
