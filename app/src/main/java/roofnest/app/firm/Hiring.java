package roofnest.app.firm;

import java.util.List;
import java.util.OptionalLong;

import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.Form;

/** Adds firms and people. */
@Service
public class Hiring {
    private final FirmRepository firms;
    private final PasswordEncoder passwords;
    private final PasswordStrength strength;

    Hiring(FirmRepository firms, PasswordEncoder passwords, PasswordStrength strength) {
        this.firms = firms;
        this.passwords = passwords;
        this.strength = strength;
    }

    public record NewPerson(String name, String email, Role role, String password) {}

    /** @param firm whose name is no secret */
    NewPerson read(Form form, Role role, String firm) {
        String name = form.text("name", "a name", 80);
        String email = form.email("email", "an e-mail address");
        String password = form.raw("password");
        strength.fault(password, List.of(name == null ? "" : name, email == null ? "" : email, firm))
                .ifPresent(fault -> form.fault("password", fault));
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
