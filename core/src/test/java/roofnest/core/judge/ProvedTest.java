package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.TODAY;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.post;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.UnaryOperator;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Thing;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.trial.Protocol;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** What a test on site rests on, and on whose phones it was made. */
class ProvedTest {
    private static final Promise ALERT = new Promise.AlertWithin(KEY, 6);
    private static final Promise AWAY = new Promise.LiveAway(KEY, 12);
    private static final Promise LINK = new Promise.HoldsLink(PromiseKey.ofCamera(7, "link"), 7);
    private static final Promise STAIRS = new Promise.MakeOut(KEY, DetailLevel.RECOGNISE, "river-stairs", Light.DAY);
    private static final Promise BEFORE = new Promise.RecordedBefore(KEY, DetailLevel.OBSERVE, "river-stairs", "quay-walk", Light.DAY);
    private static final Promise NEVER = new Promise.NeverShows(KEY, "landing");
    private static final Camera EYE = post(door());
    private static final Access.Person IDA = new Access.Person(1, "Ida", Access.Tie.LIVES_HERE, Optional.empty());
    private static final Access.Person WREN = new Access.Person(2, "Wren", Access.Tie.FAMILY, Optional.empty());

    private static List<ProofMark.Part> changed(Promise promise, UnaryOperator<HouseholdFacts> change) {
        HouseholdFacts before = facts(HOUSE, List.of(promise), EYE);
        return mark(promise, change.apply(before)).changedSince(ProofMark.read(mark(promise, before).text()));
    }

    private static ProofMark mark(Promise promise, HouseholdFacts facts) {
        return HouseholdJudge.of(facts).proofMark(facts, facts.cameras().get(0), promise);
    }

    private static UnaryOperator<HouseholdFacts> camera(UnaryOperator<Camera> change) {
        return facts -> facts.withCamera(change.apply(facts.cameras().get(0)));
    }

    private static UnaryOperator<HouseholdFacts> plan(UnaryOperator<HousePlan> change) {
        return facts -> facts.withPlanAndCameras(change.apply(facts.plan().orElseThrow()), facts.cameras());
    }

    private static UnaryOperator<HouseholdFacts> moved(Thing.Kind kind) {
        return plan(plan -> plan.withThings(plan.things().stream().map(thing -> thing.kind() != kind ? thing : new Thing(thing.id(),
                thing.name(), thing.kind(), new PlanPoint(thing.at().xM() + 0.5, thing.at().yM()), thing.heightM(), thing.radiusM()))
                .toList()));
    }

    @Test
    void what_nothing_was_changed_of_still_rests_on_all_of_it() {
        for (Promise promise : List.of(ALERT, AWAY, LINK, STAIRS, BEFORE, NEVER, new Promise.KeepsDays(KEY, 14))) {
            assertThat(changed(promise, facts -> facts)).as(promise.toString()).isEmpty();
        }
    }

    /** A link rests on the places, the network and the walls; sight on where it looks; what is told on zones and timing as well. */
    @Test
    void each_proof_rests_on_what_it_needs_and_no_more() {
        UnaryOperator<HouseholdFacts> turned = camera(camera -> camera.withPose(new CameraPose(camera.pose().xM(), camera.pose().yM(),
                camera.pose().heightM(), camera.pose().headingDeg() + 3, camera.pose().tiltDeg())));
        UnaryOperator<HouseholdFacts> masked = camera(camera -> camera.withMasked(Set.of(new MaskCell(1, 1))));
        UnaryOperator<HouseholdFacts> quicker = camera(camera -> camera.withSettings(camera.settings().withClipSeconds(6)));
        assertThat(changed(LINK, turned)).isEmpty();
        assertThat(changed(AWAY, masked)).isEmpty();
        assertThat(changed(STAIRS, turned)).containsExactly(ProofMark.Part.AIM);
        assertThat(changed(NEVER, masked)).containsExactly(ProofMark.Part.MASK);
        assertThat(changed(STAIRS, quicker)).isEmpty();
        assertThat(changed(ALERT, quicker)).containsExactly(ProofMark.Part.TIMING);
        assertThat(changed(BEFORE, quicker)).containsExactly(ProofMark.Part.TIMING);
    }

