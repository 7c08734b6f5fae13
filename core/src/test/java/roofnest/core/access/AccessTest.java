package roofnest.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access.Grant;
import roofnest.core.access.Access.Known;
import roofnest.core.access.Access.Look;
import roofnest.core.access.Access.Person;
import roofnest.core.access.Access.Role;
import roofnest.core.access.Access.Tie;
import roofnest.core.access.LeavingPlan.Kind;
import roofnest.core.access.LeavingPlan.Wish;

class AccessTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);
    private static final Person IDA = new Person(1, "Ida", Tie.LIVES_HERE, Optional.empty());
    private static final Person CORIN = new Person(2, "Corin", Tie.LEFT, Optional.of(TODAY.minusDays(9)));
    private static final Kit GATE = new Kit(7, "Gate eye", "Oskarra", false, true, true, Optional.empty(), 9);
    private static final Kit YARD = new Kit(8, "Hen yard", "Tarrowby", true, true, true, Optional.empty(), 14);
    private static final Kit BARE = new Kit(9, "Shed eye", "Oskarra", false, true, false, Optional.empty(), 11);
    private static final List<Kit> KIT = List.of(GATE, YARD, BARE);
    private static final Secret YARD_SECRET = new Secret(Secret.Kind.DEVICE, 8, "the ID and password of Hen yard");
    private static final Secret WIFI = new Secret(Secret.Kind.WIFI, 3, "the Wi-Fi password of Weir House");
    private static final Secret IDAS = new Secret(Secret.Kind.ACCOUNT, 1, "Ida's log-in");
    private static final LeavingPlan.Rejoin REJOIN = new LeavingPlan.Rejoin(48, "3 cameras and 9 other things");

    private static Access access(List<Grant> grants, Known... known) {
        return new Access(List.of(IDA, CORIN), grants, List.of(known), List.of(), List.of());
    }

    private static Known knows(Person person, Secret secret) {
        return new Known(person.id(), secret, TODAY.minusYears(1), "told");
    }

    private static Grant grant(Person person, Kit camera, Role role) {
        return new Grant(person.id(), camera.cameraId(), role, Optional.empty());
    }

    private static Access.Way byKnowing(long camera, Secret secret) {
        return new Access.Way(Set.of(camera), "knows " + secret.name(), Optional.of(secret), Optional.empty());
    }

    @Test
    void a_guest_to_come_cannot_look_yet_and_is_in_the_way_all_the_same_once_they_left() {
        Grant soon = new Grant(2, 7, Role.GUEST, Optional.of(TODAY.plusDays(3)), Optional.of(TODAY.plusDays(9)), true);
        assertThat(access(List.of(soon)).lookers(TODAY, KIT)).isEmpty();
        assertThat(access(List.of(soon)).lookers(TODAY.plusDays(3), KIT)).containsExactly(CORIN);
        assertThat(access(List.of(soon)).waysOf(2, KIT)).extracting(Access.Way::how)
                .containsExactly("guest, from 29 Nov 2026 on, of Gate eye");
        assertThat(access(List.of(soon)).intruders(TODAY, false, KIT)).as("who has left gets in on that day").hasSize(1);
    }

    @Test
    void whoever_was_told_a_secret_can_look_with_nothing_to_their_name() {
        Access told = access(List.of(), knows(CORIN, YARD_SECRET));
        assertThat(told.intruders(TODAY, false, KIT)).singleElement().satisfies(intruder -> {
            assertThat(intruder.person()).isEqualTo(CORIN);
            assertThat(intruder.ways()).containsExactly(byKnowing(8, YARD_SECRET));
        });
        assertThat(access(List.of(), knows(CORIN, new Secret(Secret.Kind.DEVICE, 7, "the password of Gate eye"))).lookers(TODAY, KIT))
                .as("a camera with accounts asks for one, whoever knows its own password").isEmpty();
    }

    @Test
    void kit_without_invitations_is_open_to_who_knows_its_secret_and_to_nobody_else() {
        assertThat(access(List.of(grant(IDA, YARD, Role.VIEWER))).lookers(TODAY, KIT)).as("given, and not told since it was changed")
                .isEmpty();
        assertThat(access(List.of(), knows(IDA, YARD_SECRET)).lookers(TODAY, KIT)).containsExactly(IDA);
    }

    @Test
    void the_wifi_password_lets_nobody_into_a_camera_that_has_a_password_of_its_own() {
        Access known = access(List.of(), knows(CORIN, WIFI));
        assertThat(known.waysOf(2, List.of(GATE, YARD))).isEmpty();
        assertThat(known.waysOf(2, KIT)).containsExactly(byKnowing(9, WIFI));
        Kit planned = new Kit(9, "Shed eye", "Oskarra", false, false, false, Optional.empty(), 11);
        assertThat(known.waysOf(2, List.of(planned))).as("not joined yet").isEmpty();
    }

    @Test
    void a_log_in_that_two_use_is_found_and_opens_what_its_owner_may_see() {
        Access shared = access(List.of(grant(IDA, GATE, Role.OWNER)), knows(CORIN, IDAS));
        assertThat(shared.sharedLogins()).containsExactly(new Access.SharedLogin(IDA, List.of(CORIN)));
        assertThat(shared.waysOf(2, KIT)).containsExactly(byKnowing(7, IDAS));
        assertThat(access(List.of(grant(IDA, GATE, Role.OWNER))).sharedLogins()).isEmpty();
    }

    @Test
    void a_try_that_was_not_refused_outweighs_what_is_written() {
        Access seen = new Access(List.of(IDA, CORIN), List.of(), List.of(), List.of(), List.of(new Look(2, 7, false, TODAY)));
        assertThat(seen.intruders(TODAY, false, KIT)).singleElement()
                .satisfies(intruder -> assertThat(intruder.ways().get(0).how()).isEqualTo("a try to look at Gate eye was not refused"));
        assertThat(seen.refusedAt(2)).isEmpty();
        Access refused = new Access(List.of(IDA, CORIN), List.of(), List.of(), List.of(),
                List.of(new Look(2, 7, true, TODAY), new Look(2, 8, true, TODAY)));
        assertThat(refused.refusedAt(2)).containsExactly(7L, 8L);
        assertThat(refused.intruders(TODAY, false, KIT)).isEmpty();
        LeavingPlan plan = LeavingPlan.of(seen, 2, KIT, REJOIN, new Wish(false, false));
        assertThat(plan.changes()).extracting(LeavingPlan.Change::kind).containsExactly(Kind.RESET);
    }

    @Test
    void a_viewer_is_taken_off_on_the_owners_phone_in_a_minute() {
        LeavingPlan plan = LeavingPlan.of(access(List.of(grant(IDA, GATE, Role.OWNER), grant(CORIN, GATE, Role.VIEWER))), 2, KIT, REJOIN,
                new Wish(false, false));
        assertThat(plan.changes()).singleElement().satisfies(change -> {
            assertThat(change.words()).isEqualTo("Take Corin off Gate eye.");
            assertThat(change.where()).isEqualTo(LeavingPlan.Where.PHONE);
        });
        assertThat(plan.minutes()).isEqualTo(1);
        assertThat(plan.tries()).containsExactly(7L);
        assertThat(plan.ask()).as("not noted is not the same as not known").containsExactly("the ID and password of Hen yard");
    }

    @Test
    void who_owns_the_account_gives_it_over_or_everything_in_it_is_reset_and_given_again() {
        Access owned = new Access(List.of(IDA, CORIN, new Person(3, "Wren", Tie.FAMILY, Optional.empty())),
                List.of(grant(CORIN, GATE, Role.OWNER), grant(CORIN, BARE, Role.OWNER),
                        new Grant(3, 7, Role.VIEWER, Optional.empty())));
        LeavingPlan helped = LeavingPlan.of(owned, 2, KIT, REJOIN, new Wish(true, false));
        assertThat(helped.changes()).extracting(LeavingPlan.Change::key).containsExactly("ACCOUNT_OVER-7");
        assertThat(helped.minutes()).isEqualTo(6);
        LeavingPlan alone = LeavingPlan.of(owned, 2, KIT, REJOIN, new Wish(false, false));
        assertThat(alone.changes()).extracting(LeavingPlan.Change::key).containsExactly("RESET-7", "RESET-9");
        assertThat(alone.after()).extracting(LeavingPlan.After::words).containsExactly("Give Gate eye to Wren again, as viewer.");
        assertThat(alone.minutes()).isEqualTo(3 + 9 + 3 + 11 + 2);
        Access nobodyElse = new Access(List.of(CORIN), List.of(grant(CORIN, GATE, Role.OWNER)));
        assertThat(LeavingPlan.of(nobodyElse, 2, KIT, REJOIN, new Wish(true, false)).changes())
                .as("there is nobody to give it to").extracting(LeavingPlan.Change::kind).containsExactly(Kind.RESET);
    }

    @Test
    void a_told_secret_is_changed_and_told_to_those_who_stay() {
        LeavingPlan plan = LeavingPlan.of(access(List.of(), knows(CORIN, YARD_SECRET), knows(IDA, YARD_SECRET)), 2, KIT, REJOIN,
                new Wish(false, false));
        assertThat(plan.changes()).extracting(LeavingPlan.Change::words).containsExactly("Change the ID and password of Hen yard.");
        assertThat(plan.after()).extracting(LeavingPlan.After::words).containsExactly("Tell Ida the ID and password of Hen yard.");
        assertThat(plan.minutes()).isEqualTo(3 + 2);
    }

    @Test
    void a_camera_left_as_it_came_is_given_a_password_rather_than_the_whole_house_a_new_wifi() {
        Access known = access(List.of(), knows(CORIN, WIFI), knows(IDA, WIFI));
        assertThat(LeavingPlan.of(known, 2, KIT, REJOIN, new Wish(false, false)).changes()).extracting(LeavingPlan.Change::key)
                .containsExactly("OWN_PASSWORD-9");
        LeavingPlan out = LeavingPlan.of(known, 2, KIT, REJOIN, new Wish(false, true));
        assertThat(out.changes()).extracting(LeavingPlan.Change::key).as("one change closes both").containsExactly("WIFI_PASSWORD-3");
        assertThat(out.after()).extracting(LeavingPlan.After::words)
                .containsExactly("Let everything rejoin: 3 cameras and 9 other things.", "Type it into Ida's phone.");
        assertThat(out.minutes()).isEqualTo(4 + 48 + 2);
    }

    @Test
    void who_can_look_through_nothing_needs_nothing_but_is_asked_about() {
        LeavingPlan plan = LeavingPlan.of(access(List.of(), knows(IDA, WIFI)), 2, KIT, REJOIN, new Wish(false, true));
        assertThat(plan.changes()).isEmpty();
        assertThat(plan.minutes()).isZero();
        assertThat(plan.tries()).isEmpty();
        assertThat(plan.ask()).containsExactly("the Wi-Fi password of Weir House", "the ID and password of Hen yard");
    }
}
