package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.fault.CaseCounts;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;

/** Calls about cameras that no longer do what they did. */
@Repository
public class FaultCaseRepository {
    private static final int MONTHS_A_SEASON = 3;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    FaultCaseRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public enum State {
        OPEN, CURED, VISIT, DROPPED
    }

    /** By the place's own year: south of the equator it is turned by half a year. */
    public enum Season {
        WINTER, SPRING, SUMMER, AUTUMN;

        public static Season of(LocalDate day, double latitudeDeg) {
            int month = day.getMonthValue() % 12 + (latitudeDeg < 0 ? 6 : 0);
            return values()[month % 12 / MONTHS_A_SEASON];
        }
    }

    /**
     * One thing that was asked or tried.
     *
     * @param question its name; null for something that was tried
     * @param answer by its number, or −1 for not known. @param cause whose cure was tried and did not help; null for an answer
     */
    public record Step(String question, int answer, String cause, String by, OffsetDateTime at) {}

    /**
     * @param cause that it was in the end; null while it is not known
     * @param visitMinutes what a visit was found to take when it was decided on; 0 where none was
     * @param visitParts and to want in the van
     */
    public record Case(long id, long cameraId, String said, List<Step> steps, State state, Cause cause, String modelKey, Season season,
            String openedBy, OffsetDateTime openedAt, String closedBy, OffsetDateTime closedAt, int visitMinutes, List<String> visitParts,
            int version) {
        public boolean open() {
            return state == State.OPEN || state == State.VISIT;
        }

        /** In the order in which they were given. */
        public List<FaultFinder.Answer> answers() {
            return steps.stream().filter(step -> step.question() != null)
                    .map(step -> new FaultFinder.Answer(Question.valueOf(step.question()),
                            step.answer()))
                    .toList();
        }

        /** What was tried and did not help. */
        public Set<Cause> tried() {
            return steps.stream().filter(step -> step.cause() != null).map(step -> Cause.valueOf(step.cause()))
                    .collect(Collectors.toCollection(
                            () -> EnumSet.noneOf(Cause.class)));
        }
    }

    /** The latest first. */
    public List<Case> of(long householdId) {
        return jdbc.sql("select * from fault_case where household_id = :household order by opened_at desc, id desc").param("household",
                householdId).query(this::row).list();
    }

    public Case get(long householdId, long id) {
        return of(householdId).stream().filter(each -> each.id() == id).findFirst().orElseThrow(NoSuchPage::new);
    }

    public long open(long householdId, long cameraId, String said, String modelKey, Season season, String by) {
        return jdbc.sql("""
            insert into fault_case (household_id, camera_id, said, model_key, season, opened_by, opened_at)
            values (:household, :camera, :said, :model, :season, :by, :now)
            returning id
            """).param("household", householdId).param("camera", cameraId).param("said", said).param("model", modelKey)
                .param("season", season.name()).param("by", by).param("now", OffsetDateTime.now(clock)).query(Long.class).single();
    }

