package roofnest.app.firm;

import java.util.Map;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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
 * That a page was read is noted in its session; where nothing can be noted because the disk is full, the page is read all the same. Two
 * requests of one session may note the same at once: the later one counts, and neither fails.
 */
@Configuration
class ForgivingSessions {
    private static final Logger LOG = LoggerFactory.getLogger(ForgivingSessions.class);

    @Bean
    PostgreSqlJdbcIndexedSessionRepositoryCustomizer laterOneCounts() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }

    @Bean
    static BeanPostProcessor forgivingSessionRepository() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof JdbcIndexedSessionRepository sessions ? new Forgiving<>(sessions) : bean;
            }
        };
    }

    private record Forgiving<S extends Session>(FindByIndexNameSessionRepository<S> sessions)
            implements
                FindByIndexNameSessionRepository<S> {
        @Override
        public void save(S session) {
            try {
                sessions.save(session);
            } catch (DataAccessException refused) {
                if (!DatabaseAway.takesNothing(refused)) {
                    throw refused;
                }
                LOG.warn("a session was not kept: the database takes nothing");
            }
        }

        @Override
        public S createSession() {
            return sessions.createSession();
        }

        @Override
        public S findById(String id) {
            return sessions.findById(id);
        }

        @Override
        public void deleteById(String id) {
            sessions.deleteById(id);
        }

        @Override
        public Map<String, S> findByIndexNameAndIndexValue(String index, String value) {
            return sessions.findByIndexNameAndIndexValue(index, value);
        }
    }
}
