package roofnest.app.outward;

import java.util.UUID;

import jakarta.servlet.http.HttpServletRequest;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.authorization.AuthenticatedAuthorizationManager;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.authorization.SingleResultAuthorizationManager;
import org.springframework.security.web.DefaultSecurityFilterChain;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.ExceptionTranslationFilter;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.access.intercept.RequestMatcherDelegatingAuthorizationManager;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.Http403ForbiddenEntryPoint;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;

import roofnest.app.firm.AnswerHeaders;

/** The door for scripts: by a key alone, reading alone, without a session; a browser's log-in opens nothing here and a key no page. */
@Configuration
class ScriptSecurity {
    /** Put together by hand, for it needs few of the filters that are made for a browser, and none that reads a session. */
    @Bean
    @Order(1)
    SecurityFilterChain scripts(ScriptKeys keys, ScriptLimits limits) {
        PathPatternRequestMatcher.Builder paths = PathPatternRequestMatcher.withDefaults();
        AuthorizationManager<HttpServletRequest> readers = RequestMatcherDelegatingAuthorizationManager.builder()
                .add(paths.matcher(HttpMethod.GET, "/api/v1/openapi.json"), SingleResultAuthorizationManager.permitAll())
                .add(paths.matcher(HttpMethod.GET, "/api/**"), AuthenticatedAuthorizationManager.authenticated())
                .anyRequest().denyAll().build();
        return new DefaultSecurityFilterChain(paths.matcher("/api/**"),
                AnswerHeaders.filter("default-src 'none'; frame-ancestors 'none'"), new ScriptFilter(keys, limits),
                new AnonymousAuthenticationFilter(UUID.randomUUID().toString()),
                new ExceptionTranslationFilter(new Http403ForbiddenEntryPoint()), new AuthorizationFilter(readers));
    }
}
