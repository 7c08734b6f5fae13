package roofnest.app.watch;

import java.io.IOException;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.HexFormat;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.web.RequestNumber;

/**
 * Gives every request a number, and writes one line for each that was refused, met a conflict or took long. Addresses of
 * links that are keys are written without their key, and nothing that was typed is written at all.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestLog extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(RequestLog.class);
    private static final Duration SLOW = Duration.ofMillis(500);
    private static final int NUMBER_BYTES = 4;

    private final Statements statements;
    private final Metrics metrics;
    private final SecureRandom random;

    RequestLog(Statements statements, Metrics metrics, SecureRandom random) {
        this.statements = statements;
        this.metrics = metrics;
        this.random = random;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        byte[] bytes = new byte[NUMBER_BYTES];
        random.nextBytes(bytes);
        String number = HexFormat.of().formatHex(bytes);
        request.setAttribute(RequestNumber.ATTRIBUTE, number);
        response.setHeader("X-Request-Number", number);
        MDC.put("request", number);
        long begun = System.nanoTime();
        int before = statements.ofThisThread();
        try {
            chain.doFilter(request, response);
        } finally {
            note(request, response.getStatus(), Duration.ofNanos(System.nanoTime() - begun), statements.ofThisThread() - before);
            MDC.remove("request");
        }
    }

    private void note(HttpServletRequest request, int status, Duration took, int asked) {
        metrics.request(asked);
        Object reason = request.getAttribute(RequestNumber.REASON);
        String what = switch (status) {
            case 409 -> "conflict";
            case 403, 413, 422, 400 -> "refused";
            default -> took.compareTo(SLOW) > 0 ? "slow" : "";
        };
        if (!what.isEmpty()) {
            metrics.count("roofnest.noted", "what", what);
            LOG.info("{} status={} {} {} took={}ms statements={}{}", what, status, request.getMethod(), withoutKey(request.getRequestURI()),
                    took.toMillis(), asked, reason == null ? "" : " why=\"" + reason + "\"");
        }
    }

    /** The word in the address of an invitation or a preparation opens it: it belongs into no log. */
    static String withoutKey(String uri) {
        return uri.replaceFirst("^/(invitations|prepare)/[^/]+", "/$1/…");
    }
}
