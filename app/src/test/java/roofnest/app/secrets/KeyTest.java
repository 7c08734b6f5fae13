package roofnest.app.secrets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

import javax.sql.DataSource;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import com.zaxxer.hikari.HikariDataSource;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.RoofNestProperties;
import roofnest.app.records.MailRepository;

/** A key that is lost, swapped, spoilt or changed: what opens, what is said, and that nothing but a person's word makes a new one. */
@AppTest
class KeyTest {
    @Autowired private Sealer sealer;
    @Autowired private SecretStore secrets;
    @Autowired private KeyRotation rotation;
    @Autowired private MailRepository mails;
    @Autowired private DemoPlaces demo;
    @Autowired private RoofNestProperties properties;
    @Autowired private MockMvc mvc;
    @Autowired private DataSource source;

    private Path file;
    private Path copy;
    private long osgood;
    private String password;

    @BeforeEach
    void aCopyIsKept() throws IOException {
        file = properties.keyFile();
        copy = file.resolveSibling("copy-of-" + file.getFileName());
        Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        osgood = demo.household("Osgood");
        password = demo.wifiPassword(osgood).orElseThrow();
    }

    @AfterEach
    void asItWas() throws IOException {
        Files.copy(copy, file, StandardCopyOption.REPLACE_EXISTING);
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
        assertThat(sealer.lookAgain()).isEqualTo(Sealer.State.GOOD);
        assertThat(demo.wifiPassword(osgood)).contains(password);
    }

    private void everythingElseWorks(Sealer.State state) throws Exception {
        assertThat(sealer.lookAgain()).isEqualTo(state);
        assertThat(demo.wifiPassword(osgood)).isEmpty();
        assertThatThrownBy(() -> sealer.seal("a", "b")).isInstanceOf(KeyAway.class).hasMessageContaining(state.words());
        for (String stage : List.of("brief", "survey", "ready", "pair", "mount", "tune", "share", "prove", "care", "share/mailbox")) {
            MockHttpServletResponse page = mvc.perform(get("/households/" + osgood + "/" + stage).with(user(demo.staff("tamsin"))))
                    .andReturn().getResponse();
            assertThat(page.getStatus()).as(stage).isEqualTo(200);
            assertThat(page.getContentAsString()).as(stage).contains(state.words(), "everything else works");
        }
        assertThat(mvc.perform(get("/people/key").with(user(demo.staff("tamsin")))).andReturn().getResponse().getContentAsString())
                .contains(state.words(), "Put the key back", file.toAbsolutePath().toString());
        MockHttpServletResponse kept
                = mvc.perform(post("/households/" + osgood + "/ready/label").param("code", "WIFI:T:WPA;S:new;P:aaaa8888;;")
                        .with(user(demo.staff("tamsin"))).with(csrf())).andReturn().getResponse();
        assertThat(kept.getStatus()).as("a password that cannot be kept is refused and not lost in silence").isEqualTo(422);
        assertThat(kept.getContentAsString()).contains("no password can be kept");
    }

    @Test
    void a_lost_key_is_said_on_every_page_and_no_other_is_made_in_its_place() throws Exception {
        Files.delete(file);
        everythingElseWorks(Sealer.State.LOST);
        assertThat(file).doesNotExist();
    }

    @Test
    void a_swapped_key_is_said_too_and_left_alone() throws Exception {
        new KeyFile(file).make();
        String foreign = Files.readString(file);
        everythingElseWorks(Sealer.State.FOREIGN);
        assertThat(Files.readString(file)).isEqualTo(foreign);
    }

    @Test
    void so_is_a_file_that_is_no_key() throws Exception {
        Files.writeString(file, "{\"primaryKeyId\": 7");
        everythingElseWorks(Sealer.State.UNREADABLE);
        Files.writeString(file, "");
        assertThat(sealer.lookAgain()).isEqualTo(Sealer.State.UNREADABLE);
    }

    /** Only in so many words, only while it is away, and with the file that was there kept beside. */
    @Test
    void a_new_key_is_begun_by_the_owner_alone_and_everything_can_be_put_back() throws Exception {
        new KeyFile(file).make();
        String foreign = Files.readString(file);
        sealer.lookAgain();
        byte[] known = demo.jdbc().sql("select sealed from seal_key").query(byte[].class).single();
        assertThat(begin("jory", true)).isEqualTo(403);
        assertThat(begin("tamsin", false)).isEqualTo(422);
        assertThat(sealer.state()).isEqualTo(Sealer.State.FOREIGN);
        assertThat(begin("tamsin", true)).isEqualTo(302);
        assertThat(sealer.state()).isEqualTo(Sealer.State.GOOD);
        assertThat(demo.wifiPassword(osgood)).as("asked for again").isEmpty();
        assertThat(secrets.closed()).isGreaterThan(3);
        assertThat(sealer.open(sealer.seal("new", "here"), "here")).contains("new");
        assertThat(Files.list(file.toAbsolutePath().getParent()).filter(each -> each.getFileName().toString().contains(".aside-"))
                .map(each -> {
                    try {
                        return Files.readString(each);
                    } catch (IOException e) {
                        throw new AssertionError(e);
                    }
                })).contains(foreign);
        assertThat(begin("tamsin", true)).as("it is good now").isEqualTo(409);
        demo.jdbc().sql("update seal_key set sealed = :known").param("known", known).update();
    }

