package roofnest.app.ready;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

import roofnest.app.web.Form;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.HomeNetwork;

/** Reads a network's form. An empty password keeps the one in the sealed store. */
final class NetworkForm {
    private NetworkForm() {}

    /** Empty when something is at fault; the form then says what. */
    static Optional<HomeNetwork> read(Form form, Optional<String> sealedPassword) {
        String name = form.raw("ssid");
        if (name.isBlank()) {
            form.fault("ssid", "Enter the network's name as the phone shows it.");
        } else if (CredentialFit.bytes(name) > HomeNetwork.NAME_MAX_BYTES) {
            form.fault("ssid", "It is " + CredentialFit.bytes(name) + " bytes long; a network's name has at most "
                    + HomeNetwork.NAME_MAX_BYTES + " (an accented letter counts two).");
        }
        WifiSecurity security = form.choice("security", "how it is secured", WifiSecurity.class);
        String typed = form.raw("password");
        String password = typed.isEmpty() ? sealedPassword.orElse("") : typed;
        if (security == WifiSecurity.OPEN) {
            password = "";
        } else if (password.isEmpty()) {
            form.fault("password", "Enter the password; it goes into the sealed store.");
        } else if (CredentialFit.bytes(password) > HomeNetwork.PASSWORD_MAX_BYTES) {
            form.fault("password", "It is " + CredentialFit.bytes(password) + " bytes long; a Wi-Fi password has at most "
                    + HomeNetwork.PASSWORD_MAX_BYTES + ".");
        }
        Set<Band> bands = EnumSet.noneOf(Band.class);
        for (Band band : Band.values()) {
            if (form.has("band-" + band.name())) {
                bands.add(band);
            }
        }
        if (bands.isEmpty()) {
            form.fault("bands", "Tick at least one band.");
        }
        return form.ok() ? Optional.of(new HomeNetwork(name, password, bands, security, form.has("hidden"), form.has("isolated")))
                : Optional.empty();
    }
}
