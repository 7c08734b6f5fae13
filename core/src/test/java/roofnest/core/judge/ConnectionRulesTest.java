package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.TODAY;
import static roofnest.core.judge.Judging.camera;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.joined;
import static roofnest.core.judge.Judging.model;
import static roofnest.core.judge.Judging.nobody;
import static roofnest.core.judge.Judging.of;
import static roofnest.core.judge.Judging.only;
import static roofnest.core.judge.Judging.post;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.Reading;
import roofnest.core.still.Spread;
import roofnest.core.view.CameraPose;

/**
 * Promises of the link, the password, reach, access and alerts at their edges: what is said, and what is proposed.
 */
class ConnectionRulesTest {
    @Test
    void the_link_says_what_stands_between_and_how_much_is_wanting() {
        Finding near = finding(facts(HOUSE, List.of(), post(new CameraPose(5.5, 6.0, 2.2, 90, 0))), of("link"));
        assertThat(near.standing()).isEqualTo(Standing.KEPT);
        assertThat(near.reason()).startsWith("1.4 m to Brill R2, in sight of it; ").endsWith(" % sure of two bars (−67 dBm).");
        assertThat(near.remedies()).isEmpty();
        assertThat(near.evidence()).isEqualTo(Evidence.PREDICTED);
        Finding far = finding(facts(HOUSE, List.of(), post(new CameraPose(20, 7.5, 2.4, 90, 12))), of("link"));
        assertThat(far.standing()).isEqualTo(Standing.BROKEN);
        assertThat(far.reason()).contains("walls and floors take ");
        double missing = far.limit().value() + far.limit().tolerance() - far.measured().getAsDouble();
        assertThat(far.remedies()).hasSize(2);
        assertThat(far.remedies().get(0).action()).isEqualTo("Find a line to the router that misses the sheet metal wall");
        assertThat(far.remedies().get(1)).isEqualTo(
                new Remedy("Bring the router or an access point nearer", Math.round(missing) + " dB are wanting"));
    }

    @ParameterizedTest
    @CsvSource({"1.9, READ", "2.1, PREDICTED"})
    void a_reading_counts_as_made_here_within_two_metres_of_the_lens(double asideM, Evidence evidence) {
        CameraPose pose = new CameraPose(5.5, 7.5, 2.2, 90, 0);
        Reading reading = Reading.ofFigure(new SpacePoint(5.5, 7.5 + asideM - 0.0, 2.2), Band.GHZ_2_4, -50);
        Finding read = finding(facts(HOUSE, List.of(), List.of(reading), post(pose)), of("link"));
        assertThat(read.evidence()).isEqualTo(evidence);
        assertThat(read.reason()).contains(", readings taken in; ");
        Reading otherBand = Reading.ofFigure(new SpacePoint(5.5, 7.5, 2.2), Band.GHZ_5, -50);
        Finding other = finding(facts(HOUSE, List.of(), List.of(otherBand), post(pose)), of("link"));
        assertThat(other.evidence()).as("a reading of another band says nothing").isEqualTo(Evidence.PREDICTED);
        assertThat(other.reason()).doesNotContain("readings taken in");
    }

