package vividcaravan.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "vividcaravan.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule standsOnTheJdkAlone =
            classes().should().onlyDependOnClassesThat().resideInAnyPackage("java..", "vividcaravan.core..");

    @ArchTest
    static final ArchRule knowsNoDatabaseAndNoNetwork = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.sql..", "javax.sql..", "java.net..", "java.nio.file..");

    @ArchTest
    static final ArchRule readsNoClock = noClasses()
            .should()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.time.Clock")
            .orShould()
            .callMethod(java.time.Instant.class, "now");

    /** What each package-info says that its package may depend on. */
    @ArchTest
    static final ArchRule packagesKnowOnlyWhatTheySay = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("units")
            .definedBy("vividcaravan.core.units..")
            .layer("gas")
            .definedBy("vividcaravan.core.gas..")
            .layer("axles")
            .definedBy("vividcaravan.core.axles..")
            .layer("fitting")
            .definedBy("vividcaravan.core.fitting..")
            .layer("limits")
            .definedBy("vividcaravan.core.limits..")
            .layer("alert")
            .definedBy("vividcaravan.core.alert..")
            .layer("judge")
            .definedBy("vividcaravan.core.judge..")
            .layer("planning")
            .definedBy("vividcaravan.core.planning..")
            .whereLayer("units")
            .mayNotAccessAnyLayer()
            .whereLayer("axles")
            .mayNotAccessAnyLayer()
            .whereLayer("gas")
            .mayOnlyAccessLayers("units")
            .whereLayer("fitting")
            .mayOnlyAccessLayers("units", "gas", "axles")
            .whereLayer("limits")
            .mayOnlyAccessLayers("units", "axles")
            .whereLayer("alert")
            .mayOnlyAccessLayers("units", "axles")
            .whereLayer("judge")
            .mayOnlyAccessLayers("units", "gas", "axles", "fitting", "limits", "alert")
            .whereLayer("planning")
            .mayOnlyAccessLayers("units", "gas", "axles", "fitting");

    @ArchTest
    static final ArchRule hasNoCycles =
            slices().matching("vividcaravan.core.(*)..").should().beFreeOfCycles();
}
