package roofnest.app.acts;

import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Names the transactions that are written out in our code, as those of annotated methods are named: acts are numbered in them. */
@Component
class NamedTransactions {
    NamedTransactions(TransactionTemplate ours) {
        ours.setName("roofnest");
    }
}
