package roofnest.app.particulars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.awt.image.BufferedImage;
import java.time.LocalDate;
import java.util.Map;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MailRepository;
import roofnest.core.promise.Stage;

/** What is next follows the work, unless somebody sets it; and nothing that was not agreed is told as agreed. */
@AppTest
class AheadTest {
    private static final LocalDate TODAY = LocalDate.now();

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private AppointmentRepository appointments;
    @Autowired private Changes changes;
    @Autowired private LogRepository log;
    @Autowired private MailRepository mail;
    @Autowired private FirmRepository firms;

    private Staff tamsin;
    private HouseholdRef ref;

    @BeforeEach
    void aHouseholdIsTakenOn() {
        tamsin = demo.staff("tamsin");
        ref = new HouseholdRef(households.add(tamsin.firmId(), "Ahead", "4 Toll Row " + System.nanoTime(), TODAY.plusDays(3), "brief"),
                tamsin);
    }

    @Test
    void a_stage_reached_sets_what_is_next_and_a_hand_stands_until_the_next_one() throws Exception {
        changes.run(ref, Stage.SURVEY, () -> {});
        assertDue(TODAY.plusDays(7), "survey", false);
        long wynn = demo.staff("wynn").id();
        assertThat(send("/sheet/due",
                Map.of("dueOn", TODAY.plusDays(30).toString(), "dueWhat", "survey with the roofer", "duePerson", "" + wynn,
                        "version", version()))
                .getStatus()).isEqualTo(302);
        assertDue(TODAY.plusDays(30), "survey with the roofer", true);
        changes.run(ref, Stage.SURVEY, () -> {});
        assertDue(TODAY.plusDays(30), "survey with the roofer", true);
        assertThat(households.get(ref.id()).due().person()).isEqualTo("Wynn Castell");
        changes.run(ref, Stage.READY, () -> {});
        assertDue(TODAY.plusDays(7), "get it ready", false);
        assertThat(send("/sheet/due", Map.of("dueOn", "", "dueWhat", "wait for the roofer", "duePerson", "", "version", version()))
                .getStatus())
                .isEqualTo(302);
        assertDue(null, "wait for the roofer", true);
        assertThat(households.get(ref.id()).due().personId()).isNull();
        send("/sheet/due/follow", Map.of());
        assertDue(TODAY.plusDays(7), "get it ready", false);
    }

    @Test
    void what_cannot_be_is_said_at_its_field_and_two_at_once_are_told_apart() throws Exception {
        String version = version();
        assertThat(send("/sheet/due", Map.of("dueOn", TODAY.toString(), "dueWhat", "", "duePerson", "", "version", version))
                .getContentAsString()).contains("Say what is to be done on this day.");
        long stranger = demo.staff("petra").id();
        assertThat(send("/sheet/due", Map.of("dueWhat", "x", "duePerson", "" + stranger, "version", version)).getContentAsString())
                .contains("Choose somebody of the firm.");
        assertThat(send("/sheet/due", Map.of("dueWhat", "x", "version", version)).getStatus()).isEqualTo(302);
        assertThat(send("/sheet/due", Map.of("dueWhat", "y", "version", version)).getStatus()).isEqualTo(409);
        assertThat(send("/sheet/visit", Map.of("visitOn", TODAY.minusDays(1).toString(), "visitFrom", "10:00", "visitUntil", "09:00"))
                .getContentAsString()).contains("This day is over.", "This is before the earliest.");
        assertThat(send("/sheet/visit", Map.of("visitOn", TODAY.toString())).getContentAsString())
                .contains("Say from when somebody is at home.");
        assertThat(appointments.of(ref.id())).isEmpty();
    }

