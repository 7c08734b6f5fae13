package roofnest.app.firm;

import java.time.Duration;
import java.time.Instant;
import java.util.Set;

import org.springframework.session.Session;

/**
 * A session whose last use is noted once in a minute: an idle session ends after hours, and a drag asks twenty times in a second.
 *
 * @param kept the session as its repository knows it
 */
record SeldomNoted<S extends Session>(S kept) implements Session {
    static final Duration NOTED_EVERY = Duration.ofMinutes(1);

    @Override
    public void setLastAccessedTime(Instant at) {
        Instant noted = kept.getLastAccessedTime();
        // A clock that was set back is noted too: a session would else live on for as long as it was wrong.
        if (at.isBefore(noted) || !at.isBefore(noted.plus(NOTED_EVERY))) {
            kept.setLastAccessedTime(at);
        }
    }

    @Override
    public Instant getLastAccessedTime() {
        return kept.getLastAccessedTime();
    }

    @Override
    public String getId() {
        return kept.getId();
    }

    @Override
    public String changeSessionId() {
        return kept.changeSessionId();
    }

    @Override
    public <T> T getAttribute(String name) {
        return kept.getAttribute(name);
    }

    @Override
    public Set<String> getAttributeNames() {
        return kept.getAttributeNames();
    }

    @Override
    public void setAttribute(String name, Object value) {
        kept.setAttribute(name, value);
    }

    @Override
    public void removeAttribute(String name) {
        kept.removeAttribute(name);
    }

    @Override
    public Instant getCreationTime() {
        return kept.getCreationTime();
    }

    @Override
    public void setMaxInactiveInterval(Duration interval) {
        kept.setMaxInactiveInterval(interval);
    }

    @Override
    public Duration getMaxInactiveInterval() {
        return kept.getMaxInactiveInterval();
    }

    @Override
    public boolean isExpired() {
        return kept.isExpired();
    }
}
