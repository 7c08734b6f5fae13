package roofnest.app.web;

import java.io.IOException;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.core.annotation.Order;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Marks a request whose answer was made whole. It stands just behind the filter that keeps the session: what breaks after the mark
 * broke the keeping of the session and no part of the answer.
 */
@Component
@Order(SessionRepositoryFilter.DEFAULT_ORDER + 1)
class Answered extends OncePerRequestFilter {
    private static final String WHOLE = Answered.class.getName() + ".WHOLE";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        request.removeAttribute(WHOLE);
        chain.doFilter(request, response);
        request.setAttribute(WHOLE, true);
    }

    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }

    static boolean isWhole(HttpServletRequest request) {
        return request.getAttribute(WHOLE) != null;
    }
}
