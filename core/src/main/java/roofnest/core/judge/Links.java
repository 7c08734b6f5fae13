package roofnest.core.judge;

import java.util.Comparator;
import java.util.Set;

import roofnest.core.catalogue.Band;
import roofnest.core.network.HomeNetwork;

/** Which band a camera uses in a house. */
final class Links {
    private Links() {}

    /**
     * The lowest band that both have, since it reaches farthest; the camera's lowest while the house has none of its bands,
     * which {@link JoinsRule} tells.
     */
    static Band band(Camera camera, HouseholdFacts facts) {
        Set<Band> house = facts.network().map(HomeNetwork::bands).orElse(camera.model().radio().bands());
        return camera.model().radio().bands().stream().filter(house::contains).min(Comparator.naturalOrder())
                .or(() -> camera.model().radio().bands().stream().min(Comparator.naturalOrder())).orElse(Band.GHZ_2_4);
    }
}
