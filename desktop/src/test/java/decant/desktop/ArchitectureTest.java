package decant.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Holds the arrows between the packages of the window. */
class ArchitectureTest {
  private static final JavaClasses DESKTOP =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("decant.desktop");

  @Test
  void theFrameKnowsNoScreens() {
    noClasses()
        .that()
        .resideInAPackage("decant.desktop.shell..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "..takein..",
            "..revise..",
            "..desktop.proof..",
            "..desktop.publish..",
            "..desktop.tray..",
            "..desktop.outtray..")
        .check(DESKTOP);
  }

  @Test
  void packagesFormNoCircles() {
    slices().matching("decant.desktop.(*)..").should().beFreeOfCycles().check(DESKTOP);
  }

  @Test
  void stateKnowsNoControls() {
    noClasses()
        .that()
        .haveSimpleName("Desk")
        .or()
        .haveSimpleName("Work")
        .or()
        .haveSimpleName("Tray")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("javafx.scene..")
        .check(DESKTOP);
  }
}
