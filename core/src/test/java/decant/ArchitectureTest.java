package decant;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Holds the arrows between packages where docs/architecture.md draws them. */
class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("decant");

  @Test
  void coreKnowsNoInterface() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "javax.swing..")
        .check(CORE);
  }

  @Test
  void theModelStandsAlone() {
    noClasses()
        .that()
        .resideInAPackage("decant.model..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "decant.text..",
            "decant.layout..",
            "decant.paint..",
            "decant.pdf..",
            "decant.office..",
            "decant.reading..",
            "decant.format..",
            "decant.publish..",
            "org.apache.pdfbox..")
        .check(CORE);
  }

  @Test
  void arrowsPointOneWay() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("model")
        .definedBy("decant.model..")
        .layer("text")
        .definedBy("decant.text..")
        .layer("layout")
        .definedBy("decant.layout..")
        .layer("vector")
        .definedBy("decant.vector..")
        .layer("paint")
        .definedBy("decant.paint..")
        .layer("reading")
        .definedBy("decant.reading..")
        .layer("readers")
        .definedBy("decant.pdf.read..", "decant.office..")
        .layer("format")
        .definedBy("decant.format..")
        .layer("choices")
        .definedBy("decant.pdf.choices..")
        .layer("file")
        .definedBy("decant.pdf.file..")
        .layer("write")
        .definedBy("decant.pdf.write..")
        .layer("verify")
        .definedBy("decant.pdf.verify..")
        .layer("publish")
        .definedBy("decant.publish..")
        .layer("tray")
        .definedBy("decant.tray..")
        .layer("describe")
        .definedBy("decant.describe..")
        .layer("proof")
        .definedBy("decant.proof..")
        .whereLayer("text")
        .mayNotAccessAnyLayer()
        .whereLayer("layout")
        .mayOnlyAccessLayers("model", "text")
        .whereLayer("vector")
        .mayOnlyAccessLayers("model")
        .whereLayer("paint")
        .mayOnlyAccessLayers("model", "text", "layout", "vector")
        .whereLayer("reading")
        .mayOnlyAccessLayers("model", "text")
        .whereLayer("readers")
        .mayOnlyAccessLayers("model", "text", "reading", "vector")
        .whereLayer("format")
        .mayOnlyAccessLayers("reading", "readers")
        .whereLayer("choices")
        .mayOnlyAccessLayers("model")
        .whereLayer("file")
        .mayOnlyAccessLayers("choices")
        .whereLayer("write")
        .mayOnlyAccessLayers("model", "text", "layout", "vector", "paint", "choices", "file")
        .whereLayer("verify")
        .mayOnlyAccessLayers("model", "text", "layout", "vector", "paint", "choices", "write")
        .whereLayer("publish")
        .mayOnlyAccessLayers(
            "model", "text", "layout", "paint", "reading", "readers", "choices", "file", "write",
            "verify")
        .whereLayer("tray")
        .mayOnlyAccessLayers("model", "reading", "readers", "publish")
        .whereLayer("describe")
        .mayOnlyAccessLayers("model", "reading")
        .whereLayer("proof")
        .mayOnlyAccessLayers("model")
        .check(CORE);
  }

  @Test
  void everyPackageSaysWhatItIsFor() throws IOException {
    Path root = Path.of("src/main/java");
    try (Stream<Path> files = Files.walk(root)) {
      List<Path> without =
          files
              .filter(f -> f.toString().endsWith(".java"))
              .map(Path::getParent)
              .distinct()
              .filter(d -> !Files.exists(d.resolve("package-info.java")))
              .toList();
      assertThat(without).isEmpty();
    }
  }
}
