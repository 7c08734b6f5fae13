package roofnest.app.wishes;

import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.core.annotation.Order;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

import roofnest.app.firm.Staff;

/**
 * A wish is granted by doing what was asked, where it was asked: the request of whoever may gets the fields that were typed by
 * whoever asked, and goes through every check that it would go through otherwise. It is settled only once it was done.
 */
@Component
@Order
class Granting extends OncePerRequestFilter {
    static final String WISH = "wish";
    private static final int FIRST_REFUSAL = 400;

    private final Wishes wishes;

    Granting(Wishes wishes) {
        this.wishes = wishes;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("POST") || !request.getRequestURI().startsWith("/households/")
                || !String.valueOf(request.getQueryString()).startsWith(WISH + "=");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        String typed = String.valueOf(request.getParameter(WISH));
        Optional<Long> id = typed.matches("[0-9]{1,18}") ? Optional.of(Long.valueOf(typed)) : Optional.empty();
        Optional<Map<String, List<String>>> fields = who != null && who.getPrincipal() instanceof Staff staff
                ? id.flatMap(wish -> wishes.fields(staff, wish, request.getRequestURI())) : Optional.empty();
        if (fields.isEmpty()) {
            response.sendRedirect("/requests?gone");
            return;
        }
        chain.doFilter(new AsAsked(request, fields.get()), response);
        if (response.getStatus() < FIRST_REFUSAL) {
            wishes.granted((Staff) who.getPrincipal(), id.get());
        }
    }

    /** The request with the fields as they were asked; what it says itself does not count beside them. */
    private static class AsAsked extends HttpServletRequestWrapper {
        private final Map<String, String[]> fields = new LinkedHashMap<>();

        AsAsked(HttpServletRequest request, Map<String, List<String>> asked) {
            super(request);
            asked.forEach((name, values) -> fields.put(name, values.toArray(String[]::new)));
        }

        @Override
        public String getParameter(String name) {
            return fields.containsKey(name) ? fields.get(name)[0] : null;
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(fields);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(fields.keySet());
        }

        @Override
        public String[] getParameterValues(String name) {
            return fields.get(name);
        }
    }
}
