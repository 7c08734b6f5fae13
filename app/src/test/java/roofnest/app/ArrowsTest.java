package roofnest.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;

import roofnest.app.firm.Needs;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "roofnest.app", importOptions = {ImportOption.DoNotIncludeTests.class, ArrowsTest.Written.class})
class ArrowsTest {
    /** Without what the build itself derives from them, for the start. */
    static class Written implements ImportOption {
        @Override
        public boolean includes(Location location) {
            return !location.contains("__");
        }
    }

    private static final String APP = "roofnest.app.";
    private static final Set<String> STAGES = Set.of(
            "brief", "survey", "ready", "prepare", "visit", "pair", "mount", "tune", "share", "prove", "care");

    private static final Set<String> FLOORS = Set.of(
            "web", "watch", "secrets", "firm", "models", "records", "household", "drawing", "documents", "workshop", "front", "wishes",
            "demo");

    @ArchTest static final ArchRule packages_never_depend_in_circles = slices().matching("roofnest.app.(*)..").should().beFreeOfCycles();

    @ArchTest static final ArchRule web_is_a_leaf = uses("web");

    @ArchTest static final ArchRule secrets_use = uses("secrets", "web");

    @ArchTest static final ArchRule watch_uses = uses("watch", "web");

    @ArchTest static final ArchRule workshop_uses = uses("workshop", "watch");

    @ArchTest static final ArchRule firm_uses = uses("firm", "web", "watch");

    @ArchTest static final ArchRule models_use = uses("models", "web", "firm", "watch");

    @ArchTest static final ArchRule records_use = uses("records", "web", "firm", "watch", "secrets", "models");

    @ArchTest static final ArchRule drawing_uses = uses("drawing", "web");

    @ArchTest static final ArchRule acts_use = uses("acts", "web", "firm", "watch");

    @ArchTest static final ArchRule licences_use = uses("licences", "web");

    @ArchTest static final ArchRule requests_use = uses("wishes", "web", "firm", "secrets", "records", "household");

    @ArchTest static final ArchRule ways_out_use = uses("outward", "web", "firm", "watch", "secrets", "models", "records");

    @ArchTest static final ArchRule the_frame_uses = uses("household", "web", "firm", "records");

    /** The hours of a visit are worked out at Ready and held against the day; nothing else of a stage is another's business. */
    @ArchTest
    static void stages_hardly_know_each_other(JavaClasses all) {
        Set<String> arrows = new TreeSet<>();
        for (JavaClass each : all) {
            each.getDirectDependenciesFromSelf().forEach(dependency -> {
                String from = stage(each);
                String to = stage(dependency.getTargetClass());
                if (STAGES.contains(from) && STAGES.contains(to) && !from.equals(to)) {
                    arrows.add(from + " to " + to);
                }
            });
        }
        assertThat(arrows).containsExactly("visit to ready");
    }

    private static String stage(JavaClass each) {
        String name = each.getPackageName();
        return name.startsWith(APP) ? name.substring(APP.length()).split("\\.")[0] : "";
    }

    /** Elsewhere nobody looks for it. */
    @ArchTest static final ArchRule permissions_are_written_on_controllers = methods().that().areAnnotatedWith(Needs.class).should()
            .beDeclaredInClassesThat().areMetaAnnotatedWith(Controller.class);

    @ArchTest static final ArchRule permissions_are_written_one_way = noClasses().that().doNotHaveFullyQualifiedName(Needs.class.getName())
            .should().dependOnClassesThat().resideInAnyPackage("org.springframework.security.access.prepost",
                    "org.springframework.security.access.annotation", "jakarta.annotation.security");

    @ArchTest static final ArchRule pages_hold_no_sql = noClasses().that().areAnnotatedWith(Controller.class)
            .should().dependOnClassesThat().areAssignableTo(JdbcClient.class);

    @ArchTest static final ArchRule nothing_depends_on_the_demo = noClasses().that().resideOutsideOfPackage("roofnest.app.demo..")
            .should().dependOnClassesThat().resideInAPackage("roofnest.app.demo..");

    @ArchTest static final ArchRule only_the_sealer_knows_the_cipher = classes().that().resideOutsideOfPackage("roofnest.app.secrets..")
            .should().onlyDependOnClassesThat().resideOutsideOfPackage("com.google.crypto..");

    @ArchTest static final ArchRule stages_do_not_reach_into_documents
            = noClasses().that().resideOutsideOfPackage("roofnest.app.documents..")
                    .should().dependOnClassesThat().resideInAPackage("roofnest.app.documents..");

    /** The root holds the settings and the wiring, which everybody may ask for. */
    private static ArchRule uses(String part, String... allowed) {
        Set<String> free = new TreeSet<>(Set.of(allowed));
        free.add(part);
        String[] others
                = Stream.concat(STAGES.stream(), FLOORS.stream()).filter(each -> !free.contains(each)).map(each -> APP + each + "..")
                        .toArray(String[]::new);
        return noClasses().that().resideInAPackage(APP + part + "..").should().dependOnClassesThat().resideInAnyPackage(others)
                .as(part + " uses only " + String.join(", ", allowed));
    }
}
