package roofnest.app.carry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Hiring;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.ResidentRepository;

@AppTest
class CustomersTest {
    private static int firms;

    @Autowired private MockMvc mvc;
    @Autowired private Hiring hiring;
    @Autowired private FirmRepository firmRepository;
    @Autowired private HouseholdRepository households;
    @Autowired private ResidentRepository residents;
    @Autowired private Customers customers;

    private Staff staff;

    @BeforeEach
    void an_empty_firm() {
        firms++;
        String email = "owner" + firms + "@customers.example";
        hiring.foundFirm("Customers " + firms, new Hiring.NewPerson("Una Tern", email, Role.OWNER, "weir steps nine"));
        staff = firmRepository.findByEmail(email).orElseThrow();
    }

    @Test
    void a_table_is_shown_first_and_taken_in_then() throws Exception {
        String table = "Name;Address;Phone;Person;E-Mail\nAlder;1 Tern Row, Staithe;+44 1632 960001;Wren Alder;wren@alder.example\n"
                + "\"Birch; elder\";2 Tern Row, Staithe;;;\nAlder again;1 tern row, staithe;;;\n";
        Document tried = Jsoup.parse(tryOut(table).getContentAsString());
        assertThat(tried.select("h1").text()).isEqualTo("2 households would be taken in");
        assertThat(tried.text()).contains("left out: stands in this file before", "Birch; elder");
        assertThat(households.all(staff.firmId())).as("only tried").isEmpty();

        assertThat(mvc.perform(post("/carry/customers/take").param("content", tried.select("[name=content]").val()).with(user(staff)).with(
                csrf())).andReturn().getResponse().getRedirectedUrl()).isEqualTo("/");
        List<Household> taken = households.all(staff.firmId());
        assertThat(taken).extracting(Household::name).containsExactlyInAnyOrder("Alder", "Birch; elder");
        Household alder = taken.stream().filter(each -> each.name().equals("Alder")).findFirst().orElseThrow();
        assertThat(alder.phone()).isEqualTo("+44 1632 960001");
        assertThat(residents.of(alder.id())).singleElement().satisfies(who -> assertThat(who.email()).isEqualTo("wren@alder.example"));
        assertThat(take(table).getRedirectedUrl()).as("again").isEqualTo("/");
        assertThat(households.all(staff.firmId())).hasSize(2);
        assertThat(Jsoup.parse(tryOut(table).getContentAsString()).text()).contains("a household at this address is there already");
    }

    @Test
    void an_address_book_is_taken_in_too() throws Exception {
        String cards = """
            BEGIN:VCARD
            VERSION:4.0
            FN:Wren Alder
            N:Alder;Wren;;;
            ADR:;;1 Tern Row;Staithe;;;
            TEL;VALUE=uri:tel:+441632960001
            EMAIL:wren@alder.example
            END:VCARD
            BEGIN:VCARD
            VERSION:3.0
            FN:Ida Birch
            ADR:;;2 Tern Row;;;;
            END:VCARD
            """;
        assertThat(take(cards).getRedirectedUrl()).isEqualTo("/");
        assertThat(households.all(staff.firmId())).extracting(Household::title).containsExactlyInAnyOrder("Alder · 1 Tern Row, Staithe",
                "Birch · 2 Tern Row");
    }

    @Test
    void one_wrong_line_takes_nobody_in_and_says_which() throws Exception {
        String table = "name,address,email\nAlder,1 Tern Row,wren@alder.example\nBirch,,\nCedar,3 Tern Row,nobody\n" + "D".repeat(81)
                + ",4 Tern Row,\n";
        Document tried = Jsoup.parse(tryOut(table).getContentAsString());
        assertThat(tried.select("h1").text()).isEqualTo("3 lines are wrong");
        assertThat(tried.text()).contains("wrong: it has no address", "wrong: “nobody” is no e-mail address", "wrong: a name is longer");
        assertThat(tried.select("[name=content]")).isEmpty();
        assertThat(Jsoup.parse(take(table).getContentAsString()).select(".fault").text()).contains("nothing was changed", "Line 3",
                "Line 4");
        assertThat(households.all(staff.firmId())).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "name\nAlder", "\u0000\u0001", "name,address", "name,address\n\"Alder,1 Tern Row", "name,name,address\na,b,c",
                "BEGIN:VCARD\nEND", "<html>"})
    void what_is_no_list_of_customers_is_refused_and_changes_nothing(String text) throws Exception {
        assertThat(Jsoup.parse(tryOut(text).getContentAsString()).text()).as(text).containsAnyOf("was refused and nothing was changed",
                "is wrong");
        assertThat(households.all(staff.firmId())).isEmpty();
    }

    @Test
    void a_file_without_end_and_one_that_is_no_text_are_refused() throws Exception {
        String many = "name,address\n" + "a,b\n".repeat(1001);
        assertThat(tryOut(many).getContentAsString()).contains("more than 1000 households");
        assertThat(tryOut("name,address\n" + "x".repeat(1_000_001)).getContentAsString()).contains("larger than 1 MB");
        MockHttpServletResponse binary
                = mvc.perform(multipart("/carry/customers").file(new MockMultipartFile("file", new byte[] {(byte) 0xff,
                    (byte) 0xfe, 0})).with(user(staff)).with(csrf())).andReturn().getResponse();
        assertThat(binary.getContentAsString()).contains("no text in UTF-8");
        assertThat(mvc.perform(get("/carry").with(user(staff))).andReturn().getResponse().getStatus()).isEqualTo(200);
    }

    @Test
    void two_who_take_the_same_file_at_once_make_each_household_once() throws Exception {
        byte[] table = "name,address\nAlder,1 Tern Row\nBirch,2 Tern Row\n".getBytes(StandardCharsets.UTF_8);
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            List<Callable<Integer>> both = List.of(() -> customers.take(staff, table), () -> customers.take(staff, table));
            int taken = 0;
            for (Future<Integer> each : two.invokeAll(both)) {
                taken += each.get();
            }
            assertThat(taken).isEqualTo(2);
        } finally {
            two.shutdownNow();
        }
        assertThat(households.all(staff.firmId())).hasSize(2);
    }

    private MockHttpServletResponse tryOut(String text) throws Exception {
        return mvc.perform(multipart("/carry/customers").file(new MockMultipartFile("file", "customers.csv", "text/csv", text.getBytes(
                StandardCharsets.UTF_8))).with(user(staff)).with(csrf())).andReturn().getResponse();
    }

    private MockHttpServletResponse take(String text) throws Exception {
        return mvc.perform(post("/carry/customers/take").param("content", Base64.getEncoder().encodeToString(text.getBytes(
                StandardCharsets.UTF_8))).with(user(staff)).with(csrf())).andReturn().getResponse();
    }
}
