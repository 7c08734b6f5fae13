package roofnest.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;

class CredentialFitTest {
    private static final Catalogue CATALOGUE = Catalogue.shipped();
    private static final DeviceModel POST = CATALOGUE.get("dunmark-post");
    private static final DeviceModel SILL = CATALOGUE.get("oskarra-sill");

    @Test
    void a_plain_network_suits() {
        assertThat(CredentialFit.judge(network("weirhouse", "plainwords22"), POST)).isEmpty();
    }

    @Test
    void spaces_accents_and_symbols_are_named() {
        List<FitIssue> issues = CredentialFit.judge(network("Wéir & Mill", "plainwords22"), POST);
        assertThat(issues).singleElement().satisfies(issue -> {
            assertThat(issue.blocks()).isTrue();
            assertThat(issue.sentence()).contains("“é”", "“&”", "a space", "Dunmark Post");
        });
    }

    @Test
    void lengths_are_counted_in_bytes() {
        assertThat(CredentialFit.bytes("é")).isEqualTo(2);
        String twentyThreeLetters = "a".repeat(23);
        assertThat(CredentialFit.judge(network(twentyThreeLetters + "b", "plainwords22"), SILL)).isEmpty();
        assertThat(CredentialFit.judge(network(twentyThreeLetters + "é", "plainwords22"), SILL))
                .extracting(FitIssue::sentence).anyMatch(sentence -> sentence.contains("25 bytes"));
    }

    @Test
    void the_password_itself_is_never_repeated() {
        assertThat(CredentialFit.judge(network("weirhouse", "gehéim ~ word"), POST)).isNotEmpty()
                .allSatisfy(issue -> assertThat(issue.sentence()).doesNotContain("é", "gehéim", "~"));
    }

    @Test
    void one_name_for_two_bands_is_a_condition_and_no_shared_band_is_a_bar() {
        HomeNetwork both = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA2, false);
        assertThat(CredentialFit.judge(both, POST)).singleElement().satisfies(issue -> assertThat(issue.blocks()).isFalse());
        HomeNetwork five = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_5), WifiSecurity.WPA2, false);
        assertThat(CredentialFit.judge(five, POST)).singleElement().satisfies(issue -> assertThat(issue.blocks()).isTrue());
    }

    @Test
    void the_newest_security_and_hidden_names_lock_old_models_out() {
        HomeNetwork strict = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA3, true);
        assertThat(CredentialFit.judge(strict, SILL)).extracting(FitIssue::field)
                .containsExactlyInAnyOrder(FitIssue.Field.SECURITY, FitIssue.Field.HIDDEN);
        assertThat(CredentialFit.judge(strict, CATALOGUE.get("vellin-dome"))).isEmpty();
    }

    @Test
    void the_nearest_safe_name_keeps_what_it_can() {
        SafeCredentials safe = SafeCredentials.nearest(network("Mühle & Wehr, Böschung", "pässword & more"), List.of(POST));
        assertThat(safe.name()).isEqualTo("Muhle-Wehr-Boschung");
        assertThat(safe.password()).startsWith("password");
        assertThat(safe).hasToString("SafeCredentials[Muhle-Wehr-Boschung, password not shown]");
    }

    @Test
    void what_already_fits_is_left_alone() {
        assertThat(SafeCredentials.nearest(network("weirhouse", "plainwords22"), CATALOGUE.models()))
                .isEqualTo(new SafeCredentials("weirhouse", "plainwords22"));
    }

    @Property
    void whatever_they_are_called_now_the_suggestion_fits_every_model(
            @ForAll @StringLength(min = 1, max = 40) String name, @ForAll @StringLength(min = 0, max = 80) String password) {
        SafeCredentials safe = SafeCredentials.nearest(network(name, password), CATALOGUE.models());
        HomeNetwork renamed = network(safe.name(), safe.password());
        for (DeviceModel model : CATALOGUE.models()) {
            assertThat(CredentialFit.judge(renamed, model)).as(model.fullName()).isEmpty();
        }
    }

    @Test
    void an_open_network_is_given_no_password_that_nobody_thought_of() {
        HomeNetwork open = new HomeNetwork("Wéir", "", Set.of(Band.GHZ_2_4), WifiSecurity.OPEN, false);
        assertThat(SafeCredentials.nearest(open, List.of(POST))).isEqualTo(new SafeCredentials("Weir", ""));
    }

    private static HomeNetwork network(String name, String password) {
        return new HomeNetwork(name, password, Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
    }
}
