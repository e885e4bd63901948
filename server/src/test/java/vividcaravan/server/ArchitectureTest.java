package vividcaravan.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "vividcaravan.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule featuresHaveNoCycles =
            slices().matching("vividcaravan.server.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule thereIsOneJsonLibrary = noClasses()
            .that()
            .haveSimpleNameNotContaining("RecordSchemas") // the OpenAPI library's own door
            .should()
            .dependOnClassesThat()
            .resideInAPackage("com.fasterxml.jackson.databind..");

    @ArchTest
    static final ArchRule timeComesFromTheInjectedClock = noClasses()
            .should()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(java.time.Instant.class, "now");

    @ArchTest
    static final ArchRule thereIsNoDrawerForOddThings =
            noClasses().should().resideInAnyPackage("..util..", "..common..", "..impl..", "..helper..");
}