    @Test
    void another_network_or_a_router_that_stands_elsewhere_takes_back_what_was_proved_of_the_link_and_the_line() {
        UnaryOperator<HouseholdFacts> renamed
                = facts -> facts.withNetwork(facts.network().map(network -> network.withNameAndPassword("other", "not-the-old-one")));
        UnaryOperator<HouseholdFacts> password = facts -> facts
                .withNetwork(facts.network().map((HomeNetwork network) -> network.withNameAndPassword(network.name(), "not-the-old-one")));
        for (Promise promise : List.of(LINK, ALERT, AWAY)) {
            assertThat(changed(promise, renamed)).containsExactly(ProofMark.Part.NETWORK);
            assertThat(changed(promise, password)).as("the same air with another key").isEmpty();
            assertThat(changed(promise, moved(Thing.Kind.ROUTER))).contains(ProofMark.Part.PEER);
        }
        assertThat(changed(STAIRS, renamed)).isEmpty();
        assertThat(changed(STAIRS, moved(Thing.Kind.ROUTER))).isEmpty();
    }

    @Test
    void a_place_path_or_area_that_is_drawn_elsewhere_takes_back_what_was_seen_of_it() {
        UnaryOperator<HouseholdFacts> place = plan(plan -> plan.withPlaces(plan.places().stream().map(each -> new Place(each.id(),
                each.name(), new PlanPoint(each.at().xM() + 0.3, each.at().yM()), each.groundM())).toList()));
        UnaryOperator<HouseholdFacts> area = plan(plan -> plan.withAreas(plan.areas().stream().map(each -> each.id().equals("landing")
                ? new Area(each.id(), each.name(), each.kind(), each.outline().stream()
                        .map(point -> new PlanPoint(point.xM() + 0.3, point.yM())).toList(), each.heightM(), each.slope())
                : each).toList()));
        assertThat(changed(STAIRS, place)).containsExactly(ProofMark.Part.SPOT);
        assertThat(changed(BEFORE, place)).contains(ProofMark.Part.SPOT);
        assertThat(changed(NEVER, place)).isEmpty();
        assertThat(changed(NEVER, area)).containsExactly(ProofMark.Part.AREA);
        assertThat(changed(LINK, area)).isEmpty();
    }

    /** A plan that is mended after the test was right about the house all along takes nothing back. */
    @Test
    void something_drawn_before_the_place_takes_the_proof_back_and_taking_it_away_does_not() {
        ProofMark open = new ProofMark(Map.of(ProofMark.Part.HIDDEN, "false"));
        ProofMark hidden = new ProofMark(Map.of(ProofMark.Part.HIDDEN, "true"));
        assertThat(hidden.changedSince(open)).containsExactly(ProofMark.Part.HIDDEN);
        assertThat(open.changedSince(hidden)).isEmpty();
        assertThat(open.changedSince(new ProofMark(Map.of()))).as("an older proof that does not speak of it").isEmpty();
    }

    @Test
    void what_changed_is_named() {
        HouseholdFacts before = facts(HOUSE, List.of(ALERT), EYE);
        Proof rang = rang(before, 0, Map.of());
        HouseholdFacts after = camera(camera -> camera.withMasked(Set.of(new MaskCell(1, 1)))
                .withSettings(camera.settings().withClipSeconds(6))).apply(before);
        assertThat(finding(with(after, rang), KEY).reason())
                .endsWith("Eye was masked anew, has other timing since the test: to be tested again.");
    }

