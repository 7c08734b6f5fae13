package roofnest.standins;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By signing a spare phone in to the same account, as the camera. */
final class SameAccountHands extends Hands {
    SameAccountHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case SIGN_IN_BOTH -> table.say(Sight.PUT_RIGHT, "Signed in");
            case CHOOSE_ROLE -> chooseRole();
            case KEEP_AWAKE -> table.say(Sight.KEPT_AWAKE, "Plugged in, kept awake");
            default -> super.take(act);
        }
    }

    private void chooseRole() {
        if (table.pending.remove(Fault.WRONG_ROLE)) {
            table.body = table.body.in(DeviceState.FAILED, table.nowMs);
            table.say(Sight.VIEWER_ROLE, "Signed in as viewer");
        } else {
            table.body = table.body.in(table.place.suits() ? DeviceState.JOINED : DeviceState.FAILED, table.nowMs);
            table.say(table.place.suits() ? Sight.CAMERA_ROLE : Sight.VIEWER_ROLE, "This phone is the camera");
        }
    }

    @Override
    boolean byApp() {
        return false;
    }
}
