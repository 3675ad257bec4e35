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
        .layer("words")
        .definedBy("decant.words..")
        .layer("model")
        .definedBy("decant.model..")
        .layer("text")
        .definedBy("decant.text..")
        .layer("layout")
        .definedBy("decant.layout..")
        .layer("picture")
        .definedBy("decant.picture..")
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
        .definedBy("decant.verify..")
        .layer("publish")
        .definedBy("decant.publish..")
        .layer("tray")
        .definedBy("decant.tray..")
        .layer("describe")
        .definedBy("decant.describe..")
        .layer("proof")
        .definedBy("decant.proof..")
        .whereLayer("words")
        .mayNotAccessAnyLayer()
        .whereLayer("text")
        .mayOnlyAccessLayers("words")
        .whereLayer("layout")
        .mayOnlyAccessLayers("words", "model", "text")
        .whereLayer("picture")
        .mayOnlyAccessLayers("words", "model", "text")
        .whereLayer("paint")
        .mayOnlyAccessLayers("words", "model", "text", "layout", "picture")
        .whereLayer("reading")
        .mayOnlyAccessLayers("words", "model", "text")
        .whereLayer("readers")
        .mayOnlyAccessLayers("words", "model", "text", "reading", "picture")
        .whereLayer("format")
        .mayOnlyAccessLayers("words", "reading", "readers")
        .whereLayer("choices")
        .mayOnlyAccessLayers("words", "model")
        .whereLayer("file")
        .mayOnlyAccessLayers("words", "choices")
        .whereLayer("write")
        .mayOnlyAccessLayers(
            "words", "model", "text", "layout", "picture", "paint", "choices", "file")
        .whereLayer("verify")
        .mayOnlyAccessLayers(
            "words", "model", "text", "layout", "picture", "paint", "choices", "write", "file")
        .whereLayer("publish")
        .mayOnlyAccessLayers(
            "words", "model", "text", "layout", "picture", "paint", "reading", "readers", "choices",
            "file", "write", "verify")
        .whereLayer("tray")
        .mayOnlyAccessLayers("words", "model", "reading", "readers", "publish")
        .whereLayer("describe")
        .mayOnlyAccessLayers("words", "model", "reading")
        .whereLayer("proof")
        .mayOnlyAccessLayers("words", "model")
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
