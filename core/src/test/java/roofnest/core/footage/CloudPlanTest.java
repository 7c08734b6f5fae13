package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec.Kind;

/** What paid plans cost a house. */
class CloudPlanTest {
    private static final CloudPlan ONE = new CloudPlan(1, "One", "Dunmark", 350, 1, 30, 60, Set.of(Kind.PERSON));
    private static final CloudPlan ALL = new CloudPlan(2, "All", "Dunmark", 900, 0, 60, 120, Set.of(Kind.PERSON, Kind.VEHICLE));
    private static final CloudPlan OTHER = new CloudPlan(3, "Other", "Pellan", 100, 4, 7, 30, Set.of(Kind.PACKAGE));
    private static final List<CloudPlan> PLANS = List.of(ONE, ALL, OTHER);

    @Test
    void whichIsCheapestGoesByHowManyCamerasThereAre() {
        assertThat(CloudPlan.cheapest(PLANS, "Dunmark", Set.of(Kind.PERSON), 1)).contains(ONE);
        assertThat(CloudPlan.cheapest(PLANS, "Dunmark", Set.of(Kind.PERSON), 2)).contains(ONE);
        assertThat(CloudPlan.cheapest(PLANS, "Dunmark", Set.of(Kind.PERSON), 3)).contains(ALL);
        assertThat(CloudPlan.cheapest(PLANS, "Dunmark", Set.of(Kind.VEHICLE), 1)).contains(ALL);
        assertThat(CloudPlan.cheapest(PLANS, "Pellan", Set.of(Kind.PERSON), 1)).isEmpty();
        assertThat(CloudPlan.cheapest(List.of(), "Dunmark", Set.of(), 1)).isEmpty();
    }

    @Test
    void asManyPlansAreTakenAsItTakes() {
        assertThat(OTHER.centsFor(4)).isEqualTo(100);
        assertThat(OTHER.centsFor(5)).isEqualTo(200);
        assertThat(ALL.centsFor(50)).isEqualTo(900);
        assertThatThrownBy(() -> ONE.centsFor(0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new CloudPlan(1, "One", "Dunmark", -1, 1, 30, 60, Set.of())).hasMessageContaining("price of a month");
        assertThatThrownBy(() -> new CloudPlan(1, " ", "Dunmark", 1, 1, 30, 60, Set.of())).hasMessageContaining("name of a plan");
    }
}
