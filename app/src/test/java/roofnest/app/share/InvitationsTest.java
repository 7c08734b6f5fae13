package roofnest.app.share;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.Map;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;

@AppTest
class InvitationsTest {
    @Autowired private Invitations invitations;
    @Autowired private ResidentRepository residents;
    @Autowired private MailRepository mail;
    @Autowired private Grants grants;
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @Test
    void an_invitation_is_accepted_once_and_only_its_hash_is_kept() {
        String token = sent();
        assertThat(demo.jdbc().sql("select count(*) from invitation where position(:token::bytea in token_hash) > 0")
                .param("token", token).query(Long.class).single()).isZero();
        assertThat(state(token)).isEqualTo(Invitations.State.SENT);
        invitations.opened(token);
        assertThat(state(token)).isEqualTo(Invitations.State.OPENED);
        answer(token, "accept", "Ida@Quiller.example");
        assertThat(state(token)).isEqualTo(Invitations.State.ACCEPTED);
        answer(token, "decline", "");
        assertThat(state(token)).isEqualTo(Invitations.State.ACCEPTED);
    }

    @Test
    void an_expired_or_guessed_invitation_opens_nothing() {
        String token = sent();
        demo.jdbc().sql("update invitation set expires_at = now() - interval '1 minute'").update();
        assertThat(state(token)).isEqualTo(Invitations.State.EXPIRED);
        answer(token, "accept", "ida@quiller.example");
        assertThat(state(token)).isEqualTo(Invitations.State.EXPIRED);
        assertThat(invitations.find("guessed")).isEmpty();
    }

    @Test
    void what_stands_in_the_way_is_said_on_both_sides_and_can_be_put_right() {
        String token = sent();
        answer(token, "no-account", "");
        assertThat(state(token)).isEqualTo(Invitations.State.NO_ACCOUNT);
        answer(token, "accept", "family@quiller.example");
        assertThat(state(token)).isEqualTo(Invitations.State.WRONG_ACCOUNT);
        assertThat(invitations.find(token).orElseThrow().said()).contains("is for ida@quiller.example",
                "signed in as family@quiller.example");
        assertThat(answer(token, "accept", "ida").faultAt("account")).isNotNull();
        answer(token, "accept", "ida@quiller.example");
        assertThat(state(token)).isEqualTo(Invitations.State.ACCEPTED);
        String declined = sent();
        answer(declined, "decline", "");
        assertThat(state(declined)).isEqualTo(Invitations.State.DECLINED);
    }

    @Test
    void a_newer_one_and_access_taken_back_call_an_invitation_back() {
        String first = sent();
        String second = sent();
        assertThat(state(first)).isEqualTo(Invitations.State.CALLED_BACK);
        answer(first, "accept", "ida@quiller.example");
        assertThat(state(first)).isEqualTo(Invitations.State.CALLED_BACK);
        assertThat(state(second)).isEqualTo(Invitations.State.SENT);
        HouseholdRef ref = demo.ref("Quiller", "jory");
        long camera = demo.camera("Quiller");
        grants.set(ref, resident("Ida Quiller").id(), camera, new Form(new HashMap<>(Map.of("role", ""))));
        assertThat(state(second)).isEqualTo(Invitations.State.CALLED_BACK);
        grants.set(ref, resident("Ida Quiller").id(), camera, new Form(new HashMap<>(Map.of("role", "OWNER"))));
    }

    @Test
    void the_page_of_an_invitation_takes_an_answer_and_says_what_is_wrong_at_its_field() throws Exception {
        String link = "/invitations/" + sent();
        assertThat(mvc.perform(get(link)).andReturn().getResponse().getContentAsString()).contains("Hello Ida Quiller", "id=\"account\"");
        assertThat(mvc.perform(post(link).with(csrf()).param("answer", "accept").param("account", "ida")).andReturn().getResponse()
                .getContentAsString()).contains("account-fault", "value=\"ida\"");
        mvc.perform(post(link).with(csrf()).param("answer", "decline"));
        assertThat(mvc.perform(get(link)).andReturn().getResponse().getContentAsString()).contains("You have declined")
                .doesNotContain("id=\"account\"");
    }

    private Invitations.State state(String token) {
        return invitations.find(token).orElseThrow().state();
    }

    private Form answer(String token, String answer, String account) {
        Form form = new Form(new HashMap<>(Map.of("answer", answer, "account", account)));
        invitations.answer(token, form);
        return form;
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
        String link = mail.of(ref.id(), true).get(0).link();
        return link.substring(link.lastIndexOf('/') + 1);
    }

    private ResidentRepository.Resident resident(String name) {
        return residents.of(demo.household("Quiller")).stream().filter(resident -> resident.name().equals(name)).findFirst().orElseThrow();
    }
}
