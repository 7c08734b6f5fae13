package roofnest.standins;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By an ID typed off its label; then over the air, or by its cable where it has a port. */
final class ManualIdHands extends BroadcastHands {
    private final Cable cable;

    ManualIdHands(Table table) {
        super(table);
        this.cable = new Cable(table);
    }

    @Override
    void take(HandsOn act) {
        if (act == HandsOn.TYPE_ID) {
            // Typed from the first, it is misread once.
            boolean misread = table.pending.remove(Fault.LABEL_MISREAD);
            boolean known = !misread && (!table.cable || cable.reaches());
            table.say(known ? Sight.ID_TAKEN : Sight.ID_UNKNOWN, known ? table.device.fullName() : "No such device");
        } else if (!cable.took(act)) {
            super.take(act);
        }
    }
}
