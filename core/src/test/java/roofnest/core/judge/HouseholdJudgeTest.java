package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.access.Kit;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

class HouseholdJudgeTest {
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final LocalDate TODAY = LocalDate.of(2026, 12, 3);
    private static final CameraPose AT_CORNER = new CameraPose(11.35, -0.2, 2.5, 106, 12);
    private static final CameraPose UP_THE_WALL = new CameraPose(11.35, 2.0, 2.5, 120, 12);
    private static final PromiseKey STAIRS = PromiseKey.written(1);
    private static final Promise ALERT = new Promise.AlertWithin(PromiseKey.written(4), 6);
    private static final List<Promise> WRITTEN = List.of(
            new Promise.MakeOut(STAIRS, DetailLevel.RECOGNISE, "river-stairs", Light.BOTH),
            new Promise.NeverShows(PromiseKey.written(2), "landing"),
            new Promise.KeepsDays(PromiseKey.written(3), 14),
            ALERT,
            new Promise.OnlyThese(PromiseKey.written(5)));

    @Test
    void a_face_farther_off_is_broken_and_the_remedy_keeps_it() {
        Finding far = finding(facts(camera(UP_THE_WALL)), STAIRS);
        assertThat(far.standing()).isEqualTo(Standing.BROKEN);
        assertThat(far.measured().getAsDouble()).isBetween(100.0, 125.0);
        assertThat(far.remedies().get(0).action()).contains("nearer");
        Finding near = finding(facts(camera(AT_CORNER)), STAIRS);
        assertThat(near.standing()).isEqualTo(Standing.KEPT);
        assertThat(near.margin().getAsDouble()).isEqualTo(near.measured().getAsDouble() - 125, within(1e-9));
    }

    @Test
    void turned_away_masked_or_past_its_light_the_place_is_not_seen() {
        assertThat(finding(facts(camera(new CameraPose(11.35, -0.2, 2.5, 300, 12))), STAIRS).reason()).contains("outside the picture");
        Camera masked = camera(AT_CORNER).withMasked(Set.copyOf(allCells()));
        assertThat(finding(facts(masked), STAIRS).reason()).contains("blacked out");
        Promise nightFarOff = new Promise.MakeOut(STAIRS, DetailLevel.DETECT, "hives", Light.NIGHT);
        Finding dark = finding(facts(List.of(nightFarOff), camera(new CameraPose(20, 12.6, 2.5, 270, 5))), STAIRS);
        assertThat(dark.reason()).contains("light reaches at night");
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
    }

    @Test
    void the_camera_that_sees_best_keeps_the_promise() {
        Camera worse
                = new Camera(8, "Other eye", POST, UP_THE_WALL, Set.of(), Camera.Settings.DEFAULT, false, false, false, Optional.empty());
        Judged judged = judged(facts(WRITTEN, worse, camera(AT_CORNER)), STAIRS);
        assertThat(judged.cameraId()).contains(7L);
    }

    @Test
    void without_a_camera_nothing_is_tried() {
        Judgement judgement = HouseholdJudge.judge(facts(WRITTEN));
        assertThat(judgement.count(Standing.UNTRIED)).isEqualTo(5);
        assertThat(judgement.promises()).extracting(Judged::wording).contains(
                "Recognise a face at the river stairs, day and night", "Stays off next door's landing", "Keeps 14 days of footage",
                "Phone rings within 6 s");
    }

    @Test
    void every_camera_brings_its_own_promises() {
        assertThat(HouseholdJudge.judge(facts(camera(AT_CORNER))).ofCamera(7)).extracting(judged -> judged.promise().stage())
                .contains(Stage.SURVEY, Stage.READY, Stage.PAIR, Stage.MOUNT, Stage.TUNE);
    }

