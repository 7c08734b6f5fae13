package roofnest.app.firm;

import java.time.Duration;
import java.util.Optional;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Checks e-mail and password, with the growing delay and without telling which of the two was wrong. */
@Component
class StaffAuthentication implements AuthenticationProvider {
    private static final Logger LOG = LoggerFactory.getLogger(StaffAuthentication.class);

    private final FirmRepository firms;
    private final LoginDelay delay;
    private final PasswordEncoder passwords;
    /** Checked against when nobody has the e-mail, so that both answers take as long. */
    private final String nobodysHash;

    StaffAuthentication(FirmRepository firms, LoginDelay delay, PasswordEncoder passwords) {
        this.firms = firms;
        this.delay = delay;
        this.passwords = passwords;
        this.nobodysHash = passwords.encode("nobody");
    }

    @Override
    public Authentication authenticate(Authentication attempt) {
        String email = attempt.getName();
        String password = String.valueOf(attempt.getCredentials());
        Duration left = delay.left(email);
        if (!left.isZero()) {
            throw new LockedException(String.valueOf(left.toSeconds() + 1));
        }
        Optional<Staff> found = firms.findByEmail(email);
        boolean right = passwords.matches(password, found.map(Staff::password).orElse(nobodysHash));
        // Whoever is blocked gets the same answer as whoever mistypes: that they were is told by the firm, not by this page.
        if (found.isEmpty() || !right || found.get().blocked()) {
            delay.failed(email);
            LOG.info("log-in failed person={}", found.map(staff -> String.valueOf(staff.id())).orElse("unknown"));
            throw new BadCredentialsException("e-mail or password is wrong");
        }
        delay.succeeded(email);
        Staff staff = found.get().signedIn();
        return UsernamePasswordAuthenticationToken.authenticated(staff, null, staff.getAuthorities());
    }

    @Override
    public boolean supports(Class<?> type) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
    }
}