    @Test
    void an_open_repair_and_a_note_that_comes_up_again_set_what_is_next() {
        changes.run(ref, Stage.SURVEY, () -> log.add(ref.id(),
                new LogRepository.Said(null, LogRepository.Kind.REPAIR, "Bell mute", TODAY, TODAY.plusDays(2)), ref.by()));
        assertDue(TODAY.plusDays(2), "repair: Bell mute", false);
        long id = log.of(ref.id()).get(0).id();
        changes.run(ref, Stage.SURVEY, () -> log.close(ref.id(), id));
        assertDue(TODAY.plusDays(7), "survey", false);
        changes.run(ref, Stage.SURVEY, () -> log.add(ref.id(),
                new LogRepository.Said(null, LogRepository.Kind.NOTE, "Ask about the shed", TODAY, TODAY.plusDays(1)), ref.by()));
        assertDue(TODAY.plusDays(1), "Ask about the shed", false);
    }

    /** A plan of the firm's own is not told; agreed it is; moved it has to be agreed anew; called off it is told no more. */
    @Test
    void only_what_was_agreed_is_told_to_the_household() throws Exception {
        changes.run(ref, Stage.READY, () -> {});
        LocalDate day = TODAY.plusDays(12);
        visit(day, false);
        assertDue(day, "get it ready", false);
        assertThat(mailed()).contains("We have not agreed on a day yet").doesNotContain("between 09:00");
        assertThat(household(link())).doesNotContain("When we come", "between 09:00");

        visit(day, true);
        assertThat(mailed()).contains(" on ", "between 09:00 and 11:00");
        String link = link();
        assertThat(household(link)).contains("When we come", "between 09:00 and 11:00", "That suits us");
        int sequence = appointments.of(ref.id()).orElseThrow().sequence();
        String uid = uid(link, sequence);
        assertThat(byLink(link + "/visit", Map.of("sequence", "" + (sequence + 1)))).as("another time than the one shown")
                .contains("changed meanwhile");
        assertThat(appointments.of(ref.id()).orElseThrow().confirmedAt()).isNull();
        byLink(link + "/visit", Map.of("sequence", "" + sequence));
        assertThat(page("/sheet")).contains("confirmed by the household");

        byLink(link + "/visit/other", Map.of("other", "Friday morning, please"));
        assertThat(page("/sheet")).contains("The household would rather have: Friday morning, please")
                .doesNotContain("confirmed by the household");

        visit(day.plusDays(1), false);
        assertThat(appointments.of(ref.id()).orElseThrow().agreed()).as("another time is not agreed").isFalse();
        assertThat(household(link)).doesNotContain("When we come");
        visit(day.plusDays(1), true);
        assertThat(uid(link, sequence + 2)).as("the same event, moved").isEqualTo(uid);
        send("/sheet/visit/off", Map.of());
        assertThat(household(link)).doesNotContain("When we come").contains("The visit was called off", "Take it out of your calendar");
        assertThat(uid(link, sequence + 3)).as("cancelled as the same event").isEqualTo(uid);
        assertThat(mvc.perform(MockMvcRequestBuilders.get(link + "/visit.ics")).andReturn().getResponse().getContentAsString())
                .contains("METHOD:CANCEL", "STATUS:CANCELLED");
        assertThat(send("/sheet/visit/off", Map.of()).getStatus()).isEqualTo(409);
    }

