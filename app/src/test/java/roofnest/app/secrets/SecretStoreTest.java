package roofnest.app.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumSet;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;

/** What a seal is bound to: a password put under another household or another network opens nothing. */
@AppTest
class SecretStoreTest {
    @Autowired private SecretStore secrets;
    @Autowired private Sealer sealer;
    @Autowired private HouseholdRepository households;
    @Autowired private NetworkRepository networks;
    @Autowired private DemoPlaces demo;

    private long house;
    private long network;

    @BeforeEach
    void aHouseWithANetwork() {
        house = households.add(demo.staff("jory").firmId(), "Sealed", "3 Ford Row", LocalDate.now().plusDays(4), "install");
        networks.take(house, new HomeNetwork("ford-row", "swallow-under-eaves", EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false),
                "jory");
        network = networks.find(house).orElseThrow().id();
    }

    @Test
    void a_seal_names_its_network_and_opens_for_no_other() {
        assertThat(secrets.wifiPasswordForRules(house, network)).contains("swallow-under-eaves");
        byte[] sealed = sealed();
        assertThat(sealed).asString().doesNotContain("swallow");
        assertThat(secrets.openForRules(house, network, sealed)).contains("swallow-under-eaves");
        assertThat(secrets.openForRules(house, network + 1, sealed)).as("moved to another network").isEmpty();
        assertThat(secrets.openForRules(house + 1, network, sealed)).as("moved to another household").isEmpty();
    }

    /** Seals made before they named their network are made anew when the application starts, and say the same. */
    @Test
    void an_older_seal_is_made_anew_and_says_the_same() {
        byte[] older = sealer.seal("swallow-under-eaves", "household " + house + " WIFI_PASSWORD");
        demo.jdbc().sql("update secret set sealed = :sealed, seal = 1 where household_id = :id").param("sealed", older).param("id", house)
                .update();
        assertThat(secrets.wifiPasswordForRules(house, network)).isEmpty();
        secrets.renewSeals();
        assertThat(secrets.wifiPasswordForRules(house, network)).contains("swallow-under-eaves");
        assertThat(demo.jdbc().sql("select min(seal) from secret").query(Integer.class).single()).isEqualTo(2);
        byte[] renewed = sealed();
        secrets.renewSeals();
        assertThat(sealed()).as("what is new already is left alone").isEqualTo(renewed);
    }

    @Test
    void a_reveal_is_logged_and_a_rule_reads_without_a_trace() {
        long before = demo.count("secret_reveal");
        secrets.wifiPasswordForRules(house, network);
        assertThat(demo.count("secret_reveal")).isEqualTo(before);
        assertThat(secrets.revealWifiPassword(house, network, "Jory", "typed in by hand")).contains("swallow-under-eaves");
        assertThat(demo.count("secret_reveal")).isEqualTo(before + 1);
    }

    private byte[] sealed() {
        return demo.jdbc().sql("select sealed from secret where household_id = :id").param("id", house).query(byte[].class).single();
    }
}
