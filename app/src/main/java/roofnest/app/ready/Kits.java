package roofnest.app.ready;

import java.time.LocalTime;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.web.HouseholdRef;
import roofnest.core.kit.KitList;

/** Puts a job's kit, its check and the firm's prices together. */
@Service
public class Kits {
    private static final Hours.Asked ONE_INSTALLER = new Hours.Asked(1, 1, 1000, LocalTime.of(8, 0));

    private final KitChecks checks;
    private final PriceBook prices;
    private final Hours hours;

    Kits(KitChecks checks, PriceBook prices, Hours hours) {
        this.checks = checks;
        this.prices = prices;
        this.hours = hours;
    }

    public KitView view(HouseholdRef ref, Frame frame) {
        List<KitList.Line> kit = KitView.kit(frame);
        int minutes = kit.isEmpty() ? 0 : hours.plan(frame, ONE_INSTALLER).shortest().finishMinutes();
        long firm = ref.staff().firmId();
        return KitView.of(kit, checks.of(ref.id()), prices.prices(firm), prices.money(firm), minutes);
    }
}
