package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access;
import roofnest.core.care.Coming;
import roofnest.core.care.Coming.Kind;
import roofnest.core.care.WorkAhead;
import roofnest.core.power.Climate;
import roofnest.core.view.CameraPose;

class WhatComesTest {
    private static final LocalDate TODAY = Judging.TODAY;
    private static final LocalDate SINCE = TODAY.minusDays(30);
    private static final WhatComes.Records NOTHING = new WhatComes.Records(SINCE, true, Optional.empty(), Optional.empty(), true, Map.of(),
            List.of(), List.of(), List.of());

    @Test
    void without_cameras_and_records_nothing_comes() {
        assertThat(of(Judging.facts(Judging.HOUSE, List.of()), NOTHING)).isEmpty();
    }

    @Test
    void a_pack_comes_a_week_before_it_would_warn_and_only_the_firm_comes_for_it() {
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), charged(TODAY.minusDays(10)));
        Coming byFirm = one(of(facts, NOTHING), Kind.PACK);
        Coming byHousehold
                = one(of(facts, new WhatComes.Records(SINCE, true, Optional.empty(), Optional.empty(), false, Map.of(), List.of(),
                        List.of(), List.of())), Kind.PACK);

        assertThat(byFirm.on()).isEqualTo(HouseholdJudge.of(facts).nextCharge(facts, facts.cameras().get(0), TODAY.minusDays(10)).on());
        assertThat(byFirm.work()).hasValueSatisfying(work -> {
            assertThat(work.bring()).containsExactly("a charged pack for Dunmark Post");
            assertThat(work.minutes()).isEqualTo(WhatComes.SWAP_MINUTES + 2);
            assertThat(work.ladder()).isFalse();
        });
        assertThat(byHousehold.on()).isEqualTo(byFirm.on());
        assertThat(byHousehold.work()).isEmpty();
        assertThat(of(Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door())), NOTHING)).as("never charged").noneMatch(
                each -> each.kind() == Kind.PACK);
    }

    @Test
    void what_hangs_high_wants_the_ladder() {
        Camera high = charged(TODAY);
        high = new Camera(7, "Eye", high.model(), new CameraPose(11.4, 2, 3.4, 60, 12), high.masked(), high.settings(), true, true, true,
                Optional.of(TODAY));

        assertThat(one(of(Judging.facts(Judging.HOUSE, List.of(), high), NOTHING), Kind.PACK).work().orElseThrow().ladder()).isTrue();
        assertThat(one(of(Judging.facts(Judging.HOUSE, List.of(), high), NOTHING), Kind.LOOK).work().orElseThrow().ladder()).isTrue();
    }

    @Test
    void the_yearly_look_follows_the_hand_over_and_then_the_look_before() {
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()));

        assertThat(one(of(facts, NOTHING), Kind.LOOK)).satisfies(look -> {
            assertThat(look.on()).isEqualTo(SINCE.plusDays(365));
            assertThat(look.why()).isEqualTo("A year after the hand-over.");
        });
        assertThat(one(of(facts, looked(TODAY.minusDays(5), true)), Kind.LOOK).on()).isEqualTo(TODAY.plusDays(360));
        assertThat(one(of(facts, looked(SINCE.minusDays(5), true)), Kind.LOOK).on()).as("a look before the hand-over is none")
                .isEqualTo(SINCE
                        .plusDays(365));
        assertThat(
                one(of(facts, new WhatComes.Records(SINCE, false, Optional.empty(), Optional.empty(), true, Map.of(), List.of(), List.of(),
                        List.of())), Kind.LOOK).why())
                .isEqualTo("A year after its care began.");
    }

    @Test
    void what_was_never_tried_comes_soon_and_once_that_is_past_with_the_look() {
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()));
        Coming test = one(of(facts, NOTHING), Kind.TEST);

        assertThat(test.on()).isEqualTo(SINCE.plusDays(WhatComes.TEST_DAYS));
        assertThat(test.what()).startsWith("try ");
        LocalDate longAgo = TODAY.minusDays(300);
        assertThat(one(of(facts, new WhatComes.Records(longAgo, true, Optional.empty(), Optional.empty(), true, Map.of(), List.of(), List
                .of(), List.of())), Kind.TEST).on()).isEqualTo(longAgo.plusDays(365));
    }

    @Test
    void a_card_comes_by_what_is_written_to_it() {
        Camera busy = charged(TODAY);
        busy = new Camera(7, "Eye", busy.model(), busy.pose(), Set.of(), Judging.settings(60, 64, 900), true, true, true,
                Optional.of(TODAY));
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), busy);

        Coming endures = one(of(facts, card(64, true)), Kind.CARD);
        Coming ordinary = one(of(facts, card(64, false)), Kind.CARD);

        assertThat(ordinary.on()).isBefore(endures.on());
        assertThat(endures.work().orElseThrow().bring()).containsExactly("a card of 64 GB");
        assertThat(of(facts, card(0, true))).as("a size nobody knows").noneMatch(each -> each.kind() == Kind.CARD);
    }

    @Test
    void days_that_were_said_come_as_they_were_said() {
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()));
        WhatComes.Records records = new WhatComes.Records(SINCE, true, Optional.of(TODAY.minusDays(100)), Optional.empty(), true, Map.of(),
                List.of(new WhatComes.Term(Kind.WARRANTY, Optional.of(7L), TODAY.plusDays(9), "warranty ends, Eye")),
                List.of(new WhatComes.Repair("bracket", Optional.of(7L), TODAY.minusDays(1), Optional.empty(), 38, List.of("mount"))),
                List.of(new WorkAhead.Noted("ask about the dog", SINCE, Optional.of(TODAY.plusDays(3)))));
        List<Coming> coming = of(facts, records);

        assertThat(one(coming, Kind.WARRANTY)).satisfies(each -> {
            assertThat(each.on()).isEqualTo(TODAY.plusDays(9));
            assertThat(each.sure()).isEqualTo(Coming.Sure.SAID);
            assertThat(each.work()).isEmpty();
        });
        assertThat(one(coming, Kind.FIRMWARE).on()).isEqualTo(TODAY.minusDays(100).plusDays(WorkAhead.FIRMWARE_DAYS));
        assertThat(one(coming, Kind.REPAIR)).satisfies(each -> {
            assertThat(each.on()).isEqualTo(TODAY.minusDays(1).plusDays(WorkAhead.REPAIR_DAYS));
            assertThat(each.work()).contains(new Coming.Work(38, false, 366, List.of("mount")));
        });
        assertThat(one(coming, Kind.NOTED).on()).isEqualTo(TODAY.plusDays(3));
        assertThat(coming).isSortedAccordingTo((a, b) -> a.on().compareTo(b.on()));
    }

    @Test
    void a_guest_ends_on_their_last_day_with_the_cameras_that_shut_then() {
        Camera other = Judging.camera(8, "dunmark-post", Judging.door());
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()), other);
        Access access = new Access(List.of(new Access.Person(1, "Ida", Access.Tie.COMES_HERE, Optional.empty())), List.of(
                new Access.Grant(1, 7, Access.Role.GUEST, Optional.of(TODAY)), new Access.Grant(1, 8, Access.Role.GUEST, Optional.of(TODAY
                        .minusDays(1)))));
        HouseholdFacts shared = new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, access, List.of(),
                facts.climate(), TODAY, true);

        assertThat(one(of(shared, NOTHING), Kind.GUEST)).satisfies(each -> {
            assertThat(each.on()).isEqualTo(TODAY);
            assertThat(each.what()).isEqualTo("the last day of Ida at Eye");
        });
    }

    @Test
    void frost_comes_to_packs_where_it_freezes_and_not_where_it_does_already() {
        HouseholdFacts facts = Judging.facts(Judging.HOUSE, List.of(), Judging.post(Judging.door()));

        assertThat(of(at(facts, TODAY.withMonth(7)), NOTHING)).filteredOn(each -> each.kind() == Kind.FROST).singleElement().satisfies(
                each -> assertThat(each.on()).isAfter(TODAY.withMonth(7)));
        HouseholdFacts cold = at(facts, facts.climate().firstFrost(TODAY, 50).orElseThrow());
        assertThat(of(cold, NOTHING)).noneMatch(each -> each.kind() == Kind.FROST);
        HouseholdFacts mains = Judging.facts(Judging.HOUSE, List.of(), Judging.camera(7, "cairnlow-eave", Judging.door()));
        assertThat(of(at(mains, TODAY.withMonth(7)), NOTHING)).noneMatch(each -> each.kind() == Kind.FROST);
    }

    @Test
    void what_has_no_words_is_refused() {
        assertThatThrownBy(() -> new Coming(Kind.NOTED, Optional.empty(), TODAY, " ", "why", Coming.Sure.SAID, Optional.empty()))
                .hasMessageContaining("what comes");
        assertThatThrownBy(() -> new Coming.Work(0, false, 0, List.of())).hasMessageContaining("minutes there");
    }

    private static HouseholdFacts at(HouseholdFacts of, LocalDate today) {
        return new HouseholdFacts(of.plan(), of.cameras(), of.written(), of.network(), 0, of.access(), List.of(), Climate.MILD_COAST, today,
                true);
    }

    private static Camera charged(LocalDate on) {
        return new Camera(7, "Eye", Judging.model("dunmark-post"), Judging.door(), Set.of(), Judging.settings(12, 64, 20), true,
                true, true, Optional.of(on));
    }

    private static WhatComes.Records looked(LocalDate on, boolean handedOver) {
        return new WhatComes.Records(SINCE, handedOver, Optional.empty(), Optional.of(on), true, Map.of(), List.of(), List.of(), List.of());
    }

    private static WhatComes.Records card(int gb, boolean endures) {
        return new WhatComes.Records(SINCE, true, Optional.empty(), Optional.empty(), true, Map.of(7L, new WhatComes.CardIn(SINCE, gb,
                endures)), List.of(), List.of(), List.of());
    }

    private static List<Coming> of(HouseholdFacts facts, WhatComes.Records records) {
        HouseholdJudge judge = HouseholdJudge.of(facts);
        return WhatComes.of(facts, judge, judge.again(facts), records);
    }

    private static Coming one(List<Coming> coming, Kind kind) {
        return coming.stream().filter(each -> each.kind() == kind).reduce((a, b) -> {
            throw new AssertionError("two of " + kind);
        }).orElseThrow();
    }
}
