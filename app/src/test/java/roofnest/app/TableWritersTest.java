package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Each table is written by one class. */
@AppTest
class TableWritersTest {
    private static final Path SOURCES = Path.of("src/main/java/roofnest/app");
    private static final Pattern WRITES = Pattern.compile("(?:insert into|update|delete from) ([a-z_]+)");

    @Autowired private DemoPlaces demo;

    @Test
    void every_table_has_the_writer_that_stands_here() throws IOException {
        Map<String, Set<String>> writers = writers(tables());
        assertThat(writers.entrySet().stream().filter(entry -> entry.getValue().size() > 1).map(Map.Entry::toString)).as("written twice")
                .isEmpty();
        Map<String, String> one = new TreeMap<>();
        writers.forEach((table, by) -> one.put(table, by.iterator().next()));
        assertThat(one).isEqualTo(new TreeMap<>(Map.ofEntries(
                Map.entry("access_grant", "AccessRepository"), Map.entry("air_scan", "AirScanRepository"),
                Map.entry("appointment", "AppointmentRepository"), Map.entry("bench_act", "RunRepository"),
                Map.entry("camera", "CameraRepository"), Map.entry("alert_plan", "AlertRepository"),
                Map.entry("camera_view", "CameraViewRepository"),
                Map.entry("camera_setup", "CameraSetupRepository"), Map.entry("setting_tick", "CameraSetupRepository"),
                Map.entry("sensor_walk", "SensorWalkRepository"), Map.entry("camera_sensing", "SensorWalkRepository"),
                Map.entry("camera_pack", "PackReadingRepository"), Map.entry("cloud_plan", "CloudPlanRepository"),
                Map.entry("pack_reading", "PackReadingRepository"),
                Map.entry("camera_keeping", "FootageRepository"), Map.entry("house_footage", "FootageRepository"),
                Map.entry("camera_card", "CardRepository"), Map.entry("footage_list", "FootageListRepository"),
                Map.entry("fault_case", "FaultCaseRepository"),
                Map.entry("coming", "ComingRepository"), Map.entry("coming_reckoned", "ComingRepository"),
                Map.entry("term", "TermRepository"), Map.entry("device_before", "DeviceBeforeRepository"),
                Map.entry("theft", "TheftRepository"), Map.entry("script_key", "ScriptKeys"),
                Map.entry("due_hook", "DueHooks"),
                Map.entry("care_contract", "ContractRepository"), Map.entry("case_work", "ContractRepository"),
                Map.entry("practised_call", "PractisedCalls"),
                Map.entry("case_photo", "CasePhotoRepository"), Map.entry("log_photo", "LogPhotoRepository"),
                Map.entry("due_told", "DueHooks"), Map.entry("theft_change", "TheftRepository"),
                Map.entry("recall", "RecallRepository"),
                Map.entry("recall_step", "RecallRepository"), Map.entry("care_still", "CareStillRepository"),
                Map.entry("log_entry_was", "LogRepository"), Map.entry("calendar_feed", "CalendarFeeds"),
                Map.entry("finding", "FindingRepository"), Map.entry("firm", "FirmRepository"), Map.entry("firm_model", "Models"),
                Map.entry("firm_money", "PriceBook"), Map.entry("household", "HouseholdRepository"),
                Map.entry("house_climate", "ClimateRepository"), Map.entry("house_comings", "ComingsRepository"),
                Map.entry("counted_week", "CountedWeekRepository"),
                Map.entry("household_removal", "HouseholdRepository"),
                Map.entry("household_photo", "PreparationRepository"), Map.entry("hub", "HubRepository"),
                Map.entry("invitation", "Invitations"), Map.entry("kit_check", "KitChecks"), Map.entry("log_entry", "LogRepository"),
                Map.entry("known", "LedgerRepository"), Map.entry("screen", "LedgerRepository"),
                Map.entry("screen_camera", "LedgerRepository"), Map.entry("leaving", "LeavingRepository"),
                Map.entry("lesson", "LessonRepository"), Map.entry("leaving_step", "LeavingRepository"),
                Map.entry("look", "LeavingRepository"),
                Map.entry("act", "ActsOnce"), Map.entry("wish", "Wishes"), Map.entry("seal_key", "Sealer"),
                Map.entry("rate_limit", "SignInLimits"), Map.entry("known_device", "KnownDevices"), Map.entry("mail", "MailRepository"),
                Map.entry("network", "NetworkRepository"),
                Map.entry("other_thing", "OtherThingRepository"), Map.entry("person", "FirmRepository"),
                Map.entry("plan_step", "PlanSteps"), Map.entry("practice", "PracticeRepository"),
                Map.entry("pack_issue", "IssueRepository"), Map.entry("remark", "RemarkRepository"),
                Map.entry("preparation", "PreparationRepository"), Map.entry("prepared_item", "PreparationRepository"),
                Map.entry("price", "PriceBook"), Map.entry("password_reset", "PasswordResets"),
                Map.entry("camera_still", "StillRepository"), Map.entry("pose_reading", "PoseReadingRepository"),
                Map.entry("spot_look", "SpotLookRepository"), Map.entry("hang_run", "HangRunRepository"),
                Map.entry("said_lead", "SaidLeadRepository"),
                Map.entry("hang_event", "HangRunRepository"), Map.entry("mount_photo", "MountPhotoRepository"),
                Map.entry("pack_link", "PackLinks"),
                Map.entry("job_price", "JobPrices"), Map.entry("own_line", "JobPrices"),
                Map.entry("quotation", "MoneyPapers"), Map.entry("bill", "MoneyPapers"), Map.entry("paper_number", "MoneyPapers"),
                Map.entry("promise", "PromiseRepository"), Map.entry("proof", "ProofRepository"),
                Map.entry("reading", "ReadingRepository"), Map.entry("rehearsal", "RehearsalRepository"),
                Map.entry("rehearsal_part", "RehearsalRepository"), Map.entry("rejoin", "RejoinRepository"),
                Map.entry("rejoin_back", "RejoinRepository"), Map.entry("resident", "ResidentRepository"),
                Map.entry("router", "RouterRepository"), Map.entry("run", "RunRepository"), Map.entry("run_event", "RunRepository"),
                Map.entry("run_experience", "ExperienceRepository"), Map.entry("scan_shape", "ScanShapes"),
                Map.entry("secret", "SecretStore"),
                Map.entry("secret_reveal", "SecretStore"), Map.entry("signature", "TrialRepository"),
                Map.entry("task_experience", "ExperienceRepository"), Map.entry("told_person", "PreparationRepository"),
                Map.entry("travel", "RoundRepository"), Map.entry("trial", "TrialRepository"), Map.entry("underlay", "UnderlayRepository"),
                Map.entry("variant", "VariantRepository"), Map.entry("visit", "VisitRepository"),
                Map.entry("visit_task", "VisitRepository"))));
        Set<String> ours = new TreeSet<>(tables());
        // Counted by the database as households change.
        ours.remove("firm_change");
        assertThat(one.keySet()).as("every table of ours has a writer").containsExactlyElementsOf(ours);
    }

