package roofnest.app.firm;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.core.annotation.Order;
import org.springframework.session.Session;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What a request has read of sessions, until it is answered. The filter that keeps the session looks for it once more after the
 * answer was written, only to learn whether its cookie still holds; that is known by then.
 */
@Component
@Order(SessionRepositoryFilter.DEFAULT_ORDER - 1)
class SessionsOfRequest extends OncePerRequestFilter {
    private final ThreadLocal<Map<String, Session>> read = new ThreadLocal<>();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        read.set(new HashMap<>());
        try {
            chain.doFilter(request, response);
        } finally {
            read.remove();
        }
    }

    /** @return null outside a request, and for what it has not read */
    Session get(String id) {
        Map<String, Session> here = read.get();
        return here == null ? null : here.get(id);
    }

    /** @param session null when there is none of that name */
    void keep(Session session) {
        Map<String, Session> here = read.get();
        if (here != null && session != null) {
            here.put(session.getId(), session);
        }
    }

    void forget(String id) {
        Map<String, Session> here = read.get();
        if (here != null) {
            here.remove(id);
        }
    }
}
