package roofnest.app.carry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.time.OffsetDateTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import javax.imageio.ImageIO;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.CameraSetupRepository;
import roofnest.app.records.CameraViewRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.SensorWalkRepository;
import roofnest.core.access.Access;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Bell;
import roofnest.core.alert.Content;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.Phone;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Patrol;
import roofnest.core.judge.PictureSetup;
import roofnest.core.week.SensorFit;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.LogRepository;
import roofnest.app.records.PictureShelf;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.PackReadingRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.web.ImportRefused;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.BellSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.judge.Judged;
import roofnest.core.plan.PlanPoint;
import roofnest.core.power.PackFit;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Promise;
import roofnest.core.mount.Base;
import roofnest.core.mount.Covering;
import roofnest.core.mount.SaidWall;
import roofnest.core.mount.SaidLead;
import roofnest.core.mount.SpotLook;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.still.Spread;
import roofnest.core.still.Tap;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.week.DayCurve;
import roofnest.core.week.HouseKind;
import roofnest.core.week.SourceKind;

/** A household goes out of one firm and comes into another as it was, secrets apart; and what is wrong changes nothing. */
@AppTest
class CarryTest {
    private static final Map<SourceKind, DayCurve> CURVES = Map.of(SourceKind.BIRD, new DayCurve(Collections.nCopies(24, 0.5),
            Collections.nCopies(24, 0.25)));
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private CarryOut out;
    @Autowired private CarryIn in;
    @Autowired private JudgedHouseholds judged;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private LogRepository log;
    @Autowired private PoseReadingRepository poses;
    @Autowired private SpotLookRepository looks;
    @Autowired private SaidLeadRepository leads;
    @Autowired private ComingsRepository comings;
    @Autowired private AlertRepository alerts;
    @Autowired private ResidentRepository residents;
    @Autowired private CameraSetupRepository setups;
    @Autowired private PackReadingRepository packs;
    @Autowired private SensorWalkRepository walks;
    @Autowired private CameraViewRepository views;
    @Autowired private PromiseRepository promises;
    @Autowired private CountedWeekRepository counted;
    @Autowired private Models models;
    @Autowired private List<PictureShelf> shelves;

    @ParameterizedTest
    @ValueSource(strings = {"Quiller", "Osgood", "Verrall", "Merrin", "Peverell", "Brannock", "Treloar"})
    void in_the_second_firm_it_is_judged_as_in_the_first(String name) throws Exception {
        HouseholdRef from = demo.ref(name, "tamsin");
        CarryIn.Taken taken = in.take(demo.staff("petra"), out.zip(from));
        long there = taken.ref().id();
        assertThat(findings(there)).isEqualTo(findings(from.id()));
        assertThat(log.of(there)).usingRecursiveFieldByFieldElementComparatorIgnoringFields("id", "cameraId", "changedBy", "version")
                .isEqualTo(log.of(from.id()));
        HouseholdFile first = out.file(from.id(), List.of());
        HouseholdFile second = out.file(there, List.of());
        assertThat(second).usingRecursiveComparison()
                .ignoringFields("people.ref", "promises.ref", "cameras.ref", "access.person", "access.camera", "known.person",
                        "known.account", "known.camera", "screens.linkedBy", "screens.cameras", "log.camera",
                        "proofs.camera",
                        "proofs.promise", "proofs.phones.person", "tests.camera", "tests.phones.person", "remarks.promise",
                        "remarks.camera",
                        "looks.person", "looks.camera", "counted.camera")
                .isEqualTo(first);
        assertThat(second.known().stream().map(each -> nameOf(second, each.person()) + each.kind() + nameOf(second, each.account())))
                .isEqualTo(first.known().stream().map(each -> nameOf(first, each.person()) + each.kind() + nameOf(first, each.account()))
                        .toList());
        assertThat(households.get(there).stage()).isEqualTo(households.get(from.id()).stage());
        demo.jdbc().sql("delete from household where id = :id").param("id", there).update();
    }

