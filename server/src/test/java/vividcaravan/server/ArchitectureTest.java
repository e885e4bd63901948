package vividcaravan.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "vividcaravan.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule featuresHaveNoCycles =
            slices().matching("vividcaravan.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule featuresKnowOnlyWhatTheirPackageSays = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("platform")
            .definedBy("vividcaravan.server.platform..")
            .layer("mail")
            .definedBy("vividcaravan.server.mail..")
            .layer("access")
            .definedBy("vividcaravan.server.access..")
            .layer("vehicles")
            .definedBy("vividcaravan.server.vehicles..")
            .layer("alerts")
            .definedBy("vividcaravan.server.alerts..")
            .layer("history")
            .definedBy("vividcaravan.server.history..")
            .layer("ingest")
            .definedBy("vividcaravan.server.ingest..")
            .layer("workshop")
            .definedBy("vividcaravan.server.workshop..")
            .layer("stores")
            .definedBy("vividcaravan.server.stores..")
            .layer("live")
            .definedBy("vividcaravan.server.live..")
            .layer("office")
            .definedBy("vividcaravan.server.office..")
            .layer("operation")
            .definedBy("vividcaravan.server.operation..")
            .layer("demo")
            .definedBy("vividcaravan.server.demo..")
            .whereLayer("demo")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("operation")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("office")
            .mayOnlyBeAccessedByLayers("demo")
            .whereLayer("live")
            .mayOnlyBeAccessedByLayers("demo")
            .whereLayer("ingest")
            .mayOnlyBeAccessedByLayers("live", "operation", "workshop", "demo")
            .whereLayer("history")
            .mayOnlyBeAccessedByLayers("ingest", "workshop")
            .whereLayer("workshop")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("stores")
            .mayOnlyBeAccessedByLayers("demo")
            .whereLayer("alerts")
            .mayOnlyBeAccessedByLayers("ingest", "live", "demo")
            .whereLayer("vehicles")
            .mayOnlyBeAccessedByLayers(
                    "alerts", "history", "ingest", "live", "office", "operation", "workshop", "stores", "demo")
            .whereLayer("access")
            .mayOnlyBeAccessedByLayers("office", "demo")
            .whereLayer("mail")
            .mayOnlyBeAccessedByLayers("access", "office");

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
