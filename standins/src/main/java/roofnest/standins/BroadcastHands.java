package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** Ways in whose last part goes over the air at 2.4 GHz, from a phone beside the device. */
abstract class BroadcastHands extends Hands {
    BroadcastHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case BROADCAST -> {
                if (!table.pending.contains(Fault.PHONE_ON_5) && !table.place.isolated()) {
                    table.body = table.body.told(table.right(!table.pending.remove(Fault.PASSWORD_MISTYPED)), table.nowMs, 0);
                }
                table.phoneSays = "Sending";
            }
            case PHONE_TO_2_4 -> {
                table.phone = table.phone.onBand5(false);
                table.putRight(Fault.PHONE_ON_5);
            }
            default -> super.take(act);
        }
    }

    @Override
    Optional<Sight> oddOfThisWay() {
        return table.pending.contains(Fault.PHONE_ON_5) ? Optional.of(Sight.PHONE_ON_5) : Optional.empty();
    }
}
