package roofnest.app.models;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.watch.Metrics;
import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.document.DocumentRefused;

/**
 * Device models by key. A firm's own carry the firm in their key, {@code own-<firm>-<key>}, so that a camera's model is
 * found by its key alone and never another firm's.
 */
@Repository
public class Models {
    /** Most models that a firm adds. */
    static final int MOST = 200;
    private static final Pattern OWN = Pattern.compile("own-([0-9]{1,18})-(.+)");
    private static final int KEPT = 256;

    private final Catalogue shipped;
    private final DeviceDocument documents = new DeviceDocument();
    private final JdbcClient jdbc;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final Cache<Document, DeviceModel> read;

    Models(Catalogue shipped, JdbcClient jdbc, Clock clock, ApplicationEventPublisher events, Metrics metrics) {
        this.shipped = shipped;
        this.jdbc = jdbc;
        this.clock = clock;
        this.events = events;
        read = metrics.watched("models", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build());
    }

    private record Document(String key, String text) {}

    /** @param inUse how many cameras of the firm are of it */
    record Own(DeviceModel model, String key, String by, OffsetDateTime at, long inUse) {}

    /** The model of a stored camera. */
    public DeviceModel get(String key) {
        Matcher own = OWN.matcher(key);
        if (!own.matches()) {
            return shipped.get(key);
        }
        return read(key, jdbc.sql("select document from firm_model where firm_id = :firm and model_key = :key")
                .param("firm", Long.parseLong(own.group(1))).param("key", own.group(2)).query(String.class).single());
    }

    /** A model that the firm may put in. */
    public Optional<DeviceModel> find(long firmId, String key) {
        return of(firmId).stream().filter(model -> model.key().equals(key)).findFirst();
    }

    /** The shipped ones, then the firm's own. */
    public List<DeviceModel> of(long firmId) {
        List<DeviceModel> all = new ArrayList<>(shipped.models());
        own(firmId).forEach(own -> all.add(own.model()));
        return all;
    }

    /** The hub that a model joins through, or may join through. */
    public Optional<HubModel> hubOf(DeviceModel model) {
        return shipped.hubOf(model);
    }

    /** A hub that ships with the application. */
    public HubModel hub(String key) {
        return shipped.hubs().stream().filter(hub -> hub.key().equals(key)).findFirst().orElseThrow(NoSuchPage::new);
    }

    List<Own> own(long firmId) {
        return jdbc
                .sql("""
                    select m.model_key, m.document, m.added_by, m.added_at,
                           (select count(*) from camera c join household h on h.id = c.household_id
                            where h.firm_id = m.firm_id and c.removed_at is null
                              and c.model_key = 'own-' || m.firm_id || '-' || m.model_key) as in_use
                    from firm_model m
                    where m.firm_id = :firm
                    order by m.model_key
                    """)
                .param("firm", firmId)
                .query((row, n) -> new Own(read("own-" + firmId + "-" + row.getString("model_key"), row.getString("document")),
                        row.getString("model_key"),
                        row.getString("added_by"), row.getObject("added_at", OffsetDateTime.class), row.getLong("in_use")))
                .list();
    }

    String document(DeviceModel model) {
        return documents.write(model.withKey(model.key().replaceFirst("^own-[0-9]+-", "")));
    }

    /** Adds a model, or puts a newer document in the place of the firm's own of that key. */
    public DeviceModel add(long firmId, String document, String by) throws DocumentRefused {
        DeviceModel model = documents.read(document);
        if (shipped.find(model.key()).isPresent()) {
            throw new BadInput("“" + model.key() + "” is the key of a model that ships with the application. Choose another key.");
        }
        if (own(firmId).size() >= MOST && own(firmId).stream().noneMatch(own -> own.key().equals(model.key()))) {
            throw new BadInput("There are " + MOST + " models of your own already. Take one out first.");
        }
        Optional<String> before = jdbc.sql("select document from firm_model where firm_id = :firm and model_key = :key")
                .param("firm", firmId).param("key", model.key()).query(String.class).optional();
        jdbc.sql("""
            insert into firm_model (firm_id, model_key, document, added_by, added_at)
            values (:firm, :key, :document, :by, :now)
            on conflict (firm_id, model_key) do update
            set document = excluded.document, added_by = excluded.added_by, added_at = excluded.added_at
            """)
                .param("firm", firmId)
                .param("key", model.key())
                .param("document", documents.write(model))
                .param("by", by)
                .param("now", OffsetDateTime.now(clock))
                .update();
        if (before.isPresent()) {
            events.publishEvent(new ModelReplaced(firmId, "own-" + firmId + "-" + model.key()));
        }
        return model;
    }

    /** Takes a model out that no camera is of. */
    void remove(long firmId, String key) {
        if (own(firmId).stream().anyMatch(own -> own.key().equals(key) && own.inUse() > 0)) {
            throw new BadInput("A camera is of this model. Take the camera out of its house at Pair first.");
        }
        jdbc.sql("delete from firm_model where firm_id = :firm and model_key = :key").param("firm", firmId).param("key", key).update();
    }

    /** Documents were checked when they were stored. They are kept read by key and text. */
    private DeviceModel read(String key, String document) {
        return read.get(new Document(key, document), stored -> {
            try {
                return documents.read(stored.text()).withKey(stored.key());
            } catch (DocumentRefused e) {
                throw new IllegalStateException("a stored model no longer reads", e);
            }
        });
    }
}
