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
import roofnest.core.week.SourceKind;

/** Promises written at the brief. One that is written otherwise is another promise: what was proved of the old one proves nothing. */
@Repository
public class PromiseRepository implements Archive {
    private static final String WORDS = """
        case kind when 'KEEPS_DAYS' then 'Keeps ' || days || ' days of footage'
                  when 'SURVIVES_THEFT' then 'All but the last ' || seconds || ' s survive the theft of a camera'
                  when 'ALERT_WITHIN' then 'Phone rings within ' || seconds || ' s'
                  when 'LIVE_AWAY' then 'Live picture away from home within ' || seconds || ' s'
                  when 'TELLS_OF' then 'Tells of ' || amount || ' in 100 at ' || replace(place_id, '-', ' ')
                  when 'RINGS_AT_MOST' then 'Rings at most ' || amount || ' times a day'
                  when 'SILENT_ABOUT' then 'Is silent about ' || replace(lower(source), '_', ' ')
                  when 'NEVER_RINGS' then 'Never rings between ' || from_hour || ' and ' || to_hour || ' h'
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
            select id, kind, level, light, place_id, path_id, area_id, days, seconds, amount, source, from_hour, to_hour
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

    public void survivesTheft(long householdId, double seconds) {
        jdbc.sql("insert into promise (household_id, kind, seconds) values (:householdId, 'SURVIVES_THEFT', :seconds)")
                .param("householdId", householdId).param("seconds", seconds).update();
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

    public void tellsOf(long householdId, String placeId, int inHundred) {
        jdbc.sql("insert into promise (household_id, kind, place_id, amount) values (:householdId, 'TELLS_OF', :placeId, :amount)")
                .param("householdId", householdId).param("placeId", placeId).param("amount", inHundred).update();
    }

    public void ringsAtMost(long householdId, int aDay) {
        jdbc.sql("insert into promise (household_id, kind, amount) values (:householdId, 'RINGS_AT_MOST', :amount)")
                .param("householdId", householdId).param("amount", aDay).update();
    }

    public void silentAbout(long householdId, SourceKind source) {
        jdbc.sql("insert into promise (household_id, kind, source) values (:householdId, 'SILENT_ABOUT', :source)")
                .param("householdId", householdId).param("source", source.name()).update();
    }

    /** @param fromHour and {@code toHour}: over midnight where the first is the later */
    public void neverRings(long householdId, int fromHour, int toHour) {
        jdbc.sql("insert into promise (household_id, kind, from_hour, to_hour) values (:householdId, 'NEVER_RINGS', :from, :to)")
                .param("householdId", householdId).param("from", fromHour).param("to", toHour).update();
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
                .anyMatch(each -> !each.key().equals(back.key()) && each.getClass() == back.getClass() && about(each).equals(about(back)));
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
            case "SURVIVES_THEFT" -> new Promise.SurvivesTheft(key, row.getDouble("seconds"));
            case "NEVER_SHOWS" -> new Promise.NeverShows(key, row.getString("area_id"));
            case "ONLY_THESE" -> new Promise.OnlyThese(key);
            case "ALERT_WITHIN" -> new Promise.AlertWithin(key, row.getDouble("seconds"));
            case "TELLS_OF" -> new Promise.TellsOf(key, row.getString("place_id"), row.getInt("amount"));
            case "RINGS_AT_MOST" -> new Promise.RingsAtMost(key, row.getInt("amount"));
            case "SILENT_ABOUT" -> new Promise.SilentAbout(key, row.getString("source"));
            case "NEVER_RINGS" -> new Promise.NeverRings(key, row.getInt("from_hour"), row.getInt("to_hour"));
            case "LIVE_AWAY" -> new Promise.LiveAway(key, row.getDouble("seconds"));
            default -> throw new IllegalStateException("unknown kind of promise: " + row.getString("kind"));
        };
    }

    /** What a promise is about, where there may be several of its kind. */
    private static String about(Promise promise) {
        return promise instanceof Promise.NeverShows never ? never.areaId()
                : promise instanceof Promise.TellsOf tells ? tells.placeId()
                        : promise instanceof Promise.SilentAbout silent ? silent.source() : "";
    }
}
