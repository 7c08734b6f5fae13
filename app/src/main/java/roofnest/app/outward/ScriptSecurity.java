package roofnest.app.outward;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;

/** The door for scripts: by a key alone, reading alone, without a session; a browser's log-in opens nothing here and a key no page. */
@Configuration
class ScriptSecurity {
    @Bean
    @Order(1)
    SecurityFilterChain scripts(HttpSecurity http, ScriptKeys keys, ScriptLimits limits) throws Exception {
        http.securityMatcher("/api/**");
        http.authorizeHttpRequests(requests -> requests.requestMatchers(HttpMethod.GET, "/api/v1/openapi.json").permitAll()
                .requestMatchers(HttpMethod.GET, "/api/**").authenticated().anyRequest().denyAll());
        http.addFilterBefore(new ScriptFilter(keys, limits), AuthorizationFilter.class);
        http.sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS));
        http.csrf(AbstractHttpConfigurer::disable).logout(AbstractHttpConfigurer::disable).requestCache(AbstractHttpConfigurer::disable);
        http.headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives("default-src 'none'; frame-ancestors"
                + " 'none'")));
        return http.build();
    }
}
