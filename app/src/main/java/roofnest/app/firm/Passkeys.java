package roofnest.app.firm;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.HttpMessageConverterAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.session.ChangeSessionIdAuthenticationStrategy;
import org.springframework.security.web.authentication.www.BasicAuthenticationFilter;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.authentication.PublicKeyCredentialRequestOptionsFilter;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationFilter;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationRequestToken;
import org.springframework.security.web.webauthn.management.JdbcPublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.JdbcUserCredentialRepository;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.security.web.webauthn.registration.PublicKeyCredentialCreationOptionsFilter;
import org.springframework.security.web.webauthn.registration.WebAuthnRegistrationFilter;
import org.springframework.stereotype.Component;

import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Site;

/**
 * A second way in: a key on the person's own phone or computer, opened by finger, face or number, that works at this address alone
 * and cannot be guessed, told or typed elsewhere. The checks are those of Spring Security (W3C Web Authentication, Level 2).
 */
@Component
class Passkeys {
    private static final Logger LOG = LoggerFactory.getLogger(Passkeys.class);

    private final FirmRepository firms;
    private final JdbcPublicKeyCredentialUserEntityRepository entities;
    private final JdbcUserCredentialRepository credentials;
    private final Site site;

    Passkeys(FirmRepository firms, JdbcOperations jdbc, Site site) {
        this.firms = firms;
        this.entities = new JdbcPublicKeyCredentialUserEntityRepository(jdbc);
        this.credentials = new JdbcUserCredentialRepository(jdbc);
        this.site = site;
    }

    /** One of somebody's passkeys. */
    record Passkey(String id, String label, Instant since, Instant lastUsed) {}

    /** Whether browsers make passkeys for this site: its address has to be a name, by TLS or on the machine itself. */
    boolean possible() {
        return site.passkeyName().isPresent();
    }

    List<Passkey> of(Staff staff) {
        return records(staff).stream()
                .map(key -> new Passkey(key.getCredentialId().toBase64UrlString(), key.getLabel(), key.getCreated(), key.getLastUsed()))
                .toList();
    }

    private List<CredentialRecord> records(Staff staff) {
        return Optional.ofNullable(entities.findByUsername(staff.email())).map(entity -> credentials.findByUserId(entity.getId()))
                .orElse(List.of());
    }

    /** Takes one of a person's own out; it opens nothing any more. */
    void remove(Staff staff, String id) {
        Bytes own = records(staff).stream().map(CredentialRecord::getCredentialId).filter(each -> each.toBase64UrlString().equals(id))
                .findFirst().orElseThrow(NoSuchPage::new);
        credentials.delete(own);
        LOG.info("passkey removed person={}", staff.id());
    }

    /** Adds the four exchanges to the chain, where the site's address makes them possible. */
    void into(HttpSecurity http, SignedIn signedIn) {
        if (!possible()) {
            return;
        }
        Webauthn4JRelyingPartyOperations operations = new Webauthn4JRelyingPartyOperations(entities, credentials,
                PublicKeyCredentialRpEntity.builder().id(site.passkeyName().get()).name("Roof Nest").build(), Set.of(site.address()));
        operations.setCustomizeCreationOptions(options -> options.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                .residentKey(ResidentKeyRequirement.REQUIRED).userVerification(UserVerificationRequirement.REQUIRED).build()));
        operations.setCustomizeRequestOptions(options -> options.userVerification(UserVerificationRequirement.REQUIRED));
        WebAuthnRegistrationFilter registration = new WebAuthnRegistrationFilter(credentials, operations);
        registration.setRemoveCredentialMatcher(request -> false);
        WebAuthnAuthenticationFilter door = new WebAuthnAuthenticationFilter();
        door.setAuthenticationManager(manager(operations));
        door.setSessionAuthenticationStrategy(new ChangeSessionIdAuthenticationStrategy());
        HttpMessageConverterAuthenticationSuccessHandler told = new HttpMessageConverterAuthenticationSuccessHandler();
        door.setAuthenticationSuccessHandler((request, response, who) -> welcome(signedIn, told, request, response, who));
        http.addFilterBefore(door, BasicAuthenticationFilter.class);
        http.addFilterAfter(registration, AuthorizationFilter.class);
        http.addFilterBefore(new PublicKeyCredentialCreationOptionsFilter(operations), AuthorizationFilter.class);
        http.addFilterBefore(new PublicKeyCredentialRequestOptionsFilter(operations), AuthorizationFilter.class);
    }

    private static void welcome(SignedIn signedIn, HttpMessageConverterAuthenticationSuccessHandler told, HttpServletRequest request,
            HttpServletResponse response, Authentication who) throws IOException, ServletException {
        signedIn.known(request, response, who);
        told.onAuthenticationSuccess(request, response, who);
    }

    private AuthenticationManager manager(Webauthn4JRelyingPartyOperations operations) {
        return attempt -> {
            String email = email(operations, (WebAuthnAuthenticationRequestToken) attempt);
            Staff staff = firms.findByEmail(email).filter(person -> !person.blocked())
                    .orElseThrow(() -> new BadCredentialsException("nobody is let in by this key")).signedIn();
            UsernamePasswordAuthenticationToken signedIn = UsernamePasswordAuthenticationToken.authenticated(staff, null,
                    staff.getAuthorities());
            signedIn.setDetails("");
            return signedIn;
        };
    }

    private static String email(Webauthn4JRelyingPartyOperations operations, WebAuthnAuthenticationRequestToken attempt) {
        try {
            return operations.authenticate(attempt.getWebAuthnRequest()).getName();
        } catch (RuntimeException refused) {
            throw new BadCredentialsException("the key was not accepted", refused);
        }
    }
}
