package roofnest.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.StringLength;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.WifiSecurity;

class FitMatrixTest {
    private static final Catalogue CATALOGUE = Catalogue.shipped();
    private static final FitMatrix.Device POST = new FitMatrix.Device("Stairs eye", CATALOGUE.get("dunmark-post"));
    private static final FitMatrix.Device EAVE = new FitMatrix.Device("Yard eye", CATALOGUE.get("cairnlow-eave"));
    private static final FitMatrix.Device DOME = new FitMatrix.Device("Hall eye", CATALOGUE.get("vellin-dome"));
    private static final HomeNetwork PLAIN = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
    private static final HomeNetwork BOTH = PLAIN.withBands(EnumSet.of(Band.GHZ_2_4, Band.GHZ_5));

    @Test
    void every_device_is_judged_against_every_network() {
        HomeNetwork newest = BOTH.withSecurity(WifiSecurity.WPA3);
        FitMatrix matrix = FitMatrix.of(List.of(PLAIN, BOTH, newest), List.of(POST, DOME));
        assertThat(matrix.rows()).extracting(row -> row.cells().stream().map(FitMatrix.Cell::verdict).toList()).containsExactly(
                List.of(FitMatrix.Verdict.JOINS, FitMatrix.Verdict.JOINS_IF, FitMatrix.Verdict.CANNOT),
                List.of(FitMatrix.Verdict.JOINS, FitMatrix.Verdict.JOINS, FitMatrix.Verdict.JOINS));
    }

    @Test
    void a_network_that_suits_needs_nothing() {
        FitMatrix.Plan plan = FitMatrix.cheapest(PLAIN, true, List.of(POST, DOME), 9).orElseThrow();
        assertThat(plan.changes()).isEmpty();
        assertThat(plan.cost()).isEqualTo("0 min, nothing else has to rejoin");
    }

    @Test
    void newest_only_security_with_an_old_camera_is_mixed_and_the_bands_parted() {
        FitMatrix.Plan plan = FitMatrix.cheapest(BOTH.withSecurity(WifiSecurity.WPA3), false, List.of(POST), 12).orElseThrow();
        assertThat(plan.changes()).containsExactly(NetworkChange.PAIR_WITHOUT_5, NetworkChange.MIXED_SECURITY);
        assertThat(plan.minutes()).isEqualTo(8);
        assertThat(plan.rejoining()).isZero();
    }

    @Test
    void renaming_is_left_to_houses_with_little_to_rejoin() {
        HomeNetwork accented = PLAIN.withNameAndPassword("Wéir & Mill", "plainwords22");
        FitMatrix.Plan few = FitMatrix.cheapest(accented, true, List.of(POST), 1).orElseThrow();
        assertThat(few.changes()).containsExactly(NetworkChange.SAFE_CREDENTIALS);
        assertThat(few.cost()).isEqualTo("7 min, 1 other thing has to rejoin");
        FitMatrix.Plan many = FitMatrix.cheapest(accented, true, List.of(POST), 9).orElseThrow();
        assertThat(many.changes()).containsExactly(NetworkChange.CAMERA_NETWORK);
        assertThat(many.after().name()).isEqualTo("Weir-Mill-cam");
        assertThat(many.rejoining()).isZero();
        FitMatrix.Plan noNames = FitMatrix.cheapest(accented, false, List.of(POST), 30).orElseThrow();
        assertThat(noNames.changes()).containsExactly(NetworkChange.ACCESS_POINT);
    }

    @Test
    void a_guest_network_keeps_the_phone_from_a_camera_that_is_found_by_it() {
        HomeNetwork guest = new HomeNetwork("weirguest", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false, true);
        FitMatrix matrix = FitMatrix.of(List.of(guest), List.of(POST, DOME));
        assertThat(matrix.rows().get(0).cells().get(0).verdict()).isEqualTo(FitMatrix.Verdict.JOINS_IF);
        assertThat(matrix.rows().get(1).cells().get(0).issues()).singleElement().satisfies(issue -> {
            assertThat(issue.field()).isEqualTo(FitIssue.Field.ISOLATION);
            assertThat(issue.blocks()).isTrue();
        });
        assertThat(FitMatrix.cheapest(guest, false, List.of(POST, DOME), 3).orElseThrow().changes())
                .containsExactly(NetworkChange.REACH_ONE_ANOTHER);
    }

    @Test
    void an_open_network_needs_a_password_that_somebody_thinks_of() {
        HomeNetwork open = new HomeNetwork("weirhouse", "", Set.of(Band.GHZ_2_4), WifiSecurity.OPEN, false);
        FitMatrix.Plan plan = FitMatrix.cheapest(open, false, List.of(POST), 2).orElseThrow();
        assertThat(plan.changes()).containsExactly(NetworkChange.SET_WPA2);
        assertThat(plan.needsPassword()).isTrue();
    }

    @Test
    void chosen_changes_are_judged_and_idle_ones_left_out() {
        FitMatrix.Plan plan
                = FitMatrix.with(List.of(NetworkChange.ANNOUNCE, NetworkChange.SPLIT_BANDS), BOTH, true, List.of(POST, EAVE), 4);
        assertThat(plan.changes()).containsExactly(NetworkChange.SPLIT_BANDS);
        assertThat(plan.after().bands()).containsExactly(Band.GHZ_2_4);
        assertThat(plan.left()).isEmpty();
        assertThat(FitMatrix.with(List.of(), BOTH, true, List.of(POST, EAVE), 4).left()).containsExactly(POST);
    }

    /** Every set of changes in every order of trying, the slow way. */
    @Property(tries = 60)
    void the_cheapest_plan_is_no_dearer_than_any_other(@ForAll @StringLength(min = 1, max = 12) String name,
            @ForAll @IntRange(max = 15) int others,
            @ForAll WifiSecurity security, @ForAll boolean hidden, @ForAll boolean isolated, @ForAll boolean makesNames) {
        if (CredentialFit.bytes(name) > HomeNetwork.NAME_MAX_BYTES) {
            return;
        }
        HomeNetwork network
                = new HomeNetwork(name, security == WifiSecurity.OPEN ? "" : "plain words 22", EnumSet.of(Band.GHZ_2_4, Band.GHZ_5),
                        security, hidden, isolated);
        List<FitMatrix.Device> devices = List.of(POST, EAVE, DOME);
        Optional<FitMatrix.Plan> cheapest = FitMatrix.cheapest(network, makesNames, devices, others);
        List<NetworkChange> all = Arrays.asList(NetworkChange.values());
        double least = Double.POSITIVE_INFINITY;
        for (int set = 0; set < 1 << all.size(); set++) {
            List<NetworkChange> chosen = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                if ((set >> i & 1) == 1) {
                    chosen.add(all.get(i));
                }
            }
            FitMatrix.Plan plan = FitMatrix.with(chosen, network, makesNames, devices, others);
            if (plan.left().isEmpty()) {
                least = Math.min(least, plan.minutes());
            }
        }
        assertThat(cheapest.map(FitMatrix.Plan::minutes).orElse(Double.POSITIVE_INFINITY)).isEqualTo(least);
    }
}