    private int begin(String who, boolean said) throws Exception {
        return mvc.perform(post("/people/key/anew").param("giveUp", said ? "true" : "").with(user(demo.staff(who))).with(csrf()))
                .andReturn()
                .getResponse().getStatus();
    }

    /** Everything opens after it as before, and nothing of it with the old key; stopped half way, everything opens too. */
    @Test
    void a_changed_key_opens_everything_and_the_old_one_nothing() throws Exception {
        mvc.perform(post("/households/" + osgood + "/ready/preparation").param("to", "wren@keys.example").with(user(demo.staff("jory")))
                .with(csrf()));
        String link = demo.mailedLink(osgood);
        sealer.addKey();
        assertThat(demo.wifiPassword(osgood)).as("half way").contains(password);
        assertThat(sealer.lookAgain()).as("and started again there").isEqualTo(Sealer.State.GOOD);
        assertThat(demo.wifiPassword(osgood)).contains(password);
        long sealed = demo.count("secret");
        assertThat(rotation.rotate()).isGreaterThan((int) sealed);
        assertThat(demo.wifiPassword(osgood)).contains(password);
        assertThat(demo.mailedLink(osgood)).isEqualTo(link);
        assertThat(secrets.closed()).isZero();
        assertThat(Files.getPosixFilePermissions(file)).isEqualTo(PosixFilePermissions.fromString("rw-------"));
        String changed = Files.readString(file);
        Files.copy(copy, file, StandardCopyOption.REPLACE_EXISTING);
        assertThat(sealer.lookAgain()).as("the old file").isEqualTo(Sealer.State.FOREIGN);
        Files.writeString(file, changed);
        assertThat(sealer.lookAgain()).isEqualTo(Sealer.State.GOOD);
        Files.writeString(copy, changed);
    }

    @Test
    void a_file_that_others_can_read_is_told_of() throws Exception {
        assertThat(sealer.tooOpen()).isEmpty();
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-r--r--"));
        assertThat(sealer.tooOpen()).contains("rw-r--r--");
        assertThat(mvc.perform(get("/people/key").with(user(demo.staff("tamsin")))).andReturn().getResponse().getContentAsString())
                .contains("can be read by others", "chmod 600");
    }

    /** Two that start together over an empty database, with a file that both see: one makes the key, the other takes it. */
    @Test
    void instances_that_start_together_have_one_key() throws Exception {
        demo.jdbc().sql("create schema together").update();
        try {
            demo.jdbc().sql("create table together.seal_key (like public.seal_key including all)").update();
            demo.jdbc().sql("create table together.secret (like public.secret including all)").update();
            Path shared = file.resolveSibling("together.key");
            Files.deleteIfExists(shared);
            CyclicBarrier start = new CyclicBarrier(4);
            List<Sealer> started = inParallel(4, () -> {
                start.await();
                return another(shared, "together");
            });
            byte[] sealed = started.get(0).seal("thrushes", "here");
            assertThat(started).allSatisfy(each -> {
                assertThat(each.state()).isEqualTo(Sealer.State.GOOD);
                assertThat(each.open(sealed, "here")).contains("thrushes");
            });
            Path elsewhere = file.resolveSibling("elsewhere.key");
            assertThat(another(elsewhere, "together").state()).as("on a machine without the file").isEqualTo(Sealer.State.LOST);
            assertThat(elsewhere).doesNotExist();
        } finally {
            demo.jdbc().sql("drop schema together cascade").update();
        }
    }

    /** Two tables of a schema of their own stand for a database. */
    private Sealer another(Path key, String schema) throws Exception {
        HikariDataSource hikari = source.unwrap(HikariDataSource.class);
        DriverManagerDataSource other = new DriverManagerDataSource(hikari.getJdbcUrl() + "?currentSchema=" + schema, hikari.getUsername(),
                hikari.getPassword());
        return new Sealer(new RoofNestProperties(key, false), JdbcClient.create(other), new DataSourceTransactionManager(other),
                Clock.systemUTC());
    }

    private static <T> List<T> inParallel(int threads, Callable<T> work) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(threads);
        try {
            List<T> done = new ArrayList<>();
            for (Future<T> each : pool.invokeAll(Collections.nCopies(threads, work))) {
                done.add(each.get());
            }
            return done;
        } finally {
            pool.shutdown();
        }
    }

    /** The owner began with a new key at another instance: ours seals nothing more with the one that was given up. */
    @Test
    void a_key_that_another_instance_gave_up_seals_nothing_more() {
        byte[] known = demo.jdbc().sql("select sealed from seal_key").query(byte[].class).single();
        sealer.stillOurs();
        assertThat(sealer.state()).isEqualTo(Sealer.State.GOOD);
        try {
            demo.jdbc().sql("update seal_key set sealed = :other").param("other", "another's".getBytes(StandardCharsets.UTF_8)).update();
            sealer.stillOurs();
            assertThat(sealer.state()).isEqualTo(Sealer.State.FOREIGN);
            assertThatThrownBy(() -> sealer.seal("a", "b")).isInstanceOf(KeyAway.class);
        } finally {
            demo.jdbc().sql("update seal_key set sealed = :known").param("known", known).update();
        }
    }
}