    @Test
    void the_link_is_thin_while_it_is_not_sure() {
        Finding link = finding(facts(camera(AT_CORNER)), PromiseKey.ofCamera(7, "link"));
        assertThat(link.standing()).isEqualTo(Standing.THIN);
        assertThat(link.margin().getAsDouble()).as("over the limit, by less than what is not sure").isBetween(0.0,
                link.limit().tolerance());
        Finding inSight = finding(facts(camera(new CameraPose(5.5, 6.0, 2.4, 90, 12))), PromiseKey.ofCamera(7, "link"));
        assertThat(inSight.standing()).isEqualTo(Standing.KEPT);
        assertThat(link.reason()).contains("% sure of two bars");
        Finding behindTheKiln = finding(facts(camera(new CameraPose(20, 7.5, 2.4, 90, 12))), PromiseKey.ofCamera(7, "link"));
        assertThat(behindTheKiln.standing()).isEqualTo(Standing.BROKEN);
        assertThat(behindTheKiln.remedies()).isNotEmpty();
    }

    @Test
    void a_factory_password_is_untried_then_broken_then_kept() {
        PromiseKey key = PromiseKey.ofCamera(7, "password");
        assertThat(finding(facts(camera(AT_CORNER)), key).standing()).isEqualTo(Standing.UNTRIED);
        assertThat(finding(facts(joined(false)), key).standing()).isEqualTo(Standing.BROKEN);
        assertThat(finding(facts(joined(true)), key).standing()).isEqualTo(Standing.KEPT);
    }

    @Test
    void a_proof_wins_until_the_camera_is_moved() {
        Camera camera = camera(AT_CORNER);
        Proof alert = rang(camera, 4.2, 0);
        Finding proved = finding(withProof(facts(camera), alert), PromiseKey.written(4));
        assertThat(proved.evidence()).isEqualTo(Evidence.PROVED);
        assertThat(proved.measuredText()).isEqualTo("4.2 s");
        Finding moved = finding(withProof(facts(camera(UP_THE_WALL)), alert), PromiseKey.written(4));
        assertThat(moved.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(moved.reason()).endsWith(camera.name() + " was moved, was turned since the test: to be tested again.");
    }

    @Test
    void the_newest_of_two_proofs_counts() {
        Camera camera = camera(AT_CORNER);
        Proof slow = rang(camera, 9, 0);
        Proof quick = rang(camera, 3, 60);
        assertThat(finding(withProof(withProof(facts(camera), quick), slow), PromiseKey.written(4)).measured()).hasValue(3);
    }

    private static ProofMark mark(Camera camera, Promise promise) {
        HouseholdFacts facts = facts(camera);
        return HouseholdJudge.of(facts).proofMark(facts, camera, promise);
    }

    private static Proof rang(Camera camera, double seconds, long atSecond) {
        return new Proof(ALERT.key(), camera.id(), true, OptionalDouble.of(seconds), Optional.empty(), "It rang.", mark(camera, ALERT),
                Instant.ofEpochSecond(atSecond), "Jory");
    }

    private static Proof said(Promise promise, Camera camera, boolean passed) {
        return said(promise, camera, passed, Light.DAY);
    }

    private static Proof said(Promise promise, Camera camera, boolean passed, Light light) {
        return new Proof(promise.key(), camera.id(), passed, OptionalDouble.empty(), Optional.of(light),
                passed ? "Made out on the clip." : "Nobody to be made out.", mark(camera, promise), Instant.EPOCH, "Jory");
    }

    /** Whatever was predicted: what was tried and did not happen is broken, and says by what. */
    @Test
    void a_test_that_failed_breaks_its_promise_and_one_that_passed_keeps_it() {
        Camera camera = camera(AT_CORNER);
        Promise stairs = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.DAY);
        Finding predicted = finding(facts(List.of(stairs), camera), stairs.key());
        Finding failed = finding(withProof(facts(List.of(stairs), camera), said(stairs, camera, false)), stairs.key());
        assertThat(failed.standing()).isEqualTo(Standing.BROKEN);
        assertThat(failed.evidence()).isEqualTo(Evidence.PROVED);
        assertThat(failed.reason()).contains("The test on site failed, by Jory", "Nobody to be made out.",
                "Predicted: " + predicted.measuredText());
        Finding passed
                = finding(withProof(facts(List.of(stairs), camera(UP_THE_WALL)), said(stairs, camera(UP_THE_WALL), true)), stairs.key());
        assertThat(passed.standing()).isEqualTo(Standing.KEPT);
    }

