package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.UUID;

import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;

/** An earlier installation comes through with everything that it held, and with what it did not say yet. */
class MigrationTest {
    @Test
    void a_networks_sealed_password_stays_its_own() throws SQLException {
        String server = System.getenv("ROOFNEST_TEST_DB");
        String password = System.getenv("ROOFNEST_TEST_DB_PASSWORD");
        String name = "test_" + UUID.randomUUID().toString().replace("-", "");
        try (Connection connection = DriverManager.getConnection("jdbc:postgresql://" + server + "/postgres", "roofnest", password)) {
            connection.createStatement().execute("create database " + name);
        }
        String url = "jdbc:postgresql://" + server + "/" + name;
        Flyway.configure().dataSource(url, "roofnest", password).target("2").load().migrate();
        SingleConnectionDataSource source = new SingleConnectionDataSource(url, "roofnest", password, true);
        try {
            JdbcClient jdbc = JdbcClient.create(source);
            jdbc.sql("insert into firm (name, created_at) values ('Earlier', now())").update();
            for (String house : new String[] {"One", "Two"}) {
                jdbc.sql(
                        "insert into household (firm_id, name, address, stage, created_at) select max(id), :name, '1 Street', "
                                + "'READY', now() from firm")
                        .param("name", house).update();
                jdbc.sql(
                        "insert into network (household_id, name, bands, security, hidden, version) select max(id), "
                                + "lower(:name) || ' wifi', '{GHZ_2_4}', 'WPA2', false, 3 from household")
                        .param("name", house).update();
                jdbc.sql(
                        "insert into secret (household_id, kind, sealed, sealed_at, sealed_by) select max(id), 'WIFI_PASSWORD', "
                                + ":sealed, now(), 'Jory' from household")
                        .param("sealed", house.getBytes()).update();
            }
            jdbc.sql("insert into resident (household_id, name, email, tie) select min(id), 'Ida', '', 'LIVES_HERE' from household")
                    .update();
            for (String[] camera : new String[][] {{"Hen yard", "tarrowby-turn"}, {"Gate eye", "dunmark-post"}}) {
                jdbc.sql("""
                    insert into camera (household_id, name, model_key, x_m, y_m, height_m, heading_deg, tilt_deg, clip_seconds,
                                        cool_down_seconds, card_gb, visits_per_day, live_minutes, open_sky_share, charge_every_days)
                    select min(id), :name, :model, 0, 0, 2.4, 0, 10, 12, 30, 64, 20, 3, 0.7, 90 from household
                    """).param("name", camera[0]).param("model", camera[1]).update();
            }
            jdbc.sql("insert into access_grant (household_id, resident_id, camera_id, role) select c.household_id, r.id, c.id, 'VIEWER' "
                    + "from camera c join resident r on r.household_id = c.household_id").update();
            Flyway.configure().dataSource(url, "roofnest", password).load().migrate();
            assertThat(jdbc.sql("select c.name from known k join camera c on c.id = k.camera_id where k.ended_on is null")
                    .query(String.class).list()).as("who was given kit without invitations was told its password")
                    .containsExactly("Hen yard");

            for (String house : new String[] {"One", "Two"}) {
                byte[] sealed = jdbc.sql("""
                    select secret.sealed from secret join network on network.id = secret.network_id
                    where network.name = :name and network.for_cameras and network.version = 3
                    """).param("name", house.toLowerCase() + " wifi").query(byte[].class).single();
                assertThat(new String(sealed)).isEqualTo(house);
            }
            assertThatThrownBy(() -> jdbc.sql(
                    "insert into network (household_id, name, bands, security, hidden, version) select household_id, 'second', "
                            + "'{GHZ_5}', 'WPA2', false, 1 from network limit 1")
                    .update())
                    .as("one network of a house is the cameras'").isInstanceOf(DataIntegrityViolationException.class);
            jdbc.sql("delete from network where name = 'one wifi'").update();
            assertThat(jdbc.sql("select count(*) from secret").query(Long.class).single()).as("its password goes with it").isEqualTo(1);
        } finally {
            source.destroy();
        }
    }
}
