package roofnest.app.firm;

import java.net.URI;
import java.time.Clock;
import java.time.Duration;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;

import org.springframework.http.HttpHeaders;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * Signing in lasts a day, and a phone is left lying about: whoever wants to see a password proves again that it is them, if they
 * did not within the last quarter of an hour.
 */
@Component
public class Fresh implements HandlerInterceptor {
    static final Duration GOOD_FOR = Duration.ofMinutes(15);
    /** When whoever has the session last proved who they are, in milliseconds since 1970. */
    public static final String PROVED_AT = "roofnest.proved-at";

    private static final int LONGEST_PATH = 300;

    private final Clock clock;

    Fresh(Clock clock) {
        this.clock = clock;
    }

    void proved(HttpSession session) {
        session.setAttribute(PROVED_AT, clock.millis());
    }

    /** Whether whoever has it proved a short while ago who they are. */
    boolean isFresh(HttpSession session) {
        return session != null && session.getAttribute(PROVED_AT) instanceof Long at
                && clock.millis() - at >= 0 && clock.millis() - at < GOOD_FOR.toMillis();
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) throws Exception {
        if (!(handler instanceof HandlerMethod method) || !method.hasMethodAnnotation(Needs.class)
                || method.getMethodAnnotation(Needs.class).value() != Role.Permission.REVEAL || !request.getMethod().equals("POST")
                || isFresh(request.getSession(false))) {
            return true;
        }
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof Staff staff) || !staff.may(Role.Permission.REVEAL)) {
            return true;
        }
        response.sendRedirect(UriComponentsBuilder.fromPath("/again").queryParam("back", "{back}").encode()
                .buildAndExpand(pageOf(request)).toUriString());
        return false;
    }

    /** The page of ours that the request was made on. */
    private static String pageOf(HttpServletRequest request) {
        String referer = request.getHeader(HttpHeaders.REFERER);
        try {
            return referer == null ? "/" : back(URI.create(referer).getRawPath());
        } catch (IllegalArgumentException strange) {
            return "/";
        }
    }

    /** A path on this site, or the first page: never another site's. */
    static String back(String path) {
        return path != null && path.length() <= LONGEST_PATH && path.matches("/([A-Za-z0-9._~-][A-Za-z0-9._~/-]*)?") ? path : "/";
    }
}
