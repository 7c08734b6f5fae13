package roofnest.app.firm;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AnnotationTemplateExpressionDefaults;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;

import roofnest.core.lang.Text;

/** Everything is closed but signing in, the first page, invitations and preparations by their links, assets and the health check. */
@Configuration
@EnableMethodSecurity
class SecurityConfig {
    private static final int LONGEST_EMAIL = 254;
    private static final String CONTENT_SECURITY_POLICY = String.join("; ",
            "default-src 'none'", "script-src 'self'", "style-src 'self'", "img-src 'self' data:", "font-src 'self'",
            "connect-src 'self'", "form-action 'self'", "base-uri 'none'", "frame-ancestors 'none'", "manifest-src 'self'",
            "worker-src 'self'");

    /** Files that a page loads are everybody's: nobody is looked up for them, so they come while the database is away. */
    @Bean
    @Order(0)
    SecurityFilterChain files(HttpSecurity http) throws Exception {
        http.securityMatcher("/vendor/**", "/css/**", "/js/**", "/icon*.svg", "/sw.js");
        http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll());
        http.securityContext(AbstractHttpConfigurer::disable).requestCache(AbstractHttpConfigurer::disable)
                .sessionManagement(AbstractHttpConfigurer::disable).csrf(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable);
        return headers(http).build();
    }

    private static HttpSecurity headers(HttpSecurity http) throws Exception {
        return http.headers(headers -> headers
                // Of this host alone: what else its owner runs beside it is not ours to decide.
                .httpStrictTransportSecurity(tls -> tls.includeSubDomains(false))
                .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                .referrerPolicy(policy -> policy.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.SAME_ORIGIN)));
    }

    @Bean
    SecurityFilterChain security(HttpSecurity http, KnownDevices devices, Fresh fresh, Passkeys passkeys) throws Exception {
        http.authorizeHttpRequests(requests -> requests
                // From inside alone: whoever was let in, or is to be shown the door, was decided before.
                .dispatcherTypeMatchers(DispatcherType.FORWARD).permitAll()
                .requestMatchers("/sign-in", "/first-firm", "/invitations/*", "/prepare/**", "/pack/**", "/reset/*", "/feed/*", "/error")
                .permitAll()
                .requestMatchers("/webauthn/authenticate/options", "/login/webauthn").permitAll()
                .requestMatchers("/webauthn/register", "/webauthn/register/options")
                .access((who, asked) -> new AuthorizationDecision(fresh.isFresh(asked.getRequest().getSession(false))))
                .requestMatchers("/actuator/health").permitAll()
                .requestMatchers("/actuator/**").hasAuthority(Role.Permission.MANAGE_PEOPLE.name())
                .anyRequest().authenticated());
        http.addFilterBefore(new SignedOutAsks(), CsrfFilter.class);
        SignedIn signedIn = new SignedIn(devices, fresh);
        passkeys.into(http, signedIn);
        http.formLogin(form -> form
                .loginPage("/sign-in").loginProcessingUrl("/sign-in").usernameParameter("email")
                .authenticationDetailsSource(request -> new SignInDetails(request.getRemoteAddr(), devices.kept(request)))
                .successHandler(signedIn)
                .failureHandler(SecurityConfig::refused));
        http.exceptionHandling(refusals -> refusals.accessDeniedHandler(new SignedOutForms()));
        http.logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"));
        return headers(http).build();
    }

    /** Back to the page, with the address typed again if it can be one. */
    private static void refused(HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        String typed = request.getParameter("email");
        String email = typed == null || typed.length() > LONGEST_EMAIL || Text.hasControls(typed) ? "" : typed;
        String why = failure instanceof LockedException ? "wait=" + failure.getMessage() : "wrong";
        response.sendRedirect("/sign-in?" + why + "&email=" + URLEncoder.encode(email, StandardCharsets.UTF_8));
    }

    /** So that {@link Needs} can name its permission. */
    @Bean
    static AnnotationTemplateExpressionDefaults namedPermissions() {
        return new AnnotationTemplateExpressionDefaults();
    }

    /** How long each filter of each request takes is read by nobody; that a request took long is in its line of the log. */
    @Bean
    static SecurityObservationSettings noTimeOfEachFilter() {
        return SecurityObservationSettings.noObservations();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
