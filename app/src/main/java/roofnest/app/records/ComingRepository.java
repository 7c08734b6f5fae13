package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import tools.jackson.databind.json.JsonMapper;

import roofnest.core.care.Coming;

/** What comes up at the households of a firm, as it was reckoned when each was changed last. */
@Repository
public class ComingRepository {
    private final JdbcClient jdbc;
    private final JsonMapper json = new JsonMapper();

    ComingRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Written(int seq, String kind, Long camera, LocalDate on, String what, String why, String sure, Integer minutes,
            boolean ladder, int early, List<String> bring) {
        private static Written of(int seq, Coming of) {
            return new Written(seq, of.kind().name(), of.camera().orElse(null), of.on(), of.what(), of.why(), of.sure().name(),
                    of.work().map(
                            Coming.Work::minutes).orElse(null),
                    of.work().map(Coming.Work::ladder).orElse(false), of.work().map(
                            Coming.Work::earlyDays).orElse(0),
                    of.work().map(Coming.Work::bring).orElse(List.of()));
        }
    }

    /** @param on the day as of which it was reckoned */
    void replace(long householdId, LocalDate on, List<Coming> coming) {
        jdbc.sql("delete from coming where household_id = :id").param("id", householdId).update();
        jdbc.sql("""
            with reckoned as (
              insert into coming_reckoned (household_id, on_day) values (:id, :on)
              on conflict (household_id) do update set on_day = excluded.on_day)
            insert into coming (household_id, seq, kind, camera_id, on_day, what, why, sure, minutes, ladder, early_days, bring)
            select :id, r.seq, r.kind, r.camera, r."on", r.what, r.why, r.sure, r.minutes, r.ladder, r.early,
                   array(select jsonb_array_elements_text(r.bring))
            from jsonb_to_recordset(:rows::jsonb) r (seq int, kind text, camera bigint, "on" date, what text, why text, sure text,
                                                     minutes int, ladder boolean, early int, bring jsonb)
            """).param("id", householdId).param("on", on).param("rows", json.writeValueAsString(IntStream.range(0, coming.size())
                .mapToObj(seq -> Written.of(seq, coming.get(seq))).toList())).update();
    }

    /**
     * Something that comes up, and where.
     *
     * @param area empty where its address names none
     * @param booked the day that somebody set for the household by hand; null where nobody did
     * @param version of what is set of the household
     */
    public record Row(long householdId, String household, String area, LocalDate booked, int version, Coming coming) {}

    private static final String FROM = """
        from coming c join household h on h.id = c.household_id
        where h.firm_id = :firm and h.archived_at is null and (h.handed_over_at is not null or h.stage = 'CARE') and c.on_day <= :until
          and (c.kind <> 'FROST' or c.on_day >= :today) and (c.kind <> 'GUEST' or c.on_day >= :today)
          and (:kind = '' or c.kind = :kind) and (:area = '' or lower(h.area) = lower(:area))
        """;

    /** @param until the last day looked at. @param kind and {@code area}: empty for all */
    public record Wanted(LocalDate today, LocalDate until, String kind, String area) {}

    /** The earliest first. */
    public List<Row> of(long firmId, Wanted wanted, int most) {
        return asked("select c.*, h.name as household, coalesce(h.area, '') as area, case when h.due_by_hand then h.due_on end as booked, "
                + "h.particulars_version " + FROM + " order by c.on_day, h.name, h.id, c.seq limit :most", firmId, wanted)
                .param("most", most)
                .query(ComingRepository::row).list();
    }

    /** How many of each kind. */
    public Map<Coming.Kind, Integer> counts(long firmId, Wanted wanted) {
        Map<Coming.Kind, Integer> counts = new EnumMap<>(Coming.Kind.class);
        asked("select c.kind, count(*) as n " + FROM + " group by c.kind", firmId, wanted).query(row -> {
            counts.put(Coming.Kind.valueOf(row.getString("kind")), row.getInt("n"));
        });
        return counts;
    }

    /** Areas in which something comes, the ones with the most first. */
    public List<String> areas(long firmId, Wanted wanted, int most) {
        return asked(
                "select coalesce(h.area, '') as area " + FROM + " and h.area <> '' group by h.area order by count(*) desc, h.area limit "
                        + ":most",
                firmId, wanted).param("most", most).query(String.class).list();
    }

    private JdbcClient.StatementSpec asked(String sql, long firmId, Wanted wanted) {
        return jdbc.sql(sql).param("firm", firmId).param("today", wanted.today()).param("until", wanted.until())
                .param("kind", wanted.kind())
                .param("area", wanted.area());
    }

    /** Of one household; nothing of one whose work is open again. */
    public List<Coming> ofHousehold(long householdId) {
        return jdbc.sql("""
            select c.* from coming c join household h on h.id = c.household_id
            where c.household_id = :id and (h.handed_over_at is not null or h.stage = 'CARE') order by c.seq
            """).param("id", householdId)
                .query((row, n) -> coming(row)).list();
    }

    /** Households in care that were not reckoned since a day, the longest ago first. */
    public List<Long> notSince(long firmId, LocalDate day, int most) {
        return jdbc
                .sql("""
                          select h.id from household h left join coming_reckoned r on r.household_id = h.id
                          where h.firm_id = :firm and h.archived_at is null
                    and (h.handed_over_at is not null or h.stage = 'CARE') and (r.on_day is null or r.on_day < :day)
                          order by r.on_day nulls first, h.id limit :most
                          """)
                .param("firm", firmId).param("day", day).param("most", most).query(Long.class).list();
    }

    /** How many of them. */
    public int countNotSince(long firmId, LocalDate day) {
        return jdbc
                .sql("""
                          select count(*) from household h left join coming_reckoned r on r.household_id = h.id
                          where h.firm_id = :firm and h.archived_at is null
                    and (h.handed_over_at is not null or h.stage = 'CARE') and (r.on_day is null or r.on_day < :day)
                          """)
                .param("firm", firmId).param("day", day).query(Integer.class).single();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(row.getLong("household_id"), row.getString("household"), row.getString("area"),
                row.getObject("booked", LocalDate.class), row.getInt("particulars_version"), coming(row));
    }

    private static Coming coming(ResultSet row) throws SQLException {
        Integer minutes = row.getObject("minutes", Integer.class);
        return new Coming(Coming.Kind.valueOf(row.getString("kind")), Optional.ofNullable(row.getObject("camera_id", Long.class)),
                row.getObject("on_day", LocalDate.class), row.getString("what"), row.getString("why"),
                Coming.Sure.valueOf(row.getString("sure")), minutes == null ? Optional.empty()
                        : Optional.of(new Coming.Work(minutes, row.getBoolean("ladder"), row.getInt("early_days"),
                                Arrays.asList((String[]) row.getArray("bring").getArray()))));
    }
}
