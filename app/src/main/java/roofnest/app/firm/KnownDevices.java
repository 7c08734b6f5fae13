package roofnest.app.firm;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

import roofnest.app.watch.Purged;
import roofnest.app.web.LinkTokens;
import roofnest.app.web.Site;

/** Browsers in which somebody signed in before: each keeps a word, of which only the hash is kept here. */
@Component
class KnownDevices implements Purged {
    private static final Duration KEPT = Duration.ofDays(365);
    private static final int MOST_OF_A_PERSON = 20;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final LinkTokens tokens;
    private final Site site;

    KnownDevices(JdbcClient jdbc, Clock clock, LinkTokens tokens, Site site) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.tokens = tokens;
        this.site = site;
    }

    /** Hash of what this browser keeps; null when it keeps nothing. */
    byte[] kept(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, site.cookie("device"));
        return cookie == null ? null : tokens.hash(cookie.getValue());
    }

    boolean isOf(String email, byte[] device) {
        return device != null && jdbc.sql("""
            select exists (select from known_device d join person p on p.id = d.person_id where p.email = :email and d.token_hash = :hash)
            """).param("email", email).param("hash", device).query(Boolean.class).single();
    }

    /** From now on this browser is one of theirs. */
    void remember(Staff staff, HttpServletRequest request, HttpServletResponse response) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        byte[] kept = kept(request);
        if (kept != null && jdbc.sql("update known_device set last_used = :now where person_id = :person and token_hash = :hash")
                .param("now", now).param("person", staff.id()).param("hash", kept).update() == 1) {
            return;
        }
        String token = tokens.fresh();
        jdbc.sql("insert into known_device (person_id, token_hash, since, last_used) values (:person, :hash, :now, :now)")
                .param("person", staff.id()).param("hash", tokens.hash(token)).param("now", now).update();
        jdbc.sql("""
            delete from known_device where person_id = :person and id not in
              (select id from known_device where person_id = :person order by last_used desc, id desc limit :most)
            """).param("person", staff.id()).param("most", MOST_OF_A_PERSON).update();
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(site.cookie("device"), token).path("/").httpOnly(true)
                .secure(site.secure()).sameSite("Lax").maxAge(KEPT).build().toString());
    }

    /** None of theirs is known any more. */
    void forget(long personId) {
        jdbc.sql("delete from known_device where person_id = :person").param("person", personId).update();
    }

    @Override
    public String what() {
        return "devices not used for a year";
    }

    @Override
    public int purge(OffsetDateTime before) {
        return jdbc.sql("delete from known_device where last_used < :before").param("before", before.minus(KEPT)).update();
    }
}
