package roofnest.standins;

/**
 * A phone as far as pairing goes: which Wi-Fi it is on, and whether it drifts home by itself.
 *
 * @param autoJoin whether it goes back to the house's network when it finds no internet
 */
record PhoneStandIn(Wifi wifi, boolean autoJoin) {
    enum Wifi { HOME, HOTSPOT }

    static PhoneStandIn atHome() {
        return new PhoneStandIn(Wifi.HOME, true);
    }

    PhoneStandIn on(Wifi other) {
        return new PhoneStandIn(other, autoJoin);
    }

    PhoneStandIn withAutoJoin(boolean on) {
        return new PhoneStandIn(wifi, on);
    }
}
