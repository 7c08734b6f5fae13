package roofnest.app.outward;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.web.RequestNumber;

/** Lets a script in by the key in its header, and slows it down. Nothing is kept between two requests. */
class ScriptFilter extends OncePerRequestFilter {
    private static final String BEARER = "Bearer ";
    private static final int LONGEST_WORD = 200;

    private final ScriptKeys keys;
    private final ScriptLimits limits;
    private final JsonMapper json = new JsonMapper();

    ScriptFilter(ScriptKeys keys, ScriptLimits limits) {
        this.keys = keys;
        this.limits = limits;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException,
            IOException {
        if (request.getRequestURI().equals("/api/v1/openapi.json")) {
            chain.doFilter(request, response);
            return;
        }
        String said = request.getHeader(HttpHeaders.AUTHORIZATION);
        Optional<ScriptKeys.Opened> key = said == null || !said.startsWith(BEARER) || said.length() > LONGEST_WORD ? Optional.empty()
                : keys.open(said.substring(BEARER.length()));
        if (key.isEmpty()) {
            Duration wait = limits.wrong(request.getRemoteAddr());
            response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer");
            refuse(request, response, wait, 401, "No key that opens", "Send a key of the firm's as Authorization: Bearer …; the owner makes"
                    + " one on the page of people.");
            return;
        }
        Duration wait = limits.ask(key.get().id());
        if (!wait.isZero()) {
            refuse(request, response, wait, 429, "Too many at once", "Each key asks " + ScriptLimits.AT_ONCE
                    + " times at once and two times a second for long. Try again later.");
            return;
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(key.get(), null, List.of()));
        SecurityContextHolder.setContext(context);
        chain.doFilter(request, response);
    }

    private void refuse(HttpServletRequest request, HttpServletResponse response, Duration wait, int status, String title, String detail)
            throws IOException {
        int said = wait.isZero() ? status : 429;
        if (!wait.isZero()) {
            response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(wait.toSeconds() + 1));
        }
        response.setStatus(said);
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        Map<String, Object> problem = new TreeMap<>(Map.of("title", title, "detail", detail, "status", said, "request", String.valueOf(
                request.getAttribute(RequestNumber.ATTRIBUTE))));
        response.getWriter().write(json.writeValueAsString(problem));
    }
}
