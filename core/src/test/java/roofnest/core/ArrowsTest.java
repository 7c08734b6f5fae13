package roofnest.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import java.util.stream.Stream;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Holds the arrows between the parts of the core. */
@AnalyzeClasses(packages = "roofnest.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArrowsTest {
    private static final String CORE = "roofnest.core.";

    @ArchTest static final ArchRule parts_never_depend_in_circles = slices().matching("roofnest.core.(*)..").should().beFreeOfCycles();

    @ArchTest static final ArchRule the_core_knows_no_pages_and_no_database = noClasses().should().dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "jakarta..", "org.thymeleaf..");

    @ArchTest static final ArchRule document_uses = uses("document", "lang");

    @ArchTest static final ArchRule lang_is_a_leaf = uses("lang");

    @ArchTest static final ArchRule promise_uses_lang_only = uses("promise", "lang");

    @ArchTest static final ArchRule catalogue_uses = uses("catalogue", "lang", "document");

    @ArchTest static final ArchRule plan_uses = uses("plan", "lang", "document");

    @ArchTest static final ArchRule radio_uses = uses("radio", "lang", "promise", "plan", "catalogue");

    @ArchTest static final ArchRule view_uses = uses("view", "lang", "promise", "plan", "catalogue");

    @ArchTest static final ArchRule motion_uses = uses("motion", "lang", "promise", "plan", "catalogue", "view");

    @ArchTest static final ArchRule alert_uses = uses("alert", "lang", "catalogue", "motion", "footage");

    @ArchTest static final ArchRule week_uses = uses("week", "lang", "promise", "plan", "catalogue", "view", "motion", "alert");

    @ArchTest static final ArchRule power_uses = uses("power", "lang", "promise", "catalogue");

    @ArchTest static final ArchRule footage_uses = uses("footage", "lang", "promise", "catalogue");

    @ArchTest static final ArchRule visit_uses = uses("visit", "lang", "catalogue");

    @ArchTest static final ArchRule kit_uses = uses("kit", "lang", "catalogue", "plan", "view", "mount", "cable");

    @ArchTest static final ArchRule scan_uses = uses("scan", "lang", "catalogue");

    @ArchTest static final ArchRule network_uses = uses("network", "lang", "promise", "catalogue");

    @ArchTest static final ArchRule pairing_uses = uses("pairing", "lang", "catalogue");

    @ArchTest static final ArchRule mount_uses = uses("mount", "lang", "promise", "plan", "catalogue", "view");

    @ArchTest static final ArchRule cable_uses = uses("cable", "lang", "catalogue", "plan", "view", "mount");

    @ArchTest static final ArchRule facade_uses = uses("facade", "lang", "catalogue", "plan", "view", "mount");

    @ArchTest static final ArchRule still_uses = uses("still", "lang", "plan", "catalogue", "view");

    @ArchTest static final ArchRule access_uses = uses("access", "lang", "cover", "catalogue");

    @ArchTest static final ArchRule cover_uses = uses("cover");

    @ArchTest static final ArchRule care_uses = uses("care", "lang", "catalogue", "power", "promise");
    @ArchTest static final ArchRule fault_uses = uses("fault", "lang");

    @ArchTest static final ArchRule only_the_search_for_spots_uses_the_judge = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("judge").definedBy(CORE + "judge..")
            .layer("spots").definedBy(CORE + "spots..")
            .whereLayer("judge").mayOnlyBeAccessedByLayers("spots")
            .whereLayer("spots").mayNotBeAccessedByAnyLayer();

    private static ArchRule uses(String part, String... allowed) {
        Stream<String> parts = Stream.concat(Stream.of(part), Stream.of(allowed)).map(name -> CORE + name + "..");
        Stream<String> libraries = Stream.of(
                "java..", "com.google.ortools..", "org.locationtech..", "org.hipparchus..", "org.shredzone..", "tools.jackson..",
                "com.fasterxml.jackson..", "com.networknt..", "org.apache.commons.csv..", "inet.ipaddr..", "com.google.zxing..",
                "com.google.re2j..",
                "io.nayuki.qrcodegen..", "org.jgrapht..", "com.google.protobuf..");
        String[] all = Stream.concat(parts, libraries).toArray(String[]::new);
        return classes().that().resideInAPackage(CORE + part + "..").should().onlyDependOnClassesThat().resideInAnyPackage(all)
                .as(part + " uses only " + String.join(", ", allowed));
    }
}
