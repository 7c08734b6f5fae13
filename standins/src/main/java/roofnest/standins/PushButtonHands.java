package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By the router's button, then the device's, within two minutes. */
final class PushButtonHands extends Hands {
    private static final long WINDOW_MS = 120_000;

    PushButtonHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case PRESS_ROUTER_BUTTON -> {
                boolean deaf = table.pending.contains(Fault.BUTTON_OFF) || !table.buttonOn;
                table.routerListensUntilMs = deaf ? -1 : table.nowMs + WINDOW_MS;
                table.say(deaf ? Sight.ROUTER_DEAF : Sight.ROUTER_LISTENS, table.phoneSays);
            }
            case PRESS_PAIR -> {
                boolean slowly = table.pending.remove(Fault.WALKED_SLOWLY);
                if (table.nowMs <= table.routerListensUntilMs && !slowly) {
                    table.body = table.body.told(table.right(true), table.nowMs, 0);
                }
            }
            case BUTTON_ON -> {
                table.buttonOn = true;
                table.putRight(Fault.BUTTON_OFF);
            }
            default -> super.take(act);
        }
    }

    @Override
    Optional<Sight> oddOfTheRouter() {
        return table.pending.contains(Fault.BUTTON_OFF) ? Optional.of(Sight.ROUTER_DEAF) : Optional.empty();
    }
}
