package roofnest.app.records;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

import roofnest.app.secrets.Sealer;
import roofnest.app.secrets.SecretStore;

/** Before anything is opened, what an older release sealed otherwise, or kept open, is sealed in today's form. */
@Component
@Order(0)
class OlderSeals implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(OlderSeals.class);

    private final Sealer sealer;
    private final SecretStore secrets;
    private final MailRepository mails;

    OlderSeals(Sealer sealer, SecretStore secrets, MailRepository mails) {
        this.sealer = sealer;
        this.secrets = secrets;
        this.mails = mails;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (sealer.state() != Sealer.State.GOOD) {
            return;
        }
        secrets.renewSeals();
        int links = mails.sealLinks();
        if (links > 0) {
            LOG.info("{} links of mails were sealed", links);
        }
    }
}
