package roofnest.app.carry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FootageListRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PromiseRepository;
import roofnest.app.web.ImportRefused;
import roofnest.core.fault.Cause;
import roofnest.core.footage.CardCheck;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.Keeping;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Where footage is kept goes along into another firm; a paid plan is the firm's, and known there by its maker and name. */
@AppTest
class CarriedFootageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private HubRepository hubs;
    @Autowired private FootageRepository footage;
    @Autowired private CardRepository cards;
    @Autowired private FootageListRepository lists;
    @Autowired private CloudPlanRepository plans;
    @Autowired private PromiseRepository promises;
    @Autowired private FaultCaseRepository cases;
    @Autowired private JudgedHouseholds judged;
    @Autowired private CarryOut out;
    @Autowired private CarryIn in;
    @Autowired private DemoPlaces demo;

    @Test
    void it_is_kept_there_as_it_was_here() throws Exception {
        HouseholdRef ref
                = new HouseholdRef(households.add(demo.staff("tamsin").firmId(), "Carried", "8 Staithe", LocalDate.now().plusDays(2),
                        "rings"), demo.staff("tamsin"));
        String name = "Carried " + ref.id();
        plans.say(ref.staff().firmId(), new CloudPlan(0, name, "Vellin", 500, 1, 30, 60, Set.of()), 0);
        CloudPlan plan = plans.of(ref.staff().firmId()).stream().filter(each -> each.name().equals(name)).findFirst().orElseThrow();
        long dome = changes.make(ref, Stage.TUNE, () -> {
            long added = cameras.add(ref.id(), "Dome", "vellin-dome", new CameraPose(1, 1, 2.4, 0, 5), Camera.Settings.DEFAULT);
            Camera camera = cameras.get(ref.id(), added).camera();
            cameras.tune(ref.id(), added, camera.settings().byWeeks(20, 1.7), null, cameras.get(ref.id(), added).version());
            footage.keep(ref.id(), added, new Keeping(Keeping.When.BOTH, 3, 9, true, true, Optional.of(plan)));
            footage.say(ref.id(), new FootageRepository.House(2000, true, 0));
            cards.say(ref.id(), added,
                    new CardRepository.Card(LocalDate.of(2026, 3, 1), false, 128, Optional.of(new CardCheck(128, 119, 119)),
                            LocalDate.of(2026, 3, 2), "Wynn Tarr", 0));
            lists.keep(ref.id(), added, List.of(new FootageListRepository.File("a b.mp4", 12, "0".repeat(64))), OptionalDouble.of(-3),
                    "Station 4", "Wynn Tarr");
            hubs.sayCard(ref.id(), hubs.ensure(ref.id(), "pellan-perch", "Hub"), 64);
            long drift = cameras.add(ref.id(), "Drift", "pellan-drift", new CameraPose(2, 1, 2.4, 0, 5), Camera.Settings.DEFAULT);
            cameras.sayPack(ref.id(), drift, LocalDate.of(2024, 5, 5), cameras.get(ref.id(), drift).version());
            promises.survivesTheft(ref.id(), 45);
            long call = cases.open(ref.id(), added, "no picture", "vellin-dome", FaultCaseRepository.Season.AUTUMN, "Wynn Tarr");
            cases.add(ref.id(), cases.get(ref.id(), call), new FaultCaseRepository.Step("LIGHT", 2, null, "Wynn Tarr", OffsetDateTime.now()
                    .truncatedTo(ChronoUnit.MILLIS)), 1);
            cases.close(ref.id(), call, Optional.of(Cause.PASSWORD_CHANGED), "Wynn Tarr", 2);
            return added;
        });
        CarryIn.Taken without = in.take(demo.staff("petra"), out.zip(ref));
        CloudPlan known = plans.of(without.ref().staff().firmId()).stream().filter(each -> each.name().equals(name)).findFirst()
                .orElseThrow();
        assertThat(footage.of(without.ref().id()).byCamera().values()).as("a firm that knew no such plan").singleElement()
                .isEqualTo(new Keeping(Keeping.When.BOTH, 3, 9, true, true, Optional.of(known)));
        assertThat(known.centsAMonth()).isEqualTo(500);
        plans.say(without.ref().staff().firmId(), new CloudPlan(known.id(), name, "Vellin", 700, 1, 30, 60, Set.of()), 0);
        CarryIn.Taken taken = in.take(demo.staff("petra"), out.zip(ref));
        HouseholdFile there = out.file(taken.ref().id(), List.of());
        HouseholdFile here = out.file(ref.id(), List.of());
        assertThat(there.cameras().get(0).settings().footage().keeping().plan().centsAMonth()).as("its own price there").isEqualTo(700);
        plans.say(without.ref().staff().firmId(), new CloudPlan(known.id(), name, "Vellin", 500, 1, 30, 60, Set.of()), 1);
        there = out.file(taken.ref().id(), List.of());
        assertThat(there.cameras()).usingRecursiveFieldByFieldElementComparatorIgnoringFields("ref").isEqualTo(here.cameras());
        assertThat(there.cameras().get(0).settings().footage().keeping().plan().name()).isEqualTo(name);
        assertThat(there.cameras().get(0).settings().footage().givenOut()).hasSize(1);
        assertThat(there.calls()).usingRecursiveFieldByFieldElementComparatorIgnoringFields("camera").isEqualTo(here.calls()).hasSize(1);
        assertThat(cases.of(taken.ref().id()).get(0).cause()).isEqualTo(Cause.PASSWORD_CHANGED);
        assertThat(there.hubs()).isEqualTo(here.hubs());
        assertThat(there.footage()).isEqualTo(new HouseholdFile.HouseFootage(2000, true));
        assertThat(judged.of(taken.ref().id()).facts().written()).singleElement().isInstanceOf(Promise.SurvivesTheft.class);
        assertThat(judged.of(taken.ref().id()).judgement().promises()).extracting(each -> each.finding().standing()).isEqualTo(
                judged.of(ref.id()).judgement().promises().stream().map(each -> each.finding().standing()).toList());
        assertThat(cameras.get(ref.id(), dome).camera().settings().worstWeekShare()).hasValue(1.7);
        refused(out.zip(ref), "\"state\" : \"CURED\"", "\"state\" : \"OPEN\"", "closed by somebody");
        refused(out.zip(ref), "\"answer\" : 2", "\"answer\" : 19", "no answer to");
        refused(out.zip(ref), "\"question\" : \"LIGHT\"", "\"question\" : \"GHOSTS\"", "GHOSTS");
        refused(out.zip(ref), "\"testedOn\" : \"2026-03-02\"", "\"testedOn\" : null", "on which day");
        refused(out.zip(ref), "\"sameGb\" : 119.0", "\"sameGb\" : 150.0", "read back");
        refused(out.zip(ref), "\"fromHour\" : 3", "\"fromHour\" : 33", "fromHour");
        for (long id : new long[] {ref.id(), taken.ref().id(), without.ref().id()}) {
            demo.jdbc().sql("delete from household where id = :id").param("id", id).update();
        }
        demo.jdbc().sql("delete from cloud_plan where name = :name").param("name", name).update();
    }

    /** One thing in the document is otherwise: it is refused by name, and nothing of it is kept. */
    private void refused(byte[] zip, String good, String bad, String said) throws IOException {
        long before = demo.count("household");
        ByteArrayOutputStream other = new ByteArrayOutputStream();
        try (ZipInputStream from = new ZipInputStream(new ByteArrayInputStream(zip)); ZipOutputStream to = new ZipOutputStream(other)) {
            for (ZipEntry entry = from.getNextEntry(); entry != null; entry = from.getNextEntry()) {
                byte[] bytes = from.readAllBytes();
                to.putNextEntry(new ZipEntry(entry.getName()));
                if (entry.getName().equals(CarryOut.DOCUMENT)) {
                    String text = new String(bytes, StandardCharsets.UTF_8);
                    assertThat(text).contains(good);
                    bytes = text.replace(good, bad).getBytes(StandardCharsets.UTF_8);
                }
                to.write(bytes);
            }
        }
        assertThatThrownBy(() -> in.take(demo.staff("petra"), other.toByteArray())).isInstanceOf(ImportRefused.class).satisfies(
                refused -> assertThat(((ImportRefused) refused).faults().toString()).contains(said));
        assertThat(demo.count("household")).isEqualTo(before);
    }
}
