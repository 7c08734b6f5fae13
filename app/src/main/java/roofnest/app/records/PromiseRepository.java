package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.BadInput;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;

/** Promises written at the brief. One that is written otherwise is another promise: what was proved of the old one proves nothing. */
@Repository
public class PromiseRepository implements Archive {
    private static final String WORDS = """
        case kind when 'KEEPS_DAYS' then 'Keeps ' || days || ' days of footage'
                  when 'ALERT_WITHIN' then 'Phone rings within ' || seconds || ' s'
                  when 'LIVE_AWAY' then 'Live picture away from home within ' || seconds || ' s'
                  when 'ONLY_THESE' then 'Only the people agreed can look'
                  when 'NEVER_SHOWS' then 'Never shows ' || replace(area_id, '-', ' ')
                  when 'RECORDED_BEFORE' then 'Recorded before they reach ' || replace(place_id, '-', ' ') || ' (' || lower(level) || ')'
                  else 'Make out somebody at ' || replace(place_id, '-', ' ') || ' (' || lower(level) || ')' end""";

    private final JdbcClient jdbc;
    private final ArchivedRows archived;

    PromiseRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.PROMISE, "promise", WORDS);
    }

    public List<Promise> of(long householdId) {
        return jdbc.sql("""
            select id, kind, level, light, place_id, path_id, area_id, days, seconds
            from promise
            where household_id = :householdId and removed_at is null
            order by id
            """)
                .param("householdId", householdId)
                .query(PromiseRepository::promise).list();
    }

    public void makeOut(long householdId, DetailLevel level, String placeId, Light light) {
        jdbc.sql("""
            insert into promise (household_id, kind, level, place_id, light)
            values (:householdId, 'MAKE_OUT', :level, :placeId, :light)
            """)
                .param("householdId", householdId)
                .param("level", level.name())
                .param("placeId", placeId)
                .param("light", light.name())
                .update();
    }

    public void recordedBefore(long householdId, DetailLevel level, String placeId, String pathId, Light light) {
        jdbc.sql("""
            insert into promise (household_id, kind, level, place_id, path_id, light)
            values (:householdId, 'RECORDED_BEFORE', :level, :placeId, :pathId, :light)
            """)
                .param("light", light.name())
                .param("householdId", householdId)
                .param("level", level.name())
                .param("placeId", placeId)
                .param("pathId", pathId)
                .update();
    }

    public void keepsDays(long householdId, int days) {
        jdbc.sql("insert into promise (household_id, kind, days) values (:householdId, 'KEEPS_DAYS', :days)")
                .param("householdId", householdId)
                .param("days", days)
                .update();
    }

    public void neverShows(long householdId, String areaId) {
        jdbc.sql("insert into promise (household_id, kind, area_id) values (:householdId, 'NEVER_SHOWS', :areaId)")
                .param("householdId", householdId)
                .param("areaId", areaId)
                .update();
    }

    public void onlyThese(long householdId) {
        jdbc.sql("insert into promise (household_id, kind) values (:householdId, 'ONLY_THESE')")
                .param("householdId", householdId)
                .update();
    }

    public void alertWithin(long householdId, double seconds) {
        jdbc.sql("insert into promise (household_id, kind, seconds) values (:householdId, 'ALERT_WITHIN', :seconds)")
                .param("householdId", householdId)
                .param("seconds", seconds)
                .update();
    }

    public void liveAway(long householdId, double seconds) {
        jdbc.sql("insert into promise (household_id, kind, seconds) values (:householdId, 'LIVE_AWAY', :seconds)")
                .param("householdId", householdId)
                .param("seconds", seconds)
                .update();
    }

    /** Returns whether there was one to take out. */
    public boolean remove(long householdId, long promiseId, String by) {
        return archived.takeOut(householdId, promiseId, by);
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    @Override
    public void bringBack(long householdId, long id) {
        archived.bringBack(householdId, id);
        List<Promise> now = of(householdId);
        Promise back = now.stream().filter(each -> each.key().equals(PromiseKey.written(id))).findFirst().orElseThrow();
        boolean twice = !(back instanceof Promise.MakeOut || back instanceof Promise.RecordedBefore) && now.stream()
                .anyMatch(each -> !each.key().equals(back.key()) && each.getClass() == back.getClass()
                        && !(each instanceof Promise.NeverShows other && !other.areaId().equals(((Promise.NeverShows) back).areaId())));
        if (twice) {
            throw new BadInput("There is a promise of this kind by now. Take that one out first.");
        }
    }

    /** Written before anybody asked when: it was said without a limit, so it holds day and night. */
    private static Light light(String stored) {
        return stored == null ? Light.BOTH : Light.valueOf(stored);
    }

    private static Promise promise(ResultSet row, int n) throws SQLException {
        PromiseKey key = PromiseKey.written(row.getLong("id"));
        return switch (row.getString("kind")) {
            case "MAKE_OUT" -> new Promise.MakeOut(
                    key, DetailLevel.valueOf(row.getString("level")), row.getString("place_id"), Light.valueOf(row.getString("light")));
            case "RECORDED_BEFORE" -> new Promise.RecordedBefore(
                    key, DetailLevel.valueOf(row.getString("level")), row.getString("place_id"), row.getString("path_id"),
                    light(row.getString("light")));
            case "KEEPS_DAYS" -> new Promise.KeepsDays(key, row.getInt("days"));
            case "NEVER_SHOWS" -> new Promise.NeverShows(key, row.getString("area_id"));
            case "ONLY_THESE" -> new Promise.OnlyThese(key);
            case "ALERT_WITHIN" -> new Promise.AlertWithin(key, row.getDouble("seconds"));
            case "LIVE_AWAY" -> new Promise.LiveAway(key, row.getDouble("seconds"));
            default -> throw new IllegalStateException("unknown kind of promise: " + row.getString("kind"));
        };
    }
}