    /** What joins is judged by the password, which does not travel; everything else is the same, word for word. */
    private Map<String, String> findings(long household) {
        Map<String, String> findings = new TreeMap<>();
        for (Judged each : judged.of(household).judgement().promises()) {
            if (!(each.promise() instanceof Promise.Joins)) {
                String camera = each.cameraId().map(id -> judged.of(household).camera(id).camera().name()).orElse("");
                findings.put(each.wording() + " " + camera + " " + findings.size(),
                        each.finding().standing() + " " + each.finding().measured()
                                + " " + each.finding().evidence() + " " + each.finding().reason());
            }
        }
        return findings;
    }

    private static String nameOf(HouseholdFile file, Long person) {
        return file.people().stream().filter(each -> person != null && each.ref() == person).map(HouseholdFile.Person::name).findFirst()
                .orElse("");
    }

    @Test
    void nothing_secret_is_in_it() throws IOException {
        for (String name : List.of("Quiller", "Peverell", "Brannock")) {
            HouseholdRef ref = demo.ref(name, "tamsin");
            String text = new String(files(out.zip(ref)).get(CarryOut.DOCUMENT), StandardCharsets.UTF_8);
            demo.wifiPassword(ref.id()).ifPresent(password -> assertThat(text).doesNotContain(password));
            assertThat(text).doesNotContain("\"password\"", "\"sealed\"");
        }
    }

    @Test
    void own_models_and_pictures_come_along() throws Exception {
        Staff jory = demo.staff("jory");
        String document = new DeviceDocument().write(models.get("dunmark-post")).replace("dunmark-post", "carried-post")
                .replace("\"name\" : \"Post\"", "\"name\" : \"Post carried\"");
        models.add(jory.firmId(), document, "Jory");
        long house = households.add(jory.firmId(), "Carried", "1 Cart Lane", LocalDate.now(), "brief");
        cameras.add(house, "Eye", "own-" + jory.firmId() + "-carried-post", new CameraPose(1, 2, 2.4, 90, 10), Camera.Settings.DEFAULT);
        demo.touched(house);
        shelves.stream().filter(shelf -> shelf.shelf().equals("from-the-household")).findFirst().orElseThrow()
                .put(house, new PictureShelf.Picture(Map.of("what", "the router's label"), picture()));
        Staff petra = demo.staff("petra");
        long there = in.take(petra, out.zip(new HouseholdRef(house, jory))).ref().id();
        assertThat(cameras.of(there).get(0).model().key()).isEqualTo("own-" + petra.firmId() + "-carried-post");
        assertThat(cameras.of(there).get(0).model().name()).isEqualTo("Post carried");
        assertThat(shelves.stream().flatMap(shelf -> shelf.pictures(there).stream())).singleElement()
                .satisfies(picture -> assertThat(picture.about()).containsEntry("what", "the router's label"));
        in.take(petra, out.zip(new HouseholdRef(house, jory)));
        assertThat(models.of(petra.firmId())).filteredOn(model -> model.name().equals("Post carried")).as("once is enough").hasSize(1);
        for (Staff staff : List.of(jory, petra)) {
            demo.jdbc().sql("delete from household where firm_id = :firm and name = 'Carried'").param("firm", staff.firmId()).update();
            mvc.perform(MockMvcRequestBuilders.post("/models/carried-post/remove").with(user(staff)).with(csrf()));
            assertThat(models.of(staff.firmId())).noneMatch(model -> model.name().equals("Post carried"));
        }
    }

