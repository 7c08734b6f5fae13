package roofnest.app.records;

import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Conflict;
import roofnest.app.web.StaleEdit;
import roofnest.core.judge.Happened;

/** The household's logbook. */
@Repository
public class LogRepository {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final ArchivedRows archived;

    LogRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.ENTRY, "log_entry", "words");
    }

    public enum Kind {
        NOTE("note"), CHARGE("pack charged"), CALL("call"), RESET("reset"), FIRMWARE("firmware"),
        ROUTER("router, provider or Wi-Fi password changed"), CARD("card changed"), MOVED("camera moved or turned"),
        PHONE("somebody has a new phone"), LEFT("somebody left the house"), LOOK("yearly look"), REPLACED("camera replaced"),
        REPAIR("repair, open");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether it is about one camera. */
        public boolean ofCamera() {
            return this == CHARGE || this == CARD || this == MOVED || this == RESET || this == REPLACED;
        }

        /** Whether it is about somebody of the household. */
        public boolean ofSomebody() {
            return this == PHONE || this == LEFT;
        }

        /** What it changes, as one sentence; empty for what is only remembered. */
        public String effect() {
            return switch (this) {
                case CHARGE -> "The next charge is reckoned from this day.";
                case RESET, REPLACED -> "What was tested of this camera before is to be tested again.";
                case FIRMWARE -> "Firmware is asked for again half a year on.";
                case ROUTER -> "Links, alerts and pictures from away that were tested before are to be tested again.";
                case CARD -> "What it keeps is to be tested again; a card that was written down is reckoned from this day.";
                case MOVED -> "What was tested of this camera before is to be tested again, but for what it keeps.";
                case PHONE -> "Alerts and pictures from away are to be tried on this phone.";
                case LEFT -> "Whoever has left and can still look breaks a promise.";
                case LOOK -> "The next yearly look is a year on.";
                case REPAIR -> "It waits, and stands on the front page, until it is done.";
                case NOTE, CALL -> "";
            };
        }

        private Optional<Happened.Kind> happens() {
            return switch (this) {
                case RESET -> Optional.of(Happened.Kind.RESET);
                case ROUTER -> Optional.of(Happened.Kind.ROUTER);
                case CARD -> Optional.of(Happened.Kind.CARD);
                case MOVED -> Optional.of(Happened.Kind.MOVED);
                case PHONE -> Optional.of(Happened.Kind.PHONE);
                case REPLACED -> Optional.of(Happened.Kind.REPLACED);
                default -> Optional.empty();
            };
        }
    }

    /** What tests no longer count after; an entry that does not say of whom or what takes nothing. */
    public List<Happened> happened(long householdId) {
        return of(householdId).stream().flatMap(entry -> entry.kind().happens().stream().flatMap(kind -> {
            Optional<Long> about = Optional.ofNullable(kind == Happened.Kind.PHONE ? entry.residentId()
                    : kind == Happened.Kind.ROUTER
                            ? null : entry.cameraId());
            return about.isEmpty() && kind != Happened.Kind.ROUTER ? Stream.empty() : Stream.of(new Happened(kind, about, entry.on()));
        })).toList();
    }

    /**
     * @param camera its name; empty for the whole house
     * @param residentId whom it is about; null for nobody
     * @param resident their name; empty for nobody
     * @param caseId the call that a repair belongs to; null for none
     * @param nextOn when what it is about comes up again; null when it does not
     * @param changedBy who changed it last; null while it stands as written
     * @param closed whether a repair is done
     */
    public record Entry(long id, Kind kind, String words, Long cameraId, String camera, Long residentId, String resident, Long caseId,
            LocalDate on, String by, LocalDate nextOn, String changedBy, boolean closed, int version) {
        public boolean open() {
            return kind == Kind.REPAIR && !closed;
        }

        /** What it changes; empty where it does not say of which camera or of whom, or is done. */
        public String effect() {
            return closed || kind.ofCamera() && cameraId == null || kind.ofSomebody() && residentId == null ? "" : kind.effect();
        }
    }

    public List<Entry> of(long householdId) {
        return jdbc.sql("""
            select e.id, e.kind, e.words, e.camera_id, coalesce(c.name, '') as camera, e.resident_id, coalesce(r.name, '') as resident,
                   e.fault_case_id, e.happened_on, e.by_name, e.next_on, e.changed_by, e.closed_at, e.version
            from log_entry e left join camera c on c.id = e.camera_id left join resident r on r.id = e.resident_id
            where e.household_id = :householdId and e.removed_at is null
            order by e.happened_on desc, e.id desc
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Entry(row.getLong("id"), Kind.valueOf(row.getString("kind")), row.getString("words"),
                        row.getObject("camera_id", Long.class), row.getString("camera"), row.getObject("resident_id", Long.class),
                        row.getString("resident"), row.getObject("fault_case_id", Long.class),
                        row.getObject("happened_on", LocalDate.class),
                        row.getString("by_name"), row.getObject("next_on", LocalDate.class), row.getString("changed_by"),
                        row.getObject("closed_at") != null, row.getInt("version")))
                .list();
    }

    /** What an entry says. @param residentId whom it is about, or null. @param nextOn when it comes up again; null when it does not */
    public record Said(Long cameraId, Long residentId, Kind kind, String words, LocalDate on, LocalDate nextOn) {
        /** About nobody. */
        public Said(Long cameraId, Kind kind, String words, LocalDate on, LocalDate nextOn) {
            this(cameraId, null, kind, words, on, nextOn);
        }
    }

    /** What an entry said before it was changed. @param until when it was */
    public record Was(Kind kind, String camera, String words, LocalDate on, String by, OffsetDateTime until) {}

    /** By entry, the oldest first. */
    public Map<Long, List<Was>> before(long householdId) {
        Map<Long, List<Was>> before = new HashMap<>();
        jdbc.sql("""
            select w.* from log_entry_was w join log_entry e on e.id = w.entry_id where e.household_id = :id order by w.entry_id, w.version
            """).param("id", householdId).query(row -> {
            before.computeIfAbsent(row.getLong("entry_id"), any -> new ArrayList<>()).add(new Was(Kind.valueOf(row.getString("kind")), row
                    .getString("camera"), row.getString("words"), row.getObject("happened_on", LocalDate.class), row.getString("by_name"),
                    row
                            .getObject("until", OffsetDateTime.class)));
        });
        return before;
    }

    /** Changes an entry if nobody changed it since {@code version}; what it said before is kept. */
    public void change(long householdId, long id, Said said, String by, int version) {
        jdbc.sql("""
            insert into log_entry_was (entry_id, version, kind, camera, words, happened_on, by_name, until)
            select e.id, e.version, e.kind, coalesce(c.name, ''), e.words, e.happened_on, coalesce(e.changed_by, e.by_name), :now
            from log_entry e left join camera c on c.id = e.camera_id
            where e.household_id = :household and e.id = :id and e.version = :version and e.removed_at is null
            """).param("household", householdId).param("id", id).param("version", version).param("now", OffsetDateTime.now(clock)).update();
        int rows = jdbc
                .sql("""
                    update log_entry
                    set camera_id = :cameraId, resident_id = :resident, kind = :kind, words = :words, happened_on = :on,
                        next_on = :next, changed_at = :now,
                        changed_by = :by, version = version + 1
                    where household_id = :householdId and id = :id and version = :version and removed_at is null
                    """)
                .param("cameraId", said.cameraId(), Types.BIGINT)
                .param("resident", said.residentId(), Types.BIGINT)
                .param("kind", said.kind().name())
                .param("words", said.words())
                .param("on", said.on())
                .param("next", said.nextOn(), Types.DATE)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            int now = of(householdId).stream().filter(entry -> entry.id() == id).map(Entry::version).findFirst()
                    .orElseThrow(() -> new Conflict("Somebody else took this entry out meanwhile."));
            throw new StaleEdit("The entry", version, now);
        }
    }

    /** Returns whether there was one to take out. */
    public boolean remove(long householdId, long id, String by) {
        return archived.takeOut(householdId, id, by);
    }

    /** A repair that is done. Returns whether it was open. */
    public boolean close(long householdId, long id) {
        return jdbc.sql("""
            update log_entry set closed_at = :now
            where household_id = :householdId and id = :id and kind = 'REPAIR' and closed_at is null and removed_at is null
            """)
                .param("now", OffsetDateTime.now(clock))
                .param("householdId", householdId)
                .param("id", id)
                .update() == 1;
    }

    ArchivedRows archived() {
        return archived;
    }

    /** One that was not taken out. */
    Optional<Entry> find(long householdId, long id) {
        return of(householdId).stream().filter(entry -> entry.id() == id).findFirst();
    }

    /** What stood where the entry has set something else, as JSON; empty where it set nothing. */
    Optional<String> setBefore(long id) {
        return jdbc.sql("select set_before from log_entry where id = :id and set_before is not null").param("id", id).query(String.class)
                .optional();
    }

    /** @param json empty where it has set nothing */
    void setBefore(long householdId, long id, Optional<String> json) {
        jdbc.sql("update log_entry set set_before = :json::jsonb where household_id = :household and id = :id")
                .param("json", json.orElse(null), Types.VARCHAR).param("household", householdId).param("id", id).update();
    }

    /** Days of the charges of one camera that the log holds, but for one entry. */
    List<LocalDate> charges(long householdId, long cameraId, long butFor) {
        return jdbc.sql("""
            select happened_on from log_entry where household_id = :household and camera_id = :camera and kind = 'CHARGE'
              and removed_at is null and id <> :but
            """).param("household", householdId).param("camera", cameraId).param("but", butFor).query(LocalDate.class).list();
    }

    /** What a charge of that day, which set something, has set it from; empty where the log holds none. */
    Optional<String> setByCharge(long householdId, long cameraId, LocalDate on) {
        return jdbc.sql("""
            select set_before from log_entry where household_id = :household and camera_id = :camera and kind = 'CHARGE'
              and happened_on = :on and set_before is not null order by id limit 1
            """).param("household", householdId).param("camera", cameraId).param("on", on).query(String.class).optional();
    }

    public void add(long householdId, Long cameraId, Kind kind, String words, LocalDate on, String by) {
        add(householdId, new Said(cameraId, kind, words, on, null), by);
    }

    /** @return its number */
    public long add(long householdId, Said said, String by) {
        return add(householdId, said, null, by);
    }

    /** A repair that a call has led to; it is done when the call is. */
    public void addRepair(long householdId, Said said, long caseId, String by) {
        add(householdId, said, caseId, by);
    }

    /** The repairs of a call are done. */
    public void closeOfCase(long householdId, long caseId) {
        jdbc.sql("""
            update log_entry set closed_at = :now where household_id = :household and fault_case_id = :case and kind = 'REPAIR'
              and closed_at is null
            """).param("now", OffsetDateTime.now(clock)).param("household", householdId).param("case", caseId).update();
    }

    private long add(long householdId, Said said, Long caseId, String by) {
        return jdbc.sql("""
            insert into log_entry (household_id, camera_id, resident_id, fault_case_id, kind, words, happened_on, next_on, by_name,
                                   written_at)
            values (:householdId, :cameraId, :resident, :case, :kind, :words, :on, :next, :by, :now)
            returning id
            """)
                .param("householdId", householdId)
                .param("cameraId", said.cameraId(), Types.BIGINT)
                .param("resident", said.residentId(), Types.BIGINT)
                .param("case", caseId, Types.BIGINT)
                .param("kind", said.kind().name())
                .param("words", said.words())
                .param("on", said.on())
                .param("next", said.nextOn(), Types.DATE)
                .param("by", by)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }
}
