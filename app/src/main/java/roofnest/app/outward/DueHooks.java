package roofnest.app.outward;

import java.net.URI;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.firm.Staff;
import roofnest.app.secrets.SealedRows;
import roofnest.app.secrets.Sealer;
import roofnest.app.web.Conflict;
import roofnest.app.web.LinkTokens;

/** Addresses that are told when something is due, and what they were told: each thing once, tried again until somebody takes it. */
@Repository
class DueHooks implements SealedRows {
    static final int MOST = 5;
    /** Over 34 hours, at twice the time after each try. */
    static final int TRIES = 12;
    private static final Duration FIRST_AGAIN = Duration.ofMinutes(1);
    /** Longer than a telling takes: whoever claimed it and went down leaves it to the next. */
    private static final Duration CLAIMED = Duration.ofMinutes(2);
    private static final int SHOWN = 20;
    private static final int LONGEST_ANSWER = 200;

    private final JdbcClient jdbc;
    private final Sealer sealer;
    private final LinkTokens tokens;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    DueHooks(JdbcClient jdbc, Sealer sealer, LinkTokens tokens, Clock clock) {
        this.jdbc = jdbc;
        this.sealer = sealer;
        this.tokens = tokens;
        this.clock = clock;
    }

    /** @param endedAt null while it is told. @param taken of what it was told, so much was taken; {@code waiting} is still tried */
    record Row(long id, String url, String by, OffsetDateTime at, OffsetDateTime endedAt, int taken, int waiting, int givenUp) {}

    List<Row> of(long firmId) {
        return jdbc.sql("""
            select h.*, (select count(*) from due_told t where t.hook_id = h.id and t.taken) as taken,
                   (select count(*) from due_told t where t.hook_id = h.id and t.ended_at is null) as waiting,
                   (select count(*) from due_told t where t.hook_id = h.id and t.ended_at is not null and not t.taken) as given_up
            from due_hook h where h.firm_id = :firm order by h.ended_at nulls first, h.id
            """).param("firm", firmId).query((row, n) -> new Row(row.getLong("id"), row.getString("url"), row.getString("made_by"),
                row.getObject("made_at", OffsetDateTime.class), row.getObject("ended_at", OffsetDateTime.class), row.getInt("taken"),
                row.getInt("waiting"), row.getInt("given_up"))).list();
    }

    /** One telling. @param answer what the other side said last, or why nothing was said; empty before the first try */
    record Told(String household, String kind, LocalDate on, int tries, boolean taken, boolean over, String answer, OffsetDateTime at) {}

    /** The latest of a firm. */
    List<Told> latest(long firmId) {
        return jdbc.sql("""
            select t.*, h.name as household from due_told t join due_hook k on k.id = t.hook_id join household h on h.id = t.household_id
            where k.firm_id = :firm order by t.id desc limit :most
            """).param("firm", firmId).param("most", SHOWN).query((row, n) -> new Told(row.getString("household"), row.getString("kind"),
                row.getObject("on_day", LocalDate.class), row.getInt("tries"), row.getBoolean("taken"), row.getObject("ended_at") != null,
                row.getString("answer"), row.getObject("made_at", OffsetDateTime.class))).list();
    }

    /** @return the word by which its owner knows that it was us; it is shown once */
    @Transactional
    String add(Staff staff, URI url) {
        jdbc.sql("select id from firm where id = :firm for update").param("firm", staff.firmId()).query(Long.class).single();
        List<Row> open = of(staff.firmId()).stream().filter(row -> row.endedAt() == null).toList();
        if (open.size() >= MOST) {
            throw new Conflict("A firm tells " + MOST + " addresses at most; end one first.");
        }
        if (open.stream().anyMatch(row -> row.url().equals(url.toString()))) {
            throw new Conflict("This address is told already.");
        }
        String word = "rnw_" + tokens.fresh();
        jdbc.sql("insert into due_hook (firm_id, url, sealed, made_by, made_at) values (:firm, :url, :sealed, :by, :now)")
                .param("firm", staff.firmId()).param("url", url.toString()).param("sealed", sealer.seal(word, belongsTo(staff.firmId())))
                .param("by", staff.name()).param("now", OffsetDateTime.now(clock)).update();
        return word;
    }

    private static String belongsTo(long firmId) {
        return "due hook of firm " + firmId;
    }

    /** What still waits is not told any more. Returns whether it was told until now. */
    @Transactional
    boolean end(Staff staff, long id) {
        boolean ended = jdbc.sql("update due_hook set ended_by = :by, ended_at = :now where firm_id = :firm and id = :id and ended_at is "
                + "null").param("by", staff.name()).param("now", OffsetDateTime.now(clock)).param("firm", staff.firmId()).param("id", id)
                .update() == 1;
        if (ended) {
            jdbc.sql("update due_told set ended_at = :now, answer = 'the address was ended' where hook_id = :id and ended_at is null")
                    .param("now", OffsetDateTime.now(clock)).param("id", id).update();
        }
        return ended;
    }