    /** Each is wrong in one way; nothing at all is kept of it. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"version\" : 1 | \"version\" : 7 | /version", "\"tie\" : \"LIVES_HERE\" | \"tie\" : \"LODGER\" | /people",
        "\"openSkyShare\" : [0-9.]+ | \"openSkyShare\" : 9 | openSkyShare",
        "\"model\" : \"dunmark-post\" | \"model\" : \"nobody-knows\" | Nobody here knows",
        "\"format\" : | \"secret\" : \"x\", \"format\" : | secret", "\"kind\" : \"KEEPS_DAYS\" | \"kind\" : \"MAKE_OUT\" | not complete",
        "\"storey\" : \"ground\" | \"storey\" : \"attic\" | /plan"})
    void what_is_wrong_is_said_and_nothing_is_kept(String good, String bad, String said) throws IOException {
        Map<String, byte[]> files = files(out.zip(demo.ref("Quiller", "tamsin")));
        String text = new String(files.get(CarryOut.DOCUMENT), StandardCharsets.UTF_8);
        assertThat(text).containsPattern(good.strip());
        files.put(CarryOut.DOCUMENT, text.replaceAll(good.strip(), bad.strip()).getBytes(StandardCharsets.UTF_8));
        assertRefused(zip(files), said.strip());
    }

    /** The pose goes along with its points and its interval, and stands in the second firm as in the first. */
    @Test
    void how_a_camera_hangs_and_what_its_wall_is_goes_along() throws Exception {
        HouseholdRef from = demo.ref("Lanyon", "tamsin");
        CameraRepository.Record eye = judged.of(from.id()).cameras().get(0);
        List<Landmark> points = Landmarks.of(judged.of(from.id()).facts().plan().orElseThrow(), eye.planned().onPlan()).subList(0, 4);
        CameraPose hangs = eye.planned().turned(eye.planned().headingDeg() + 3.25, eye.planned().tiltDeg(), 1.5);
        OffsetDateTime at = OffsetDateTime.parse("2026-11-20T10:15:30.123456Z");
        poses.put(from.id(), new PoseReadingRepository.Row(eye.id(), eye.camera().model().key(), eye.planned(), hangs,
                new Spread(0.03, 0.02, 0.2, 0.2, 0.3), points.stream().map(point -> new Tap(point, new Projection.Pixel(10, 20))).toList(),
                at,
                at, "Jory Penhale"));
        cameras.sayWall(from.id(), eye.id(), new SaidWall(Base.HOLLOW, Covering.RENDER, 18), "Jory Penhale", eye.version());
        looks.keep(from.id(), eye.id(), new SpotLook(true, false, eye.planned().onPlan(), eye.planned().heightM(), "Jory Penhale"));
        leads.keep(from.id(), eye.id(), new SaidLead("hall socket", 7.5, 1,
                List.of(new SpacePoint(1.25, -2, 0.4), new SpacePoint(3, -2, 2.2)), eye.planned().onPlan(), eye.planned().heightM(),
                "Wynn Tarr"));
        cameras.watch(from.id(), eye.id(), new Camera.Watching(2, Set.of(AlertSpec.Kind.PERSON, AlertSpec.Kind.VEHICLE)),
                cameras.get(from.id(), eye.id()).version());
        comings.say(from.id(), new ComingsAndGoings(HouseKind.FARM, Map.of(SourceKind.WILD, 2.5), CURVES), 0);
        counted.keep(from.id(), eye.id(), LocalDate.of(2026, 11, 2), 7, 120, OptionalInt.of(9), Map.of(AlertSpec.Kind.PET, 4), "as it was",
                "Jory Penhale");
        long rung = residents.add(from.id(), "Odd One", "", Access.Tie.LIVES_HERE, null);
        AlertPlan plan = new AlertPlan(ModeWeek.USUAL.with(hour -> hour % 24 < 6, Mode.NIGHT),
                Map.of(eye.id(), Map.of(Mode.NIGHT, Does.RECORDS)),
                Map.of(rung, new Phone(Optional.of(new QuietHours(22, 6)), Content.THUMBNAIL, 5, Map.of(eye.id(),
                        Set.of(AlertSpec.Kind.PERSON)))),
                List.of(new DeviceRule(eye.id(), AlertSpec.Kind.ANY, DeviceRule.At.DARK, DeviceRule.Act.LIGHT, eye.id())))
                .withSilent(eye.id(), Optional.of(new QuietHours(9, 12)))
                .withBell(eye.id(), new Bell(BellSpec.Chime.PHONES, Optional.of("We are out."), 20, List.of("Coming")));
        alerts.say(from.id(), plan, 0);
        setups.set(from.id(), eye.id(), new PictureSetup(PictureSpec.Light.AMBIENT, false, false, false, true, true, false));
        views.add(from.id(), eye.id(), new Patrol.View("gate", 40, 12, 30));
        setups.tick(from.id(), eye.id(), "clip", "12 s", "Wynn Tarr", eye.joinedAt());
        String sensingMark = cameras.get(from.id(), eye.id()).camera().sensingMark();
        walks.keep(from.id(), eye.id(), new SensorFit.Walked(new PlanPoint(1, -3), new PlanPoint(4, -3), true, OptionalDouble.of(2.5), 9,
                false), sensingMark, "Wynn Tarr");
        walks.bend(from.id(), eye.id(), Optional.of(new MotionSpec(MotionSpec.Sensing.INFRARED, 6.5, 100, 1.4, 0)), sensingMark);
        packs.keep(from.id(), eye.id(), new PackFit.Reading(LocalDate.of(2026, 11, 3), 82, true), "as it was", "Wynn Tarr");
        packs.bend(from.id(), eye.id(), Optional.of(new PackReadingRepository.Bent(1.25, 0.8, cameras.get(from.id(), eye.id()).camera()
                .packMark())));
        promises.tellsOf(from.id(), "front-door", 90);
        promises.ringsAtMost(from.id(), 8);
        promises.silentAbout(from.id(), SourceKind.CYCLIST);
        promises.neverRings(from.id(), 22, 5);
        demo.touched(from.id());
        assertThat(judged.of(from.id()).cameras().get(0).camera().pose()).isEqualTo(hangs);
        CarryIn.Taken taken = in.take(demo.staff("petra"), out.zip(from));
        CameraRepository.Record there = judged.of(taken.ref().id()).cameras().get(0);
        assertThat(there.camera().pose()).isEqualTo(hangs);
        assertThat(there.camera().hangs()).contains(new Spread(0.03, 0.02, 0.2, 0.2, 0.3));
        assertThat(there.planned()).isEqualTo(eye.planned());
        assertThat(there.wall().orElseThrow().wall()).isEqualTo(new SaidWall(Base.HOLLOW, Covering.RENDER, 18));
        assertThat(findings(taken.ref().id())).isEqualTo(findings(from.id()));
        assertThat(out.file(taken.ref().id(), List.of()).cameras()).usingRecursiveFieldByFieldElementComparatorIgnoringFields("ref")
                .isEqualTo(out.file(from.id(), List.of()).cameras());
        assertThat(there.camera().look().orElseThrow().linesNear()).isTrue();
        assertThat(there.camera().lead().orElseThrow().alongM()).isEqualTo(7.5);
        assertThat(there.camera().lead().orElseThrow().turns()).containsExactly(new SpacePoint(1.25, -2, 0.4), new SpacePoint(3, -2, 2.2));
        assertThat(there.camera().watching()).contains(new Camera.Watching(2, Set.of(AlertSpec.Kind.PERSON, AlertSpec.Kind.VEHICLE)));
        assertThat(judged.of(taken.ref().id()).facts().comings()).isEqualTo(new ComingsAndGoings(HouseKind.FARM,
                Map.of(SourceKind.WILD, 2.5), CURVES));
        assertThat(alerts.of(taken.ref().id()).plan()).isEqualTo(plan.renumbered(Map.of(eye.id(), there.id()),
                Map.of(rung,
                        residents.of(taken.ref().id()).stream().filter(r -> r.name().equals("Odd One")).findFirst().orElseThrow().id())));
        assertThat(there.camera().pictureSetup().light()).isEqualTo(PictureSpec.Light.AMBIENT);
        assertThat(there.camera().model().lens().nightRangeM()).isZero();
        assertThat(there.camera().model().motion().rangeM()).isEqualTo(6.5);
        assertThat(views.views(taken.ref().id())).isEqualTo(Map.of(there.id(), List.of(new Patrol.View("gate", 40, 12, 30))));
        assertThat(setups.ticks(taken.ref().id(), there.id())).hasSize(1).hasEntrySatisfying("clip", tick -> {
            assertThat(tick.value()).isEqualTo("12 s");
            assertThat(tick.by()).isEqualTo("Wynn Tarr");
        });
        assertThat(walks.of(taken.ref().id())).singleElement().satisfies(walk -> {
            assertThat(walk.cameraId()).isEqualTo(there.id());
            assertThat(walk.walk().seconds()).hasValue(2.5);
            assertThat(walk.mark()).isEqualTo(sensingMark);
        });
        assertThat(packs.of(taken.ref().id())).extracting(PackReadingRepository.Row::reading).containsExactlyElementsOf(packs.of(
                from.id()).stream().map(PackReadingRepository.Row::reading).toList()).contains(new PackFit.Reading(
                        LocalDate.of(2026, 11, 3), 82, true));
        assertThat(packs.bent(taken.ref().id(), there.id())).hasValueSatisfying(bent -> assertThat(bent.drawShare()).isEqualTo(1.25));
        assertThat(there.camera().model().power()).isEqualTo(cameras.get(from.id(), eye.id()).camera().model().power());
        assertThat(counted.of(taken.ref().id())).singleElement().satisfies(row -> {
            assertThat(row.kinds()).isEqualTo(Map.of(AlertSpec.Kind.PET, 4));
            assertThat(row.cameraId()).isEqualTo(there.id());
            assertThat(row.clips()).isEqualTo(120);
            assertThat(row.wanted()).hasValue(9);
        });
        demo.jdbc().sql("delete from resident where id = :id").param("id", rung).update();
        for (String table : List.of("alert_plan", "camera_setup", "setting_tick", "sensor_walk", "camera_sensing", "camera_view")) {
            demo.jdbc().sql("delete from " + table + " where household_id = :id").param("id", from.id()).update();
        }
        demo.jdbc().sql("delete from counted_week where household_id = :id").param("id", from.id()).update();
        leads.forget(from.id(), eye.id());
        demo.jdbc().sql("update camera set sensitivity = null, kinds = null where id = :id").param("id", eye.id()).update();
        demo.jdbc()
                .sql("delete from promise where household_id = :id and (amount is not null or source is not null or from_hour is not null)")
                .param("id", from.id()).update();
        demo.jdbc().sql("delete from house_comings where household_id = :id").param("id", from.id()).update();
        assertThat(poses.forget(from.id(), eye.id())).isTrue();
        demo.jdbc().sql("delete from spot_look where camera_id = :id").param("id", eye.id()).update();
        demo.jdbc().sql("update camera set wall_base = null, wall_covering = null, wall_covering_mm = null, wall_said_by = null, "
                + "wall_said_at = null where id = :id").param("id", eye.id()).update();
        demo.jdbc().sql("delete from household where id = :id").param("id", taken.ref().id()).update();
        demo.touched(from.id());
    }

