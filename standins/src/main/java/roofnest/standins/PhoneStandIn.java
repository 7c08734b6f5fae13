package roofnest.standins;

/**
 * A phone as far as pairing goes: which Wi-Fi it is on, and whether it drifts home by itself.
 *
 * @param autoJoin whether it goes back to the house's network when it finds no internet
 * @param band5 whether it is on the house's 5 GHz band
 */
record PhoneStandIn(Wifi wifi, boolean autoJoin, boolean band5) {
    enum Wifi { HOME, HOTSPOT }

    static PhoneStandIn atHome() {
        return new PhoneStandIn(Wifi.HOME, true, false);
    }

    PhoneStandIn on(Wifi other) {
        return new PhoneStandIn(other, autoJoin, band5);
    }

    PhoneStandIn withAutoJoin(boolean on) {
        return new PhoneStandIn(wifi, on, band5);
    }

    PhoneStandIn onBand5(boolean on) {
        return new PhoneStandIn(wifi, autoJoin, on);
    }
}
