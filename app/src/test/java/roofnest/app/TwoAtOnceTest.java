package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

import roofnest.app.firm.Staff;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.network.HomeNetwork;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Two people do the same at the same moment: one does it, the other is told, and what is stored is what the judge says. */
@AppTest
class TwoAtOnceTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private ResidentRepository residents;
    @Autowired private AccessRepository access;
    @Autowired private NetworkRepository networks;
    @Autowired private Changes changes;
    @Autowired private JudgedHouseholds judged;

    private final ExecutorService two = Executors.newFixedThreadPool(2);
    private Staff jory;
    private Staff tamsin;
    private long house;
    private long gate;

    @BeforeEach
    void aHouseWithACamera() {
        jory = demo.staff("jory");
        tamsin = demo.staff("tamsin");
        house = households.add(jory.firmId(), "Twice", "2 Ford Row", LocalDate.now().plusDays(11), "install");
        gate = cameras.add(house, "Gate", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        judgeNow();
    }

    @AfterEach
    void nobodyIsLeft() {
        two.shutdownNow();
    }

    @RepeatedTest(3)
    void both_begin_the_visit() throws Exception {
        oneOfTwo(path("/day/start"), Map.of("installers", "1"));
        assertThat(count("visit")).isOne();
    }

    @RepeatedTest(3)
    void both_mark_the_same_task() throws Exception {
        assertThat(status(post(path("/day/start")).param("installers", "1"), jory)).isEqualTo(302);
        String task = demo.jdbc().sql("""
            select task_id from visit_task join visit on visit.id = visit_id where household_id = :id order by seq limit 1
            """).param("id", house).query(String.class).single();
        oneOfTwo(path("/day/mark"), Map.of("task", task, "to", "BEGIN", "seen", "OPEN"));
    }

    @RepeatedTest(3)
    void both_go_on_by_another_way() throws Exception {
        networks.take(house, new HomeNetwork("ford-row", "swallow-under-eaves", EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false),
                "jory");
        judgeNow();
        assertThat(status(post(path("/pair/runs")).param("camera", "" + gate).param("way", "HOTSPOT"), jory)).isEqualTo(302);
        long run = demo.jdbc().sql("select max(id) from run where household_id = :id").param("id", house).query(Long.class).single();
        oneOfTwo(path("/pair/runs/" + run + "/way"), Map.of("way", "SEARCH"));
        assertThat(count("run")).isEqualTo(2);
        assertThat(demo.jdbc().sql("select count(*) from run where household_id = :id and finished_at is null").param("id", house)
                .query(Integer.class).single()).isOne();
    }

    @RepeatedTest(3)
    void both_confirm_the_same_test() throws Exception {
        house = demo.household("Osgood");
        gate = cameras.add(house, "Twice " + System.nanoTime(), "dunmark-post", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                Camera.Settings.DEFAULT);
        cameras.markJoined(house, gate);
        judgeNow();
        assertThat(status(post(path("/prove/" + gate + "/trials")).param("kind", "LIVE_HOME"), jory)).isEqualTo(302);
        long trial = demo.jdbc().sql("select max(id) from trial where household_id = :id").param("id", house).query(Long.class).single();
        oneOfTwo(path("/prove/trials/" + trial + "/seen"), Map.of("passed", "true", "seconds", "3", "signalDbm", "-59"));
        assertThat(demo.jdbc().sql("select count(*) from proof where household_id = :id and promise_key = :key").param("id", house)
                .param("key", "c" + gate + ".link").query(Integer.class).single()).isOne();
    }

    @RepeatedTest(3)
    void both_give_the_same_person_access() throws Exception {
        residents.add(house, "Wren Twice", "", Access.Tie.LIVES_HERE, null);
        long wren = residents.of(house).get(0).id();
        List<Map<String, String>> forms = List.of(Map.of("role", "VIEWER", "was", ""), Map.of("role", "OWNER", "was", ""));
        List<Integer> answers = both(
                form(post(path("/share/" + wren + "/" + gate)), forms.get(0)),
                form(post(path("/share/" + wren + "/" + gate)), forms.get(1)));
        assertThat(answers).containsExactlyInAnyOrder(302, 409);
        assertThat(access.roleOf(house, wren, gate)).hasValue(answers.get(0) == 302 ? Access.Role.VIEWER : Access.Role.OWNER);
        assertStoredIsJudged();
    }

    @RepeatedTest(3)
    void both_set_the_prices() throws Exception {
        demo.jdbc().sql("delete from firm_money where firm_id = :id").param("id", tamsin.firmId()).update();
        jory = tamsin;
        oneOfTwo(path("/ready/price/firm"), Map.of("currency", "EUR", "tax", "20", "validDays", "30", "payDays", "14", "version", "0"));
        int version = demo.jdbc().sql("select version from firm_money where firm_id = :id").param("id", tamsin.firmId())
                .query(Integer.class).single();
        oneOfTwo(path("/ready/price/firm"),
                Map.of("currency", "EUR", "tax", "20", "validDays", "30", "payDays", "14", "version", "" + version));
    }

    /** The household sends from two phones while there is room for one more picture. */
    @RepeatedTest(3)
    void both_send_the_last_picture_and_both_take_the_same_one_out() throws Exception {
        String link = link();
        while (count("household_photo") < 11) {
            assertThat(refused(picture(link))).isFalse();
        }
        assertThat(bothRefused(picture(link), picture(link))).containsExactlyInAnyOrder(false, true);
        assertThat(count("household_photo")).isEqualTo(12);
        long photo = demo.jdbc().sql("select min(id) from household_photo where household_id = :id").param("id", house).query(Long.class)
                .single();
        String out = link + "/photos/" + photo + "/remove";
        assertThat(bothRefused(post(out).with(csrf()), post(out).with(csrf()))).containsExactlyInAnyOrder(false, true);
        assertThat(count("household_photo")).isEqualTo(11);
    }

    private void oneOfTwo(String address, Map<String, String> form) throws Exception {
        assertThat(both(form(post(address), form), form(post(address), form))).as(address).containsExactlyInAnyOrder(302, 409);
        assertStoredIsJudged();
    }

    private static AbstractMockHttpServletRequestBuilder<?> form(
            AbstractMockHttpServletRequestBuilder<?> request, Map<String, String> fields) {
        fields.forEach(request::param);
        return request;
    }

    /** The answers to the two, the first by one of the firm, the second by another. */
    private List<Integer> both(AbstractMockHttpServletRequestBuilder<?> first, AbstractMockHttpServletRequestBuilder<?> second)
            throws Exception {
        return atOnce(first.with(user(jory)).with(csrf()), second.with(user(tamsin)).with(csrf())).stream()
                .map(result -> result.getResponse().getStatus()).toList();
    }

    private List<Boolean> bothRefused(AbstractMockHttpServletRequestBuilder<?> first, AbstractMockHttpServletRequestBuilder<?> second)
            throws Exception {
        return atOnce(first, second).stream().map(result -> result.getFlashMap().containsKey("refused")).toList();
    }

    private List<MvcResult> atOnce(AbstractMockHttpServletRequestBuilder<?> first, AbstractMockHttpServletRequestBuilder<?> second)
            throws Exception {
        CyclicBarrier start = new CyclicBarrier(2);
        Future<MvcResult> one = two.submit(() -> {
            start.await();
            return mvc.perform(first).andReturn();
        });
        Future<MvcResult> other = two.submit(() -> {
            start.await();
            return mvc.perform(second).andReturn();
        });
        return List.of(one.get(60, TimeUnit.SECONDS), other.get(60, TimeUnit.SECONDS));
    }

    private int status(AbstractMockHttpServletRequestBuilder<?> request, Staff staff) throws Exception {
        return mvc.perform(request.with(user(staff)).with(csrf())).andReturn().getResponse().getStatus();
    }

    private boolean refused(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request).andReturn().getFlashMap().containsKey("refused");
    }

    private static AbstractMockHttpServletRequestBuilder<?> picture(String link) throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", png);
        return multipart(link + "/photos").file(new MockMultipartFile("picture", png.toByteArray())).param("what", "place").with(csrf());
    }

    private String link() throws Exception {
        status(post(path("/ready/preparation")).param("to", "wren@twice.example"), jory);
        String stored = demo.mailedLink(house);
        return stored.substring(stored.indexOf("/prepare/"));
    }

    private void judgeNow() {
        demo.touched(house);
        changes.run(new HouseholdRef(house, jory), Stage.BRIEF, () -> {});
    }

    private String path(String rest) {
        return "/households/" + house + rest;
    }

    private int count(String table) {
        return demo.jdbc().sql("select count(*) from " + table + " where household_id = :id").param("id", house).query(Integer.class)
                .single();
    }

    private void assertStoredIsJudged() {
        Map<String, String> stored = demo.jdbc().sql("select promise_key, standing from finding where household_id = :id")
                .param("id", house).query((row, n) -> Map.entry(row.getString(1), row.getString(2))).list().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        assertThat(stored).isEqualTo(HouseholdJudge.judge(judged.of(house).facts()).promises().stream()
                .collect(Collectors.toMap(each -> each.promise().key().value(), each -> each.finding().standing().name())));
    }
}