    /** One camera that made somebody out is enough; but every phone has to ring for every camera. */
    @Test
    void what_one_camera_is_enough_for_is_kept_by_any_and_what_each_must_do_broken_by_any() {
        Camera one = camera(AT_CORNER);
        Camera other
                = new Camera(8, "Other", one.model(), UP_THE_WALL, Set.of(), Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        Promise stairs = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.DAY);
        HouseholdFacts both = facts(List.of(stairs, ALERT), one, other);
        assertThat(finding(withProof(withProof(both, said(stairs, one, false)), said(stairs, other, true)), stairs.key()).standing())
                .isEqualTo(Standing.KEPT);
        assertThat(finding(withProof(both, rang(one, 3, 0)), ALERT.key()).reason()).endsWith("Other is still to be tried.");
        assertThat(finding(withProof(both, rang(one, 3, 0)), ALERT.key()).standing()).as("one of two is no proof of both")
                .isEqualTo(Standing.UNTRIED);
        HouseholdFacts rings = withProof(withProof(both, rang(one, 3, 0)), said(ALERT, other, false));
        assertThat(finding(rings, ALERT.key()).standing()).isEqualTo(Standing.BROKEN);
        assertThat(finding(withProof(withProof(both, rang(one, 3, 0)), rang(other, 5.9, 0)), ALERT.key()).measured())
                .as("the slowest counts").hasValue(5.9);
    }

