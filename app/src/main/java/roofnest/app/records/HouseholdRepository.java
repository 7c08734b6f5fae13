package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Language;
import roofnest.app.web.StaleEdit;
import roofnest.core.care.WorkAhead;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Stage;

/** The table of households: their names, how far their work is, their plan documents and the counts of their findings. */
@Repository
public class HouseholdRepository {
    private static final String COLUMNS = """
        h.id, h.firm_id, h.name, h.address, h.phone, h.stage, h.stage_since, h.due_on, h.due_what, h.due_person_id,
        (select name from person where id = h.due_person_id) as due_person, h.due_by_hand, h.notes, h.handed_over_at, h.archived_at,
        (select id from network where household_id = h.id and five_off_since is not null and removed_at is null limit 1) as five_off,
        h.version, h.particulars_version, h.changes""";

    private static final int SOON_DAYS = 7;

    private final JdbcClient jdbc;
    private final FirmCounts counts;
    private final Clock clock;

    HouseholdRepository(JdbcClient jdbc, FirmCounts counts, Clock clock) {
        this.jdbc = jdbc;
        this.counts = counts;
        this.clock = clock;
    }

    /** A household with the counts of its promises, for the front page. */
    public record Overview(Household household, int kept, int thin, int broken, int untried) {}

    /** A household held in this transaction. @param changes that it has seen by now */
    record Locked(long id, Stage stage, long changes, OffsetDateTime handedOverAt) {}

    /**
     * Which households a page shows.
     *
     * @param stage null for every one
     * @param due null for any day
     * @param standing that at least one promise has; null for any
     * @param personId whose they are; null for anybody's
     * @param modelKey of a camera in the house; empty for any
     * @param area empty for every one
     */
    public record Wanted(Stage stage, DueWithin due, Standing standing, Long personId, String modelKey, String area) {
        public static final Wanted ALL = new Wanted(null, null, null, null, "", "");

        public boolean everything() {
            return equals(ALL);
        }
    }

    /** How soon something is due. */
    public enum DueWithin { OVERDUE, TODAY, WEEK, NONE }

    /** Work before care, then by day and name. */
    public List<Overview> page(long firmId, Wanted wanted, LocalDate today, int most, long skipped) {
        return wanted(jdbc.sql("select " + COLUMNS + ", h.kept, h.thin, h.broken, h.untried from household h where " + where(wanted)
                + " order by h.stage_order, h.due_on, h.name, h.id limit :most offset :skipped"), firmId, wanted, today)
                .param("most", most)
                .param("skipped", skipped)
                .query((row, n) -> new Overview(
                        household(row, n), row.getInt("kept"), row.getInt("thin"), row.getInt("broken"), row.getInt("untried")))
                .list();
    }

    /** How many households of a stage are wanted, how many of them are due within a week, and how many promises they break. */
    public record Tally(Stage stage, long households, long dueSoon, long broken) {}

    public List<Tally> tallies(long firmId, Wanted wanted, LocalDate today) {
        return wanted.everything() ? counts.of(firmId, today, () -> counted(firmId, wanted, today)) : counted(firmId, wanted, today);
    }

    private List<Tally> counted(long firmId, Wanted wanted, LocalDate today) {
        return wanted(jdbc.sql("select h.stage, count(*) as households, count(*) filter (where h.due_on <= :soon) as due_soon, "
                + "sum(h.broken) as broken from household h where " + where(wanted)
                + " group by h.stage, h.stage_order order by h.stage_order"),
                firmId, wanted, today)
                .param("soon", today.plusDays(SOON_DAYS))
                .query((row, n) -> new Tally(Stage.valueOf(row.getString("stage")), row.getLong("households"), row.getLong("due_soon"),
                        row.getLong("broken")))
                .list();
    }

    /** Only what is asked for stands in the condition, so that each question finds its index. */
    private static String where(Wanted wanted) {
        StringBuilder where = new StringBuilder("h.firm_id = :firm and h.archived_at is null");
        where.append(wanted.stage() == null ? "" : " and h.stage_order = :stage");
        where.append(wanted.due() == null ? "" : switch (wanted.due()) {
            case OVERDUE -> " and h.due_on < :today";
            case TODAY -> " and h.due_on = :today";
            case WEEK -> " and h.due_on between :today and :today + 7";
            case NONE -> " and h.due_on is null";
        });
        where.append(wanted.standing() == null ? "" : switch (wanted.standing()) {
            case KEPT -> " and h.kept > 0";
            case THIN -> " and h.thin > 0";
            case BROKEN -> " and h.broken > 0";
            case UNTRIED -> " and h.untried > 0";
        });
        where.append(wanted.personId() == null ? "" : " and h.due_person_id = :person");
        where.append(wanted.modelKey().isEmpty() ? ""
                : " and exists (select from camera c where c.household_id = h.id and c.model_key = :model and c.removed_at is null)");
        where.append(wanted.area().isEmpty() ? "" : " and h.area ilike :area");
        return where.toString();
    }

