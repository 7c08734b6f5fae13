package roofnest.standins;

/** By its cable first: the app finds it and tells it the Wi-Fi. */
final class WiredHands extends CableHands {
    WiredHands(Table table) {
        super(table);
    }
}
