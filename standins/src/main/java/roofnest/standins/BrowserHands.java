package roofnest.standins;

/** By its own pages in a browser, the device on its cable; no app has a part in it. */
final class BrowserHands extends CableHands {
    BrowserHands(Table table) {
        super(table);
    }

    @Override
    boolean byApp() {
        return false;
    }
}
