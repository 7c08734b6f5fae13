package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * A hub: cameras join through it, it holds their card, rings as their chime and does the clever part of their alerts.
 *
 * @param camerasMax how many it takes
 * @param cardMaxGb largest card, decimal gigabytes; 0 when it holds none
 * @param pairingRangeM how near a camera has to be while its button is pressed, metres
 * @param ports whether a cable from the router fits
 * @param chime whether it rings
 */
public record HubModel(
        String key, String maker, String name, String summary, RadioSpec radio, CredentialRule credentials, SetUp setUp,
        PasswordRule passwordRule, String factoryPassword, int camerasMax, int cardMaxGb, double pairingRangeM, boolean ports,
        boolean chime, Sharing sharing) implements Joinable {
    public HubModel {
        key = Require.text("model key", key, 60);
        maker = Require.text("maker", maker, 60);
        name = Require.text("model name", name, 60);
        summary = Require.text("summary", summary, 200);
        Require.inRange("cameras of a hub", camerasMax, 1, 64);
        Require.inRange("largest card in GB", cardMaxGb, 0, 2000);
        Require.inRange("pairing range in metres", pairingRangeM, 0.2, 20);
    }
}