    private static JdbcClient.StatementSpec wanted(JdbcClient.StatementSpec asked, long firmId, Wanted wanted, LocalDate today) {
        asked.param("firm", firmId);
        if (wanted.stage() != null) {
            asked.param("stage", wanted.stage().number());
        }
        if (wanted.due() != null && wanted.due() != DueWithin.NONE) {
            asked.param("today", today, Types.DATE);
        }
        if (wanted.personId() != null) {
            asked.param("person", wanted.personId());
        }
        if (!wanted.modelKey().isEmpty()) {
            asked.param("model", wanted.modelKey());
        }
        if (!wanted.area().isEmpty()) {
            asked.param("area", "%" + wanted.area().replaceAll("([\\\\%_])", "\\\\$1") + "%");
        }
        return asked;
    }

    /** Those of the firm that are worked on, the ones longest due first; for the demo world's own tests. */
    public List<Household> all(long firmId) {
        return page(firmId, Wanted.ALL, LocalDate.now(clock), Integer.MAX_VALUE, 0).stream().map(Overview::household).toList();
    }

    /** Keeps how a household's promises stand beside it, so that no list has to count them. */
    void tally(long id, Judgement judgement) {
        jdbc.sql("""
            update household set kept = :kept, thin = :thin, broken = :broken, untried = :untried
            where id = :id and (kept, thin, broken, untried) is distinct from (:kept, :thin, :broken, :untried)
            """)
                .param("kept", judgement.count(Standing.KEPT))
                .param("thin", judgement.count(Standing.THIN))
                .param("broken", judgement.count(Standing.BROKEN))
                .param("untried", judgement.count(Standing.UNTRIED))
                .param("id", id)
                .update();
    }

