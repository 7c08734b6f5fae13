package roofnest.app.web;

import java.io.IOException;

import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.WebUtils;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

/**
 * Whether pages are painted for a dark attic. Each browser keeps its own choice, so that no page has to run a script before
 * it is painted.
 */
@Component
class Theme extends OncePerRequestFilter {
    private static final String COOKIE = "roofnest-theme";
    private static final String DIM = "loft";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Cookie kept = WebUtils.getCookie(request, COOKIE);
        if (kept != null && kept.getValue().equals(DIM)) {
            request.setAttribute("theme", DIM);
        }
        chain.doFilter(request, response);
    }

    /** An error is painted as the page before it. */
    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }
}
