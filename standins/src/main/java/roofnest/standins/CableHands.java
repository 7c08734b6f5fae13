package roofnest.standins;

import roofnest.core.catalogue.HandsOn;

/** Ways in along a cable. */
abstract class CableHands extends Hands {
    private final Cable cable;

    CableHands(Table table) {
        super(table);
        this.cable = new Cable(table);
    }

    @Override
    void take(HandsOn act) {
        if (act == HandsOn.SEARCH) {
            cable.search();
        } else if (!cable.took(act)) {
            super.take(act);
        }
    }
}
