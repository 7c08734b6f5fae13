package roofnest.standins;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By the device's own network: the phone goes there, sends the house's, and comes home. */
final class HotspotHands extends Hands {
    HotspotHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case JOIN_HOTSPOT -> join();
            case STOP_AUTO_JOIN -> {
                table.phone = table.phone.withAutoJoin(false);
                join();
            }
            case SEND_DETAILS -> send();
            case PHONE_HOME -> {
                table.phone = table.phone.on(PhoneStandIn.Wifi.HOME).withAutoJoin(true);
                table.live();
            }
            default -> super.take(act);
        }
    }

    private void join() {
        if (table.body.state() != DeviceState.READY) {
            table.phone = table.phone.on(PhoneStandIn.Wifi.HOME);
            table.say(Sight.NOT_LISTED, "No such network in the list");
        } else if (table.phone.autoJoin() && table.pending.remove(Fault.PHONE_FALLS_BACK)) {
            table.phone = table.phone.on(PhoneStandIn.Wifi.HOME);
            table.say(Sight.WENT_HOME, "No internet there. Back on " + table.place.networkName());
        } else {
            table.phone = table.phone.on(PhoneStandIn.Wifi.HOTSPOT);
            table.say(Sight.ON_HOTSPOT, "Connected to the camera");
        }
    }

    private void send() {
        if (table.phone.wifi() != PhoneStandIn.Wifi.HOTSPOT) {
            table.say(Sight.WENT_HOME, "Not connected to the camera");
            return;
        }
        table.body = table.body.told(table.right(!table.pending.remove(Fault.PASSWORD_MISTYPED)), table.nowMs, 0);
        table.phoneSays = "Sent. Waiting for it";
        // The camera drops its own network to join the house's, and the phone with it.
        table.phone = table.phone.on(PhoneStandIn.Wifi.HOME);
    }
}
