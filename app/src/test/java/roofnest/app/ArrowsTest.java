package roofnest.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "roofnest.app", importOptions = ImportOption.DoNotIncludeTests.class)
class ArrowsTest {
    @ArchTest static final ArchRule pages_hold_no_sql
            = noClasses().that().areAnnotatedWith(Controller.class).should().dependOnClassesThat().areAssignableTo(JdbcClient.class);

    @ArchTest static final ArchRule nothing_depends_on_the_demo = noClasses().that().resideOutsideOfPackage("roofnest.app.demo..")
            .should().dependOnClassesThat().resideInAPackage("roofnest.app.demo..");

    @ArchTest static final ArchRule only_the_sealer_knows_the_cipher = classes().that().resideOutsideOfPackage("roofnest.app.secrets..")
            .should().onlyDependOnClassesThat().resideOutsideOfPackage("com.google.crypto..");

    @ArchTest static final ArchRule stages_do_not_reach_into_documents
            = noClasses().that().resideOutsideOfPackage("roofnest.app.documents..")
                    .should().dependOnClassesThat().resideInAPackage("roofnest.app.documents..");
}
