package roofnest.app.secrets;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Before anything is opened, what an older release sealed is sealed in today's form. */
@Component
@Order(0)
class SealRenewal implements ApplicationRunner {
    private final SecretStore secrets;

    SealRenewal(SecretStore secrets) {
        this.secrets = secrets;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        secrets.renewSeals();
    }
}
