package roofnest.app.firm;

import java.time.Duration;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

import roofnest.app.web.Site;

/** Signing in lasts a day's work, through a phone that closes its browser between two houses. */
@Configuration
class SessionCookie {
    static final Duration DAYS_WORK = Duration.ofHours(16);

    @Bean
    CookieSerializer sessionCookieSerializer(Site site) {
        DefaultCookieSerializer cookie = new DefaultCookieSerializer();
        cookie.setCookieName(site.cookie(""));
        cookie.setCookiePath("/");
        cookie.setUseHttpOnlyCookie(true);
        cookie.setUseSecureCookie(site.secure());
        cookie.setSameSite("Lax");
        cookie.setCookieMaxAge((int) DAYS_WORK.toSeconds());
        return cookie;
    }
}
