package roofnest.standins;

import roofnest.core.catalogue.PhoneKind;

/**
 * Where a device is joined: what of the house the stand-ins have to be honest to.
 *
 * @param suits whether the model can take the network's name, password, band and security at all
 * @param isolated whether the network keeps its devices apart
 * @param pushButton whether the router's button does anything
 * @param barred whether one bar or none bars the way to the router at first
 * @param addressOutside whether the device comes with a fixed address outside the house's range
 */
public record Place(String networkName, boolean suits, boolean isolated, boolean pushButton, boolean barred, boolean addressOutside,
        PhoneKind phone) {
    public Place {
        if (networkName == null || networkName.isEmpty()) {
            throw new IllegalArgumentException("a network has a name");
        }
    }

    /** A plain house in which everything works. */
    public static Place plain(String networkName) {
        return new Place(networkName, true, false, true, false, false, PhoneKind.THROUGH_SETTINGS);
    }

    public Place suiting(boolean fits) {
        return new Place(networkName, fits, isolated, pushButton, barred, addressOutside, phone);
    }

    /** One bar or none: too far from the router. */
    public Place oneBar() {
        return new Place(networkName, suits, isolated, pushButton, true, addressOutside, phone);
    }

    public Place withAddressOutside(boolean outside) {
        return new Place(networkName, suits, isolated, pushButton, barred, outside, phone);
    }

    public Place withPhone(PhoneKind kind) {
        return new Place(networkName, suits, isolated, pushButton, barred, addressOutside, kind);
    }

    public Place withPushButton(boolean on) {
        return new Place(networkName, suits, isolated, on, barred, addressOutside, phone);
    }

    public Place isolating(boolean apart) {
        return new Place(networkName, suits, apart, pushButton, barred, addressOutside, phone);
    }
}