    /** A try that still saw a picture outweighs what the ledger says, in the second firm too. */
    @Test
    void a_try_to_look_comes_along() throws Exception {
        HouseholdRef from = demo.ref("Peverell", "tamsin");
        demo.jdbc().sql("""
            insert into look (household_id, resident_id, camera_id, refused, said, on_stand_ins, at, by_name)
            select g.household_id, g.resident_id, g.camera_id, false, 'A picture came.', false, now(), 'Jory'
            from access_grant g where g.household_id = :id limit 1
            """).param("id", from.id()).update();
        try {
            long there = in.take(demo.staff("petra"), out.zip(from)).ref().id();
            assertThat(out.file(there, List.of()).looks()).singleElement().satisfies(look -> {
                assertThat(look.refused()).isFalse();
                assertThat(look.said()).isEqualTo("A picture came.");
                assertThat(out.file(there, List.of()).people()).anyMatch(person -> person.ref() == look.person());
            });
            assertThat(judged.of(there).facts().access().looks()).hasSize(1);
            demo.jdbc().sql("delete from household where id = :id").param("id", there).update();
        } finally {
            demo.jdbc().sql("delete from look where household_id = :id").param("id", from.id()).update();
        }
    }

    @Test
    void parts_that_are_spoken_of_have_to_be_there() throws IOException {
        Map<String, byte[]> files = files(out.zip(demo.ref("Peverell", "tamsin")));
        String text = new String(files.get(CarryOut.DOCUMENT), StandardCharsets.UTF_8);
        files.put(CarryOut.DOCUMENT, text.replaceFirst("\"camera\" : [0-9]+", "\"camera\" : 999999").getBytes(StandardCharsets.UTF_8));
        assertRefused(zip(files), "that is not there");
        files.put(CarryOut.DOCUMENT, text.replace("\"pictures\" : [ ]",
                "\"pictures\" : [{\"file\": \"pictures/1.jpg\", \"shelf\": \"from-the-household\", \"about\": {}}]")
                .getBytes(StandardCharsets.UTF_8));
        assertRefused(zip(files), "pictures/1.jpg is not there");
    }

