package roofnest.standins;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** Through a hub: its button, then the camera's beside it. */
final class HubButtonHands extends Hands {
    HubButtonHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case CHECK_HUB -> {
                table.say(table.hubOnline ? Sight.HUB_ONLINE : Sight.HUB_OFFLINE, table.phoneSays);
                // Its own run joins it before it is looked at again.
                table.hubOnline = true;
                table.pending.remove(Fault.HUB_OFFLINE);
            }
            case PRESS_HUB_BUTTON -> {
                boolean full = table.pending.contains(Fault.HUB_FULL);
                table.hubListensUntilMs = full ? -1 : table.nowMs + table.device.setUp().limits().windowSeconds() * 1000L;
                table.say(full ? Sight.HUB_FULL : Sight.HUB_LISTENS, full ? "The hub is full" : "Looking for cameras");
            }
            case PRESS_PAIR -> {
                if (table.nowMs <= table.hubListensUntilMs && !table.tooFar) {
                    table.body = table.body.told(!table.pending.contains(Fault.APP_OLD), table.nowMs, 0);
                }
            }
            default -> super.take(act);
        }
    }
}
