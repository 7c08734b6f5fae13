package roofnest.app.firm;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.stream.Stream;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.aop.Advisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.method.AuthorizationManagerBeforeMethodInterceptor;
import org.springframework.security.authorization.method.PreAuthorizeAuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AnnotationTemplateExpressionDefaults;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.DefaultSecurityFilterChain;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.util.matcher.OrRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import org.springframework.stereotype.Controller;

import roofnest.core.lang.Text;

/** Everything is closed but signing in, the first page, invitations and preparations by their links, assets and the health check. */
@Configuration
class SecurityConfig {
    private static final int LONGEST_EMAIL = 254;
    private static final String CONTENT_SECURITY_POLICY = String.join("; ",
            "default-src 'none'", "script-src 'self'", "style-src 'self'", "img-src 'self' data:", "font-src 'self'",
            "connect-src 'self'", "form-action 'self'", "base-uri 'none'", "frame-ancestors 'none'", "manifest-src 'self'",
            "worker-src 'self'");

    /** Files that a page loads are everybody's: nobody is looked up for them, so they come while the database is away. */
    @Bean
    @Order(0)
    SecurityFilterChain files() {
        PathPatternRequestMatcher.Builder paths = PathPatternRequestMatcher.withDefaults();
        return new DefaultSecurityFilterChain(new OrRequestMatcher(Stream.of("/vendor/**", "/css/**", "/js/**", "/icon*.svg", "/sw.js")
                .map(paths::matcher).toArray(RequestMatcher[]::new)), AnswerHeaders.filter(CONTENT_SECURITY_POLICY),
                // Where there is no such file a page says so, and pages ask who reads them.
                new AnonymousAuthenticationFilter(UUID.randomUUID().toString()));
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
        http.headers(AbstractHttpConfigurer::disable).addFilter(AnswerHeaders.filter(CONTENT_SECURITY_POLICY));
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
        return http.build();
    }

    /** Back to the page, with the address typed again if it can be one. */
    private static void refused(HttpServletRequest request, HttpServletResponse response, AuthenticationException failure)
            throws IOException {
        String typed = request.getParameter("email");
        String email = typed == null || typed.length() > LONGEST_EMAIL || Text.hasControls(typed) ? "" : typed;
        String why = failure instanceof LockedException ? "wait=" + failure.getMessage() : "wrong";
        response.sendRedirect("/sign-in?" + why + "&email=" + URLEncoder.encode(email, StandardCharsets.UTF_8));
    }

    /**
     * Holds {@link Needs}. It is looked for on controllers alone, where it stands; looking for all that could be written of a
     * method's security, on every bean, would take a tenth of a start.
     */
    @Bean
    @org.springframework.context.annotation.Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static Advisor needs() {
        PreAuthorizeAuthorizationManager permissions = new PreAuthorizeAuthorizationManager();
        permissions.setTemplateDefaults(new AnnotationTemplateExpressionDefaults());
        return new AuthorizationManagerBeforeMethodInterceptor(new AnnotationMatchingPointcut(Controller.class, Needs.class, true),
                permissions);
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
