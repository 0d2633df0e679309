package org.yellowhearth.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** Core computes: no interface, no input or output, no clock, no threads; its packages build on one another upwards only. */
public class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.yellowhearth.core");

    @Test
    public void coreKnowsNoInterfaceAndNoDisk() {
        noClasses().should().dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.awt..", "java.io..", "java.nio..", "java.net..", "java.sql..",
                        "java.util.concurrent..",
                        "com.fasterxml..", "org.slf4j..")
                .check(CORE);
    }

    @Test
    public void coreHasNoClockAndNoThreads() {
        noClasses().should().dependOnClassesThat().belongToAnyOf(java.time.Clock.class, Thread.class).check(CORE);
        noClasses().should().callMethod(java.time.Instant.class, "now").orShould()
                .callMethod(java.time.ZonedDateTime.class, "now")
                .orShould().callMethod(java.time.LocalDate.class, "now").orShould().callMethod(java.time.Year.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis").orShould().callMethod(System.class, "nanoTime").check(CORE);
    }

    @Test
    public void packagesDependOnOneAnotherInOneDirection() {
        slices().matching("org.yellowhearth.core.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @Test
    public void theRoomsOfCoreStandAsTheTradeBuildsUp() {
        layeredArchitecture().consideringOnlyDependenciesInLayers().layer("quantity").definedBy("..core.quantity..")
                .layer("message")
                .definedBy("..core.message..").layer("marking").definedBy("..core.marking..").layer("part")
                .definedBy("..core.part..")
                .layer("reading").definedBy("..core.reading..").layer("circuit").definedBy("..core.circuit..").layer("supply")
                .definedBy("..core.supply..").layer("fact").definedBy("..core.fact..").layer("job")
                .definedBy("..core.job..").layer("stages")
                .definedBy("..core.arrival..", "..core.assess..", "..core.census..", "..core.reform..", "..core.renew..",
                        "..core.safety..",
                        "..core.trace..")
                .layer("benchline")
                .definedBy("..core.benchline..").whereLayer("benchline").mayNotBeAccessedByAnyLayer().whereLayer("stages")
                .mayOnlyBeAccessedByLayers("benchline").whereLayer("job").mayOnlyBeAccessedByLayers("stages", "benchline")
                .whereLayer("circuit")
                .mayOnlyBeAccessedByLayers("supply", "stages").whereLayer("supply").mayOnlyBeAccessedByLayers("stages")
                .whereLayer("fact")
                .mayOnlyBeAccessedByLayers("job", "stages", "benchline")
                .check(CORE);
    }
}
