package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By a code on the phone's screen, which the device reads through its lens. */
final class PhoneCodeHands extends Hands {
    PhoneCodeHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        switch (act) {
            case MAKE_CODE -> {
                table.codeWrong = table.pending.remove(Fault.PASSWORD_MISTYPED);
                table.say(Sight.CODE_SHOWN, "Hold this before the lens");
            }
            case SHOW_CODE -> show();
            case MONITOR_OFF -> table.putRight(Fault.OTHER_MONITOR);
            default -> super.take(act);
        }
    }

    private void show() {
        boolean read = !table.pending.remove(Fault.CODE_TOO_NEAR) && !table.pending.contains(Fault.OTHER_MONITOR);
        if (read) {
            table.body = table.body.told(table.right(!table.codeWrong), table.nowMs, 0);
            table.codeWrong = false;
        }
        table.phoneSays = "Hold this before the lens";
    }

    @Override
    Optional<Sight> oddOfThisWay() {
        return table.pending.contains(Fault.OTHER_MONITOR) ? Optional.of(Sight.MONITOR_ON) : Optional.empty();
    }
}
