package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.footage.Survival.Loss;
import roofnest.core.footage.Survival.Place;
import roofnest.core.footage.Survival.Sends;

/** What footage is left when something is taken, cut or lost. */
class SurvivalTest {
    private static final List<Sends> ALL
            = List.of(new Sends(20, 8, true, true), new Sends(20, 8, false, true), new Sends(20, 8, true, false),
                    new Sends(60, 0, false, false));

    private static <E> List<Set<E>> subsets(List<E> of) {
        List<Set<E>> all = new java.util.ArrayList<>();
        for (int set = 0; set < 1 << of.size(); set++) {
            Set<E> one = new HashSet<>();
            for (int i = 0; i < of.size(); i++) {
                if ((set & 1 << i) != 0) {
                    one.add(of.get(i));
                }
            }
            all.add(one);
        }
        return all;
    }

    /** Every set of places against every set of losses and one more of either. */
    @Test
    void whatSurvivesNeverGrowsWhenMoreIsTakenNorShrinksWhenMoreIsKept() {
        for (Sends sends : ALL) {
            for (Set<Place> places : subsets(List.of(Place.values()))) {
                for (Set<Loss> losses : subsets(List.of(Loss.values()))) {
                    Survival left = Survival.of(places, losses, sends);
                    for (Loss another : Loss.values()) {
                        Set<Loss> more = new HashSet<>(losses);
                        more.add(another);
                        Survival after = Survival.of(places, more, sends);
                        assertThat(after.place().isEmpty() || left.place().isPresent() && after.lastLostS() >= left.lastLostS()).isTrue();
                        assertThat(!Survival.ringsAfter(more, sends) || Survival.ringsAfter(losses, sends)).isTrue();
                    }
                    for (Place another : Place.values()) {
                        Set<Place> more = new HashSet<>(places);
                        more.add(another);
                        Survival kept = Survival.of(more, losses, sends);
                        assertThat(left.place().isEmpty() || kept.place().isPresent() && kept.lastLostS() <= left.lastLostS()).isTrue();
                    }
                }
            }
        }
    }

    @Test
    void aThiefTakesWhatIsInTheirHand() {
        Sends sends = new Sends(20, 8, true, true);
        assertThat(Survival.of(Set.of(Place.CARD), Set.of(Loss.CAMERA), sends).place()).isEmpty();
        assertThat(Survival.of(Set.of(Place.HUB), Set.of(Loss.CAMERA), sends)).isEqualTo(new Survival(java.util.Optional.of(Place.HUB),
                Survival.HUB_LAG_S));
        assertThat(Survival.of(Set.of(Place.CLOUD), Set.of(Loss.CAMERA), sends).lastLostS()).as("a clip and its sending").isEqualTo(28);
        assertThat(Survival.of(Set.of(Place.CARD, Place.HUB), Set.of(Loss.CAMERA, Loss.HUB), sends).place()).isEmpty();
        assertThat(Survival.of(EnumSet.allOf(Place.class), EnumSet.allOf(Loss.class), sends).place()).isEmpty();
        assertThat(Survival.of(Set.of(), Set.of(), sends).place()).as("kept nowhere").isEmpty();
    }

    @Test
    void aCameraOnAPackGoesOnWithoutPowerAndOneOnMainsMayLoseTheClipThatRan() {
        assertThat(Survival.of(Set.of(Place.CARD), Set.of(Loss.POWER), new Sends(20, 8, true, false)).lastLostS()).isZero();
        assertThat(Survival.of(Set.of(Place.CARD), Set.of(Loss.POWER), new Sends(20, 8, false, false)).lastLostS()).isEqualTo(20);
        assertThat(Survival.ringsAfter(Set.of(Loss.HUB), new Sends(20, 8, true, false))).isTrue();
        assertThat(Survival.ringsAfter(Set.of(Loss.HUB), new Sends(20, 8, true, true))).isFalse();
        assertThat(Survival.ringsAfter(Set.of(), new Sends(20, 8, true, true))).isTrue();
    }
}
