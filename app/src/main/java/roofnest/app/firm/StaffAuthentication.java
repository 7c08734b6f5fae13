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
import org.springframework.util.function.SingletonSupplier;

import roofnest.core.lang.Text;

/** Checks e-mail and password, within the limits of guessing and without telling which of the two was wrong. */
@Component
class StaffAuthentication implements AuthenticationProvider {
    private static final Logger LOG = LoggerFactory.getLogger(StaffAuthentication.class);

    private final FirmRepository firms;
    private final SignInLimits limits;
    private final KnownDevices devices;
    private final PasswordEncoder passwords;
    /** Checked against when nobody has the e-mail, so that both answers take as long. */
    private final SingletonSupplier<String> nobodysHash;

    StaffAuthentication(FirmRepository firms, SignInLimits limits, KnownDevices devices, PasswordEncoder passwords) {
        this.firms = firms;
        this.limits = limits;
        this.devices = devices;
        this.passwords = passwords;
        // Made at the first try and not at the start, which it would keep waiting.
        this.nobodysHash = SingletonSupplier.of(() -> passwords.encode("nobody"));
    }

    @Override
    public Authentication authenticate(Authentication attempt) {
        String email = FirmRepository.normal(attempt.getName());
        String password = String.valueOf(attempt.getCredentials());
        SignInDetails from = attempt.getDetails() instanceof SignInDetails details ? details : new SignInDetails("", null);
        SignInLimits.Attempt counted = new SignInLimits.Attempt(from.address(), email,
                devices.isOf(email, from.device()) ? from.device() : null);
        Duration left = limits.begin(counted);
        if (!left.isZero()) {
            throw new LockedException(String.valueOf(left.toSeconds() + 1));
        }
        Optional<Staff> found = Text.hasControls(email) ? Optional.empty() : firms.findByEmail(email);
        String nobodys = nobodysHash.obtain();
        boolean right = passwords.matches(password, found.map(Staff::password).orElse(nobodys));
        // Whoever is blocked gets the same answer as whoever mistypes: that they were is told by the firm, not by this page.
        if (found.isEmpty() || !right || found.get().blocked()) {
            LOG.info("log-in failed person={}", found.map(staff -> String.valueOf(staff.id())).orElse("unknown"));
            throw new BadCredentialsException("e-mail or password is wrong");
        }
        limits.right(counted);
        Staff staff = found.get().signedIn();
        UsernamePasswordAuthenticationToken signedIn = UsernamePasswordAuthenticationToken.authenticated(staff, null,
                staff.getAuthorities());
        // Kept with the session, so nothing of where the try came from.
        signedIn.setDetails("");
        return signedIn;
    }

    @Override
    public boolean supports(Class<?> type) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
    }
}
