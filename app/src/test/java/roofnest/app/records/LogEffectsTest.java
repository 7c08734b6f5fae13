package roofnest.app.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.core.access.Access;
import roofnest.core.footage.CardCheck;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What an entry has set outright goes back with it, and only that. */
@AppTest
class LogEffectsTest {
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private CardRepository cards;
    @Autowired private ResidentRepository residents;
    @Autowired private LogRepository log;
    @Autowired private LogEffects effects;
    @Autowired private Changes changes;

    private final LocalDate today = LocalDate.now();
    private HouseholdRef ref;
    private long eye;
    private long wren;

    @BeforeEach
    void aHouseInCare() {
        long id = households.carryIn(demo.staff("jory").firmId(), new Household(0, 0, "Set back", "11 Log Lane, Saltern", "", Stage.CARE,
                null, null, "", today.minusDays(200).atTime(12, 0).atOffset(ZoneOffset.UTC), null, null, 0, 0, 0));
        ref = new HouseholdRef(id, demo.staff("jory"));
        changes.run(ref, Stage.CARE, () -> {
            eye = cameras.add(id, "Eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            cameras.charged(id, eye, today.minusDays(90));
            cards.say(id, eye, new CardRepository.Card(today.minusDays(300), true, 64, Optional.of(new CardCheck(64, 60, 60)), today
                    .minusDays(299), "Jory", 0));
            wren = residents.add(id, "Wren Fenby", "", Access.Tie.FAMILY, null);
        });
    }

    private long write(LogRepository.Kind kind, LocalDate on) {
        changes.run(ref, Stage.CARE, () -> effects.write(ref, said(kind, on)));
        return log.of(ref.id()).stream().mapToLong(LogRepository.Entry::id).max().orElseThrow();
    }

    private LogRepository.Said said(LogRepository.Kind kind, LocalDate on) {
        return new LogRepository.Said(kind.ofCamera() ? eye : null, kind.ofSomebody() ? wren : null, kind, "as said", on, null);
    }

    private void remove(long entry) {
        changes.run(ref, Stage.CARE, () -> assertThat(effects.remove(ref, entry)).isTrue());
    }

    private LocalDate charged() {
        return cameras.lastCharged(ref.id(), eye).orElseThrow();
    }

    @Test
    void a_charge_goes_back_to_the_one_before_and_comes_again_with_its_entry() {
        long first = write(LogRepository.Kind.CHARGE, today.minusDays(10));
        long second = write(LogRepository.Kind.CHARGE, today.minusDays(3));
        assertThat(charged()).isEqualTo(today.minusDays(3));
        remove(first);
        assertThat(charged()).as("not the one that counts").isEqualTo(today.minusDays(3));
        remove(second);
        assertThat(charged()).as("the first is taken out too").isEqualTo(today.minusDays(90));
        changes.run(ref, Stage.CARE, () -> effects.bringBack(ref.id(), first));
        assertThat(charged()).isEqualTo(today.minusDays(10));
    }

    /** A day that was mistyped too late was stuck: a charge only ever went forward. */
    @Test
    void a_charge_whose_day_is_corrected_counts_from_the_right_day() {
        long entry = write(LogRepository.Kind.CHARGE, today);
        changes.run(ref, Stage.CARE,
                () -> effects.change(ref, entry, said(LogRepository.Kind.CHARGE, today.minusDays(20)), log.find(ref.id(),
                        entry).orElseThrow().version()));
        assertThat(charged()).isEqualTo(today.minusDays(20));
        changes.run(ref, Stage.CARE, () -> effects.change(ref, entry, said(LogRepository.Kind.NOTE, today), log.find(ref.id(), entry)
                .orElseThrow().version()));
        assertThat(charged()).as("it was no charge at all").isEqualTo(today.minusDays(90));
    }

    @Test
    void a_charge_that_somebody_set_since_stays() {
        long entry = write(LogRepository.Kind.CHARGE, today.minusDays(5));
        changes.run(ref, Stage.CARE, () -> cameras.charged(ref.id(), eye, today.minusDays(1)));
        remove(entry);
        assertThat(charged()).isEqualTo(today.minusDays(1));
    }

    @Test
    void a_card_goes_back_with_its_test_unless_the_new_one_was_tested() {
        long entry = write(LogRepository.Kind.CARD, today.minusDays(2));
        assertThat(cards.of(ref.id()).get(eye).check()).isEmpty();
        remove(entry);
        CardRepository.Card back = cards.of(ref.id()).get(eye);
        assertThat(back.putIn()).isEqualTo(today.minusDays(300));
        assertThat(back.check()).contains(new CardCheck(64, 60, 60));

        long again = write(LogRepository.Kind.CARD, today.minusDays(1));
        changes.run(ref, Stage.CARE, () -> cards.say(ref.id(), eye, new CardRepository.Card(today.minusDays(1), true, 64, Optional.of(
                new CardCheck(64, 61, 61)), today, "Jory", cards.of(ref.id()).get(eye).version())));
        remove(again);
        assertThat(cards.of(ref.id()).get(eye).putIn()).as("somebody has held it in their hands").isEqualTo(today.minusDays(1));
    }

    @Test
    void somebody_who_did_not_leave_lives_there_as_before() {
        long entry = write(LogRepository.Kind.LEFT, today.minusDays(4));
        assertThat(residents.find(ref.id(), wren).orElseThrow().tie()).isEqualTo(Access.Tie.LEFT);
        remove(entry);
        assertThat(residents.find(ref.id(), wren).orElseThrow().tie()).isEqualTo(Access.Tie.FAMILY);
        long again = write(LogRepository.Kind.LEFT, today.minusDays(4));
        changes.run(ref, Stage.CARE, () -> {
            ResidentRepository.Resident who = residents.find(ref.id(), wren).orElseThrow();
            residents.change(ref.id(), wren, who.name(), "", Access.Tie.LEFT, today.minusDays(30), who.version());
        });
        remove(again);
        assertThat(residents.find(ref.id(), wren).orElseThrow().leftOn()).as("said otherwise since").isEqualTo(today.minusDays(30));
    }
}
