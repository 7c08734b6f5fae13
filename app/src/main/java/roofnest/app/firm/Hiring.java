package roofnest.app.firm;

import java.nio.charset.StandardCharsets;

import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.Form;

/** Adds firms and people. */
@Service
public class Hiring {
    private static final int SHORTEST_PASSWORD = 10;
    private static final int LONGEST_PASSWORD = 72;

    private final FirmRepository firms;
    private final PasswordEncoder passwords;

    Hiring(FirmRepository firms, PasswordEncoder passwords) {
        this.firms = firms;
        this.passwords = passwords;
    }

    public record NewPerson(String name, String email, Role role, String password) {}

    static NewPerson read(Form form, Role role) {
        String name = form.text("name", "a name", 80);
        String email = form.email("email", "an e-mail address");
        String password = form.raw("password");
        if (password.length() < SHORTEST_PASSWORD || password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD) {
            form.fault("password",
                    "Use " + SHORTEST_PASSWORD + " to " + LONGEST_PASSWORD + " characters; a few words are easiest to type.");
        }
        return new NewPerson(name, email == null ? "" : FirmRepository.normal(email), role, password);
    }

    @Transactional
    public long foundFirm(String name, NewPerson owner) {
        firms.lockFirstFirm();
        long firmId = firms.addFirm(name);
        hire(firmId, owner);
        return firmId;
    }

    @Transactional
    public void hire(long firmId, NewPerson person) {
        firms.addPerson(firmId, person.email(), person.name(), person.role(), passwords.encode(person.password()));
    }

    boolean isTaken(String email) {
        return firms.findByEmail(email).isPresent();
    }
}
