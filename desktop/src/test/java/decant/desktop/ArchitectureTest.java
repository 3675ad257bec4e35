package decant.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
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
            "..desktop.outtray..",
            "..desktop.runs..")
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

  /**
   * A stage out of sight does no work: what it shows of a document is listened to by {@link
   * decant.desktop.shell.InSight} alone.
   */
  @Test
  void aStageListensToADocumentOnlyWhileItIsInSight() throws IOException {
    var listens =
        Pattern.compile(
            "\\b(?:work|desk)(?:\\(\\))?\\s*\\.\\s*\\w+Property\\(\\)\\s*\\.addListener\\b");
    assertThat("work.layoutProperty()\n        .addListener(x)").containsPattern(listens);
    Path root = Path.of("src/main/java/decant/desktop");
    for (String stage : List.of("takein", "revise", "proof", "publish", "page")) {
      try (Stream<Path> files = Files.walk(root.resolve(stage))) {
        for (Path f : files.filter(x -> x.toString().endsWith(".java")).toList()) {
          assertThat(Files.readString(f)).as(f.toString()).doesNotContainPattern(listens);
        }
      }
    }
  }
}
