package org.yellowhearth.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/**
 * Core computes: no interface, no input or output, no clock, no threads; its packages build on one
 * another upwards only.
 */
public class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.yellowhearth.core");

  @Test
  public void coreKnowsNoInterfaceAndNoDisk() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "javafx..",
            "java.awt..",
            "java.io..",
            "java.nio..",
            "java.net..",
            "java.sql..",
            "java.util.concurrent..",
            "com.fasterxml..",
            "org.slf4j..")
        .check(CORE);
  }

  @Test
  public void coreHasNoClockAndNoThreads() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .belongToAnyOf(java.time.Clock.class, Thread.class)
        .check(CORE);
    noClasses()
        .should()
        .callMethod(java.time.Instant.class, "now")
        .orShould()
        .callMethod(java.time.ZonedDateTime.class, "now")
        .orShould()
        .callMethod(java.time.LocalDate.class, "now")
        .orShould()
        .callMethod(java.time.Year.class, "now")
        .orShould()
        .callMethod(System.class, "currentTimeMillis")
        .orShould()
        .callMethod(System.class, "nanoTime")
        .check(CORE);
  }

  @Test
  public void packagesDependOnOneAnotherInOneDirection() {
    slices().matching("org.yellowhearth.core.(*)..").should().beFreeOfCycles().check(CORE);
  }

  /**
   * Every package of core, each standing only on those before it. A new one is put where it
   * belongs.
   */
  private static final List<String> BOTTOM_UP =
      List.of(
          "numeric",
          "progress",
          "circuit",
          "quantity",
          "message",
          "marking",
          "part",
          "supply",
          "reading",
          "fact",
          "knowledge",
          "job",
          "arrival",
          "belief",
          "partslist",
          "assess",
          "benchline",
          "safety",
          "cause",
          "trace",
          "judge",
          "reform",
          "replace",
          "firstpower",
          "learn",
          "practice",
          "finaltest",
          "agenda");

  @Test
  public void theRoomsOfCoreStandAsTheTradeBuildsUp() {
    Set<String> there =
        CORE.stream()
            .map(c -> c.getPackageName().replaceFirst("org\\.yellowhearth\\.core\\.?", ""))
            .filter(p -> !p.isEmpty())
            .collect(Collectors.toSet());
    assertThat(BOTTOM_UP).containsExactlyInAnyOrderElementsOf(there);
    for (int i = 0; i < BOTTOM_UP.size(); i++) {
      String[] above =
          BOTTOM_UP.subList(i + 1, BOTTOM_UP.size()).stream()
              .map(p -> "org.yellowhearth.core." + p)
              .toArray(String[]::new);
      if (above.length > 0) {
        noClasses()
            .that()
            .resideInAPackage("org.yellowhearth.core." + BOTTOM_UP.get(i))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(above)
            .check(CORE);
      }
    }
  }
}