    @Test
    void a_camera_uses_the_long_band_where_house_and_camera_have_it() {
        DeviceModel both = Catalogue.shipped().get("cairnlow-eave");
        Camera camera = camera(7, "cairnlow-eave", door());
        assertThat(both.radio().bands()).contains(Band.GHZ_5);
        assertThat(Links.band(camera, facts(HOUSE, List.of(), camera))).isEqualTo(Band.GHZ_2_4);
        HomeNetwork fiveOnly = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_5), WifiSecurity.WPA2, false);
        assertThat(Links.band(camera, facts(HOUSE, List.of(), camera).withNetwork(Optional.of(fiveOnly)))).isEqualTo(Band.GHZ_5);
        HomeNetwork both5 = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_5, Band.GHZ_2_4), WifiSecurity.WPA2, false);
        assertThat(HouseholdJudge.bandOf(camera, facts(HOUSE, List.of(), camera).withNetwork(Optional.of(both5)))).isEqualTo(Band.GHZ_2_4);
        assertThat(Links.band(post(door()), facts(HOUSE, List.of(), camera).withNetwork(Optional.of(fiveOnly))))
                .as("it cannot join at all, which another promise says").isEqualTo(Band.GHZ_2_4);
        assertThat(Links.band(camera, facts(HOUSE, List.of(), camera).withNetwork(Optional.empty()))).isEqualTo(Band.GHZ_2_4);
    }

    @Test
    void a_network_not_written_down_is_not_judged_and_what_blocks_is_counted_with_its_cost() {
        HouseholdFacts facts = facts(HOUSE, List.of(), post(door()));
        Finding none = finding(facts.withNetwork(Optional.empty()), of("joins"));
        assertThat(none.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(none.reason()).isEqualTo("The house's Wi-Fi name and password are not written down yet.");
        Finding suits = finding(facts, of("joins"));
        assertThat(suits.standing()).isEqualTo(Standing.KEPT);
        assertThat(suits.reason()).isEqualTo("Name, password, band and security all suit Dunmark Post.");
        HomeNetwork modern = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_5), WifiSecurity.WPA3, false);
        Finding blocked = finding(facts.withNetwork(Optional.of(modern)), of("joins"));
        assertThat(blocked.standing()).isEqualTo(Standing.BROKEN);
        assertThat(blocked.measured().getAsDouble()).isEqualTo(2);
        assertThat(blocked.remedies()).hasSize(2);
    }

    @Test
    void a_password_is_changed_or_not_and_says_so() {
        Finding factory = finding(facts(HOUSE, List.of(), joined(false)), of("password"));
        assertThat(factory.measured()).hasValue(1);
        assertThat(factory.reason()).isEqualTo("It still has its factory password.");
        assertThat(factory.remedies()).containsExactly(new Remedy("Change it in a run", "about 1 min"));
        Finding own = finding(facts(HOUSE, List.of(), joined(true)), of("password"));
        assertThat(own.measured()).hasValue(0);
        assertThat(own.reason()).isEqualTo("The factory password was changed when it joined.");
        assertThat(own.remedies()).isEmpty();
        assertThat(finding(facts(HOUSE, List.of(), post(door())), of("password")).reason()).isEqualTo("Eye is not joined yet.");
    }

    @ParameterizedTest
    @CsvSource({"2.29, BROKEN, 0.11", "2.3, THIN, 0.10", "2.39, THIN, 0.01", "2.4, KEPT, ", "3.0, KEPT, "})
    void out_of_reach_is_above_a_raised_hand_by_a_hands_breadth(double heightM, Standing standing, Double missingM) {
        Finding reach = finding(facts(HOUSE, List.of(), post(new CameraPose(11.4, 2.0, heightM, 60, 12))), of("reach"));
        assertThat(reach.standing()).isEqualTo(standing);
        assertThat(reach.evidence()).isEqualTo(Evidence.PREDICTED);
        if (missingM == null) {
            assertThat(reach.remedies()).isEmpty();
        } else {
            assertThat(reach.remedies().get(0).action()).isEqualTo(String.format("Hang it %.2f m higher", missingM));
        }
        Camera hung = new Camera(7, "Eye", model("dunmark-post"), new CameraPose(11.4, 2.0, heightM, 60, 12), Set.of(),
                Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        assertThat(finding(facts(HOUSE, List.of(), hung), of("reach")).evidence()).as("hung as planned, as far as anybody knows")
                .isEqualTo(Evidence.PREDICTED);
        Camera read = hung.hanging(new CameraPose(11.4, 2.0, heightM + 0.2, 60, 12), new Spread(0.03, 0.02, 0.2, 0.2, 0.3));
        Finding lower = finding(facts(HOUSE, List.of(), read), of("reach"));
        assertThat(lower.evidence()).isEqualTo(Evidence.READ);
        assertThat(lower.measured().orElseThrow()).as("the height that was read").isEqualTo(heightM + 0.2, within(1e-9));
        assertThat(finding(facts(HOUSE, List.of(), read.withPose(hung.pose())), of("reach")).evidence()).as("tried elsewhere")
                .isEqualTo(Evidence.PREDICTED);
    }

    @Test
    void an_alert_is_timed_and_never_foretold() {
        Finding alert = finding(facts(HOUSE, List.of(new Promise.AlertWithin(KEY, 8)), post(door())), KEY);
        assertThat(alert.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(alert.limit().value()).isEqualTo(8);
        assertThat(alert.limit().tolerance()).isEqualTo(1.2, within(1e-9));
        assertThat(alert.reason()).isEqualTo("Timed at Prove, on each phone that is rung.");
    }

    @Test
    void who_can_look_is_counted_by_person_and_not_by_camera() {
        Access.Person ida = new Access.Person(1, "Ida", Access.Tie.LIVES_HERE, Optional.empty());
        Access.Person corin = new Access.Person(2, "Corin", Access.Tie.LEFT, Optional.of(TODAY.minusDays(9)));
        Access.Grant gate = new Access.Grant(1, 7, Access.Role.OWNER, Optional.empty());
        Access.Grant yard = new Access.Grant(1, 8, Access.Role.OWNER, Optional.empty());
        assertThat(only(nobody()).reason()).isEqualTo("Nobody has been given access yet.");
        assertThat(only(nobody()).standing()).isEqualTo(Standing.UNTRIED);
        assertThat(only(new Access(List.of(ida, corin), List.of(gate, yard))).reason()).isEqualTo("One person can look, as agreed.");
        Access.Person wren = new Access.Person(3, "Wren", Access.Tie.FAMILY, Optional.empty());
        Access two = new Access(List.of(ida, wren), List.of(gate, new Access.Grant(3, 7, Access.Role.VIEWER, Optional.empty())));
        assertThat(only(two).reason()).isEqualTo("2 people can look, all of them agreed.");
        Finding left = only(new Access(List.of(ida, corin), List.of(gate, new Access.Grant(2, 7, Access.Role.VIEWER, Optional.empty()))));
        assertThat(left.measured()).hasValue(1);
        assertThat(left.reason()).isEqualTo("Corin (has left) can still look: viewer of Eye.");
        assertThat(left.remedies()).containsExactly(new Remedy("Shut Corin out", "one fewer who can look"));
    }

    /** Who left proves nothing any more, even where another camera hangs in the very same place. */
    @Test
    void a_proof_by_a_camera_that_left_has_to_be_made_again() {
        Camera here = post(door());
        HouseholdFacts facts = facts(HOUSE, List.of(new Promise.AlertWithin(KEY, 8)), here);
        Proof byOther = new Proof(KEY, 8, true, OptionalDouble.of(4.2), Optional.empty(), "It rang.",
                HouseholdJudge.of(facts).proofMark(facts, here, new Promise.AlertWithin(KEY, 8)), Instant.EPOCH, "Jory");
        HouseholdFacts proved = new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 9, nobody(),
                List.of(byOther), facts.climate(), TODAY, false);
        assertThat(finding(proved, KEY).standing()).isEqualTo(Standing.UNTRIED);
        assertThat(finding(proved, KEY).reason()).endsWith("The camera that it was tested with has left: to be tested again.");
    }

    @Test
    void walls_and_floors_add_up_in_what_is_said_of_a_link() {
        Camera upstairs = post(new CameraPose(11.4, 8.0, 4.8, 90, 12));
        HouseholdFacts facts = facts(HOUSE, List.of(), upstairs);
        LinkBudget budget = HouseholdJudge.of(facts).link(facts, upstairs).orElseThrow();
        assertThat(budget.ray().wallsDb()).isPositive();
        assertThat(budget.ray().slabsDb()).isPositive();
        double sure = 100 * budget.chanceAtLeast(LinkBudget.TWO_BARS_DBM);
        assertThat(finding(facts, of("link")).reason())
                .contains("walls and floors take " + Math.round(budget.ray().wallsDb() + budget.ray().slabsDb()) + " dB; ")
                .contains(Math.round(sure) + " % sure of two bars");
    }
}