    /** As it was kept elsewhere. @return its number */
    public long put(long householdId, Case of) {
        return jdbc.sql("""
            insert into fault_case (household_id, camera_id, said, steps, state, cause, model_key, season, opened_by, opened_at, closed_by,
                                    closed_at, visit_minutes, visit_parts)
            values (:household, :camera, :said, :steps::jsonb, :state, :cause, :model, :season, :by, :at, :closedBy, :closedAt,
                    nullif(:minutes, 0), :parts)
            returning id
            """).param("household", householdId).param("camera", of.cameraId()).param("said", of.said())
                .param("steps", json.writeValueAsString(of.steps())).param("state", of.state().name())
                .param("cause", of.cause() == null ? null : of.cause().name(), Types.VARCHAR).param("model", of.modelKey())
                .param("season", of.season().name()).param("by", of.openedBy()).param("at", of.openedAt())
                .param("closedBy", of.closedBy(), Types.VARCHAR).param("closedAt", of.closedAt(), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("minutes", of.visitMinutes()).param("parts", of.visitParts().toArray(String[]::new)).query(Long.class).single();
    }

    /** Writes down one more step of an open case, if nobody changed it since {@code version}. */
    public void add(long householdId, Case before, Step step, int version) {
        List<Step> steps = new ArrayList<>(before.steps());
        steps.add(step);
        write(householdId, before.id(), steps, version);
    }

    /** Takes the last step back. */
    public void undo(long householdId, Case before, int version) {
        if (before.steps().isEmpty()) {
            throw new StaleEdit("Somebody else took that back meanwhile.", before.version());
        }
        write(householdId, before.id(), before.steps().subList(0, before.steps().size() - 1), version);
    }

    private void write(long householdId, long id, List<Step> steps, int version) {
        changed(householdId, id, version, jdbc.sql("""
            update fault_case set steps = :steps::jsonb, version = version + 1
            where household_id = :household and id = :id and version = :version and state in ('OPEN', 'VISIT')
            """).param("steps", json.writeValueAsString(steps)).param("household", householdId).param("id", id).param("version", version)
                .update());
    }

    /** It waits for somebody to come. @param minutes that the visit is reckoned to take there. @param parts to bring */
    public void toVisit(long householdId, long id, int minutes, List<String> parts, int version) {
        changed(householdId, id, version, jdbc.sql("""
            update fault_case set state = 'VISIT', visit_minutes = :minutes, visit_parts = :parts, version = version + 1
            where household_id = :household and id = :id and version = :version and state = 'OPEN'
            """).param("minutes", minutes).param("parts", parts.toArray(String[]::new)).param("household", householdId).param("id", id)
                .param("version", version).update());
    }

    /** @param cause that it was; empty where there was none after all */
    public void close(long householdId, long id, Optional<Cause> cause, String by, int version) {
        changed(householdId, id, version, jdbc.sql("""
            update fault_case set state = :state, cause = :cause, closed_by = :by, closed_at = :now, version = version + 1
            where household_id = :household and id = :id and version = :version and state in ('OPEN', 'VISIT')
            """).param("state", cause.isPresent() ? "CURED" : "DROPPED").param("cause", cause.map(Enum::name).orElse(null)).param("by", by)
                .param("now", OffsetDateTime.now(clock)).param("household", householdId).param("id", id).param("version", version)
                .update());
    }

    private void changed(long householdId, long id, int version, int rows) {
        if (rows != 1) {
            throw new StaleEdit("The case", version, get(householdId, id).version());
        }
    }

    /** What the firm's closed cases tell: all of them, and those of a model in a season. */
    public CaseCounts counts(long firmId, String modelKey, Season season) {
        Map<Cause, Integer> firm = new EnumMap<>(Cause.class);
        Map<Cause, Integer> here = new EnumMap<>(Cause.class);
        jdbc.sql("""
            select c.cause, count(*) as all_of_them, count(*) filter (where c.model_key = :model and c.season = :season) as here
            from fault_case c join household h on h.id = c.household_id
            where h.firm_id = :firm and c.state = 'CURED'
            group by c.cause
            """).param("firm", firmId).param("model", modelKey).param("season", season.name()).query(row -> {
            Cause cause = Cause.valueOf(row.getString("cause"));
            firm.put(cause, row.getInt("all_of_them"));
            here.put(cause, row.getInt("here"));
        });
        return new CaseCounts(firm, here);
    }

    /** A call of a firm that is still open. */
    public record OpenCall(long householdId, String household, long id, String camera, State state, OffsetDateTime openedAt, String by) {}

    /** Those of all houses of a firm, the oldest first. */
    public List<OpenCall> openOf(long firmId, int most) {
        return jdbc.sql("""
            select c.household_id, h.name, c.id, k.name as camera, c.state, c.opened_at, c.opened_by
            from fault_case c join household h on h.id = c.household_id join camera k on k.id = c.camera_id
            where h.firm_id = :firm and h.archived_at is null and k.removed_at is null and c.state in ('OPEN', 'VISIT')
            order by c.opened_at, c.id
            limit :most
            """).param("firm", firmId).param("most", most)
                .query((row, n) -> new OpenCall(row.getLong("household_id"), row.getString("name"),
                        row.getLong("id"), row.getString("camera"), State.valueOf(row.getString("state")), row.getObject("opened_at",
                                OffsetDateTime.class),
                        row.getString("opened_by")))
                .list();
    }

    /** What cameras are told apart by. */
    public enum By {
        MODEL("k.model_key", ""),
        /** The run by which it was joined last, on the real thing. */
        WAY("coalesce(r.way, '')", RUN),
        /** Who made that run. */
        PERSON("coalesce(r.started_by, '')", RUN),
        /** What somebody said the wall is, with what is on it. */
        WALL("coalesce(k.wall_base || '/' || k.wall_covering, '')", "");

        private final String group;
        private final String join;

        By(String group, String join) {
            this.group = group;
            this.join = join;
        }
    }

    private static final String RUN = """
        left join lateral (select way, started_by from run where camera_id = k.id and not bench and finished_at < k.until
                             and given_up_at is null order by finished_at desc limit 1) r on true
        """;

    /**
     * @param group by which these cameras are told from others; empty where it was not kept
     * @param years for which they have been in the network, all together
     * @param cases that were closed with a cause
     */
    public record Failed(String group, int cameras, double years, int cases) {}

    /**
     * What failed of all cameras that a firm has joined to a network, by one thing that they differ in, the most cameras first. Those that
     * were taken out since, or replaced, count for as long as they were in it: they may be the very ones that failed.
     */
    public List<Failed> by(long firmId, By by) {
        return jdbc.sql("""
            with device as (
              select id, household_id, model_key, wall_base, wall_covering, joined_at, coalesce(removed_at, :now) as until
              from camera where joined_at is not null
              union all
              select d.camera_id, d.household_id, d.model_key, c.wall_base, c.wall_covering, d.joined_on::timestamptz,
                     (d.gone_on + 1)::timestamptz
              from device_before d join camera c on c.id = d.camera_id where d.joined_on is not null)
            select """ + " " + by.group + """
             as told_by, count(*) as cameras,
                   sum(extract(epoch from greatest(k.until - k.joined_at, interval '0'))) / 31557600.0 as years,
                   coalesce(sum((select count(*) from fault_case c
                                 where c.camera_id = k.id and c.state = 'CURED' and c.model_key = k.model_key
                                   and c.opened_at >= k.joined_at and c.opened_at < k.until)), 0) as cases
            from device k join household h on h.id = k.household_id
            """ + by.join + """
            where h.firm_id = :firm
            group by 1
            order by count(*) desc, 1
            """).param("firm", firmId).param("now", OffsetDateTime.now(clock)).query((row, n) -> new Failed(row.getString("told_by"), row
                .getInt("cameras"), row.getDouble("years"), row.getInt("cases"))).list();
    }

    /** How often each cause was it in the end, and in which season, over all houses of a firm. */
    public Map<Cause, Map<Season, Integer>> bySeason(long firmId) {
        Map<Cause, Map<Season, Integer>> counts = new EnumMap<>(Cause.class);
        jdbc.sql("""
            select c.cause, c.season, count(*) as cases from fault_case c join household h on h.id = c.household_id
            where h.firm_id = :firm and c.state = 'CURED' group by c.cause, c.season
            """).param("firm", firmId).query(row -> {
            counts.computeIfAbsent(Cause.valueOf(row.getString("cause")), any -> new EnumMap<>(Season.class))
                    .put(Season.valueOf(row.getString(
                            "season")), row.getInt("cases"));
        });
        return counts;
    }

    private Case row(ResultSet row, int n) throws SQLException {
        return new Case(row.getLong("id"), row.getLong("camera_id"), row.getString("said"), List.of(json.readValue(row.getString("steps"),
                Step[].class)), State.valueOf(row.getString("state")), row.getString("cause") == null ? null
                        : Cause.valueOf(row.getString(
                                "cause")),
                row.getString("model_key"), Season.valueOf(row.getString("season")), row.getString("opened_by"),
                row.getObject("opened_at", OffsetDateTime.class),
                row.getString("closed_by"), row.getObject("closed_at", OffsetDateTime.class), row.getInt("visit_minutes"),
                Arrays.asList((String[]) row.getArray("visit_parts").getArray()), row.getInt("version"));
    }
}