    /** Who was never relied on breaks nothing by failing, as long as the one that was has not been tried. */
    @Test
    void a_failure_of_another_camera_leaves_the_one_relied_on_to_be_tried() {
        Camera good = camera(AT_CORNER);
        Camera poor
                = new Camera(8, "Other", good.model(), UP_THE_WALL, Set.of(), Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        Promise stairs = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.DAY);
        HouseholdFacts both = facts(List.of(stairs), good, poor);
        assertThat(finding(both, stairs.key()).standing()).isEqualTo(Standing.KEPT);
        HouseholdFacts poorFailed = withProof(both, said(stairs, poor, false));
        assertThat(finding(poorFailed, stairs.key()).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(poorFailed, stairs.key()).evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(finding(poorFailed, stairs.key()).reason()).endsWith("Other did not show it on site; " + good.name()
                + " is still to be tried.");
        assertThat(finding(withProof(poorFailed, said(stairs, good, false)), stairs.key()).standing()).isEqualTo(Standing.BROKEN);
    }

    /** A picture without its signal settles nothing of the link, but it does settle that there is one again. */
    @Test
    void a_picture_that_came_again_takes_back_the_failure_and_no_more() {
        Camera camera = camera(AT_CORNER);
        Promise link = new Promise.HoldsLink(PromiseKey.ofCamera(7, "link"), 7);
        HouseholdFacts facts = facts(List.of(), camera);
        Proof none = new Proof(link.key(), 7, false, OptionalDouble.empty(), Optional.empty(), "No moving picture came.",
                mark(camera, link), Instant.EPOCH, "Jory");
        Proof again = new Proof(link.key(), 7, true, OptionalDouble.empty(), Optional.empty(), "A moving picture.", mark(camera, link),
                Instant.ofEpochSecond(60), "Jory");
        assertThat(finding(withProof(facts, none), link.key()).standing()).isEqualTo(Standing.BROKEN);
        Finding now = finding(withProof(withProof(facts, none), again), link.key());
        assertThat(now.standing()).isEqualTo(finding(facts, link.key()).standing());
        assertThat(now.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(now.reason()).endsWith("its signal was not read.");
    }

    @Test
    void a_walk_by_day_says_nothing_of_what_is_promised_at_night_alone() {
        Camera camera = camera(AT_CORNER);
        Promise night = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.NIGHT);
        HouseholdFacts facts = facts(List.of(night), camera);
        Finding dayFailed = finding(withProof(facts, said(night, camera, false, Light.DAY)), night.key());
        assertThat(dayFailed.standing()).isEqualTo(finding(facts, night.key()).standing());
        assertThat(dayFailed.reason()).endsWith("Tried by day only; in the dark it is still to be tried.");
    }

    /** By day nothing is proved of the dark. */
    @Test
    void what_is_promised_day_and_night_is_proved_in_both_and_broken_in_either() {
        Camera camera = camera(AT_CORNER);
        Promise stairs = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.BOTH);
        HouseholdFacts facts = facts(List.of(stairs), camera);
        HouseholdFacts byDay = withProof(facts, said(stairs, camera, true, Light.DAY));
        Finding half = finding(byDay, stairs.key());
        assertThat(half.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(half.reason()).endsWith("Seen on site by day; in the dark it is still to be tried.");
        Finding both = finding(withProof(byDay, said(stairs, camera, true, Light.NIGHT)), stairs.key());
        assertThat(both.evidence()).isEqualTo(Evidence.PROVED);
        assertThat(both.standing()).isEqualTo(Standing.KEPT);
        Finding dark = finding(withProof(byDay, said(stairs, camera, false, Light.NIGHT)), stairs.key());
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
        assertThat(dark.reason()).contains("in the dark: Nobody to be made out.");
        assertThatThrownBy(() -> said(stairs, camera, true, Light.BOTH)).hasMessageContaining("at once");
    }

    @Test
    void whoever_left_is_counted_until_access_is_taken_away() {
        Access.Person lodger = new Access.Person(1, "Corin", Access.Tie.LEFT, Optional.of(LocalDate.of(2026, 4, 1)));
        Access.Person ida = new Access.Person(2, "Ida", Access.Tie.LIVES_HERE, Optional.empty());
        Access.Grant hers = new Access.Grant(2, 7, Access.Role.OWNER, Optional.empty());
        Access.Grant his = new Access.Grant(1, 7, Access.Role.VIEWER, Optional.empty());
        Finding both = finding(withAccess(new Access(List.of(lodger, ida), List.of(hers, his)), false), PromiseKey.written(5));
        assertThat(both.standing()).isEqualTo(Standing.BROKEN);
        assertThat(both.reason()).contains("Corin (has left)");
        assertThat(finding(withAccess(new Access(List.of(lodger, ida), List.of(hers)), false), PromiseKey.written(5)).standing())
                .isEqualTo(Standing.KEPT);
    }

    @Test
    void the_firm_is_out_once_the_house_is_handed_over_and_guests_after_their_day() {
        List<Kit> kit = List.of(new Kit(7, "Stairs eye", "Dunmark", false, true, true, Optional.empty(), 5));
        Access.Person jory = new Access.Person(1, "Jory", Access.Tie.FIRM, Optional.empty());
        Access access = new Access(List.of(jory), List.of(new Access.Grant(1, 7, Access.Role.MANAGER, Optional.empty())));
        assertThat(access.intruders(TODAY, false, kit)).isEmpty();
        assertThat(access.intruders(TODAY, true, kit)).hasSize(1);
        Access.Person guest = new Access.Person(2, "Guest", Access.Tie.FAMILY, Optional.empty());
        Access until = new Access(List.of(guest), List.of(new Access.Grant(2, 7, Access.Role.GUEST, Optional.of(TODAY))));
        assertThat(until.intruders(TODAY, false, kit)).isEmpty();
        assertThat(until.intruders(TODAY.plusDays(1), false, kit)).hasSize(1);
    }

    @Test
    void a_bigger_card_is_offered_when_the_days_do_not_suffice() {
        Camera.Settings small = new Camera.Settings(30, 5, 16, 300, 5, 0.7, 90);
        Camera busy = new Camera(7, "Stairs eye", POST, AT_CORNER, Set.of(), small, false, false, false, Optional.empty());
        Finding kept = finding(facts(busy), PromiseKey.written(3));
        assertThat(kept.standing()).isEqualTo(Standing.BROKEN);
        assertThat(kept.remedies()).singleElement().asString().contains("GB card");
    }

    @Test
    void every_battery_remedy_helps_and_a_new_interval_keeps_the_promise() {
        Camera.Settings busy = new Camera.Settings(25, 10, 64, 100, 5, 0.1, 90);
        Camera hungry = camera(AT_CORNER).withSettings(busy);
        PromiseKey key = PromiseKey.ofCamera(7, "battery");
        Finding broken = finding(facts(hungry), key);
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        String interval = broken.remedies().stream().map(remedy -> remedy.action()).filter(action -> action.startsWith("Charge every"))
                .findFirst().orElseThrow();
        int days = Integer.parseInt(interval.replaceAll("[^0-9]", ""));
        assertThat(days).isLessThan(90);
        assertThat(finding(facts(hungry.withSettings(busy.withChargeEveryDays(days))), key).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(facts(hungry.withSettings(busy.withChargeEveryDays(days + 7))), key).standing()).isNotEqualTo(Standing.KEPT);

        Camera hopeless = camera(AT_CORNER).withSettings(new Camera.Settings(60, 0, 64, 2000, 600, 0, 90));
        assertThat(finding(facts(hopeless), key).remedies()).last().asString().contains("mains power");
    }

    @Test
    void a_cool_down_lets_fewer_clips_through() {
        Camera.Settings none = new Camera.Settings(10, 0, 64, 100, 5, 0.7, 90);
        Camera.Settings minute = new Camera.Settings(10, 60, 64, 100, 5, 0.7, 90);
        assertThat(minute.clipsPerDay()).isLessThan(none.clipsPerDay());
        double rate = 100 * 4 / 86_400.0;
        assertThat(minute.clipsPerDay()).isEqualTo(100 / (1 + rate * 70), within(1e-9));
    }

    @Test
    void the_same_facts_give_the_same_findings() {
        assertThat(HouseholdJudge.judge(facts(camera(AT_CORNER)))).isEqualTo(HouseholdJudge.judge(facts(camera(AT_CORNER))));
    }

    private static List<MaskCell> allCells() {
        List<MaskCell> cells = new ArrayList<>();
        for (int column = 0; column < POST.mask().columns(); column++) {
            for (int row = 0; row < POST.mask().rows(); row++) {
                cells.add(new MaskCell(column, row));
            }
        }
        return cells;
    }

    private static Camera camera(CameraPose pose) {
        return new Camera(7, "Stairs eye", POST, pose, Set.of(), Camera.Settings.DEFAULT, false, false, false, Optional.empty());
    }

    private static Camera joined(boolean ownPassword) {
        return new Camera(7, "Stairs eye", POST, AT_CORNER, Set.of(), Camera.Settings.DEFAULT, true, ownPassword, false, Optional.empty());
    }

    private static HouseholdFacts facts(Camera... cameras) {
        return facts(WRITTEN, cameras);
    }

    private static HouseholdFacts facts(List<Promise> written, Camera... cameras) {
        HomeNetwork network = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
        return new HouseholdFacts(Optional.of(WeirSteps.plan()), List.of(cameras), written, Optional.of(network), 9,
                new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, TODAY, false);
    }

    private static HouseholdFacts withProof(HouseholdFacts facts, Proof proof) {
        List<Proof> proofs = new ArrayList<>(facts.proofs());
        proofs.add(proof);
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), facts.otherThings(), facts.access(),
                proofs, facts.climate(), facts.today(), facts.handedOver());
    }

    private static HouseholdFacts withAccess(Access access, boolean handedOver) {
        HouseholdFacts facts = facts(camera(AT_CORNER));
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), facts.otherThings(), access,
                facts.proofs(), facts.climate(), facts.today(), handedOver);
    }

    private static Finding finding(HouseholdFacts facts, PromiseKey key) {
        return judged(facts, key).finding();
    }

    private static Judged judged(HouseholdFacts facts, PromiseKey key) {
        return HouseholdJudge.judge(facts).promises().stream()
                .filter(judged -> judged.promise().key().equals(key)).findFirst().orElseThrow();
    }
}
