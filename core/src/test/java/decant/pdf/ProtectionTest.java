package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.Tool;
import decant.format.Intake;
import decant.layout.Layout;
import decant.model.finding.Finding;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.choices.Security.Protection;
import decant.pdf.choices.Version;
import decant.pdf.file.Encryption;
import decant.publish.Exposure;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Encryption (ISO 32000-2 §7.6) by the judgement of qpdf, poppler and PDFBox. */
class ProtectionTest {
  @TempDir Path folder;

  private final Layout layout = Samples.layout(Published.everything());

  private static final Set<Permission> SOME = EnumSet.of(Permission.PRINT, Permission.READ_ALOUD);

  private PdfChoices locked(Protection p, String open, String change, boolean metadata) {
    Security r = new Security(p, !open.isEmpty(), !change.isEmpty(), SOME, metadata);
    return Samples.choices(layout).with(r, new Passwords(open, change));
  }

  private static boolean locks(Output o) {
    return o instanceof Output.Pdf p && p.settings().security().isLocked();
  }

  private static Tool.Answer shown(Path file, String password) {
    return Tool.run("qpdf", "--show-encryption", "--password=" + password, file.toString());
  }

  @ParameterizedTest
  @CsvSource({
    "AES_256, 'R = 6', 'stream encryption method: AESv3'",
    "AES_128, 'R = 4', 'stream encryption method: AESv2'",
    "RC4_128, 'R = 3', 'P ='",
    "RC4_40, 'R = 2', 'P ='"
  })
  void eachKindOpensWithItsPasswordsAndNoOther(Protection p, String revision, String method)
      throws IOException {
    PdfChoices c = locked(p, "low tide", "high tide", true);
    assertThat(Conflict.of(c)).isEmpty();
    Path file = Published.file(folder, layout, c);
    assertThat(shown(file, "low tide").output())
        .contains(revision, method)
        .contains("extract for any purpose: not allowed", "modify anything: not allowed")
        .contains("print low resolution: allowed");
    assertThat(shown(file, "high tide").status()).isZero();
    assertThat(shown(file, "no tide").output()).contains("Incorrect password");
    assertThat(shown(file, "").output()).contains("Incorrect password");
    assertThat(Tool.run("qpdf", "--check", "--password=high tide", file.toString()).status())
        .isZero();
    assertThat(Tool.run("pdftotext", "-upw", "low tide", file.toString(), "-").output())
        .contains("Report to the office");
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), "low tide")) {
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Berth rules");
      assertThat(pdf.getCurrentAccessPermission().canExtractContent()).isFalse();
      assertThat(pdf.getCurrentAccessPermission().canPrint()).isTrue();
    }
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), "high tide")) {
      assertThat(pdf.getCurrentAccessPermission().isOwnerPermission()).isTrue();
    }
    assertThatThrownBy(() -> Loader.loadPDF(file.toFile(), "ebb"))
        .isInstanceOf(InvalidPasswordException.class);
    assertThat(PdfVerifier.verify(file, layout, c))
        .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
  }

  @Test
  void whoPublishesOpenlyWhatWasProtectedIsToldFirst() throws IOException, ReadProblem {
    Recipe open = RecipeBook.counterCopy();
    Path locked =
        Published.file(folder, layout, locked(Protection.AES_256, "low tide", "high tide", true));
    List<Finding> found = Intake.take(ReadRequest.of(locked).withPassword("low tide")).findings();
    assertThat(found.getFirst().kind()).isEqualTo(Finding.Kind.SOURCE_LOCKED);
    assertThat(Exposure.ofSource(open, found)).isPresent();
    Recipe limiting =
        RecipeBook.shipped().stream()
            .filter(r -> r.outputs().stream().allMatch(ProtectionTest::locks))
            .findFirst()
            .orElseThrow();
    assertThat(Exposure.ofSource(limiting, found)).as("it opens for everyone").isPresent();

    Security some =
        new Security(Protection.AES_256, false, true, EnumSet.of(Permission.PRINT), true);
    Path limited =
        Published.file(
            folder, layout, Samples.choices(layout).with(some, new Passwords("", "owner")));
    for (ReadRequest r :
        List.of(ReadRequest.of(limited), ReadRequest.of(limited).withPassword("owner"))) {
      List<Finding> told = Intake.take(r).findings();
      assertThat(told.getFirst().kind()).isEqualTo(Finding.Kind.SOURCE_LIMITED);
      assertThat(Exposure.ofSource(open, told))
          .isPresent()
          .isNotEqualTo(Exposure.ofSource(open, found));
      assertThat(Exposure.ofSource(limiting, told)).isEmpty();
    }

    Path free = Published.file(folder, layout, Samples.choices(layout));
    List<Finding> nothing = Intake.take(ReadRequest.of(free)).findings();
    assertThat(nothing)
        .extracting(Finding::kind)
        .doesNotContain(Finding.Kind.SOURCE_LOCKED, Finding.Kind.SOURCE_LIMITED);
    assertThat(Exposure.ofSource(open, nothing)).isEmpty();
  }

  /** ISO 32000-2 table 22, one bit after another. */
  @ParameterizedTest
  @EnumSource(Permission.class)
  void eachPermissionIsItsOwn(Permission one) throws IOException {
    Security r = new Security(Protection.AES_256, false, true, EnumSet.of(one), true);
    PdfChoices c = Samples.choices(layout).with(r, new Passwords("", "owner"));
    Path file = Published.file(folder, layout, c);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      int bits = pdf.getCurrentAccessPermission().getPermissionBytes();
      for (Permission p : Permission.values()) {
        assertThat((bits & 1 << p.bit() - 1) != 0).as(p.words()).isEqualTo(p == one);
      }
    }
    String said = shown(file, "").output();
    String words =
        switch (one) {
          case PRINT -> "print low resolution: allowed";
          case PRINT_SHARP -> "print high resolution: not allowed"; // it needs the other bit too
          case CHANGE -> "modify other: allowed";
          case COPY -> "extract for any purpose: allowed";
          case COMMENT -> "modify annotations: allowed";
          case FILL -> "modify forms: allowed";
          case READ_ALOUD -> "extract for accessibility: allowed";
          case ASSEMBLE -> "modify document assembly: allowed";
        };
    assertThat(said).contains(words);
    assertThat(PdfVerifier.verify(file, layout, c).stream().filter(x -> !x.passed())).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(
      value = Protection.class,
      names = {"AES_128", "AES_256"})
  void particularsMayStayReadable(Protection p) throws IOException {
    Path sealed = Published.file(folder, layout, locked(p, "low tide", "", true));
    assertThat(raw(sealed)).doesNotContain("<dc:title>");
    PdfChoices c = locked(p, "low tide", "", false);
    Path open = Published.file(folder, layout, c);
    assertThat(raw(open)).contains("<dc:title>", "Berth rules");
    assertThat(Tool.run("qpdf", "--check", "--password=low tide", open.toString()).status())
        .isZero();
    assertThat(PdfVerifier.verify(open, layout, c).stream().filter(x -> !x.passed())).isEmpty();
  }

  private static String raw(Path file) throws IOException {
    return new String(
        java.nio.file.Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1);
  }

  /** RFC 4013, its own examples: a soft hyphen goes, a ligature sign is taken apart. */
  @Test
  void passwordsArePrepared() throws IOException {
    Path file =
        Published.file(folder, layout, locked(Protection.AES_256, "I\u00ADX\u2168", "", true));
    assertThat(shown(file, "IXIX").status()).isZero();
    assertThat(shown(file, "IX").output()).contains("Incorrect password");
  }

  @Test
  void passwordsThatCannotBeUsedAreExplained() {
    assertThatThrownBy(() -> Encryption.check(Protection.AES_128, "\u6E2F\u53E3"))
        .isInstanceOf(Encryption.Problem.class)
        .hasMessageContaining("Only AES-256 accepts passwords in this script");
    assertThatThrownBy(() -> Encryption.check(Protection.AES_256, "a\u0007"))
        .isInstanceOf(Encryption.Problem.class)
        .hasMessageContaining("cannot have");
  }

  @Test
  void choicesThatCannotGoTogetherAreExplained() {
    PdfChoices c = locked(Protection.AES_256, "low tide", "", true);
    assertThat(
            Conflict.of(
                c.with(
                    new Conformance(
                        Conformance.Standard.A2B, false, true, Version.V1_7, Enclosures.DEFAULT))))
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("PDF/A-2b does not allow encryption"));
    assertThat(
            Conflict.of(
                c.with(
                    new Conformance(
                        Conformance.Standard.NONE, false, true, Version.V1_4, Enclosures.DEFAULT))))
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("AES-256 needs PDF 1.7 or newer"));
    assertThat(Conflict.of(locked(Protection.AES_256, "same", "same", true)))
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("Both passwords are the same"));
    assertThat(Conflict.of(locked(Protection.RC4_128, "low tide", "", false)))
        .singleElement()
        .satisfies(
            x -> assertThat(x.message()).contains("title and author cannot be left unencrypted"));
    assertThat(Conflict.of(locked(Protection.AES_256, "", "", true)))
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("Protection needs a password"));
    assertThat(
            Conflict.of(
                c.with(new Security(Protection.AES_256, true, false, SOME, true), Passwords.NONE)))
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("Enter the password"));
  }

  @Test
  void verificationSeesAFileThatIsNotLocked() {
    Path file = Published.file(folder, layout, Samples.choices(layout));
    List<Check> checks =
        PdfVerifier.verify(file, layout, locked(Protection.AES_256, "low tide", "", true));
    assertThat(checks.stream().filter(x -> !x.passed()).map(Check::name))
        .containsExactly("Protection");
  }
}
