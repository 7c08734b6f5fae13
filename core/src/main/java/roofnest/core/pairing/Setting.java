package roofnest.core.pairing;

import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PhoneKind;

/**
 * What a script is made for.
 *
 * @param networkName of the house's Wi-Fi that the device is to join
 * @param hub that it joins through, when it does
 * @param address recipe for a fixed factory address outside the house, as one sentence; empty when it asks the house
 * @param extras what the job asks for beside, before the power or after the naming
 * @param atPlace whether it is set up where it will hang, rather than beside the router
 */
public record Setting(Joinable device, String networkName, PhoneKind phone, Optional<HubModel> hub, Optional<String> address,
        List<Extra> extras, boolean atPlace) {
    public Setting {
        extras = List.copyOf(extras);
    }

    /** Beside the router. */
    public Setting(Joinable device, String networkName, PhoneKind phone, Optional<HubModel> hub, Optional<String> address,
            List<Extra> extras) {
        this(device, networkName, phone, hub, address, extras, false);
    }

    /** @param beforePower whether it comes first of all; else last of all */
    public record Extra(String title, String instruction, int seconds, boolean beforePower) {}

    /** A device that needs neither hub nor recipe, and a phone that goes through its settings. */
    public static Setting of(Joinable device, String networkName) {
        return new Setting(device, networkName, PhoneKind.THROUGH_SETTINGS, Optional.empty(), Optional.empty(), List.of());
    }
}
