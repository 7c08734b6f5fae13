package roofnest.journeys;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** The packaged application as a process of its own, on a database and a port of its own. */
public final class RunningApp implements AutoCloseable {
    private static final String JAR = "../app/target/app-0.1.0-boot.jar";
    private static final long START_LIMIT_S = 180;

    private final String database;
    private final Path keyFile;
    private final boolean demo;
    private final int port;
    private final Map<String, String> more;
    private final List<String> output = Collections.synchronizedList(new ArrayList<>());
    private Process process;

    private RunningApp(String database, Path keyFile, boolean demo, Map<String, String> more) {
        this.database = database;
        this.keyFile = keyFile;
        this.demo = demo;
        this.more = more;
        this.port = freePort();
    }

    public static int freePort() {
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return free.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Starts with the demo world and comes back when it is loaded. */
    public static RunningApp withDemoWorld() {
        return withDemoWorld(Map.of());
    }

    /** @param more settings beside those that every instance has */
    public static RunningApp withDemoWorld(Map<String, String> more) {
        return started(true, more, "The demo world is loaded");
    }

    public static RunningApp empty() {
        return started(false, Map.of(), "Started RoofNestApplication");
    }

    private static RunningApp started(boolean demo, Map<String, String> more, String readyLine) {
        try {
            RunningApp app = new RunningApp("journey_" + UUID.randomUUID().toString().replace("-", ""),
                    Files.createTempDirectory("roofnest-journey").resolve("secret.key"), demo, more);
            app.createDatabase();
            app.start(readyLine);
            return app;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Another instance on the same database and key. */
    public RunningApp another() {
        RunningApp other = new RunningApp(database, keyFile, false, more);
        other.startAgain();
        return other;
    }

    public String url() {
        return "http://127.0.0.1:" + port;
    }

    public String address() {
        return "127.0.0.1:" + port;
    }

    /** The same site by a name, which is what passkeys are bound to. */
    public String byName() {
        return "http://localhost:" + port;
    }

    /** How the application is told where its data is. */
    public Map<String, String> settings() {
        return Map.of("ROOFNEST_DB_URL", "jdbc:postgresql://" + server() + "/" + database, "ROOFNEST_DB_PASSWORD", password(),
                "ROOFNEST_KEY_FILE", keyFile.toString());
    }

    /** Loses the database and the key, as a disk does. */
    public void ruin() {
        try (Connection connection = connection("postgres")) {
            connection.createStatement().execute("drop database " + database + " with (force)");
            Files.delete(keyFile);
        } catch (SQLException | IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What the database itself says. */
    public long number(String question) {
        try (Connection connection = connection(database); ResultSet answer = connection.createStatement().executeQuery(question)) {
            answer.next();
            return answer.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Connection connection(String name) throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://" + server() + "/" + name, "roofnest", password());
    }

    /** Its process's number. */
    public long pid() {
        return process.pid();
    }

    /** Ends the process at once, as kill -9 does: nothing gets a chance to tidy up. */
    public void kill() {
        process.destroyForcibly();
        awaitEnd();
    }

    public void startAgain() {
        start("Started RoofNestApplication");
    }

    private void start(String readyLine) {
        try {
            ProcessBuilder builder
                    = new ProcessBuilder("java", "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "-Dspring.aot.enabled=true", "-jar", JAR)
                            .redirectErrorStream(true);
            builder.environment().putAll(settings());
            builder.environment().put("ROOFNEST_PORT", String.valueOf(port));
            builder.environment().put("ROOFNEST_ADDRESS", byName());
            builder.environment().put("ROOFNEST_DEMO", String.valueOf(demo));
            builder.environment().putAll(more);
            process = builder.start();
            CountDownLatch ready = new CountDownLatch(1);
            Thread reader = new Thread(() -> read(readyLine, ready), "output of the application");
            reader.setDaemon(true);
            reader.start();
            if (!ready.await(START_LIMIT_S, TimeUnit.SECONDS) || !process.isAlive()) {
                throw new IllegalStateException("the application did not start:\n" + String.join("\n", output));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private void read(String readyLine, CountDownLatch ready) {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                output.add(line);
                if (line.contains(readyLine)) {
                    ready.countDown();
                }
            }
        } catch (IOException e) {
            output.add("reading ended: " + e.getMessage());
        }
        ready.countDown();
    }

    public String output() {
        return String.join("\n", output);
    }

    private void createDatabase() {
        try (Connection connection = connection("postgres")) {
            connection.createStatement().execute("create database " + database);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String server() {
        String server = System.getenv("ROOFNEST_TEST_DB");
        if (server == null) {
            throw new IllegalStateException("The journeys need a database: run them with bin/test");
        }
        return server;
    }

    private static String password() {
        return System.getenv("ROOFNEST_TEST_DB_PASSWORD");
    }

    private void awaitEnd() {
        try {
            process.waitFor(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        process.destroy();
        awaitEnd();
    }
}