    @Test
    void what_is_no_household_at_all_is_refused_by_the_page() throws Exception {
        long before = demo.count("household");
        byte[] bomb = zip(Map.of(CarryOut.DOCUMENT, new byte[60_000_000]));
        for (byte[] file : List.of(new byte[0], "no zip".getBytes(), zip(Map.of("other.txt", "x".getBytes())), bomb,
                zip(Map.of(CarryOut.DOCUMENT, "{".getBytes())))) {
            MockHttpServletResponse response
                    = mvc.perform(MockMvcRequestBuilders.multipart("/carry").file(new MockMultipartFile("file", file))
                            .with(user(demo.staff("petra"))).with(csrf())).andReturn().getResponse();
            assertThat(response.getStatus()).isEqualTo(422);
            assertThat(response.getContentAsString()).contains("The file was refused and nothing was changed");
        }
        assertThat(demo.count("household")).isEqualTo(before);
    }

    @Test
    void the_published_schema_is_the_one_that_is_used() throws IOException {
        assertThat(Files.readString(Path.of("../docs/household.schema.json")))
                .isEqualTo(Files.readString(Path.of("../core/src/main/resources/roofnest/household.schema.json")));
    }

    /** Read back by a reader of tables; another firm's rows are not in it, and nothing is a formula. */
    @Test
    void the_firms_lists_are_tables() throws Exception {
        Staff petra = demo.staff("petra");
        households.add(petra.firmId(), "=1+1, \"quoted\"", "1 Comma Row", null, "");
        for (String list : List.of("households", "people", "cameras")) {
            String text = mvc.perform(MockMvcRequestBuilders.get("/lists/" + list + ".csv").with(user(petra))).andReturn().getResponse()
                    .getContentAsString(StandardCharsets.UTF_8);
            List<CSVRecord> rows
                    = CSVParser.parse(text, CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get()).getRecords();
            assertThat(rows).as(list).isNotEmpty();
            assertThat(text).doesNotContain("Quiller");
        }
        String text = mvc.perform(MockMvcRequestBuilders.get("/lists/households.csv").with(user(petra))).andReturn().getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        assertThat(text).contains("\"'=1+1, \"\"quoted\"\"\"");
        assertThat(mvc.perform(MockMvcRequestBuilders.get("/lists/passwords.csv").with(user(petra))).andReturn().getResponse().getStatus())
                .isEqualTo(404);
    }

    private void assertRefused(byte[] zip, String said) {
        long householdsBefore = demo.count("household");
        long camerasBefore = demo.count("camera");
        assertThatThrownBy(() -> in.take(demo.staff("petra"), zip)).isInstanceOf(ImportRefused.class)
                .satisfies(refused -> assertThat(String.join(" ", ((ImportRefused) refused).faults())).contains(said));
        assertThat(demo.count("household")).isEqualTo(householdsBefore);
        assertThat(demo.count("camera")).isEqualTo(camerasBefore);
    }

    private static Map<String, byte[]> files(byte[] zip) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : new ArrayList<>(files.entrySet())) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue());
            }
        }
        return bytes.toByteArray();
    }

    private static byte[] picture() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }
}
