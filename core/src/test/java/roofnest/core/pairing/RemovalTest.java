package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;

class RemovalTest {
    private static final Catalogue CATALOGUE = Catalogue.shipped();

    @Test
    void the_account_comes_first_and_the_log_last() {
        List<String> steps = Removal.steps(CATALOGUE.get("dunmark-post"), Removal.To.GIVEN_AWAY, 3);
        assertThat(steps.get(0)).contains("out of the account first").contains("3 people");
        assertThat(steps).anySatisfy(step -> assertThat(step).contains("hold the button under the rubber flap for 8 seconds"));
        assertThat(steps.get(steps.size() - 1)).contains("log of it is kept");
    }

    @Test
    void told_secrets_hubs_and_cards_have_their_own_steps() {
        assertThat(Removal.steps(CATALOGUE.get("tarrowby-turn"), Removal.To.GIVEN_AWAY, 1))
                .anySatisfy(step -> assertThat(step).contains("only its reset ends that"));
        assertThat(Removal.steps(CATALOGUE.get("pellan-drift"), Removal.To.BROKEN, 1))
                .anySatisfy(step -> assertThat(step).contains("at its hub too"))
                .anySatisfy(step -> assertThat(step).contains("holds no card")).anySatisfy(step -> assertThat(step).contains("swollen"));
        assertThat(Removal.steps(CATALOGUE.get("dunmark-post"), Removal.To.ELSEWHERE, 1))
                .noneSatisfy(step -> assertThat(step).contains("Reset it"));
    }

    @Test
    void a_hub_takes_its_cameras_with_it() {
        assertThat(Removal.withHub(CATALOGUE.hubs().iterator().next(), List.of("Door eye", "Bell")))
                .contains("takes Door eye, Bell out with it");
        assertThat(Removal.withHub(CATALOGUE.hubs().iterator().next(), List.of())).startsWith("No camera");
    }
}
