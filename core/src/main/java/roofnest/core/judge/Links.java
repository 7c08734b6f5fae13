package roofnest.core.judge;

import roofnest.core.catalogue.Band;

/** Which band a camera uses in a house. */
final class Links {
    private Links() {}

    /** 2.4 GHz where the camera and the house have it, else the camera's lowest. */
    static Band band(Camera camera, HouseholdFacts facts) {
        boolean has = camera.model().radio().bands().contains(Band.GHZ_2_4);
        boolean announced = facts.network().map(network -> network.bands().contains(Band.GHZ_2_4)).orElse(true);
        return has && announced ? Band.GHZ_2_4 : camera.model().radio().bands().stream().sorted().findFirst().orElse(Band.GHZ_2_4);
    }
}
