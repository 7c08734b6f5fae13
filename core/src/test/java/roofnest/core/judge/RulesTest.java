package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.document.DocumentRefused;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.Wall;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.Reading;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;

/**
 * Every kind of promise at its edges: what it measures, from where on it is thin or broken, what it says of it, and that what
 * it proposes is what would mend it. Distances stand in an open field, where a lens of 1920 pixels across 104° draws
 * 750 pixels a metre at one metre.
 */
class RulesTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 12, 3);
    private static final PromiseKey KEY = PromiseKey.written(1);
    private static final double PX_AT_ONE_METRE = 960 / Math.tan(Math.toRadians(52));
    private static final HousePlan HOUSE = WeirSteps.plan();
    private static final HousePlan FIELD = HOUSE.withWalls(List.of()).withPaths(List.of());

    // What a promise is called, and that each has its rule.

    @Test
    void every_promise_has_exactly_one_rule() {
        assertThatThrownBy(() -> new Rules(List.of(new MakeOutRule(), new MakeOutRule()))).isInstanceOf(IllegalStateException.class)
                .hasMessage("two rules judge MakeOut");
        assertThatThrownBy(() -> new Rules(List.of(new MakeOutRule()))).isInstanceOf(IllegalStateException.class)
                .hasMessageStartingWith("no rule judges ").hasMessageContaining("BatteryLasts").hasMessageContaining("OnlyThese");
        assertThat(new Rules()).isNotNull();
    }

    @Test
    void promises_are_worded_as_the_household_agreed_to_them() {
        HousePlan plan = HOUSE.withPaths(List.of(new Walk("w", "the door path", List.of(new PlanPoint(24, 9), new PlanPoint(13, 3)))));
        List<Promise> written = List.of(
                new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "hives", Light.NIGHT),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.OBSERVE, "lane-door", "w"),
                new Promise.KeepsDays(PromiseKey.written(3), 14), new Promise.NeverShows(PromiseKey.written(4), "landing"),
                new Promise.OnlyThese(PromiseKey.written(5)), new Promise.AlertWithin(PromiseKey.written(6), 7.5),
                new Promise.MakeOut(PromiseKey.written(7), DetailLevel.DETECT, "well", Light.DAY));
        assertThat(HouseholdJudge.judge(facts(plan, written, post(door()))).promises()).extracting(Judged::wording).containsExactly(
                "Tell that someone is at the hives, at night", "Recorded before they reach the lane door by the door path (observe)",
                "Keeps 14 days of footage", "Stays off next door's landing", "Only the people agreed can look",
                "Phone rings within 7.5 s", "Tell that someone is at the well, by day", "Holds its Wi-Fi link",
                "Can join the house's Wi-Fi", "Has a password of its own", "Its own light does not blind it", "Hangs out of arm's reach",
                "Battery lasts through the dark months");
    }

    @Test
    void without_a_plan_nothing_of_sight_or_signal_is_tried() {
        List<Promise> written = List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "hives", Light.DAY),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.DETECT, "hives", "w"),
                new Promise.NeverShows(PromiseKey.written(3), "landing"));
        HouseholdFacts bare = new HouseholdFacts(Optional.empty(), List.of(post(door())), written, Optional.empty(), 0, nobody(), List.of(),
                Climate.MILD_COAST, TODAY, false);
        for (Promise promise : written) {
            assertThat(finding(bare, promise.key()).standing()).isEqualTo(Standing.UNTRIED);
            assertThat(finding(bare, promise.key()).reason()).isEqualTo("The house has no plan yet.");
        }
        assertThat(finding(bare, of("clear")).reason()).isEqualTo("The house has no plan yet.");
        assertThat(finding(bare, of("link")).reason()).isEqualTo("The plan shows no router yet.");
        assertThat(finding(bare, of("link")).standing()).isEqualTo(Standing.UNTRIED);
    }

    @Test
    void what_the_plan_lost_is_said_and_not_judged() {
        List<Promise> written = List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "well", Light.DAY),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.DETECT, "well", "w"),
                new Promise.RecordedBefore(PromiseKey.written(3), DetailLevel.DETECT, "hives", "gone"),
                new Promise.NeverShows(PromiseKey.written(4), "pond"));
        HouseholdFacts facts = facts(FIELD, written, post(door()));
        assertThat(HouseholdJudge.judge(facts).promises()).extracting(judged -> judged.finding().reason()).startsWith(
                "The plan has no place of that name any more: choose another at the brief.",
                "The plan has no place of that name any more: choose another at the brief.",
                "The plan has no path of that name any more: choose another at the brief.",
                "The plan has no area of that name any more: choose another at the brief.");
        assertThat(HouseholdJudge.judge(facts).promises().subList(0, 4))
                .allSatisfy(judged -> assertThat(judged.finding().standing()).isEqualTo(Standing.UNTRIED))
                .allSatisfy(judged -> assertThat(judged.cameraId()).isEmpty());
    }

    // Made out at a place.

    @Test
    void density_falls_with_distance_and_is_thin_within_eight_percent_of_its_level() {
        double level = DetailLevel.RECOGNISE.pxPerM();
        Finding kept = madeOut(PX_AT_ONE_METRE / (level * 1.081), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(kept.standing()).isEqualTo(Standing.KEPT);
        assertThat(kept.measured().getAsDouble()).isEqualTo(level * 1.081, within(1.0));
        assertThat(kept.remedies()).isEmpty();
        Finding thin = madeOut(PX_AT_ONE_METRE / (level * 1.03), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(thin.standing()).isEqualTo(Standing.THIN);
        Finding broken = madeOut(PX_AT_ONE_METRE / (level * 0.97), DetailLevel.RECOGNISE, Light.DAY);
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        assertThat(broken.reason()).isEqualTo("Eye at 6.2 m, needs 125 px/m, face from 0° above.");
    }

    /** Moved nearer by as much as it says, it keeps the promise; by a tenth of a metre less it does not. */
    @Test
    void the_remedy_says_how_much_nearer_is_enough() {
        double far = 8;
        Finding broken = madeOut(far, DetailLevel.RECOGNISE, Light.DAY);
        Remedy remedy = broken.remedies().get(0);
        assertThat(remedy.action()).isEqualTo("Move Eye 2.4 m nearer");
        assertThat(remedy.effect()).isEqualTo("135 px/m");
        assertThat(madeOut(far - 2.5, DetailLevel.RECOGNISE, Light.DAY).standing()).isEqualTo(Standing.KEPT);
        assertThat(madeOut(far - 2.3, DetailLevel.RECOGNISE, Light.DAY).standing()).isEqualTo(Standing.THIN);
        Finding nearly = madeOut(PX_AT_ONE_METRE / 134.5, DetailLevel.RECOGNISE, Light.DAY);
        assertThat(nearly.remedies().get(0).action()).as("never by nothing").isEqualTo("Move Eye 0.1 m nearer");
    }

    @Test
    void at_night_a_lens_sees_as_far_as_its_light_and_by_day_farther() {
        assertThat(madeOut(11.9, DetailLevel.DETECT, Light.NIGHT).standing()).isEqualTo(Standing.KEPT);
        Finding dark = madeOut(12.1, DetailLevel.DETECT, Light.NIGHT);
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
        assertThat(dark.measured()).hasValue(0);
        assertThat(dark.reason()).isEqualTo("The place is past the 12 m that its light reaches at night for Eye at 12.1 m.");
        assertThat(dark.remedies()).containsExactly(new Remedy("Move or turn Eye", "it looks 90° now"));
        assertThat(madeOut(12.1, DetailLevel.DETECT, Light.BOTH).standing()).isEqualTo(Standing.BROKEN);
        assertThat(madeOut(12.1, DetailLevel.DETECT, Light.DAY).standing()).isEqualTo(Standing.KEPT);
    }

    /** Under a cap a face is lost from above; that somebody is there is not. */
    @Test
    void a_face_from_too_steep_is_no_face_but_still_somebody() {
        HouseholdFacts steep = facts(field(3), List.of(new Promise.MakeOut(KEY, DetailLevel.RECOGNISE, "spot", Light.DAY)),
                post(new CameraPose(0, 0, 4.0, 90, 40)));
        assertThat(finding(steep, KEY).reason()).isEqualTo("The place is seen from so steep that a cap hides the face for Eye at 3.0 m.");
        assertThat(finding(steep, KEY).standing()).isEqualTo(Standing.BROKEN);
        HouseholdFacts there = facts(field(3), List.of(new Promise.MakeOut(KEY, DetailLevel.OBSERVE, "spot", Light.DAY)),
                post(new CameraPose(0, 0, 4.0, 90, 40)));
        assertThat(finding(there, KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(there, KEY).reason()).isEqualTo("Eye at 3.0 m, needs 62.5 px/m.");
    }

    @Test
    void a_wall_between_hides_the_place_and_a_mask_over_it_blacks_it_out() {
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.DETECT, "spot", Light.DAY));
        Wall wall = new Wall("w", "ground", new PlanPoint(2, -3), new PlanPoint(2, 3), Material.BRICK, 0.2, 3.0, List.of());
        Finding hidden = finding(facts(field(4).withWalls(List.of(wall)), seen, post(east(1.6))), KEY);
        assertThat(hidden.reason()).isEqualTo("The place is hidden by a wall for Eye at 4.0 m.");
        Camera masked = post(east(1.6)).withMasked(Set.of(MaskCell.parse("I5")));
        assertThat(finding(facts(field(4), seen, masked), KEY).reason())
                .isEqualTo("The place is blacked out by the mask for Eye at 4.0 m.");
        Camera maskedBeside = post(east(1.6)).withMasked(Set.of(MaskCell.parse("A1")));
        assertThat(finding(facts(field(4), seen, maskedBeside), KEY).standing()).isEqualTo(Standing.KEPT);
        Camera turned = post(new CameraPose(0, 0, 1.6, 270, 0));
        assertThat(finding(facts(field(4), seen, turned), KEY).reason()).isEqualTo("The place is outside the picture for Eye at 4.0 m.");
    }

    /** Of two that both see nothing the nearer one is spoken of: it is the one to turn. */
    @Test
    void the_densest_view_counts_and_of_two_blind_ones_the_nearer() {
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.DETECT, "spot", Light.DAY));
        Camera far = camera(8, "dunmark-post", new CameraPose(-3, 0, 1.6, 270, 0));
        Camera near = post(new CameraPose(0, 0, 1.6, 270, 0));
        assertThat(judged(facts(field(4), seen, far, near), KEY).cameraId()).contains(7L);
        assertThat(judged(facts(field(4), seen, near, far), KEY).cameraId()).contains(7L);
        Camera farButSeeing = camera(8, "dunmark-post", new CameraPose(-3, 0, 1.6, 90, 0));
        assertThat(judged(facts(field(4), seen, near, farButSeeing), KEY).cameraId()).contains(8L);
        assertThat(judged(facts(field(4), seen, farButSeeing, near), KEY).cameraId()).contains(8L);
    }

    // Recorded before they get there.

    @Test
    void a_margin_of_less_than_half_a_second_is_thin_and_the_remedy_is_the_way_walked_in_the_rest() {
        Walk walk = new Walk("w", "across", List.of(new PlanPoint(12, 0), new PlanPoint(4, 0)));
        HousePlan plan = field(4).withPaths(List.of(walk));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Finding early = finding(facts(plan, before, camera(7, "cairnlow-eave", east(2.4))), KEY);
        assertThat(early.standing()).isEqualTo(Standing.KEPT);
        assertThat(early.remedies()).isEmpty();
        assertThat(early.measured().getAsDouble()).as("at most the whole walk").isLessThanOrEqualTo(8 / 1.4 + 1e-9);
        Finding never = finding(facts(plan, before, post(new CameraPose(0, 0, 2.4, 270, 0))), KEY);
        assertThat(never.measured().getAsDouble()).as("the whole walk is over, and half a second more").isEqualTo(-0.5, within(1e-9));
        assertThat(never.reason()).isEqualTo("No camera has them on a kept frame at 25 px/m anywhere on this path; they are there after "
                + "5.7 s.");
        assertThat(never.remedies()).containsExactly(new Remedy("Let Eye see them 1.4 m earlier on the path", "they are recorded in time"),
                new Remedy("Turn it so that they walk across its view, not towards it", "its sensor then reaches 9 m"));
        Finding picture = finding(facts(plan, before, camera(7, "cairnlow-eave", new CameraPose(0, 0, 2.4, 270, 0))), KEY);
        assertThat(picture.remedies().get(1)).isEqualTo(new Remedy("Widen its zones along the path", "it notices them sooner"));
    }

    @ParameterizedTest
    @CsvSource({"1.9, false", "2.1, true"})
    void a_path_leads_to_a_place_that_it_passes_within_two_metres(double asideM, boolean untried) {
        Walk walk = new Walk("w", "past it", List.of(new PlanPoint(12, asideM), new PlanPoint(4, asideM)));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Finding finding = finding(facts(field(4).withPaths(List.of(walk)), before, post(east(2.4))), KEY);
        assertThat(finding.standing() == Standing.UNTRIED).isEqualTo(untried);
        if (untried) {
            assertThat(finding.reason()).isEqualTo("The path passes the place at 2.1 m; draw it to within 2 m.");
        }
        Finding nobodyThere = finding(facts(field(4).withPaths(List.of(walk)), before), KEY);
        assertThat(nobodyThere.standing()).isEqualTo(Standing.UNTRIED);
    }

    // Footage kept.

    @Test
    void the_card_that_runs_out_first_decides_and_the_card_that_is_offered_suffices() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 14));
        Camera small = camera(8, "cairnlow-eave", door()).withSettings(settings(20, 16, 200));
        HouseholdFacts facts = facts(HOUSE, days, post(door()), small);
        Judged judged = judged(facts, KEY);
        assertThat(judged.cameraId()).contains(8L);
        Finding broken = judged.finding();
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        assertThat(broken.reason()).startsWith("Eye 8 with 16 GB: ").contains(" clips of 20 s in a bad week, ").endsWith(" GB a day.");
        int offered = Integer.parseInt(broken.remedies().get(0).action().replaceAll("[^0-9]", ""));
        assertThat(finding(facts.withCamera(small.withSettings(settings(20, offered, 200))), KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(facts.withCamera(small.withSettings(settings(20, offered / 2, 200))), KEY).standing())
                .as("the next smaller one does not").isNotEqualTo(Standing.KEPT);
        double kept = broken.measured().getAsDouble();
        assertThat(broken.remedies().get(0).effect()).isEqualTo(Math.round(kept * offered / 16) + " days");
    }

    @Test
    void where_no_card_is_big_enough_shorter_clips_are_offered_down_to_the_models_shortest() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 365));
        Finding busy = finding(facts(HOUSE, days, post(door()).withSettings(settings(30, 128, 1000))), KEY);
        assertThat(busy.remedies()).singleElement().satisfies(remedy -> {
            assertThat(remedy.action()).isEqualTo("Clips of 15 s");
            assertThat(remedy.effect()).isEqualTo("about " + Math.round(busy.measured().getAsDouble() * 2) + " days");
        });
        Finding shortest = finding(facts(HOUSE, days, post(door()).withSettings(settings(6, 128, 1900))), KEY);
        assertThat(shortest.remedies().get(0).action()).isEqualTo("Clips of 5 s");
    }

    @Test
    void a_camera_without_a_card_keeps_nothing_and_enough_needs_no_remedy() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 1));
        Judged none = judged(facts(HOUSE, days, post(door()), camera(8, "pellan-drift", door()).withSettings(settings(12, 0, 3))), KEY);
        assertThat(none.finding().measured()).hasValue(0);
        assertThat(none.finding().reason()).isEqualTo("Eye 8 has no card.");
        assertThat(none.finding().remedies()).containsExactly(new Remedy("Put a card into Eye 8", "footage is kept at all"));
        assertThat(none.cameraId()).contains(8L);
        Finding plenty = finding(facts(HOUSE, days, post(door())), KEY);
        assertThat(plenty.standing()).isEqualTo(Standing.KEPT);
        assertThat(plenty.remedies()).isEmpty();
    }

    // Never shown.

    @Test
    void the_camera_that_shows_most_of_the_neighbours_is_named_with_the_cells_to_black_out() {
        List<Promise> off = List.of(new Promise.NeverShows(KEY, "landing"));
        Camera looking = camera(8, "dunmark-post", new CameraPose(2, 12, 2.6, 270, 15));
        Judged judged = judged(facts(FIELD, off, post(new CameraPose(18, 5, 2.4, 90, 12)), looking), KEY);
        assertThat(judged.cameraId()).contains(8L);
        Finding shown = judged.finding();
        assertThat(shown.standing()).isEqualTo(Standing.BROKEN);
        assertThat(shown.reason()).isEqualTo(
                String.format("%.1f %% of what Eye 8 shows is next door's landing.", shown.measured().getAsDouble()));
        Remedy remedy = shown.remedies().get(0);
        assertThat(remedy.action()).matches("Black out [A-P][1-9], [A-P][1-9], [A-P][1-9], [A-P][1-9] and [0-9]+ more");
        int cells = 4 + Integer.parseInt(remedy.action().replaceAll(".* and ([0-9]+) more", "$1"));
        assertThat(remedy.effect()).isEqualTo("costs " + Math.round(100.0 * cells / (16 * 9)) + " % of the picture");
        Finding covered = finding(facts(FIELD, off, looking.withMasked(allCells(looking.model()))), KEY);
        assertThat(covered.standing()).isEqualTo(Standing.KEPT);
        assertThat(covered.measured()).hasValue(0);
        assertThat(covered.reason()).isEqualTo("No camera shows it, with 144 cells blacked out.");
        assertThat(covered.remedies()).isEmpty();
        Finding away = finding(facts(FIELD, off, post(new CameraPose(18, 5, 2.4, 90, 12))), KEY);
        assertThat(away.reason()).isEqualTo("No camera shows it.");
    }

    // The link.

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

    // Joining.

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

    // Password, reach, access, alert.

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
        assertThat(finding(facts(HOUSE, List.of(), hung), of("reach")).evidence()).isEqualTo(Evidence.READ);
    }

    @Test
    void an_alert_is_timed_and_never_foretold() {
        Finding alert = finding(facts(HOUSE, List.of(new Promise.AlertWithin(KEY, 8)), post(door())), KEY);
        assertThat(alert.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(alert.limit().value()).isEqualTo(8);
        assertThat(alert.limit().tolerance()).isEqualTo(1.2, within(1e-9));
        assertThat(alert.reason()).isEqualTo("Timed at Prove, on the householder's own phone.");
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
        assertThat(left.reason()).isEqualTo("Corin (has left) can still look.");
        assertThat(left.remedies()).containsExactly(new Remedy("Take access from Corin", "one fewer who can look"));
    }

    // The lens and the battery.

    @Test
    void under_the_eaves_the_light_comes_back_before_any_wall_is_near() {
        HousePlan eaves = HOUSE.withWalls(List.of());
        double floor = HOUSE.storeys().get(1).floorM();
        Camera under = post(new CameraPose(5, 5, floor - 0.2, 90, 0));
        Finding soffit = finding(facts(eaves, List.of(), under), of("clear"));
        assertThat(soffit.standing()).isEqualTo(Standing.BROKEN);
        assertThat(soffit.measured().getAsDouble()).as("two thirds of its limit, as of a wall's").isEqualTo(0.4, within(1e-6));
        assertThat(soffit.reason()).isEqualTo("The eaves or floor above are 0.20 m over the lens; it needs 0.30 m.");
        assertThat(soffit.remedies())
                .containsExactly(new Remedy("Lower it or bring it out from under the eaves", "its light no longer comes back"));
        Finding open = finding(facts(eaves, List.of(), post(new CameraPose(15, 5, 2.4, 90, 0))), of("clear"));
        assertThat(open.reason()).isEqualTo("Nothing in its view is nearer than 3.00 m.");
        assertThat(open.remedies()).isEmpty();
        Wall beside = new Wall("w", "ground", new PlanPoint(15.5, 2), new PlanPoint(15.5, 8), Material.BRICK, 0.1, 3.0, List.of());
        Finding wall = finding(facts(eaves.withWalls(List.of(beside)), List.of(), post(new CameraPose(15, 5, 2.4, 90, 0))), of("clear"));
        assertThat(wall.reason()).isEqualTo("The nearest thing in its view is 0.45 m away.");
        assertThat(wall.remedies()).containsExactly(
                new Remedy("Turn it away from the wall or bring it out on an arm", "its light no longer comes back"));
    }

    @Test
    void a_battery_says_what_it_uses_and_what_would_help() {
        Finding easy = finding(facts(HOUSE, List.of(), post(door())), of("battery"));
        assertThat(easy.standing()).isEqualTo(Standing.KEPT);
        assertThat(easy.remedies()).isEmpty();
        assertThat(easy.reason()).matches("Lowest on [0-9]+ [A-Z][a-z]{2}; uses [0-9]+ mAh a day, [0-9]+ clips, charged every 90 days\\.");
        assertThat(easy.limit().value()).as("its own warning level").isEqualTo(15);
        Camera sunOnly = post(door()).withSettings(new Camera.Settings(40, 10, 64, 60, 5, 0.05, 0));
        Finding dark = finding(facts(HOUSE, List.of(), sunOnly), of("battery"));
        assertThat(dark.reason()).endsWith(" clips, sun only.");
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
        assertThat(dark.remedies()).extracting(Remedy::action).anyMatch(action -> action.matches("Charge every [0-9]+ days"));
        int days = dark.remedies().stream().map(Remedy::action).filter(action -> action.startsWith("Charge")).findFirst()
                .map(action -> Integer.parseInt(action.replaceAll("[^0-9]", ""))).orElseThrow();
        assertThat(days % 7).as("whole weeks").isZero();
        assertThat(days).isLessThanOrEqualTo(91);
        if (dark.remedies().get(0).action().startsWith("Clips")) {
            assertThat(dark.remedies().get(0).action()).isEqualTo("Clips of 20 s");
        }
        assertThat(finding(facts(HOUSE, List.of(), camera(7, "cairnlow-eave", door())), of("link"))).isNotNull();
        assertThat(HouseholdJudge.judge(facts(HOUSE, List.of(), camera(7, "cairnlow-eave", door()))).promises())
                .as("on mains there is no battery to last").noneMatch(judged -> judged.promise() instanceof Promise.BatteryLasts);
    }

    /** Behind two walls the radio is on for longer: the same clips cost more. */
    @Test
    void a_slow_link_drains_a_battery_faster() {
        BatteryYears years = new BatteryYears();
        HouseholdFacts facts = facts(HOUSE, List.of(), post(door()));
        Camera camera = post(door());
        double unknown = years.of(facts, camera, Optional.empty(), 90).drawMahPerDay();
        double strong = years.of(facts, camera, link(new CameraPose(5.5, 6.0, 2.2, 90, 0)), 90).drawMahPerDay();
        double weak = years.of(facts, camera, link(new CameraPose(20, 7.5, 2.4, 90, 12)), 90).drawMahPerDay();
        assertThat(strong).isEqualTo(unknown);
        assertThat(weak).isGreaterThan(1.1 * strong).isLessThan(2 * strong);
    }

    /** Clips half as long are offered where they are worth it, and are then what the year comes to. */
    @Test
    void shorter_clips_are_offered_where_they_win_two_percent() {
        Camera.Settings long40 = new Camera.Settings(40, 0, 64, 40, 4, 0.2, 63);
        Finding thirsty = finding(facts(HOUSE, List.of(), post(door()).withSettings(long40)), of("battery"));
        assertThat(thirsty.standing()).isNotEqualTo(Standing.KEPT);
        Finding with20 = finding(facts(HOUSE, List.of(), post(door()).withSettings(long40.withClipSeconds(20))), of("battery"));
        assertThat(with20.measured().getAsDouble()).isGreaterThan(thirsty.measured().getAsDouble() + 2);
        assertThat(thirsty.remedies().get(0))
                .isEqualTo(new Remedy("Clips of 20 s", "lowest " + Math.round(with20.measured().getAsDouble()) + " %"));
        Camera.Settings shortest = long40.withClipSeconds(5);
        Camera.Settings busy = new Camera.Settings(5, 0, 64, 400, 30, 0, 63);
        assertThat(shortest.clipSeconds()).isEqualTo(5);
        assertThat(finding(facts(HOUSE, List.of(), post(door()).withSettings(busy)), of("battery")).remedies())
                .as("no clip is shorter than the model makes").noneMatch(remedy -> remedy.action().startsWith("Clips"));
    }

    @Test
    void the_interval_that_is_offered_is_the_longest_in_whole_weeks_below_the_present_one() {
        Camera.Settings every30 = new Camera.Settings(25, 0, 64, 300, 20, 0.0, 30);
        Finding broken = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30)), of("battery"));
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        int days = broken.remedies().stream().map(Remedy::action).filter(action -> action.startsWith("Charge")).findFirst()
                .map(action -> Integer.parseInt(action.replaceAll("[^0-9]", ""))).orElseThrow();
        assertThat(days).isLessThanOrEqualTo(23);
        assertThat((30 - days) % 7).isZero();
        Finding mended = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30.withChargeEveryDays(days))), of("battery"));
        assertThat(mended.standing()).isEqualTo(Standing.KEPT);
        Finding longer = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30.withChargeEveryDays(days + 7))), of("battery"));
        assertThat(longer.standing()).isNotEqualTo(Standing.KEPT);
    }

    /** A firm may put a newer document of its own model in the place of an older one: the older lens is forgotten. */
    @Test
    void a_model_that_was_replaced_is_judged_by_its_new_figures() throws DocumentRefused {
        DeviceDocument documents = new DeviceDocument();
        DeviceModel wide = model("dunmark-post");
        DeviceModel narrow = documents.read(documents.write(wide).replaceFirst("\"hfovDeg\" : 104(\\.0)?", "\"hfovDeg\" : 60")
                .replaceFirst("\"capacityMah\" : 10400(\\.0)?", "\"capacityMah\" : 2000"));
        assertThat(narrow.key()).isEqualTo(wide.key());
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.RECOGNISE, "spot", Light.DAY));
        HouseholdFacts before = facts(field(4), seen, post(east(1.6)));
        HouseholdJudge judge = HouseholdJudge.of(before);
        judge.again(before);
        HouseholdFacts after = before.withCameras(List.of(new Camera(7, "Eye", narrow, east(1.6), Set.of(), Camera.Settings.DEFAULT, false,
                false, false, Optional.empty())));
        assertThat(judge.again(after)).isEqualTo(HouseholdJudge.judge(after)).isNotEqualTo(judge.again(before));
    }

    @Test
    void of_two_that_record_them_the_first_one_counts() {
        Walk walk = new Walk("w", "across", List.of(new PlanPoint(14, 0), new PlanPoint(4, 0)));
        HousePlan plan = field(4).withPaths(List.of(walk));
        List<Promise> before = List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "spot", "w"));
        Camera sleepy = post(east(2.4));
        Camera awake = camera(8, "cairnlow-eave", east(2.4));
        double alone = finding(facts(plan, before, awake), KEY).measured().getAsDouble();
        for (HouseholdFacts both : List.of(facts(plan, before, sleepy, awake), facts(plan, before, awake, sleepy))) {
            assertThat(judged(both, KEY).cameraId()).contains(8L);
            assertThat(judged(both, KEY).finding().measured()).hasValue(alone);
            assertThat(judged(both, KEY).finding().reason()).startsWith("Eye 8 has them at 25 px/m after ");
        }
    }

    @Test
    void a_camera_without_masks_is_to_be_turned_away() {
        Camera phone = camera(7, "spare-phone", new CameraPose(2, 12, 1.6, 270, 5));
        List<Promise> off = List.of(new Promise.NeverShows(KEY, "landing"));
        Finding shown = finding(facts(FIELD, off, phone), KEY);
        assertThat(shown.standing()).isEqualTo(Standing.BROKEN);
        if (!shown.remedies().isEmpty()) {
            assertThat(shown.remedies()).containsExactly(new Remedy("Turn Eye away", "it cannot black out parts of its picture"));
        }
        assertThat(HouseholdJudge.of(facts(FIELD, off, phone)).cellsShowing(facts(FIELD, off, phone), phone)).isEmpty();
    }

    /** Blacked out, the cells that are offered keep the promise, and none of them is offered in vain. */
    @Test
    void the_cells_that_show_a_neighbour_are_those_to_black_out() {
        Camera looking = post(new CameraPose(2, 12, 2.6, 270, 15));
        HouseholdFacts facts = facts(FIELD, List.of(new Promise.NeverShows(KEY, "landing")), looking);
        Set<MaskCell> cells = HouseholdJudge.of(facts).cellsShowing(facts, looking);
        assertThat(cells).isNotEmpty().hasSizeLessThan(144);
        assertThat(finding(facts.withCamera(looking.withMasked(cells)), KEY).standing()).isEqualTo(Standing.KEPT);
        HouseholdFacts unpromised = facts(FIELD, List.of(), looking);
        assertThat(HouseholdJudge.of(unpromised).cellsShowing(unpromised, looking)).as("what nobody promised is not masked").isEmpty();
    }

    /** Who left proves nothing any more, even where another camera hangs in the very same place. */
    @Test
    void a_proof_by_a_camera_that_left_has_to_be_made_again() {
        Camera here = post(door());
        Proof byOther = new Proof(KEY, 8, 4.2, here.poseMark(), Instant.EPOCH, "Jory");
        HouseholdFacts facts = facts(HOUSE, List.of(new Promise.AlertWithin(KEY, 8)), here);
        HouseholdFacts proved = new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 9, nobody(),
                List.of(byOther), facts.climate(), TODAY, false);
        assertThat(finding(proved, KEY).standing()).isEqualTo(Standing.UNTRIED);
        assertThat(finding(proved, KEY).reason()).endsWith("The camera was moved or masked since it was proved: test again.");
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

    // What pages ask beside the findings.

    @Test
    void a_year_untouched_is_one_without_charges_and_a_year_as_set_has_them() {
        Camera camera = post(door()).withSettings(new Camera.Settings(20, 0, 64, 60, 4, 0.1, 28));
        HouseholdFacts facts = facts(HOUSE, List.of(), camera);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(judge.batteryYear(facts, camera).lowest().percent()).isEqualTo(finding(facts, of("battery")).measured().getAsDouble());
        assertThat(judge.untouchedYear(facts, camera).lowest().percent()).isLessThan(judge.batteryYear(facts, camera).lowest().percent());
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 14));
        assertThat(HouseholdJudge.retention(camera).days())
                .isEqualTo(finding(facts(HOUSE, days, camera), KEY).measured().getAsDouble());
    }

    /** Clips of 95.6 a day, ten seconds each, four times as many while people are about; five minutes live: 4.4 % and 1.4 %. */
    @Test
    void how_busy_a_camera_is_in_the_air() {
        double clips = new Camera.Settings(10, 0, 64, 100, 0, 0.7, 90).busyShare();
        double live = new Camera.Settings(10, 0, 64, 0, 5, 0.7, 90).busyShare();
        assertThat(clips).isEqualTo(100 / (1 + 100 * 4 / 86_400.0 * 10) * 10 * 4 / 86_400, within(1e-12));
        assertThat(live).isEqualTo(5 * 60 * 4 / 86_400.0, within(1e-12));
        assertThat(new Camera.Settings(10, 0, 64, 100, 5, 0.7, 90).busyShare()).isEqualTo(1 - (1 - clips) * (1 - live), within(1e-12));
        assertThat(new Camera.Settings(10, 0, 64, 0, 1440, 0.7, 90).busyShare()).as("never more than all the time").isEqualTo(1);
        assertThat(new Camera.Settings(10, 0, 64, 0, 0, 0.7, 90).busyShare()).isZero();
    }

    @Test
    void a_house_is_made_ready_once() {
        Reading reading = Reading.ofFigure(new SpacePoint(5, 5, 1), Band.GHZ_2_4, -50);
        House house = HouseholdJudge.of(facts(HOUSE, List.of(), List.of(reading), post(door()))).house().orElseThrow();
        assertThat(house.readings()).containsExactly(reading);
        assertThat(house.scene()).isNotNull().isSameAs(house.scene());
        assertThat(house.sun()).isNotNull().isSameAs(house.sun());
        assertThat(house.ground()).isNotNull();
        assertThat(house.crossings()).isNotNull();
    }

    @Test
    void a_camera_tried_elsewhere_keeps_all_but_what_is_changed() {
        Camera camera = joined(true).withZones(List.of(new Zone("zone 1", List.of(new Zone.Corner(0.1, 0.1), new Zone.Corner(0.5, 0.1),
                new Zone.Corner(0.3, 0.5)))));
        Camera moved = camera.withPose(east(2.4));
        assertThat(moved.pose()).isEqualTo(east(2.4));
        assertThat(moved.zones()).isEqualTo(camera.zones()).hasSize(1);
        assertThat(moved.withPose(camera.pose())).isEqualTo(camera);
        HouseholdFacts elsewhere = facts(HOUSE, List.of(new Promise.KeepsDays(KEY, 7)), camera).withPlanAndCameras(FIELD, List.of(moved));
        assertThat(elsewhere.plan()).contains(FIELD);
        assertThat(elsewhere.cameras()).containsExactly(moved);
        assertThat(elsewhere.written()).hasSize(1);
    }

    private static Optional<LinkBudget> link(CameraPose pose) {
        Camera camera = post(pose);
        HouseholdFacts facts = facts(HOUSE, List.of(), camera);
        return HouseholdJudge.of(facts).link(facts, camera);
    }

    private static Finding madeOut(double distanceM, DetailLevel level, Light light) {
        return finding(facts(field(distanceM), List.of(new Promise.MakeOut(KEY, level, "spot", light)), post(east(1.6))), KEY);
    }

    private static Finding only(Access access) {
        HouseholdFacts facts = facts(HOUSE, List.of(new Promise.OnlyThese(KEY)), post(door()));
        return finding(new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, access, List.of(),
                facts.climate(), TODAY, false), KEY);
    }

    /** An open field with one place, so far to the east of where the camera stands. */
    private static HousePlan field(double distanceM) {
        return FIELD.withPlaces(List.of(new Place("spot", "spot", new PlanPoint(distanceM, 0), 0)));
    }

    private static CameraPose east(double heightM) {
        return new CameraPose(0, 0, heightM, 90, 0);
    }

    private static CameraPose door() {
        return new CameraPose(11.4, 2.0, 2.4, 60, 12);
    }

    private static Camera post(CameraPose pose) {
        return new Camera(7, "Eye", model("dunmark-post"), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false, Optional.empty());
    }

    private static Camera camera(long id, String model, CameraPose pose) {
        return new Camera(id, id == 7 ? "Eye" : "Eye " + id, model(model), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.empty());
    }

    private static Camera joined(boolean ownPassword) {
        return new Camera(7, "Eye", model("dunmark-post"), door(), Set.of(), Camera.Settings.DEFAULT, true, ownPassword, false,
                Optional.empty());
    }

    private static Camera.Settings settings(int clipSeconds, int cardGb, double visitsPerDay) {
        return new Camera.Settings(clipSeconds, 0, cardGb, visitsPerDay, 4, 0.7, 90);
    }

    private static DeviceModel model(String key) {
        return Catalogue.shipped().get(key);
    }

    private static Set<MaskCell> allCells(DeviceModel model) {
        Set<MaskCell> cells = new HashSet<>();
        for (int column = 0; column < model.mask().columns(); column++) {
            for (int row = 0; row < model.mask().rows(); row++) {
                cells.add(new MaskCell(column, row));
            }
        }
        return cells;
    }

    private static Access nobody() {
        return new Access(List.of(), List.of());
    }

    private static PromiseKey of(String kind) {
        return PromiseKey.ofCamera(7, kind);
    }

    private static HouseholdFacts facts(HousePlan plan, List<Promise> written, Camera... cameras) {
        return facts(plan, written, List.of(), cameras);
    }

    private static HouseholdFacts facts(HousePlan plan, List<Promise> written, List<Reading> readings, Camera... cameras) {
        HomeNetwork network = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
        return new HouseholdFacts(Optional.of(plan), new ArrayList<>(List.of(cameras)), written, Optional.of(network), 9, nobody(),
                List.of(), Climate.MILD_COAST, TODAY, false, readings);
    }

    private static Finding finding(HouseholdFacts facts, PromiseKey key) {
        return judged(facts, key).finding();
    }

    private static Judged judged(HouseholdFacts facts, PromiseKey key) {
        return HouseholdJudge.judge(facts).promises().stream().filter(judged -> judged.promise().key().equals(key)).findFirst()
                .orElseThrow();
    }
}
