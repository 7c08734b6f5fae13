package roofnest.app.firm;

import java.util.Map;
import java.util.stream.Collectors;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;

import roofnest.app.web.DatabaseAway;

/**
 * That a page was read is noted in its session once in a minute; where nothing can be noted because the disk is full, the page is read
 * all the same. Two requests of one session may note the same at once: the later one counts, and neither fails.
 */
@Configuration
class ForgivingSessions {
    private static final Logger LOG = LoggerFactory.getLogger(ForgivingSessions.class);

    @Bean
    PostgreSqlJdbcIndexedSessionRepositoryCustomizer laterOneCounts() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }

    @Bean
    static BeanPostProcessor forgivingSessionRepository(ObjectProvider<SessionsOfRequest> ofRequest) {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof JdbcIndexedSessionRepository sessions ? new Forgiving<>(sessions, ofRequest.getObject()) : bean;
            }
        };
    }

    record Forgiving<S extends Session>(FindByIndexNameSessionRepository<S> sessions, SessionsOfRequest ofRequest)
            implements
                FindByIndexNameSessionRepository<SeldomNoted<S>> {
        @Override
        public void save(SeldomNoted<S> session) {
            try {
                sessions.save(session.kept());
                ofRequest.keep(session);
            } catch (DataAccessException refused) {
                if (!DatabaseAway.takesNothing(refused)) {
                    throw refused;
                }
                LOG.warn("a session was not kept: the database takes nothing");
            }
        }

        @Override
        public SeldomNoted<S> createSession() {
            return new SeldomNoted<>(sessions.createSession());
        }

        @Override
        @SuppressWarnings("unchecked")
        public SeldomNoted<S> findById(String id) {
            SeldomNoted<S> known = (SeldomNoted<S>) ofRequest.get(id);
            if (known == null || !known.getId().equals(id)) {
                S found = sessions.findById(id);
                known = found == null ? null : new SeldomNoted<>(found);
                ofRequest.keep(known);
            }
            return known;
        }

        @Override
        public void deleteById(String id) {
            ofRequest.forget(id);
            sessions.deleteById(id);
        }

        @Override
        public Map<String, SeldomNoted<S>> findByIndexNameAndIndexValue(String index, String value) {
            return sessions.findByIndexNameAndIndexValue(index, value).entrySet().stream()
                    .collect(Collectors.toMap(Map.Entry::getKey, entry -> new SeldomNoted<>(entry.getValue())));
        }
    }
}
