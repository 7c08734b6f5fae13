package roofnest.app.wishes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRef;
import roofnest.app.secrets.SealedRows;
import roofnest.app.secrets.Sealer;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;

import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Acts that were asked for, with what was typed for them, sealed. */
@Repository
public class Wishes implements SealedRows {
    private static final int SETTLED_SHOWN = 20;
    private static final int MOST_SHOWN = 8;
    private static final int LONGEST_SHOWN = 120;
    /** Of use to the page alone: what it was opened at, and the strokes of a signature. */
    private static final Set<String> UNSHOWN = Set.of("_csrf", "version", "strokes", "shown");
    private static final Pattern TYPED = Pattern.compile("^(?!true$|false$|on$).*\\p{Ll}", Pattern.DOTALL);
    private static final Pattern SECRET = Pattern.compile("(?i)password|code|token|pin|secret");
    private static final TypeReference<Map<String, List<String>>> FIELDS = new TypeReference<>() {
    };

    private final JdbcClient jdbc;
    private final Sealer sealer;
    private final JsonMapper json;
    private final Clock clock;

    Wishes(JdbcClient jdbc, Sealer sealer, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.sealer = sealer;
        this.json = json;
        this.clock = clock;
    }

    /**
     * @param settledBy null while it is open
     * @param granted whether it was done as asked
     */
    record Wish(long id, long householdId, String household, long askedById, String askedBy, OffsetDateTime askedAt, String act,
            Role.Permission permission, String path, OffsetDateTime settledAt, String settledBy, boolean granted) {}

    /** Keeps what was asked; asked again by the same person, what was typed last counts. */
    @Transactional
    public void keep(HouseholdRef ref, String act, Role.Permission permission, String path, Map<String, List<String>> fields) {
        jdbc.sql("""
            insert into wish (household_id, asked_by, asked_at, act, permission, path, fields)
            values (:household, :by, :now, :act, :permission, :path, :fields)
            on conflict (asked_by, path, act) where settled_at is null
            do update set asked_at = excluded.asked_at, fields = excluded.fields, permission = excluded.permission
            """)
                .param("household", ref.id()).param("by", ref.staff().id()).param("now", OffsetDateTime.now(clock)).param("act", act)
                .param("permission", permission.name()).param("path", path)
                .param("fields", sealer.seal(json.writeValueAsString(fields), belongsTo(ref.id(), path))).update();
    }

    /** What was typed for an open wish of this firm, if it was asked at this address and this person may do it. */
    Optional<Map<String, List<String>>> fields(Staff staff, long id, String path) {
        return find(staff.firmId(), id)
                .filter(wish -> wish.settledAt() == null && wish.path().equals(path) && staff.may(wish.permission()))
                .flatMap(wish -> sealer.open(
                        jdbc.sql("select fields from wish where id = :id").param("id", id).query(byte[].class).single(),
                        belongsTo(wish.householdId(), path)))
                .map(typed -> json.readValue(typed, FIELDS));
    }

    /**
     * The words that were filled in, for whoever is to grant it; secrets are said to be there and not shown. Ticks, choices and numbers are
     * left out: without the page around them they say nothing.
     * Nothing when it does not open.
     */
    List<String> filledIn(Staff staff, Wish wish) {
        return fields(staff, wish.id(), wish.path()).orElse(Map.of()).entrySet().stream()
                .filter(field -> !UNSHOWN.contains(field.getKey()))
                .sorted(Map.Entry.comparingByKey())
                .flatMap(field -> field.getValue().stream().filter(TYPED.asPredicate())
                        .map(value -> words(field.getKey()) + ": " + (SECRET.matcher(field.getKey()).find() ? "filled in, not shown here"
                                : value.length() > LONGEST_SHOWN ? value.substring(0, LONGEST_SHOWN) + "…" : value)))
                .limit(MOST_SHOWN).toList();
    }

    /** cameraName: camera name. */
    private static String words(String field) {
        return field.replaceAll("([a-z0-9])([A-Z])", "$1 $2").replaceAll("[-_]", " ").toLowerCase(Locale.ROOT);
    }

