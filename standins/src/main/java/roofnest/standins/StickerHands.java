package roofnest.standins;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/** By the code on its sticker, then over the air. */
final class StickerHands extends BroadcastHands {
    StickerHands(Table table) {
        super(table);
    }

    @Override
    void take(HandsOn act) {
        if (act == HandsOn.SCAN_STICKER) {
            boolean scanned = !table.pending.contains(Fault.LABEL_MISREAD);
            table.say(scanned ? Sight.SCANNED : Sight.NOT_SCANNED, scanned ? table.device.fullName() : "No code read");
        } else if (act == HandsOn.TYPE_ID) {
            // Where the label could not be scanned it is typed with care, and right at once.
            table.pending.remove(Fault.LABEL_MISREAD);
            table.say(Sight.ID_TAKEN, table.device.fullName());
        } else {
            super.take(act);
        }
    }
}
