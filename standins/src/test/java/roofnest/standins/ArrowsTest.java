package roofnest.standins;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "roofnest.standins", importOptions = ImportOption.DoNotIncludeTests.class)
class ArrowsTest {
    @ArchTest static final ArchRule phones_that_look_know_the_ledger_they_start_from = classes().that()
            .resideInAPackage("roofnest.standins.looking..").should().onlyDependOnClassesThat()
            .resideInAnyPackage("roofnest.standins.looking..", "roofnest.core.access..", "java..");

    @ArchTest static final ArchRule stand_ins_know_the_catalogue_only = classes().that().resideInAPackage("roofnest.standins")
            .should().onlyDependOnClassesThat().resideInAnyPackage("roofnest.standins", "roofnest.core.catalogue..", "java..");

    @ArchTest static final ArchRule exercises_know_the_run_engine_too = classes().that().resideInAPackage("roofnest.standins.rehearsal..")
            .should().onlyDependOnClassesThat()
            .resideInAnyPackage("roofnest.standins..", "roofnest.core.catalogue..", "roofnest.core.pairing..", "java..");

    @ArchTest static final ArchRule how_they_hang_knows_poses_and_the_work
            = classes().that().resideInAPackage("roofnest.standins.hanging..")
                    .should().onlyDependOnClassesThat()
                    .resideInAnyPackage("roofnest.standins.hanging..", "roofnest.core.view..", "roofnest.core.mount..", "java..");
}
