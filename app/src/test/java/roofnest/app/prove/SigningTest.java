package roofnest.app.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;
import roofnest.app.household.Frames;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.LeavingRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.core.access.Secret;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Nothing is signed that nobody tried or spoke of, and nothing changes under a signature. */
@AppTest
class SigningTest {
    private static final String STROKES = "M60 96L72 60L84 40L90 70L96 98L120 98M140 96L150 70L160 96";

    @Autowired private Signing signing;
    @Autowired private IssueRepository issues;
    @Autowired private HandOver handOver;
    @Autowired private NetworkRepository networks;
    @Autowired private SecretStore secrets;
    @Autowired private Frames frames;
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private PromiseRepository promises;
    @Autowired private ResidentRepository residents;
    @Autowired private AccessRepository access;
    @Autowired private LedgerRepository ledger;
    @Autowired private LeavingRepository leavings;
    @Autowired private MailRepository mail;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aHouseWithOneCamera() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Signed", "5 Staithe", LocalDate.now().plusDays(2), "hand over"),
                demo.staff("jory"));
        changes.run(ref, Stage.PROVE, () -> {
            camera = cameras.add(ref.id(), "Gate eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            promises.alertWithin(ref.id(), 8);
        });
    }

    @Test
    void nothing_is_signed_while_something_is_open_that_nobody_spoke_of() {
        Form form = sign();
        assertThat(form.faultsOf("gate")).anySatisfy(fault -> assertThat(fault).contains("Phone rings within 8 s: not tried"))
                .anySatisfy(fault -> assertThat(fault).contains("7 tests were not passed", "Live at home of Gate eye"));
        assertThat(issues.of(ref.id())).isEmpty();
    }

    /** A signature stands under what its page showed: somebody else's change meanwhile, or a night without a line, makes it another. */
    @Test
    void what_changed_since_the_page_was_shown_is_not_signed() {
        takeAllAsItIs("Known, and taken so.", "Ida Quiller");
        String shown = state().shown();
        changes.run(ref, Stage.BRIEF, () -> promises.keepsDays(ref.id(), 30));
        takeAllAsItIs("Known, and taken so.", "Ida Quiller");
        assertThat(sign(shown).faultsOf("gate")).singleElement().asString().contains("has changed since this page was shown");
        assertThat(sign("").ok()).as("and nothing is signed unseen").isFalse();
        assertThat(issues.of(ref.id())).isEmpty();
        assertThat(sign().ok()).isTrue();
    }

    /** Each on its own, with whose word it is; half a remark is none. */
    @Test
    void remarks_are_kept_one_by_one_and_need_both_the_words_and_whose_they_are() {
        Gate.Open first = state().gate().open().get(0);
        int before = state().gate().open().size();
        Form half = new Form(new HashMap<>(Map.of("remark-" + first.about(), "Later.")));
        assertThat(signing.remark(ref, half)).isZero();
        assertThat(half.faultAt("agreed-" + first.about())).contains("who of the household");
        Form nothing = new Form(new HashMap<>());
        signing.remark(ref, nothing);
        assertThat(nothing.faultAt("remarks")).isNotNull();
        assertThat(
                signing.remark(ref, new Form(new HashMap<>(Map.of("remark-" + first.about(), "Later.", "agreed-" + first.about(), "Ida")))))
                .isEqualTo(1);
        assertThat(state().gate().open()).hasSize(before - 1);
        assertThat(state().gate().agreed()).singleElement().satisfies(agreed -> assertThat(agreed.remark().agreedBy()).isEqualTo("Ida"));
    }

    @Test
    void signing_freezes_the_pack_and_what_changes_later_makes_a_next_issue() throws Exception {
        takeAllAsItIs("Known, and taken so.", "Ida Quiller");
        assertThat(sign().ok()).isTrue();
        IssueRepository.Issue first = issues.of(ref.id()).get(0);
        assertThat(first.number()).isEqualTo(1);
        String document = issues.document(ref.id(), 1).orElseThrow();
        assertThat(Signing.sha256(document.replace(first.sha256(), PackDrawer.HASH_HERE))).as("the hash is of what stands there")
                .isEqualTo(first.sha256());
        assertThat(Signing.sha256(document.replace(first.sha256(), PackDrawer.HASH_HERE).replace("Gate eye", "Gate eyE")))
                .isNotEqualTo(first.sha256());
        assertThat(state().differs()).isEmpty();
        String frozen = text(1);
        assertThat(frozen).contains("issue 1", "Known, and taken so.", "Ida Quiller", first.sha256(), "Gate eye", "5 Staithe");

        changes.run(ref, Stage.PROVE, () -> cameras.rename(ref.id(), camera, "Lane eye"));
        assertThat(state().differs()).anySatisfy(line -> assertThat(line).startsWith("no longer: Gate eye"))
                .anySatisfy(line -> assertThat(line).startsWith("now: Lane eye"));
        assertThat(text(1)).as("the old one stays").isEqualTo(frozen);
        MockHttpServletResponse refused
                = mvc.perform(post(ref.path() + "/prove/hand-over").with(user(ref.staff())).with(csrf())).andReturn()
                        .getResponse();
        assertThat(refused.getContentAsString()).contains("What was signed is so no longer: issue 2 is to be signed.");

        takeAllAsItIs("Known, and taken so.", "Ida Quiller");
        assertThat(sign().ok()).isTrue();
        assertThat(issues.of(ref.id())).extracting(IssueRepository.Issue::number).containsExactly(2, 1);
        assertThat(state().differs()).isEmpty();
        assertThat(text(2)).contains("issue 2", "Lane eye").doesNotContain("Gate eye");
    }

    /** A remark is on what stood there; once it stands otherwise it has to be spoken of again. */
    @Test
    void a_remark_holds_only_as_long_as_what_it_is_about_stands_as_it_did() {
        takeAllAsItIs("Known.", "Ida");
        assertThat(state().gate().open()).isEmpty();
        changes.run(ref, Stage.PROVE, () -> cameras.markJoined(ref.id(), camera));
        assertThat(state().gate().open()).singleElement()
                .satisfies(open -> assertThat(open.wording()).startsWith("Has a password of its own"));
    }

    /** The firm is out only when somebody says of each way in that it was ended; then nothing of the work is changed or revealed. */
    @Test
    void handing_over_ends_every_way_in_by_name_and_the_case_is_opened_again_only_with_a_reason() throws Exception {
        NetworkRepository.NetworkRow network = network();
        takeAllAsItIs("Known.", "Ida");
        sign();
        Form blind = new Form(new HashMap<>());
        handOver.handOver(ref, blind);
        assertThat(blind.faultsOf("hand-over")).singleElement().satisfies(
                fault -> assertThat(fault).isEqualTo("Say what became of the Wi-Fi password of staithe5, kept sealed by the firm."));
        assertThat(handedOver()).isFalse();
        Form ended = new Form(allEnded(FirmEnds.Became.SEALED));
        handOver.handOver(ref, ended);
        assertThat(ended.ok()).isTrue();
        assertThat(handedOver()).isTrue();
        assertThat(words()).anySatisfy(line -> assertThat(line).isEqualTo(
                "At the hand-over, Wi-Fi password of staithe5, kept sealed by the firm: handed over sealed, on paper."));

        assertThatThrownBy(() -> changes.run(ref, Stage.SURVEY, () -> cameras.rename(ref.id(), camera, "Other")))
                .isInstanceOf(Conflict.class).hasMessageContaining("was handed over on");
        MockHttpServletResponse typed = mvc.perform(post(ref.path() + "/brief/notes").param("notes", "The side gate sticks.")
                .param("version", "0").with(user(ref.staff())).with(csrf())).andReturn().getResponse();
        assertThat(typed.getContentAsString()).as("nothing typed is lost").contains("was handed over on", "The side gate sticks.");
        assertThat(mvc.perform(get(ref.path() + "/tune").with(user(ref.staff()))).andReturn().getResponse().getContentAsString())
                .contains("The work here is closed:", "Open the case again at Prove");
        assertThat(secrets.revealWifiPassword(ref.id(), network.id(), ref.by(), "test")).isEmpty();
        for (String look : List.of("/ready/reveal", "/ready/code", "/prove/sealed-sheet")) {
            MockHttpServletResponse closed
                    = mvc.perform(post(ref.path() + look).with(user(ref.staff())).with(csrf()).cookie(demo.justProved())).andReturn()
                            .getResponse();
            assertThat(closed.getStatus()).as(look).isEqualTo(422);
            assertThat(closed.getContentAsString()).contains("shows no secret of it any more").doesNotContain("nine-herons-wade");
        }
        changes.run(ref, Stage.CARE, () -> cameras.charged(ref.id(), camera, LocalDate.now()));
        String again = ref.path() + "/prove/reopen";
        assertThat(mvc.perform(post(again).with(user(ref.staff())).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(422);
        assertThat(handedOver()).isTrue();
        residents.add(ref.id(), "Ida Quiller", "ida@staithe.example", Access.Tie.LIVES_HERE, null);
        mvc.perform(post(again).param("reason", "Router was replaced.").with(user(ref.staff())).with(csrf()));
        assertThat(mail.of(ref.id(), true)).as("the household is told").first().satisfies(told -> {
            assertThat(told.to()).isEqualTo("ida@staithe.example");
            assertThat(told.body()).contains("Jory Penhale of Ladderhall has opened the case", "Router was replaced.");
            assertThat(told.link()).isNull();
        });
        assertThat(handedOver()).isFalse();
        assertThat(words()).contains("The case was opened again: Router was replaced.");
        assertThat(secrets.revealWifiPassword(ref.id(), network.id(), ref.by(), "test")).contains("nine-herons-wade");
    }

    /** What was changed is shown to nobody any more, not even once the case is open again. */
    @Test
    void a_password_that_the_householder_changed_at_the_hand_over_is_forgotten() {
        NetworkRepository.NetworkRow network = network();
        takeAllAsItIs("Known.", "Ida");
        sign();
        Form other = new Form(allEnded(FirmEnds.Became.STAYS));
        handOver.handOver(ref, other);
        assertThat(other.ok()).as("what is kept sealed does not stay with the firm").isFalse();
        Form stale = new Form(allEnded(FirmEnds.Became.CHANGED));
        stale.put("of0", "Wi-Fi password of another");
        handOver.handOver(ref, stale);
        assertThat(stale.ok()).as("the answer was to something else").isFalse();
        handOver.handOver(ref, new Form(allEnded(FirmEnds.Became.CHANGED)));
        assertThat(handedOver()).isTrue();
        handOver.reopen(ref, "Router was replaced.");
        assertThat(secrets.revealWifiPassword(ref.id(), network.id(), ref.by(), "test")).isEmpty();
    }

    /** People of the firm are shut out as anybody is: a grant, what they know, and their own try. */
    @Test
    void a_house_is_not_handed_over_while_somebody_of_the_firm_can_look() {
        long[] jory = new long[1];
        changes.run(ref, Stage.SHARE, () -> {
            jory[0] = residents.add(ref.id(), "Jory Penhale", "", Access.Tie.FIRM, null);
            access.grant(ref.id(), jory[0], camera, Access.Role.MANAGER, null);
        });
        takeAllAsItIs("Known.", "Ida");
        sign();
        assertThat(handOver.ends(frames.frame(ref, Stage.PROVE)).people()).singleElement()
                .satisfies(person -> assertThat(person.stands()).isEqualTo("manager of Gate eye"));
        Form early = new Form(new HashMap<>());
        handOver.handOver(ref, early);
        assertThat(early.faultsOf("hand-over"))
                .containsExactly("Jory Penhale of the firm is not shut out yet: manager of Gate eye.");
        changes.run(ref, Stage.SHARE, () -> {
            leavings.begin(ref.id(), jory[0], false, false, false, List.of(camera), "Jory");
            access.revoke(ref.id(), jory[0], camera);
        });
        Form untried = new Form(new HashMap<>());
        handOver.handOver(ref, untried);
        assertThat(untried.faultsOf("hand-over"))
                .containsExactly("Jory Penhale of the firm is not shut out yet: their own try is still to be refused.");
        leavings.over(ref.id(), leavings.of(ref.id()).get(0).id(), "Jory");
        handOver.handOver(ref, new Form(new HashMap<>()));
        assertThat(handedOver()).as("the pack names nobody of the firm, so that it stands as it was signed").isTrue();
    }

    /** Who of the firm knows the Wi-Fi knows it until it is changed; the householder may leave it so, and it is said. */
    @Test
    void what_the_firm_still_knows_is_said() {
        NetworkRepository.NetworkRow network = network();
        secrets.forgetNetwork(ref.id(), network.id());
        long[] jory = new long[1];
        changes.run(ref, Stage.SHARE, () -> {
            jory[0] = residents.add(ref.id(), "Jory Penhale", "", Access.Tie.FIRM, null);
            ledger.note(ref.id(), jory[0], Secret.Kind.WIFI, network.id(), "typed it", "Jory");
        });
        takeAllAsItIs("Known.", "Ida");
        sign();
        Form sealed = new Form(allEnded(FirmEnds.Became.SEALED));
        handOver.handOver(ref, sealed);
        assertThat(sealed.ok()).as("nobody hands over sealed what is in a head").isFalse();
        handOver.handOver(ref, new Form(allEnded(FirmEnds.Became.STAYS)));
        assertThat(words()).contains("At the hand-over, Wi-Fi password of staithe5, known to Jory Penhale: stays known; the householder"
                + " agrees.");
        assertThat(ledger.known(ref.id())).as("the ledger still says so").hasSize(1);
    }

    private NetworkRepository.NetworkRow network() {
        changes.run(ref, Stage.READY, () -> networks.save(ref.id(),
                new HomeNetwork("staithe5", "nine-herons-wade", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), 0, ref.by()));
        return networks.find(ref.id()).orElseThrow();
    }

    private boolean handedOver() {
        return households.get(ref.id()).handedOver();
    }

    private List<String> words() {
        return demo.jdbc().sql("select words from log_entry where household_id = :id").param("id", ref.id()).query(String.class).list();
    }

    @Test
    void no_row_of_a_signed_pack_is_ever_written_again() {
        takeAllAsItIs("Known.", "Ida");
        sign();
        assertThatThrownBy(() -> demo.jdbc().sql("update pack_issue set document = 'other' where household_id = :id").param("id", ref.id())
                .update()).isInstanceOf(DataAccessException.class).hasMessageContaining("a signed pack is never changed");
    }

    /** What can only be seen later goes to Care with its day, once, and only for a camera that is joined. */
    @Test
    void a_weeks_footage_and_the_first_frost_stand_in_the_log_with_their_days() {
        changes.run(ref, Stage.PROVE, () -> promises.keepsDays(ref.id(), 14));
        takeAllAsItIs("Known.", "Ida");
        sign();
        assertThat(words()).as("nothing hangs there yet").noneMatch(line -> line.contains("Gate eye"));
        changes.run(ref, Stage.PROVE, () -> cameras.markJoined(ref.id(), camera));
        takeAllAsItIs("Known.", "Ida");
        sign();
        sign();
        assertThat(words()).containsOnlyOnce("The footage of a week is to be counted: Gate eye.",
                "After the first frost these are to be looked at: Gate eye.");
        assertThat(demo.jdbc().sql("""
            select count(*) from log_entry where household_id = :id and words like '%Gate eye.' and next_on >= current_date
            """).param("id", ref.id()).query(Long.class).single()).isEqualTo(2);
    }

    @Test
    void the_draft_says_that_it_is_one() throws Exception {
        assertThat(read(ref.path() + "/prove/pack.pdf")).contains("draft, not signed", "A draft. Not signed.").doesNotContain("SHA-256");
        assertThat(mvc.perform(get(ref.path() + "/prove/issues/7.pdf").with(user(ref.staff()))).andReturn().getResponse().getStatus())
                .isEqualTo(404);
    }

    private void takeAllAsItIs(String words, String who) {
        Map<String, String> said = new HashMap<>();
        state().gate().open().forEach(open -> said.putAll(Map.of(open.remark(), words, open.agreed(), who)));
        signing.remark(ref, new Form(said));
    }

    /** The same answer to all. */
    private Map<String, String> allEnded(FirmEnds.Became became) {
        Map<String, String> ticks = new HashMap<>();
        List<FirmEnds.Known> known = handOver.ends(frames.frame(ref, Stage.PROVE)).known();
        for (int i = 0; i < known.size(); i++) {
            ticks.put("of" + i, known.get(i).what());
            ticks.put("end" + i, became.name());
        }
        return ticks;
    }

    private Form sign() {
        return sign(state().shown());
    }

    private Form sign(String shown) {
        Form form = new Form(new HashMap<>(Map.of("shown", shown)));
        form.save(() -> signing.sign(ref, "Ida Quiller", STROKES, form));
        return form;
    }

    private Signing.State state() {
        return signing.state(frames.frame(ref, Stage.PROVE));
    }

    private String text(int number) throws Exception {
        return read(ref.path() + "/prove/issues/" + number + ".pdf");
    }

    private String read(String path) throws Exception {
        byte[] pdf = Made.file(mvc, get(path).with(user(ref.staff()))).getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }
}
