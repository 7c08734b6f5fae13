package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.BadInput;
import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.footage.CloudPlan;

/** Paid plans of makers, as each firm wrote them down. */
@Repository
public class CloudPlanRepository {
    /** More than these in one firm are no list that anybody reads. */
    public static final int MOST = 200;

    private final JdbcClient jdbc;

    CloudPlanRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public record Row(CloudPlan plan, int version) {}

    public List<Row> rows(long firmId) {
        return jdbc.sql("select * from cloud_plan where firm_id = :firm order by maker, name").param("firm", firmId)
                .query(CloudPlanRepository::row).list();
    }

    public List<CloudPlan> of(long firmId) {
        return rows(firmId).stream().map(Row::plan).toList();
    }

    /** Writes a plan down, or changes one if nobody did since {@code version}. @param plan with number 0 for a new one */
    public void say(long firmId, CloudPlan plan, int version) {
        try {
            if (plan.id() == 0) {
                if (rows(firmId).size() >= MOST) {
                    throw new BadInput("There are " + MOST + " plans already; take one out first.");
                }
                write(firmId, plan, """
                    insert into cloud_plan (firm_id, name, maker, cents_a_month, cameras_most, keeps_days, clip_most_s, kinds)
                    values (:firm, :name, :maker, :cents, :cameras, :days, :clip, :kinds)
                    """, 0);
            } else if (write(firmId, plan, """
                update cloud_plan
                set name = :name, maker = :maker, cents_a_month = :cents, cameras_most = :cameras, keeps_days = :days,
                    clip_most_s = :clip, kinds = :kinds, version = version + 1
                where firm_id = :firm and id = :id and version = :version
                """, version) != 1) {
                throw new StaleEdit("Somebody else changed or took out that plan meanwhile.", rows(firmId).stream()
                        .filter(row -> row.plan().id() == plan.id()).mapToInt(Row::version).findFirst().orElse(0));
            }
        } catch (DuplicateKeyException twice) {
            throw new BadInput(plan.maker() + " has a plan of that name here already: " + plan.name() + ".");
        }
    }

    private int write(long firmId, CloudPlan plan, String sql, int version) {
        return jdbc.sql(sql).param("firm", firmId).param("id", plan.id()).param("version", version).param("name", plan.name())
                .param("maker", plan.maker()).param("cents", plan.centsAMonth()).param("cameras", plan.camerasMost())
                .param("days", plan.keepsDays()).param("clip", plan.clipMostS())
                .param("kinds", plan.kinds().stream().map(Enum::name).sorted().toArray(String[]::new)).update();
    }

    /** Returns whether there was one; one that cameras are on is not taken out. */
    public boolean remove(long firmId, long id) {
        long on = jdbc.sql("""
            select count(*) from camera_keeping k join cloud_plan p on p.id = k.plan_id where p.id = :id and p.firm_id = :firm
            """).param("firm", firmId).param("id", id).query(Long.class).single();
        if (on > 0) {
            throw new BadInput((on == 1 ? "A camera is" : on + " cameras are") + " on that plan. Take them off it first, at Tune.");
        }
        return jdbc.sql("delete from cloud_plan where firm_id = :firm and id = :id").param("firm", firmId).param("id", id).update() == 1;
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(plan(row, "id"), row.getInt("version"));
    }

    /** @param id column in which its number stands */
    static CloudPlan plan(ResultSet row, String id) throws SQLException {
        return new CloudPlan(row.getLong(id), row.getString("name"), row.getString("maker"), row.getLong("cents_a_month"),
                row.getInt("cameras_most"), row.getInt("keeps_days"), row.getInt("clip_most_s"),
                Arrays.stream((String[]) row.getArray("kinds").getArray()).map(AlertSpec.Kind::valueOf).collect(Collectors.toSet()));
    }
}
