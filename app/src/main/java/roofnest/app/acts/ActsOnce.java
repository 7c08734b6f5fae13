package roofnest.app.acts;

import java.io.IOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionExecution;
import org.springframework.transaction.TransactionExecutionListener;
import org.springframework.web.filter.OncePerRequestFilter;

import roofnest.app.firm.Staff;
import roofnest.app.watch.Purged;
import roofnest.app.web.ActTime;

/**
 * A request that carries the number of an act is carried out once, however often it is sent: the number is written within the same
 * transaction as what the act does, so that neither is there without the other. What was refused may be sent again.
 */
@Component
@Order
class ActsOnce extends OncePerRequestFilter implements TransactionExecutionListener, Purged {
    static final String NUMBER = "X-Act";
    static final String ACTED_AT = "X-Acted-At";
    /** In the answer to what was carried out before. */
    static final String KNOWN = "X-Act-Known";
    private static final Logger LOG = LoggerFactory.getLogger(ActsOnce.class);
    private static final int FIRST_REFUSAL = 400;
    private static final int KEPT_DAYS = 30;

    private final ObjectProvider<JdbcClient> jdbc;
    private final ActTime time;
    private final ThreadLocal<Act> current = new ThreadLocal<>();

    ActsOnce(ObjectProvider<JdbcClient> jdbc, ActTime time) {
        this.jdbc = jdbc;
        this.time = time;
    }

    private static final class Act {
        private final UUID id;
        private final long personId;
        private final String path;
        private final Instant actedAt;
        private boolean written;
        /** In which it was written; none once it was written on its own. */
        private TransactionExecution within;

        private Act(UUID id, long personId, String path, Instant actedAt) {
            this.id = id;
            this.personId = personId;
            this.path = path;
            this.actedAt = actedAt;
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("POST") || request.getHeader(NUMBER) == null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<UUID> id = number(request.getHeader(NUMBER));
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (id.isEmpty() || who == null || !(who.getPrincipal() instanceof Staff staff)) {
            chain.doFilter(request, response);
            return;
        }
        if (isDone(id.get(), staff)) {
            known(response);
            return;
        }
        Act act = new Act(id.get(), staff.id(), request.getRequestURI(), time.at(moment(request.getHeader(ACTED_AT))));
        current.set(act);
        try {
            chain.doFilter(request, response);
        } finally {
            current.remove();
            time.now();
        }
        if (response.getStatus() >= FIRST_REFUSAL) {
            forget(act);
        } else if (!act.written && response.getStatus() != HttpServletResponse.SC_NO_CONTENT) {
            write(act);
        }
    }

    private static Optional<UUID> number(String sent) {
        try {
            return Optional.of(UUID.fromString(sent));
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
    }

    private Instant moment(String sent) {
        try {
            return sent == null ? time.really() : Instant.parse(sent);
        } catch (DateTimeException none) {
            return time.really();
        }
    }

    private static void known(HttpServletResponse response) {
        response.setHeader(KNOWN, "true");
        response.setStatus(HttpServletResponse.SC_NO_CONTENT);
    }

    private boolean isDone(UUID id, Staff staff) {
        return jdbc.getObject().sql("select exists (select from act where id = :id and person_id = :person)").param("id", id)
                .param("person", staff.id()).query(Boolean.class).single();
    }

    /**
     * With whatever the act changes, in its transaction. Ours have names; that in which a session is kept has none, and is kept whatever
     * becomes of the act.
     */
    @Override
    public void beforeCommit(TransactionExecution transaction) {
        Act act = current.get();
        if (act != null && !act.written && !transaction.isReadOnly() && !transaction.getTransactionName().isEmpty()) {
            act.within = transaction;
            write(act);
        }
    }

    @Override
    public void afterRollback(TransactionExecution transaction, Throwable failure) {
        Act act = current.get();
        // Of another one that is taken back, such as that of the session, the act knows nothing.
        if (act != null && act.within == transaction) {
            act.written = false;
        }
    }

    /**
     * @throws org.springframework.dao.DuplicateKeyException when the same act was sent twice at the same moment and the other one was
     *         carried out: this one is taken back, and told as known
     */
    private void write(Act act) {
        jdbc.getObject().sql("""
            insert into act (id, person_id, path, acted_at, received_at) values (:id, :person, :path, :acted, :received)
            """).param("id", act.id).param("person", act.personId).param("path", act.path)
                .param("acted", act.actedAt.atOffset(ZoneOffset.UTC)).param("received", time.really().atOffset(ZoneOffset.UTC)).update();
        act.written = true;
        LOG.info("act taken path={} acted_at={}", act.path, act.actedAt);
    }

    /** It was refused, so it may be sent again. */
    private void forget(Act act) {
        if (act.written) {
            jdbc.getObject().sql("delete from act where id = :id and person_id = :person").param("id", act.id)
                    .param("person", act.personId).update();
        }
    }

    @Override
    public String what() {
        return "numbers of acts";
    }

    /** A phone keeps an act for a week; a month is more than enough. */
    @Override
    public int purge(OffsetDateTime before) {
        return jdbc.getObject().sql("delete from act where received_at < :before").param("before", before.minusDays(KEPT_DAYS)).update();
    }
}