    public long add(long firmId, String name, String address, LocalDate dueOn, String dueWhat) {
        return jdbc.sql("""
            insert into household (firm_id, name, address, stage, stage_since, due_on, due_what, due_by_hand, created_at)
            values (:firmId, :name, :address, 'BRIEF', :today, :dueOn, :dueWhat, true, :now)
            returning id
            """)
                .param("firmId", firmId)
                .param("name", name)
                .param("address", address)
                .param("dueOn", dueOn, Types.DATE)
                .param("dueWhat", dueWhat)
                .param("today", LocalDate.now(clock))
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    /** Takes in a household that was carried out of another place: its work stands where it stood there. */
    public long carryIn(long firmId, Household in) {
        return jdbc.sql("""
            insert into household (firm_id, name, address, phone, stage, stage_since, notes, handed_over_at, created_at)
            values (:firmId, :name, :address, :phone, :stage, :today, :notes, :handedOver, :now)
            returning id
            """)
                .param("firmId", firmId)
                .param("name", in.name())
                .param("address", in.address())
                .param("phone", in.phone())
                .param("stage", in.stage().name())
                .param("today", LocalDate.now(clock))
                .param("notes", in.notes())
                .param("handedOver", in.handedOverAt(), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    /** Those of the firm at this address, put away or not; upper and lower case are the same. */
    public List<Household> at(long firmId, String address) {
        return jdbc
                .sql("select " + COLUMNS
                        + " from household h where h.firm_id = :firmId and lower(h.address) = lower(:address) order by h.id")
                .param("firmId", firmId)
                .param("address", address)
                .query(HouseholdRepository::household).list();
    }

    /** Saves name, address and phone if nobody saved them or what is next since {@code version}. */
    public void change(long id, String name, String address, String phone, int version) {
        int rows = jdbc.sql("""
            update household
            set name = :name, address = :address, phone = :phone, particulars_version = particulars_version + 1
            where id = :id and particulars_version = :version
            """)
                .param("name", name)
                .param("address", address)
                .param("phone", phone)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw new StaleEdit("This household", version, get(id).particulars());
        }
    }

    /** In which its pages and papers are read. */
    public Language language(long id) {
        return jdbc.sql("select language from household where id = :id").param("id", id).query(String.class).optional()
                .flatMap(Language::of).orElse(Language.ENGLISH);
    }

    public void speak(long id, Language language) {
        jdbc.sql("update household set language = :language where id = :id").param("language", language.code()).param("id", id).update();
    }

    /** Puts the household away: it is found when it is looked for, and stands in no list. Returns whether it was not yet. */
    public boolean archive(long id, String by) {
        return jdbc.sql("update household set archived_at = :now, archived_by = :by where id = :id and archived_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("id", id)
                .update() == 1;
    }

    public void bringBack(long id) {
        jdbc.sql("update household set archived_at = null, archived_by = null where id = :id").param("id", id).update();
    }

    /**
     * Removes a household with all that hangs on it. What stays is that one was removed, when and by whom, and what the firm
     * has learned of times and ways in, which names no house.
     */
    public void remove(long firmId, long id, String by) {
        jdbc.sql("insert into household_removal (firm_id, removed_at, removed_by) values (:firm, :now, :by)")
                .param("firm", firmId)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
        jdbc.sql("delete from household where id = :id and firm_id = :firm").param("id", id).param("firm", firmId).update();
    }

    /** That a household was removed, and nothing else of it. */
    public record Removal(OffsetDateTime at, String by) {}

    public List<Removal> removals(long firmId) {
        return jdbc.sql("select removed_at, removed_by from household_removal where firm_id = :firm order by removed_at desc limit 50")
                .param("firm", firmId)
                .query((row, n) -> new Removal(row.getObject("removed_at", OffsetDateTime.class), row.getString("removed_by")))
                .list();
    }

    /** Somebody has counted what else is on the Wi-Fi. */
    void markCounted(long id) {
        jdbc.sql("update household set counted_at = coalesce(counted_at, :now) where id = :id")
                .param("now", OffsetDateTime.now(clock))
                .param("id", id)
                .update();
    }

    /** Whether there is such a household and it is the firm's. */
    public boolean isOf(long firmId, long id) {
        return jdbc.sql("select exists (select 1 from household where id = :id and firm_id = :firmId)")
                .param("id", id)
                .param("firmId", firmId)
                .query(Boolean.class).single();
    }

    public Household get(long id) {
        return jdbc.sql("select " + COLUMNS + " from household h where h.id = :id")
                .param("id", id)
                .query(HouseholdRepository::household).single();
    }

    public List<Long> idsOf(long firmId) {
        return jdbc.sql("select id from household where firm_id = :firm order by id").param("firm", firmId).query(Long.class).list();
    }

    /** Counts one more change of this household, and keeps every other waiting until the transaction ends. */
    Locked lock(long id) {
        return jdbc.sql("update household set changes = changes + 1 where id = :id returning id, stage, changes, handed_over_at")
                .param("id", id)
                .query(HouseholdRepository::locked).single();
    }

    /** Keeps every other change waiting until the transaction ends, and counts none. */
    Locked hold(long id) {
        return jdbc.sql("select id, stage, changes, handed_over_at from household where id = :id for update")
                .param("id", id)
                .query(HouseholdRepository::locked).single();
    }

    /** How many changes the household has seen: the same figure means that nothing it is judged by has changed. */
    public long changes(long id) {
        return jdbc.sql("select changes from household where id = :id").param("id", id).query(Long.class).single();
    }

    public Optional<String> planDocument(long id) {
        return jdbc.sql("select plan::text from household where id = :id and plan is not null")
                .param("id", id)
                .query(String.class).optional();
    }

    public void setPlan(long id, String document) {
        jdbc.sql("update household set plan = :plan::jsonb, plan_version = plan_version + 1, version = version + 1 where id = :id")
                .param("id", id)
                .param("plan", document)
                .update();
    }

    /**
     * Makes a document the plan that stands, if nobody changed the plan since {@code version}.
     *
     * @param step number of the step that made it
     */
    public void standPlan(long id, String document, int step, int version) {
        int rows = jdbc.sql("""
            update household set plan = :plan::jsonb, plan_step = :step, plan_version = plan_version + 1
            where id = :id and plan_version = :version
            """)
                .param("id", id)
                .param("plan", document)
                .param("step", step)
                .param("version", version)
                .update();
        if (rows != 1) {
            int now = jdbc.sql("select plan_version from household where id = :id").param("id", id).query(Integer.class).single();
            throw new StaleEdit("The plan", version, now);
        }
    }

    /** Saves the notes if nobody saved the household's notes or plan since {@code version}. */
    public void setNotes(long id, String notes, int version) {
        int rows = jdbc.sql("update household set notes = :notes, version = version + 1 where id = :id and version = :version")
                .param("id", id)
                .param("notes", notes)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw new StaleEdit("This household", version, get(id).version());
        }
    }

    /** Puts a household of the firm on a day. @return whether it is one of the firm's */
    public boolean book(long firmId, long id, LocalDate day) {
        return jdbc.sql("""
            update household set due_on = :day, due_by_hand = true, particulars_version = particulars_version + 1
            where id = :id and firm_id = :firm
            """)
                .param("day", day)
                .param("id", id)
                .param("firm", firmId)
                .update() == 1;
    }

    /** Puts a household of the firm on a day for what is said, if nobody set anything since {@code version}. @return whether nobody did */
    public boolean book(long firmId, long id, LocalDate day, String what, int version) {
        return jdbc.sql("""
            update household
            set due_on = :day, due_what = :what, due_by_hand = true, particulars_version = particulars_version + 1
            where id = :id and firm_id = :firm and particulars_version = :version and archived_at is null
            """).param("day", day).param("what", DueLines.cut(what)).param("id", id).param("firm", firmId).param("version", version)
                .update() == 1;
    }

    /** Moves the work on to a stage; it never moves back by itself. */
    void reach(Locked locked, Stage stage) {
        if (locked.stage().compareTo(stage) < 0) {
            // Whatever somebody set was about the work before.
            jdbc.sql(
                    """
                                update household
                        set stage = :stage, stage_since = :today, due_by_hand = false, particulars_version = particulars_version + 1
                                where id = :id
                                """)
                    .param("id", locked.id())
                    .param("stage", stage.name())
                    .param("today", LocalDate.now(clock))
                    .update();
        }
    }

    /** What the work asks for next; nothing when it asks for nothing. */
    void setDue(long id, Optional<WorkAhead.Due> due) {
        jdbc.sql("""
            update household set due_on = :on, due_what = :what
            where id = :id and (due_on, due_what) is distinct from (:on::date, :what::text)
            """)
                .param("on", due.map(WorkAhead.Due::on).orElse(null), Types.DATE)
                .param("what", due.map(WorkAhead.Due::what).map(DueLines::cut).orElse(null), Types.VARCHAR)
                .param("id", id)
                .update();
    }

    /**
     * Somebody sets what is next, if nobody set it or the household's name since {@code version}.
     *
     * @param on null to take it off its day
     * @param personId whose it is; null for nobody's
     * @param byHand whether it stands until the work has moved on, rather than follow the work
     */
    public void setDueByHand(long id, LocalDate on, String what, Long personId, boolean byHand, int version) {
        int rows = jdbc.sql("""
            update household
            set due_on = :on, due_what = nullif(:what, ''), due_person_id = :person, due_by_hand = :byHand,
                particulars_version = particulars_version + 1
            where id = :id and particulars_version = :version
            """)
                .param("on", on, Types.DATE)
                .param("what", what)
                .param("person", personId, Types.BIGINT)
                .param("byHand", byHand)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw new StaleEdit("This household", version, get(id).particulars());
        }
    }

    public void handOver(long id) {
        jdbc.sql("update household set handed_over_at = :now where id = :id and handed_over_at is null")
                .param("id", id)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    /** Work goes on in a house that was handed over. */
    public void reopen(long id) {
        jdbc.sql("update household set handed_over_at = null where id = :id").param("id", id).update();
    }

    private static Locked locked(ResultSet row, int n) throws SQLException {
        return new Locked(row.getLong("id"), Stage.valueOf(row.getString("stage")), row.getLong("changes"),
                row.getObject("handed_over_at", OffsetDateTime.class));
    }

    private static Household household(ResultSet row, int n) throws SQLException {
        return new Household(
                row.getLong("id"), row.getLong("firm_id"), row.getString("name"), row.getString("address"), row.getString("phone"),
                Stage.valueOf(row.getString("stage")), row.getObject("stage_since", LocalDate.class), due(row),
                row.getString("notes"), row.getObject("handed_over_at", OffsetDateTime.class),
                row.getObject("archived_at", OffsetDateTime.class), row.getObject("five_off", Long.class), row.getInt("version"),
                row.getInt("particulars_version"),
                row.getLong("changes"));
    }

    private static Household.Due due(ResultSet row) throws SQLException {
        String what = row.getString("due_what");
        String person = row.getString("due_person");
        return new Household.Due(row.getObject("due_on", LocalDate.class), what == null ? "" : what,
                row.getObject("due_person_id", Long.class), person == null ? "" : person, row.getBoolean("due_by_hand"));
    }
}
