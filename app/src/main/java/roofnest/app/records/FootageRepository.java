package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;

/** Where the footage of each household is kept. */
@Repository
public class FootageRepository {
    private final JdbcClient jdbc;

    FootageRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What a house has for all its cameras.
     *
     * @param recorderGb 0 for none
     * @param packsByFirm whether the firm comes to charge packs, and not the household
     * @param version for the next change; 0 while nothing was said
     */
    public record House(int recorderGb, boolean packsByFirm, int version) {
        static final House UNSAID = new House(0, false, 0);
    }

    public House house(long householdId) {
        return jdbc.sql("select * from house_footage where household_id = :household").param("household", householdId)
                .query((row, n) -> new House(row.getInt("recorder_gb"), row.getBoolean("packs_by_firm"), row.getInt("version")))
                .optional().orElse(House.UNSAID);
    }

    /** Saves if nobody saved it since the version that {@code house} carries. */
    public void say(long householdId, House house) {
        int rows = jdbc.sql("""
            insert into house_footage (household_id, recorder_gb, packs_by_firm)
            select :household, :recorder, :byFirm
            where :version = 0 or exists (select 1 from house_footage where household_id = :household)
            on conflict (household_id) do update
            set recorder_gb = excluded.recorder_gb, packs_by_firm = excluded.packs_by_firm, version = house_footage.version + 1
            where house_footage.version = :version
            """).param("household", householdId).param("recorder", house.recorderGb()).param("byFirm", house.packsByFirm())
                .param("version", house.version()).update();
        if (rows != 1) {
            throw new StaleEdit("What the house has for its cameras", house.version(), house(householdId).version());
        }
    }

    /** All that its promises rest on, in one statement. */
    public FootagePlan of(long householdId) {
        Map<Long, Keeping> cameras = new HashMap<>();
        Map<String, Integer> hubs = new HashMap<>();
        int[] recorder = {0};
        OptionalDouble[] up = {OptionalDouble.empty()};
        jdbc.sql("""
            select 'camera' as what, k.camera_id, k.record_when, k.from_hour, k.to_hour, k.to_recorder, k.stops_when_full,
                   p.id as plan_id, p.name, p.maker, p.cents_a_month, p.cameras_most, p.keeps_days, p.clip_most_s, p.kinds,
                   null::text as model_key, null::int as gb, null::double precision as up_mbps
            from camera_keeping k join camera c on c.id = k.camera_id and c.removed_at is null left join cloud_plan p on p.id = k.plan_id
            where k.household_id = :household
            union all
            select 'hub', null, null, null, null, null, null, null, null, null, null, null, null, null, null, model_key, card_gb, null
            from hub where household_id = :household and removed_at is null and card_gb is not null
            union all
            select 'recorder', null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, recorder_gb, null
            from house_footage where household_id = :household
            union all
            select 'line', null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, up_mbps
            from router where household_id = :household and up_mbps is not null
            """).param("household", householdId).query(row -> {
            switch (row.getString("what")) {
                case "camera" -> cameras.put(row.getLong("camera_id"), keeping(row));
                case "hub" -> hubs.put(row.getString("model_key"), row.getInt("gb"));
                case "recorder" -> recorder[0] = row.getInt("gb");
                default -> up[0] = OptionalDouble.of(row.getDouble("up_mbps"));
            }
        });
        return new FootagePlan(cameras, hubs, recorder[0], up[0]);
    }

    private static Keeping keeping(ResultSet row) throws SQLException {
        Optional<CloudPlan> plan = row.getObject("plan_id") == null ? Optional.empty() : Optional.of(CloudPlanRepository.plan(row,
                "plan_id"));
        return new Keeping(Keeping.When.valueOf(row.getString("record_when")), row.getInt("from_hour"), row.getInt("to_hour"),
                row.getBoolean("to_recorder"), row.getBoolean("stops_when_full"), plan);
    }

    /** The caller counts the change at the camera, by the version that the page was opened at. */
    public void keep(long householdId, long cameraId, Keeping keeping) {
        jdbc.sql("""
            insert into camera_keeping (camera_id, household_id, record_when, from_hour, to_hour, to_recorder, stops_when_full, plan_id)
            values (:camera, :household, :when, :from, :to, :recorder, :stops, :plan)
            on conflict (camera_id) do update
            set record_when = excluded.record_when, from_hour = excluded.from_hour, to_hour = excluded.to_hour,
                to_recorder = excluded.to_recorder, stops_when_full = excluded.stops_when_full, plan_id = excluded.plan_id
            """).param("camera", cameraId).param("household", householdId).param("when", keeping.when().name())
                .param("from", keeping.fromHour()).param("to", keeping.toHour()).param("recorder", keeping.toRecorder())
                .param("stops", keeping.stopsWhenFull()).param("plan", keeping.plan().map(CloudPlan::id).orElse(null)).update();
    }

    /** Households of a firm whose packs it comes to charge, by name. */
    public List<Long> packsByFirm(long firmId, int most) {
        return jdbc.sql("""
            select h.id from house_footage f join household h on h.id = f.household_id
            where h.firm_id = :firm and h.archived_at is null and f.packs_by_firm
              and exists (select 1 from camera c where c.household_id = h.id and c.removed_at is null)
            order by h.name, h.id
            limit :most
            """).param("firm", firmId).param("most", most).query(Long.class).list();
    }

    /** Households of which some camera is on a plan. */
    public List<Long> onPlan(long planId) {
        return jdbc.sql("select distinct household_id from camera_keeping where plan_id = :plan order by household_id")
                .param("plan", planId)
                .query(Long.class).list();
    }
}
