package vividcaravan.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import vividcaravan.server.writer.Write;

@AnalyzeClasses(packages = "vividcaravan.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule featuresHaveNoCycles =
            slices().matching("vividcaravan.server.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule thereIsOneJsonLibrary = noClasses()
            .that()
            .haveNameNotMatching(".*(RecordSchemas|CoreAsJson).*") // the OpenAPI library's own doors
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

    @ArchTest
    static final ArchRule onlyTheWriterAppendsToTheLogbook = noClasses()
            .that()
            .resideOutsideOfPackages("..server.writer..", "..server.logbook")
            .should()
            .dependOnClassesThat()
            .haveNameMatching(".*\\.logbook\\.Logbook\\$Page");

    /** Another database is another adapter of {@code Storage}. */
    @ArchTest
    static final ArchRule onlyItsAdapterKnowsTheDatabase = noClasses()
            .that()
            .resideOutsideOfPackage("..server.h2..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.h2..");

    @ArchTest
    static final ArchRule nobodyElseKnowsTheAdapter = noClasses()
            .that()
            .haveNameNotMatching(".*VividCaravanApplication.*|.*__.*") // the composition, and what is generated
            .and()
            .resideOutsideOfPackage("..server.h2..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("..server.h2..");

    @ArchTest
    static final ArchRule whatIsDoneByTheClockIsATick =
            noMethods().should().beAnnotatedWith("org.springframework.scheduling.annotation.Scheduled");

    /** What a person, a token or the clock changes is a change with its deed. */
    @ArchTest
    static final ArchRule onlyWhatMachinesMeasuredComesInWithoutADeed = noClasses()
            .that()
            .resideOutsideOfPackages("..server.writer..", "..server.ingest..")
            .should()
            .implement(Write.class);

    @ArchTest
    static final ArchRule nobodyElseOpensATransaction = noClasses()
            .that()
            .haveNameNotMatching(".*__.*") // generated
            .should()
            .beAnnotatedWith("org.springframework.transaction.annotation.Transactional")
            .orShould()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework.data.jpa.repository..", "org.springframework.transaction..");
}
