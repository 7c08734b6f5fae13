package roofnest.app.secrets;

import java.security.GeneralSecurityException;
import java.util.List;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Changes the sealing key. First the file holds both keys, then everything is sealed anew in one transaction, then the file holds
 * the new one alone: stopped at any moment, everything still opens, and doing it again finishes it.
 */
@Service
public class KeyRotation {
    private static final Logger LOG = LoggerFactory.getLogger(KeyRotation.class);

    private final Sealer sealer;
    private final List<SealedRows> sealed;
    private final TransactionTemplate transaction;

    KeyRotation(Sealer sealer, List<SealedRows> sealed, TransactionTemplate transaction) {
        this.sealer = sealer;
        this.sealed = sealed;
        this.transaction = transaction;
    }

    /** @return how many rows were sealed anew */
    public int rotate() throws GeneralSecurityException {
        sealer.addKey();
        int rows = transaction.execute(status -> sealed.stream().mapToInt(each -> {
            int anew = each.sealAnew();
            LOG.info("sealed anew with the new key: {} {}", anew, each.what());
            return anew;
        }).sum());
        sealer.dropOldKeys();
        return rows;
    }

    /** What can no longer be opened is given up, by a person's decision; each password is asked for again where it is wanted. */
    public void startAnew(String by) throws GeneralSecurityException {
        sealer.startAnew();
        LOG.warn("a new sealing key was begun by=\"{}\"; what the old one sealed does not open any more", by);
    }
}
