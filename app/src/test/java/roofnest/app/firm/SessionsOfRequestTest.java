package roofnest.app.firm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.MapSession;
import org.springframework.session.MapSessionRepository;

/** What one request asks of the store of sessions. */
class SessionsOfRequestTest {
    private final Counted store = new Counted();
    private final SessionsOfRequest ofRequest = new SessionsOfRequest();
    private final ForgivingSessions.Forgiving<MapSession> sessions = new ForgivingSessions.Forgiving<>(store, ofRequest);

    /** A store that says what was read of it. */
    private static class Counted implements FindByIndexNameSessionRepository<MapSession> {
        private final MapSessionRepository kept = new MapSessionRepository(new ConcurrentHashMap<>());
        private final List<String> read = new ArrayList<>();
        private DataAccessException refusal;

        @Override
        public MapSession createSession() {
            return kept.createSession();
        }

        @Override
        public void save(MapSession session) {
            if (refusal != null) {
                throw refusal;
            }
            kept.save(session);
        }

        @Override
        public MapSession findById(String id) {
            read.add(id);
            return kept.findById(id);
        }

        @Override
        public void deleteById(String id) {
            kept.deleteById(id);
        }

        @Override
        public Map<String, MapSession> findByIndexNameAndIndexValue(String index, String value) {
            return new HashMap<>();
        }
    }

    private String stored() {
        MapSession session = store.createSession();
        store.save(session);
        return session.getId();
    }

    private void request(Runnable doing) throws Exception {
        ofRequest.doFilter(new MockHttpServletRequest(), new MockHttpServletResponse(), (asked, answer) -> doing.run());
    }

    @Test
    void a_request_reads_its_session_once_and_the_next_one_reads_it_anew() throws Exception {
        String id = stored();
        Runnable twice = () -> {
            SeldomNoted<MapSession> session = sessions.findById(id);
            sessions.save(session);
            assertThat(sessions.findById(id)).isSameAs(session);
        };
        request(twice);
        assertThat(store.read).containsExactly(id);
        request(twice);
        assertThat(store.read).containsExactly(id, id);
    }

    @Test
    void what_was_ended_by_somebody_else_is_not_found_by_the_next_request() throws Exception {
        String id = stored();
        request(() -> assertThat(sessions.findById(id)).isNotNull());
        store.deleteById(id);
        request(() -> assertThat(sessions.findById(id)).isNull());
    }

    @Test
    void what_this_request_ended_is_gone_for_itself_too() throws Exception {
        String id = stored();
        request(() -> {
            sessions.findById(id);
            sessions.deleteById(id);
            assertThat(sessions.findById(id)).isNull();
        });
    }

    @Test
    void a_session_of_a_new_name_is_not_found_by_its_old_one() throws Exception {
        String id = stored();
        request(() -> {
            SeldomNoted<MapSession> session = sessions.findById(id);
            String renamed = session.changeSessionId();
            sessions.save(session);
            assertThat(sessions.findById(id)).isNull();
            assertThat(sessions.findById(renamed)).isSameAs(session);
        });
    }

    @Test
    void outside_a_request_nothing_is_remembered() {
        String id = stored();
        sessions.findById(id);
        store.deleteById(id);
        assertThat(sessions.findById(id)).isNull();
    }

    @Test
    void a_request_that_fails_leaves_nothing_for_the_next_one_of_its_thread() throws Exception {
        String id = stored();
        assertThat(catchThrowable(() -> request(() -> {
            sessions.findById(id);
            throw new IllegalStateException("the page broke");
        }))).hasMessage("the page broke");
        store.deleteById(id);
        assertThat(sessions.findById(id)).isNull();
    }

    @Test
    void what_a_full_disk_does_not_take_is_no_fault_of_the_page_and_a_broken_line_is_one() {
        SeldomNoted<MapSession> session = sessions.createSession();
        store.refusal = new UncategorizedSQLException("note", null, new SQLException("cannot execute UPDATE", "25006"));
        sessions.save(session);
        store.refusal = new UncategorizedSQLException("note", null, new SQLException("the line broke", "08006"));
        assertThat(catchThrowable(() -> sessions.save(session))).isSameAs(store.refusal);
    }

    @Test
    void the_last_use_is_noted_once_a_minute_and_when_the_clock_was_set_back() {
        Instant noon = Instant.parse("2026-11-02T12:00:00Z");
        MapSession kept = new MapSession();
        kept.setLastAccessedTime(noon);
        SeldomNoted<MapSession> session = new SeldomNoted<>(kept);
        session.setLastAccessedTime(noon.plusSeconds(59));
        assertThat(kept.getLastAccessedTime()).isEqualTo(noon);
        session.setLastAccessedTime(noon.plusSeconds(60));
        assertThat(kept.getLastAccessedTime()).isEqualTo(noon.plusSeconds(60));
        session.setLastAccessedTime(noon.minus(Duration.ofHours(1)));
        assertThat(kept.getLastAccessedTime()).isEqualTo(noon.minus(Duration.ofHours(1)));
    }
}