    @Test
    void every_reference_to_a_household_has_an_index_that_begins_with_it() {
        List<String> without = demo.jdbc().sql("""
            select c.table_name
            from information_schema.columns c
            where c.table_schema = 'public' and c.column_name = 'household_id' and not exists (
                select 1
                from pg_index i
                join pg_class t on t.oid = i.indrelid
                join pg_attribute a on a.attrelid = t.oid and a.attnum = i.indkey[0]
                where t.relname = c.table_name and a.attname = 'household_id')
            """).query(String.class).list();
        assertThat(without).isEmpty();
    }

    private List<String> tables() {
        return demo.jdbc()
                .sql("""
                          select table_name
                          from information_schema.tables
                          where table_schema = 'public' and table_name not like 'spring_session%'
                    and table_name not like 'user_%' and table_name <> 'flyway_schema_history'
                          """)
                .query(String.class).list();
    }

    private static Map<String, Set<String>> writers(List<String> tables) throws IOException {
        Map<String, Set<String>> writers = new TreeMap<>();
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file : files.filter(each -> each.toString().endsWith(".java")).toList()) {
                String name = file.getFileName().toString().replace(".java", "");
                Matcher written = WRITES.matcher(Files.readString(file));
                while (written.find()) {
                    if (tables.contains(written.group(1))) {
                        writers.computeIfAbsent(written.group(1), table -> new TreeSet<>()).add(name);
                    }
                }
            }
        }
        return writers;
    }
}