    private static String belongsTo(long householdId, String path) {
        return "wish of household " + householdId + " at " + path;
    }

    @Override
    public String what() {
        return "requests";
    }

    @Override
    @Transactional
    public int sealAnew() {
        record Old(long id, String belongsTo, byte[] sealed) {}
        return jdbc.sql("select id, household_id, path, fields from wish where settled_at is null for update")
                .query((row, n) -> new Old(row.getLong("id"), belongsTo(row.getLong("household_id"), row.getString("path")),
                        row.getBytes("fields")))
                .list().stream()
                .mapToInt(old -> sealer.anew(old.sealed(), old.belongsTo())
                        .map(anew -> jdbc.sql("update wish set fields = :sealed where id = :id")
                                .param("sealed", anew).param("id", old.id()).update())
                        .orElse(0))
                .sum();
    }

    /** It was done as asked. */
    @Transactional
    public void granted(Staff staff, long id) {
        settle(staff, id, true);
    }

    /** By whoever may do it, or taken back by whoever asked. */
    @Transactional
    public void decline(Staff staff, long id) {
        Wish wish = find(staff.firmId(), id).orElseThrow(NoSuchPage::new);
        if (!staff.may(wish.permission()) && wish.askedById() != staff.id()) {
            throw new NoSuchPage();
        }
        if (!settle(staff, id, false)) {
            throw new Conflict(wish.settledBy() + " settled this meanwhile.");
        }
    }

    /** What was typed is not needed any more once it is settled. */
    private boolean settle(Staff staff, long id, boolean granted) {
        return jdbc.sql("""
            update wish
            set settled_at = :now, settled_by = :by, granted = :granted, fields = ''
            where id = :id and settled_at is null and household_id in (select id from household where firm_id = :firm)
            """).param("now", OffsetDateTime.now(clock)).param("by", staff.name()).param("granted", granted).param("id", id)
                .param("firm", staff.firmId()).update() == 1;
    }

    private Optional<Wish> find(long firmId, long id) {
        return jdbc.sql(SELECT + " where h.firm_id = :firm and w.id = :id").param("firm", firmId).param("id", id).query(Wishes::wish)
                .optional();
    }

    /** How many wait for this person. */
    public int waiting(Staff staff) {
        return waitingFor(staff).size();
    }

    /** Open ones that this person may settle. */
    List<Wish> waitingFor(Staff staff) {
        return jdbc.sql(SELECT + """
             where h.firm_id = :firm and w.settled_at is null and w.permission = any(:may)
            order by w.id
            """).param("firm", staff.firmId())
                .param("may", staff.role().permissions().stream().map(Enum::name).toArray(String[]::new)).query(Wishes::wish).list();
    }

    /** This person's own: open ones, and the latest of the settled. */
    List<Wish> askedBy(Staff staff) {
        return jdbc.sql(SELECT + " where w.asked_by = :person order by w.settled_at is not null, w.id desc limit :most")
                .param("person", staff.id()).param("most", SETTLED_SHOWN).query(Wishes::wish).list();
    }

    private static final String SELECT = """
        select w.id, w.household_id, h.name || ', ' || h.address as household, w.asked_by, p.name as asked_by_name, w.asked_at, w.act,
               w.permission, w.path, w.settled_at, w.settled_by, w.granted
        from wish w join household h on h.id = w.household_id join person p on p.id = w.asked_by
        """;

    private static Wish wish(ResultSet row, int n) throws SQLException {
        return new Wish(row.getLong("id"), row.getLong("household_id"), row.getString("household"), row.getLong("asked_by"),
                row.getString("asked_by_name"), row.getObject("asked_at", OffsetDateTime.class), row.getString("act"),
                Role.Permission.valueOf(row.getString("permission")), row.getString("path"),
                row.getObject("settled_at", OffsetDateTime.class), row.getString("settled_by"), row.getBoolean("granted"));
    }
}
