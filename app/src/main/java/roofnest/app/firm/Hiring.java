package roofnest.app.firm;

import java.nio.charset.StandardCharsets;
import java.util.OptionalLong;

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

    /** @return the firm's number; empty when there is a firm already, however many ask at once */
    @Transactional
    public OptionalLong foundFirst(String name, NewPerson owner) {
        firms.lockFirstFirm();
        return firms.isEmpty() ? OptionalLong.of(foundFirm(name, owner)) : OptionalLong.empty();
    }

    @Transactional
    public long foundFirm(String name, NewPerson owner) {
        long firmId = firms.addFirm(name);
        hire(firmId, owner);
        return firmId;
    }

    /** @return whether the address was free */
    @Transactional
    public boolean hire(long firmId, NewPerson person) {
        return firms.addPerson(firmId, person.email(), person.name(), person.role(), passwords.encode(person.password()));
    }
}