    /** Writes down what has become due since an address was written down and was not told it yet. @return how much */
    @Transactional
    int gather() {
        OffsetDateTime now = OffsetDateTime.now(clock);
        record Due(long hook, long household, String name, Long camera, String cameraName, String kind, LocalDate on, String what,
                String why, String sure) {}
        List<Due> due = jdbc.sql("""
            select k.id as hook, h.id as household, h.name, c.camera_id, m.name as camera, c.kind, c.on_day, c.what, c.why, c.sure
            from due_hook k join household h on h.firm_id = k.firm_id join coming c on c.household_id = h.id
            left join camera m on m.id = c.camera_id
            where k.ended_at is null and h.archived_at is null and (h.handed_over_at is not null or h.stage = 'CARE')
              and c.on_day <= :today and c.on_day >= (k.made_at at time zone :zone)::date
              and not exists (select from due_told t where t.hook_id = k.id and t.household_id = h.id and t.kind = c.kind
                                and t.camera_id = coalesce(c.camera_id, 0) and t.on_day = c.on_day and t.what = c.what)
            order by k.id, c.on_day, h.id limit 500
            """).param("today", LocalDate.now(clock)).param("zone", clock.getZone().getId())
                .query((row, n) -> new Due(row.getLong("hook"), row.getLong("household"),
                        row.getString("name"), row.getObject("camera_id", Long.class), row.getString("camera"), row.getString("kind"),
                        row.getObject("on_day", LocalDate.class), row.getString("what"), row.getString("why"), row.getString("sure")))
                .list();
        int made = 0;
        for (Due each : due) {
            Map<String, Object> item = new LinkedHashMap<>();
            item.put("household", each.household());
            item.put("householdName", each.name());
            if (each.camera() != null) {
                item.put("camera", each.camera());
                item.put("cameraName", each.cameraName());
            }
            item.put("kind", each.kind());
            item.put("on", each.on().toString());
            item.put("what", each.what());
            item.put("why", each.why());
            item.put("sure", each.sure());
            made += jdbc.sql("""
                insert into due_told (hook_id, household_id, kind, camera_id, on_day, what, body, made_at, next_try_at)
                values (:hook, :household, :kind, :camera, :on, :what, :body, :now, :now) on conflict do nothing
                """).param("hook", each.hook()).param("household", each.household()).param("kind", each.kind())
                    .param("camera", each.camera() == null ? 0 : each.camera()).param("on", each.on()).param("what", each.what())
                    .param("body", json.writeValueAsString(Map.of("type", "due", "item", item))).param("now", now).update();
        }
        return made;
    }

    /** Something to tell now. @param word empty where it cannot be opened any more */
    record Telling(long id, String url, Optional<String> word, String body, int tries) {}

    /** Claims what is to be tried now, so that no other machine does at the same time. */
    @Transactional
    List<Telling> claim(int most) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return new ArrayList<>(jdbc.sql("""
            update due_told t set next_try_at = :until, tries = t.tries + 1
            from due_hook k
            where k.id = t.hook_id and t.id in (select id from due_told where ended_at is null and next_try_at <= :now
                                                 order by next_try_at, id limit :most for update skip locked)
            returning t.id, k.url, k.sealed, k.firm_id, t.body, t.tries
            """).param("until", now.plus(CLAIMED)).param("now", now).param("most", most).query((row, n) -> new Telling(row.getLong("id"),
                row.getString("url"), sealer.open(row.getBytes("sealed"), belongsTo(row.getLong("firm_id"))), row.getString("body"),
                row.getInt("tries"))).list());
    }

    void taken(long id, String answer) {
        jdbc.sql("update due_told set ended_at = :now, taken = true, answer = :answer where id = :id and ended_at is null")
                .param("now", OffsetDateTime.now(clock)).param("answer", cut(answer)).param("id", id).update();
    }

    /** It is tried again later, at twice the time after each try, or given up after the last. */
    void refused(Telling telling, String answer) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        boolean over = telling.tries() >= TRIES;
        jdbc.sql("""
            update due_told set answer = :answer, next_try_at = :next, ended_at = case when :over then :now end
            where id = :id and ended_at is null
            """).param("answer", cut(answer)).param("next", now.plus(FIRST_AGAIN.multipliedBy(1L << Math.min(telling.tries() - 1, TRIES))))
                .param("over", over).param("now", now).param("id", telling.id()).update();
    }

    private static String cut(String answer) {
        return answer.length() <= LONGEST_ANSWER ? answer : answer.substring(0, LONGEST_ANSWER);
    }

    @Override
    public String what() {
        return "words of addresses that are told what is due";
    }

    @Override
    @Transactional
    public int sealAnew() {
        record Old(long id, long firmId, byte[] sealed) {}
        return jdbc.sql("select id, firm_id, sealed from due_hook for update").query((row, n) -> new Old(row.getLong("id"), row.getLong(
                "firm_id"), row.getBytes("sealed"))).list().stream().mapToInt(old -> sealer.anew(old.sealed(), belongsTo(old.firmId()))
                        .map(anew -> jdbc.sql("update due_hook set sealed = :sealed where id = :id").param("sealed", anew).param("id",
                                old.id()).update())
                        .orElse(0))
                .sum();
    }
}
