package decant;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
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

  /**
   * The packages from the ground up, each with those it may use; {@code ..} means those below it
   * too.
   */
  private static final Map<String, List<String>> ARROWS = arrows();

  private static Map<String, List<String>> arrows() {
    var out = new LinkedHashMap<String, List<String>>();
    out.put("words", List.of());
    out.put("io", List.of("words"));
    out.put("work", List.of("words", "io"));
    out.put("model..", List.of("words"));
    out.put("text", List.of("words", "work"));
    List<String> content = List.of("words", "work", "model..", "text");
    out.put("layout.item", content);
    out.put("publication", and(content, "layout.item"));
    out.put("layout.label", and(content, "layout.item"));
    out.put("layout.block", and(content, "layout.item", "layout.label"));
    List<String> laidOut =
        List.of("layout", "layout.item", "layout.label", "layout.block", "layout.pages");
    out.put(
        "layout.pages", and(content, "publication", "layout.item", "layout.label", "layout.block"));
    out.put(
        "layout",
        and(content, "publication", "layout.item", "layout.label", "layout.block", "layout.pages"));
    String[] layout = laidOut.toArray(String[]::new);
    out.put("picture", List.of("words", "work", "model..", "text"));
    // What is published is seen through its pages alone, not through how they were laid out.
    List<String> published = and(content, "publication", "layout.item");
    out.put("pdf.open", List.of());
    out.put("paint", and(published, "layout.pages", "picture", "pdf.open"));
    out.put("clip", List.of("words", "work", "model..", "text", "picture"));
    out.put("mark", List.of("words", "io", "model..", "picture"));
    out.put("reading", List.of("words", "io", "work", "model..", "text"));
    out.put("verify", List.of());
    out.put("format", List.of("words", "io", "work", "model..", "reading", "verify"));
    out.put("office.symbol", List.of());
    out.put("office.xml", List.of("words", "io", "work", "reading"));
    out.put("office.pending", List.of("model..", "reading", "office.xml"));
    out.put(
        "verify.office",
        and(and(content, layout), "picture", "verify", "office.symbol", "office.pending"));
    List<String> readers = List.of("words", "io", "work", "model..", "text", "reading", "picture");
    out.put("office.field", List.of("model..", "text", "office.symbol"));
    out.put("office.grid", List.of("model.."));
    out.put("office.shape", List.of("model.."));
    out.put("office.source", List.of("words", "io", "work", "model..", "reading", "verify"));
    out.put(
        "office.emit",
        List.of("words", "work", "model..", "text", "layout.item", "layout.label", "picture"));
    out.put("office.docx.markup", and(readers, "office.field", "office.xml"));
    out.put(
        "office.docx.write",
        and(readers, "office.xml", "office.pending", "office.emit", "office.docx.markup"));
    out.put(
        "office.docx.weave",
        and(readers, "office.xml", "office.source", "office.docx.markup", "office.docx.write"));
    out.put(
        "office.docx",
        and(
            readers,
            "office.field",
            "office.symbol",
            "office.xml",
            "office.docx.markup",
            "office.docx.write",
            "office.docx.weave",
            "office.source",
            "format",
            "verify.office"));
    out.put(
        "office.doc.write",
        and(readers, "layout.label", "office.emit", "office.field", "office.pending"));
    out.put(
        "office.doc",
        and(
            readers,
            "office.field",
            "office.pending",
            "office.symbol",
            "office.emit",
            "office.grid",
            "office.shape",
            "office.source",
            "office.doc.write",
            "format",
            "verify.office"));
    out.put(
        "office.html",
        and(
            readers,
            "layout.label",
            "office.emit",
            "office.source",
            "clip",
            "format",
            "verify.office"));
    out.put("office.text", and(readers, "layout.label", "format", "verify.office"));
    out.put("office.odf.markup", and(readers, "office.xml"));
    out.put(
        "office.odf.write",
        and(
            readers,
            "layout.label",
            "office.xml",
            "office.pending",
            "office.emit",
            "office.odf.markup",
            "format"));
    out.put("office.odf.weave", and(readers, "office.xml", "office.source"));
    out.put(
        "office.odf",
        and(
            readers,
            "office.xml",
            "office.pending",
            "office.odf.weave",
            "office.odf.markup",
            "office.source",
            "office.odf.write",
            "format",
            "verify.office"));
    out.put(
        "office.rtf.read",
        and(
            readers,
            "layout.label",
            "office.field",
            "office.pending",
            "office.symbol",
            "office.emit",
            "office.grid",
            "office.shape"));
    out.put(
        "office.rtf",
        and(
            readers,
            "layout.label",
            "office.emit",
            "office.field",
            "office.pending",
            "office.source",
            "office.rtf.read",
            "format",
            "verify.office"));
    out.put("pdf.content", List.of());
    out.put("pdf.drawn", List.of("work"));
    String[] stages = {
      "page",
      "fonts",
      "scan",
      "detected",
      "lines",
      "form",
      "drawings",
      "tables",
      "beside",
      "blocks",
      "tagged",
      "document",
      "report"
    };
    List<String> so = and(readers, "pdf.content", "pdf.open");
    for (String stage : stages) {
      out.put(
          "pdf.read." + stage,
          switch (stage) {
            case "document", "report" -> and(so, "layout.label");
            case "scan", "drawings" -> and(so, "pdf.drawn");
            default -> so;
          });
      so = and(so, "pdf.read." + stage);
    }
    out.put("pdf.read", so);
    out.put("pdf", List.of("format", "pdf.read"));
    out.put("pdf.choices", List.of("words", "model.."));
    out.put("pdf.file", List.of("words", "work", "pdf.choices"));
    List<String> pages = and(published, "picture", "paint");
    List<String> file = and(pages, "pdf.choices", "pdf.file");
    out.put("pdf.write.fonts", file);
    out.put("pdf.write.pictures", file);
    out.put("pdf.kept", and(published, "layout.label", "pdf.content", "pdf.open"));
    out.put(
        "pdf.write",
        and(
            file,
            "reading",
            "pdf.content",
            "pdf.drawn",
            "pdf.kept",
            "pdf.write.fonts",
            "pdf.write.pictures"));
    out.put(
        "verify.pdf",
        and(
            pages,
            "pdf.content",
            "pdf.choices",
            "pdf.file",
            "pdf.write",
            "pdf.write.fonts",
            "verify"));
    out.put("proof", and(and(content, layout), "publication"));
    out.put("blanks", List.of("words", "work", "model.."));
    out.put("pdf.amend.line", List.of("work", "pdf.content", "pdf.read.page", "pdf.read.fonts"));
    out.put("pdf.amend.page", List.of("model..", "pdf.content", "pdf.file", "pdf.amend.line"));
    out.put(
        "pdf.amend.setting",
        List.of("text", "pdf.read.page", "pdf.write.fonts", "pdf.amend.line", "pdf.amend.page"));
    out.put(
        "pdf.amend",
        List.of(
            "words",
            "work",
            "model..",
            "text",
            "io",
            "reading",
            "pdf.open",
            "pdf.content",
            "pdf.file",
            "pdf.read.page",
            "pdf.read.form",
            "pdf.read.scan",
            "pdf.read",
            "pdf.amend.line",
            "pdf.amend.page",
            "pdf.amend.setting",
            "picture",
            "pdf.choices",
            "pdf.write",
            "pdf.write.pictures",
            "pdf.write.fonts"));
    out.put(
        "pin",
        and(
            and(content, layout),
            "io",
            "publication",
            "reading",
            "picture",
            "paint",
            "proof",
            "blanks",
            "pdf.read.form",
            "pdf.amend.setting",
            "pdf.amend"));
    out.put("recipe", and(published, "io", "reading", "format", "pdf.choices", "pdf.file"));
    out.put(
        "preview",
        and(
            pages,
            "office.pending",
            "layout",
            "layout.label",
            "format",
            "pdf.choices",
            "pdf.file",
            "pdf.write",
            "pdf.write.pictures",
            "recipe"));
    out.put(
        "publish",
        and(
            pages,
            "layout",
            "layout.label",
            "io",
            "reading",
            "format",
            "pdf.choices",
            "pdf.file",
            "pdf.write",
            "verify",
            "verify.pdf",
            "pin",
            "recipe"));
    out.put(
        "convert",
        and(
            and(content, layout),
            "picture",
            "publication",
            "io",
            "reading",
            "format",
            "pdf.choices",
            "pdf.kept",
            "proof",
            "pin",
            "preview",
            "recipe",
            "publish"));
    out.put(
        "compare",
        and(
            and(content, layout),
            "picture",
            "publication",
            "paint",
            "pdf.open",
            "reading",
            "format",
            "convert"));
    out.put(
        "compare.sheet",
        and(
            and(content, layout),
            "io",
            "publication",
            "paint",
            "pdf.content",
            "pdf.choices",
            "pdf.file",
            "pdf.amend.line",
            "pdf.write",
            "verify",
            "verify.pdf",
            "compare"));
    out.put("pdf.merge", List.of("words", "io", "verify"));
    out.put("process", List.of("reading"));
    out.put(
        "run",
        List.of(
            "words",
            "io",
            "work",
            "model..",
            "reading",
            "format",
            "pdf.choices",
            "verify",
            "recipe",
            "publish",
            "pdf.merge",
            "convert",
            "process"));
    out.put("run.log", List.of("words", "io", "model..", "format", "recipe", "run"));
    out.put("recovery", List.of("words", "io", "work", "model..", "reading", "format", "compare"));
    out.put(
        "tray",
        List.of(
            "words",
            "io",
            "work",
            "model..",
            "reading",
            "format",
            "recipe",
            "publish",
            "recovery"));
    out.put("describe", List.of("words", "model..", "reading"));
    return out;
  }

  private static List<String> and(List<String> some, String... more) {
    return Stream.concat(some.stream(), Stream.of(more)).toList();
  }

  private static String named(String layer) {
    return "decant." + layer;
  }

  @Test
  void arrowsPointOneWay() {
    var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
    for (String l : ARROWS.keySet()) {
      layers = layers.layer(l).definedBy(named(l));
    }
    for (Map.Entry<String, List<String>> e : ARROWS.entrySet()) {
      layers =
          e.getValue().isEmpty()
              ? layers.whereLayer(e.getKey()).mayNotAccessAnyLayer()
              : layers
                  .whereLayer(e.getKey())
                  .mayOnlyAccessLayers(e.getValue().toArray(String[]::new));
    }
    layers.check(CORE);
  }

  /** Each package is used only by such as stand after it, so that there are no circles. */
  @Test
  void noPackageUsesOneThatStandsAfterIt() {
    List<String> order = List.copyOf(ARROWS.keySet());
    ARROWS.forEach((from, to) ->
        assertThat(to)
            .as(from)
            .allMatch(t -> order.indexOf(t) >= 0 && order.indexOf(t) < order.indexOf(from)));
  }

  @Test
  void everyPackageHasItsPlace() {
    assertThat(CORE)
        .allMatch(c ->
            ARROWS.keySet().stream()
                .anyMatch(l ->
                    l.endsWith("..")
                        ? (c.getPackageName() + ".")
                            .startsWith(named(l.substring(0, l.length() - 1)))
                        : c.getPackageName().equals(named(l))));
  }

  /** A package is read through in one go. */
  @Test
  void noPackageGrowsTooLarge() {
    Map<String, Long> sizes =
        CORE.stream()
            .filter(c -> c.isTopLevelClass() && !c.getSimpleName().equals("package-info"))
            .collect(Collectors.groupingBy(JavaClass::getPackageName, Collectors.counting()));
    sizes.forEach((p, n) -> assertThat(n).as(p).isLessThanOrEqualTo(30L));
  }

  /** Files longer than a reader keeps in mind, until they are taken apart. */
  private static final Map<String, Integer> LONG_FILES =
      Map.of(
          "desktop/page/PagesView.java", 590,
          "pdf/read/scan/PageScan.java", 540,
          "layout/pages/PageFilling.java", 585,
          "office/docx/DocxBody.java", 535,
          "pdf/read/tagged/TaggedBlocks.java", 470);

  @Test
  void noFileGrowsTooLong() throws IOException {
    for (String module : List.of(".", "../desktop", "../cli")) {
      Path root = Path.of(module, "src/main/java/decant");
      try (Stream<Path> files = Files.walk(root)) {
        for (Path f : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          String in = root.relativize(f).toString().replace('\\', '/');
          assertThat(Files.readAllLines(f))
              .as(in)
              .hasSizeLessThanOrEqualTo(LONG_FILES.getOrDefault(in, 450));
        }
      }
    }
  }

  /** What is given by its place is told apart by few others. */
  @Test
  void noRecordHasTooManyComponents() {
    assertThat(CORE)
        .filteredOn(c -> c.isRecord() && c.getModifiers().contains(JavaModifier.PUBLIC))
        .isNotEmpty()
        .allSatisfy(
            c -> assertThat(c.reflect().getRecordComponents()).as(c.getName()).hasSizeLessThan(10));
  }

  /** A format is known to its own packages, and to {@code format}. */
  @Test
  void nothingElseKnowsAFormat() throws IOException {
    var known =
        Pattern.compile(
            "\"(?:[^\"\\n]*\\.)?(doc|docx|docm|dotx|rtf|odt)\"|\\b(?:(?:Docx|Rtf|Odt)[A-Z]\\w*|Doc(?:Format|Reader))");
    for (String module : List.of(".", "../desktop", "../cli")) {
      Path root = Path.of(module, "src/main/java/decant");
      try (Stream<Path> files = Files.walk(root)) {
        for (Path f : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          String in = root.relativize(f).toString().replace('\\', '/');
          boolean own =
              in.matches("(format|office/(doc|docx|html|odf|pending|rtf|text)|verify/office)/.*")
                  // lists the extensions of files that may act by themselves
                  || in.equals("reading/ActiveContent.java");
          String code = Files.readString(f).replaceAll("(?s)/\\*.*?\\*/|//[^\n]*", "");
          assertThat(own || !known.matcher(code).find()).as(in).isTrue();
        }
      }
    }
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