    /** One phone that rings says nothing of another; each counts by its newest test. */
    @Test
    void every_phone_that_is_rung_has_to_be_tried_and_any_that_stays_silent_breaks_the_promise() {
        HouseholdFacts facts = facts(HOUSE, List.of(ALERT), EYE);
        HouseholdFacts two = withAccess(facts, new Access(List.of(IDA, WREN), List.of(grant(1), grant(2))));
        assertThat(TestsWanted.phones(Protocol.ALERT, 7, two)).containsExactly(IDA, WREN);
        Finding one = finding(with(two, rang(two, 0, Map.of(1L, true))), KEY);
        assertThat(one.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(one.reason()).endsWith("It was so on the phones tried; Wren’s phone at Eye is still to be tried.");
        assertThat(finding(with(two, rang(two, 0, Map.of())), KEY).evidence()).as("nobody noted whose phone").isEqualTo(Evidence.PREDICTED);
        Proof both = rang(two, 0, Map.of(1L, true, 2L, true));
        assertThat(finding(with(two, both), KEY).standing()).isEqualTo(Standing.KEPT);
        Proof silent = new Proof(KEY, 7, false, OptionalDouble.of(3), Optional.empty(), "Wren’s phone did not ring.", mark(ALERT, two),
                Instant.ofEpochSecond(60), "Jory", Map.of(2L, false));
        assertThat(finding(with(two, both, silent), KEY).standing()).isEqualTo(Standing.BROKEN);
        Proof idaAgain = rang(two, 120, Map.of(1L, true));
        Finding hers = finding(with(two, both, silent, idaAgain), KEY);
        assertThat(hers.standing()).as("hers rings again, the other's was silent when it was last tried").isEqualTo(Standing.BROKEN);
        assertThat(hers.reason()).contains("Wren’s phone did not ring.");
        Proof wrenAgain = rang(two, 180, Map.of(2L, true));
        assertThat(finding(with(two, both, silent, idaAgain, wrenAgain), KEY).standing()).isEqualTo(Standing.KEPT);
    }

    /** One camera that rang too late is not waited for by another that was not tried. */
    @Test
    void what_came_too_late_has_failed_even_while_other_cameras_are_untried() {
        Camera other = Judging.camera(8, "dunmark-post", door());
        HouseholdFacts facts = facts(HOUSE, List.of(ALERT), EYE, other);
        Proof late = new Proof(KEY, 7, true, OptionalDouble.of(30), Optional.empty(), "It rang.", mark(ALERT, facts), Instant.EPOCH,
                "Jory");
        assertThat(finding(with(facts, late), KEY).standing()).isEqualTo(Standing.BROKEN);
    }

    /** Proofs made before marks had names still count, and fall by the same parts. */
    @Test
    void a_mark_without_names_is_read_as_it_was_meant() {
        ProofMark old = ProofMark.read("Dunmark Post 11.35/-0.20/2.50/106/12/[A2, B3]/[Zone[a=1.5]]/12/30");
        assertThat(old.parts()).containsOnly(Map.entry(ProofMark.Part.MODEL, "Dunmark Post"),
                Map.entry(ProofMark.Part.PLACE, "11.35/-0.20/2.50"), Map.entry(ProofMark.Part.AIM, "106/12"),
                Map.entry(ProofMark.Part.MASK, "[A2, B3]"), Map.entry(ProofMark.Part.ZONES, "[Zone[a=1.5]]"),
                Map.entry(ProofMark.Part.TIMING, "12/30"));
        assertThat(ProofMark.read("Dunmark Post 11.35/-0.20/2.50").parts()).hasSize(2);
        HouseholdFacts facts = facts(HOUSE, List.of(STAIRS), EYE);
        CameraPose at = EYE.pose();
        String before = String.format(java.util.Locale.ROOT, "%s %.2f/%.2f/%.2f/%.0f/%.0f/[]", EYE.model().fullName(), at.xM(), at.yM(),
                at.heightM(), at.headingDeg(), at.tiltDeg());
        assertThat(mark(STAIRS, facts).changedSince(ProofMark.read(before))).isEmpty();
        for (String none : List.of("", "{", "{\"X\":1}", "Dunmark Post")) {
            assertThatThrownBy(() -> ProofMark.read(none)).as(none).isInstanceOf(IllegalArgumentException.class);
        }
    }

    /** What each kind of entry takes: a reset everything, a card what is kept, a router what goes over the line. */
    @Test
    void what_has_happened_ends_the_tests_that_rest_on_it_and_no_others() {
        Promise keeps = new Promise.KeepsDays(KEY, 14);
        Map<Happened.Kind, List<Promise>> ended = Map.of(Happened.Kind.RESET, List.of(ALERT, AWAY, LINK, STAIRS, BEFORE, NEVER, keeps),
                Happened.Kind.MOVED, List.of(ALERT, AWAY, LINK, STAIRS, BEFORE, NEVER), Happened.Kind.CARD, List.of(keeps),
                Happened.Kind.ROUTER, List.of(ALERT, AWAY, LINK), Happened.Kind.PHONE, List.of());
        ended.forEach((kind, promises) -> {
            for (Promise promise : List.of(ALERT, AWAY, LINK, STAIRS, BEFORE, NEVER, keeps)) {
                HouseholdFacts facts = facts(HOUSE, List.of(promise), EYE);
                ProofMark then = ProofMark.read(mark(promise, facts).text());
                Optional<Long> about = kind == Happened.Kind.ROUTER ? Optional.empty() : Optional.of(7L);
                ProofMark now = mark(promise, after(facts, new Happened(kind, about, TODAY)));
                assertThat(now.happenedSince(then, TODAY.minusDays(1)).isEmpty()).as(kind + " and " + promise).isEqualTo(!promises.contains(
                        promise));
                assertThat(now.changedSince(then)).as("it is no change of what is set").isEmpty();
                assertThat(now.happenedSince(then, TODAY).isEmpty()).as("on the same day, not known then").isEqualTo(!promises.contains(
                        promise));
                assertThat(now.happenedSince(ProofMark.read(now.text()), TODAY)).as("on the same day, tested after").isEmpty();
                assertThat(now.happenedSince(then, TODAY.plusDays(1))).as("before the test").isEmpty();
                ProofMark other = mark(promise, after(facts, new Happened(kind, about.map(id -> 8L), TODAY)));
                assertThat(other.happenedSince(then, TODAY).isEmpty()).as("of another camera").isEqualTo(kind != Happened.Kind.ROUTER
                        || !promises.contains(promise));
            }
        });
        assertThatThrownBy(() -> new Happened(Happened.Kind.RESET, Optional.empty(), TODAY)).hasMessageContaining("of a camera");
        assertThatThrownBy(() -> new Happened(Happened.Kind.ROUTER, Optional.of(7L), TODAY)).hasMessageContaining("whole house");
    }

    @Test
    void after_it_was_reset_an_alert_that_was_proved_is_to_be_tested_again_and_says_why() {
        HouseholdFacts facts = withAccess(facts(HOUSE, List.of(ALERT), EYE), new Access(List.of(IDA), List.of(grant(1))));
        HouseholdFacts proved = with(facts, rang(facts, 0, Map.of(1L, true)));
        assertThat(finding(proved, KEY).evidence()).isEqualTo(Evidence.PROVED);
        HouseholdFacts reset = after(proved, new Happened(Happened.Kind.RESET, Optional.of(7L), TODAY));
        assertThat(finding(reset, KEY).evidence()).isNotEqualTo(Evidence.PROVED);
        assertThat(finding(reset, KEY).reason()).contains("Eye was reset since the test: to be tested again.");
    }

    @Test
    void a_new_phone_has_to_ring_itself_and_the_others_are_still_proved() {
        HouseholdFacts facts = withAccess(facts(HOUSE, List.of(ALERT), EYE), new Access(List.of(IDA, WREN), List.of(grant(1), grant(2))));
        HouseholdFacts proved = with(facts, rang(facts, 0, Map.of(1L, true, 2L, true)));
        assertThat(finding(proved, KEY).standing()).isEqualTo(Standing.KEPT);
        HouseholdFacts anew = after(proved, new Happened(Happened.Kind.PHONE, Optional.of(2L), TODAY));
        assertThat(finding(anew, KEY).evidence()).isNotEqualTo(Evidence.PROVED);
        assertThat(finding(anew, KEY).reason()).contains("Wren’s phone at Eye is still to be tried").doesNotContain("Ida’s phone");
        long later = TODAY.plusDays(1).atStartOfDay().toEpochSecond(ZoneOffset.UTC);
        HouseholdFacts tried = after(with(facts, rang(facts, 0, Map.of(1L, true, 2L, true)), rang(facts, later, Map.of(2L, true))),
                new Happened(Happened.Kind.PHONE, Optional.of(2L), TODAY));
        assertThat(finding(tried, KEY).evidence()).isEqualTo(Evidence.PROVED);
    }

    private static HouseholdFacts after(HouseholdFacts of, Happened... happened) {
        return new HouseholdFacts(of.plan(), of.cameras(), of.written(), of.network(), of.otherThings(), of.access(), of.proofs(), of
                .climate(), of.today(), of.handedOver(), of.readings(), of.practice(), of.comings(), of.alerts(), of.footage(),
                List.of(
                        happened));
    }

    @Test
    void a_phone_that_is_no_longer_rung_is_not_asked_for() {
        HouseholdFacts facts = facts(HOUSE, List.of(ALERT), EYE);
        Access.Grant quiet = new Access.Grant(2, 7, Access.Role.VIEWER, Optional.empty(), Optional.empty(), false);
        HouseholdFacts two = withAccess(facts, new Access(List.of(IDA, WREN), List.of(grant(1), quiet)));
        assertThat(finding(with(two, rang(two, 0, Map.of(1L, true))), KEY).standing()).isEqualTo(Standing.KEPT);
        HouseholdFacts away = withAccess(facts(HOUSE, List.of(AWAY), EYE), two.access());
        assertThat(TestsWanted.phones(Protocol.LIVE_AWAY, 7, away)).as("who looks, rung or not").containsExactly(IDA, WREN);
        Access.Grant over = new Access.Grant(2, 7, Access.Role.GUEST, Optional.of(TODAY.minusDays(1)));
        Access.Grant toCome = new Access.Grant(2, 7, Access.Role.GUEST, Optional.of(TODAY.plusDays(1)), Optional.empty(), true);
        for (Access.Grant grant : List.of(over, toCome)) {
            HouseholdFacts guest = withAccess(away, new Access(List.of(IDA, WREN), List.of(grant(1), grant)));
            assertThat(TestsWanted.phones(Protocol.LIVE_AWAY, 7, guest)).containsExactly(IDA);
            assertThat(TestsWanted.phones(Protocol.ALERT, 7, guest)).containsExactly(IDA);
        }
        Access.Person left = new Access.Person(2, "Wren", Access.Tie.LEFT, Optional.of(TODAY));
        assertThat(TestsWanted.phones(Protocol.ALERT, 7, withAccess(away, new Access(List.of(left), List.of(grant(2)))))).isEmpty();
    }

    @Test
    void a_test_passes_on_every_phone_or_not_at_all() {
        HouseholdFacts facts = facts(HOUSE, List.of(ALERT), EYE);
        assertThatThrownBy(() -> rang(facts, 0, Map.of(1L, true, 2L, false))).isInstanceOf(IllegalArgumentException.class);
    }

    private static Access.Grant grant(long person) {
        return new Access.Grant(person, 7, Access.Role.VIEWER, Optional.empty());
    }

    private static Proof rang(HouseholdFacts facts, long atSecond, Map<Long, Boolean> phones) {
        return new Proof(KEY, 7, true, OptionalDouble.of(3), Optional.empty(), "It rang.", mark(ALERT, facts),
                Instant.ofEpochSecond(atSecond), "Jory", phones);
    }

    private static HouseholdFacts with(HouseholdFacts facts, Proof... proofs) {
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), facts.otherThings(), facts.access(),
                new ArrayList<>(List.of(proofs)), facts.climate(), facts.today(), facts.handedOver());
    }

    private static HouseholdFacts withAccess(HouseholdFacts facts, Access access) {
        return new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), facts.otherThings(), access,
                facts.proofs(), facts.climate(), facts.today(), facts.handedOver());
    }
}
