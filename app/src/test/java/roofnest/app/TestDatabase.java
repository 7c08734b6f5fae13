package roofnest.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.UUID;

import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.test.context.support.TestPropertySourceUtils;

/** Gives every application context of the tests a database of its own on the server that {@code bin/test} started. */
public class TestDatabase implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    @Override
    public void initialize(ConfigurableApplicationContext context) {
        String server = System.getenv("ROOFNEST_TEST_DB");
        String password = System.getenv("ROOFNEST_TEST_DB_PASSWORD");
        if (server == null) {
            throw new IllegalStateException("These tests need a database: run them with bin/test");
        }
        String name = "test_" + UUID.randomUUID().toString().replace("-", "");
        try (Connection connection = DriverManager.getConnection("jdbc:postgresql://" + server + "/postgres", "roofnest", password)) {
            connection.createStatement().execute("create database " + name);
            Path key = Files.createTempDirectory("roofnest-key").resolve("secret.key");
            TestPropertySourceUtils.addInlinedPropertiesToEnvironment(context,
                    "spring.datasource.url=jdbc:postgresql://" + server + "/" + name, "spring.datasource.username=roofnest",
                    "spring.datasource.password=" + password, "spring.datasource.hikari.maximum-pool-size=4", "roofnest.key-file=" + key);
        } catch (SQLException | IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
