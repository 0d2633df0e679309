package org.yellowhearth.desk;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URL;
import java.net.URLConnection;
import org.testng.annotations.Test;

/** The rooms of the house: arrows only downward, and only the desk knows JavaFX. */
public class RoomsTest {
  private static final JavaClasses ALL =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.yellowhearth");

  @Test
  public void arrowsPointOnlyDownward() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("desk")
        .definedBy("org.yellowhearth.desk..")
        .layer("cli")
        .definedBy("org.yellowhearth.cli..")
        .layer("workshop")
        .definedBy("org.yellowhearth.workshop..")
        .layer("publishing")
        .definedBy("org.yellowhearth.publishing..")
        .layer("storage")
        .definedBy("org.yellowhearth.storage..")
        .layer("knowledge")
        .definedBy("org.yellowhearth.knowledge..")
        .layer("instruments")
        .definedBy("org.yellowhearth.instruments..")
        .layer("core")
        .definedBy("org.yellowhearth.core..")
        .whereLayer("desk")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("cli")
        .mayOnlyBeAccessedByLayers("desk")
        .whereLayer("instruments")
        .mayOnlyBeAccessedByLayers("workshop", "cli", "desk")
        .whereLayer("workshop")
        .mayOnlyBeAccessedByLayers("cli", "desk")
        .whereLayer("publishing")
        .mayOnlyBeAccessedByLayers("workshop", "cli", "desk")
        .whereLayer("storage")
        .mayOnlyBeAccessedByLayers("publishing", "workshop", "cli", "desk")
        .whereLayer("knowledge")
        .mayOnlyBeAccessedByLayers("storage", "publishing", "workshop", "cli", "desk")
        .check(ALL);
  }

  /** No package leads back to itself, in no room. */
  @Test
  public void noPackageLeadsBackToItself() {
    slices().matching("org.yellowhearth.(**)").should().beFreeOfCycles().check(ALL);
  }

  @Test
  public void onlyTheDeskKnowsJavaFx() {
    noClasses()
        .that()
        .resideOutsideOfPackage("org.yellowhearth.desk..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("javafx..")
        .check(ALL);
  }

  /** Only the instrument link goes out, and only the stand-ins listen. */
  @Test
  public void nothingElseOpensAConnection() {
    noClasses()
        .that()
        .resideOutsideOfPackages(
            "org.yellowhearth.instruments.link..", "org.yellowhearth.instruments.scpi..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("java.net.http..")
        .orShould()
        .dependOnClassesThat()
        .belongToAnyOf(Socket.class, ServerSocket.class, URLConnection.class)
        .orShould()
        .callMethod(URL.class, "openStream")
        .orShould()
        .callMethod(URL.class, "openConnection")
        .check(ALL);
  }
}