    @Test
    void the_firms_own_details_stand_on_papers_and_mails() throws Exception {
        Staff petra = demo.staff("petra");
        HouseholdRef house = new HouseholdRef(demo.household("Thorne"), petra);
        String version = "" + firms.details(petra.firmId()).version();
        assertThat(as(petra, MockMvcRequestBuilders.post("/people/firm"), Map.of("firmName", "Marram Lane", "firmAddress", "2 Marram Lane",
                "firmPhone", "+00 555 77", "firmEmail", "hello@marramlane.example", "taxNumber", "ML 77 120", "version", version))
                .getStatus())
                .isEqualTo(302);
        assertThat(as(petra, MockMvcRequestBuilders.post("/people/firm"), Map.of("firmName", "M", "version", version)).getStatus())
                .isEqualTo(409);
        assertThat(as(demo.staff("jory"), MockMvcRequestBuilders.post("/people/firm"), Map.of("firmName", "M", "version", "0")).getStatus())
                .isEqualTo(403);
        mail.send(house.id(), "a@b.example", "Hello", "Good day.", null);
        assertThat(mail.of(house.id(), true).get(0).body()).isEqualTo(
                "Good day.\n\nMarram Lane\n2 Marram Lane\n+00 555 77\nhello@marramlane.example\ntax number ML 77 120");

        MockMultipartFile picture = new MockMultipartFile("mark", png(900, 300));
        assertThat(
                mvc.perform(MockMvcRequestBuilders.multipart("/people/firm/mark").file(picture).with(user(petra)).with(csrf())).andReturn()
                        .getResponse().getStatus())
                .isEqualTo(302);
        BufferedImage kept = ImageIO.read(new ByteArrayInputStream(
                as(petra, MockMvcRequestBuilders.get("/people/firm/mark.png"), Map.of()).getContentAsByteArray()));
        assertThat(kept.getWidth()).isEqualTo(260);
        MockMultipartFile noise = new MockMultipartFile("mark", "no picture".getBytes());
        assertThat(mvc.perform(MockMvcRequestBuilders.multipart("/people/firm/mark").file(noise).with(user(petra)).with(csrf())).andReturn()
                .getResponse().getContentAsString()).contains("This is no picture that can be read");
    }

    private void assertDue(LocalDate on, String what, boolean byHand) {
        assertThat(households.get(ref.id()).due()).satisfies(due -> {
            assertThat(due.on()).isEqualTo(on);
            assertThat(due.what()).isEqualTo(what);
            assertThat(due.byHand()).isEqualTo(byHand);
        });
    }

    private void visit(LocalDate day, boolean agreed) throws Exception {
        assertThat(
                send("/sheet/visit", Map.of("visitOn", day.toString(), "visitFrom", "09:00", "visitUntil", "11:00", "agreed", "" + agreed))
                        .getStatus())
                .isEqualTo(302);
    }

    private String mailed() throws Exception {
        assertThat(send("/ready/preparation", Map.of("to", "house@ahead.example")).getStatus()).isEqualTo(302);
        return mail.of(ref.id(), true).get(0).body();
    }

    private String link() {
        String link = mail.of(ref.id(), true).get(0).link();
        return link.substring(link.indexOf("/prepare/"));
    }

    private String household(String path) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get(path)).andReturn().getResponse().getContentAsString();
    }

    private String byLink(String path, Map<String, String> form) throws Exception {
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
        form.forEach(request::param);
        return String.valueOf(mvc.perform(request.with(csrf())).andReturn().getFlashMap().get("refused"));
    }

    /** Read back by the calendar's own reader. */
    private String uid(String link, int sequence) throws Exception {
        String text = mvc.perform(MockMvcRequestBuilders.get(link + "/visit.ics")).andReturn().getResponse().getContentAsString();
        Component event = new CalendarBuilder().build(new StringReader(text)).getComponents("VEVENT").get(0);
        assertThat(event.getRequiredProperty(Property.SEQUENCE).getValue()).isEqualTo("" + sequence);
        return event.getRequiredProperty(Property.UID).getValue();
    }

    private String version() {
        return "" + households.get(ref.id()).particulars();
    }

    private String page(String path) throws Exception {
        return as(tamsin, MockMvcRequestBuilders.get(ref.path() + path), Map.of()).getContentAsString();
    }

    private MockHttpServletResponse send(String path, Map<String, String> form) throws Exception {
        return as(tamsin, MockMvcRequestBuilders.post(ref.path() + path), form);
    }

    private MockHttpServletResponse as(Staff who, MockHttpServletRequestBuilder request, Map<String, String> form) throws Exception {
        form.forEach(request::param);
        return mvc.perform(request.with(user(who)).with(csrf())).andReturn().getResponse();
    }

    private static byte[] png(int width, int height) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }
}
