package roofnest.app.share;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.BadInput;

@AppTest
class InvitationsTest {
    @Autowired private Invitations invitations;
    @Autowired private ResidentRepository residents;
    @Autowired private MailRepository mail;
    @Autowired private DemoPlaces demo;

    @Test
    void an_invitation_is_accepted_once_and_only_its_hash_is_kept() {
        String token = sent();
        assertThat(demo.jdbc().sql("select count(*) from invitation where position(:token::bytea in token_hash) > 0")
                .param("token", token).query(Long.class).single()).isZero();
        assertThat(invitations.find(token)).hasValueSatisfying(invitation -> {
            assertThat(invitation.person()).isEqualTo("Ida Quiller");
            assertThat(invitation.acceptedAt()).isNull();
        });
        invitations.accept(token);
        var first = invitations.find(token).orElseThrow().acceptedAt();
        invitations.accept(token);
        assertThat(invitations.find(token).orElseThrow().acceptedAt()).isEqualTo(first);
    }

    @Test
    void an_expired_or_guessed_invitation_opens_nothing() {
        String token = sent();
        demo.jdbc().sql("update invitation set expires_at = now() - interval '1 minute'").update();
        assertThat(invitations.find(token)).hasValueSatisfying(invitation -> assertThat(invitation.expired()).isTrue());
        invitations.accept(token);
        assertThat(invitations.find(token).orElseThrow().acceptedAt()).isNull();
        assertThat(invitations.find("guessed")).isEmpty();
    }

    @Test
    void nobody_without_access_or_who_left_is_invited() {
        HouseholdRef ref = demo.ref("Quiller", "jory");
        assertThatThrownBy(() -> invitations.send(ref, resident("Corin Ashdown"), "http://here")).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> invitations.send(ref, resident("Hesper Quiller"), "http://here")).isInstanceOf(BadInput.class);
    }

    private String sent() {
        HouseholdRef ref = demo.ref("Quiller", "jory");
        invitations.send(ref, resident("Ida Quiller"), "http://here");
        String link = mail.of(ref.id()).get(0).link();
        return link.substring(link.lastIndexOf('/') + 1);
    }

    private ResidentRepository.Resident resident(String name) {
        return residents.of(demo.household("Quiller")).stream().filter(resident -> resident.name().equals(name)).findFirst().orElseThrow();
    }
}
