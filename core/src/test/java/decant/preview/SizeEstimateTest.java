package decant.preview;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.layout.Layout;
import decant.pdf.Published;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.file.FilePart;
import decant.pdf.write.PdfWriter;
import decant.recipe.Output;
import decant.work.Cancelled;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A size that is told beforehand is the size of the file that is made. */
class SizeEstimateTest {
  @TempDir static Path folder;

  private static Layout layout;
  private static Path source;

  @BeforeAll
  static void layOut() throws IOException {
    layout = Samples.layout(Published.everything());
    source = Files.writeString(folder.resolve("notes.txt"), "tide tables ".repeat(500));
  }

  private static PdfChoices choices() {
    return Samples.choices(layout);
  }

  private static PdfWriter.Written weigh(PdfChoices c) {
    return SizeEstimate.weigh(layout, c, source, () -> false);
  }

  static Stream<PdfChoices> kinds() {
    var locked =
        new Security(
            Security.Protection.AES_256, false, true, EnumSet.of(Permission.READ_ALOUD), true);
    return Stream.of(
        choices(),
        choices().with(List.of(0)),
        choices().with(new Compression(Compression.Effort.MOST, true, 70, 150, true, true)),
        choices().with(Conformance.DEFAULT.withTagged(false)),
        choices().with(Conformance.DEFAULT.with(Conformance.Standard.A2A).withAccessible(true)),
        choices().with(locked, new Passwords("", "harbour master")));
  }

  @ParameterizedTest
  @MethodSource("kinds")
  void theSizeToldIsThatOfTheFile(PdfChoices c) {
    // Identities and dates of two files differ, and with them a few bytes of what is compressed.
    assertThat((double) weigh(c).total()).isCloseTo(Samples.pdf(layout, c).length, within(64.0));
  }

  @Test
  void everyByteBelongsToAPart() {
    PdfWriter.Written w = weigh(choices());
    assertThat(w.bytes().values()).allMatch(n -> n > 0);
    assertThat(w.bytes().keySet())
        .extracting(FilePart::kind)
        .contains(FilePart.Kind.PICTURE, FilePart.Kind.FONT);
    assertThat(w.pictures()).hasSize(3);
  }

  @Test
  void anAttachedSourceCounts() throws IOException {
    Conformance k = Conformance.DEFAULT.with(Conformance.Standard.A3B);
    long without = weigh(choices().with(k)).total();
    long with = weigh(choices().with(k.with(k.enclosures().withSource(true)))).total();
    assertThat(with - without).isBetween(100L, Files.size(source));
  }

  @Test
  void aSourceThatIsGoneHasNoSize() {
    Conformance k = Conformance.DEFAULT.with(Conformance.Standard.A3B);
    PdfChoices c = choices().with(k.with(k.enclosures().withSource(true)));
    assertThat(SizeEstimate.weigh(layout, c, folder.resolve("gone.docx"), () -> false).total())
        .isZero();
  }

  @Test
  void itStopsWhenItIsNoLongerWanted() {
    Assertions.assertThatThrownBy(() -> SizeEstimate.weigh(layout, choices(), source, () -> true))
        .isInstanceOf(Cancelled.class);
  }

  @ParameterizedTest
  @MethodSource("formats")
  void anOfficeFileHasTheSizeTold(Format f) throws IOException {
    var out = new ByteArrayOutputStream();
    Formats.writer(f).write(layout.document(), out);
    assertThat((double) SizeEstimate.office(f, layout.document()))
        .isCloseTo(out.size(), within(64.0));
  }

  static Stream<Format> formats() {
    return Formats.written().stream();
  }

  /** Each alternative can be obeyed, differs from what is chosen, and is none twice. */
  @Test
  void alternativesCanBeObeyed() {
    PdfWriter.Written now = weigh(choices());
    for (Output.Pdf o :
        List.of(
            Output.Pdf.DEFAULT,
            Output.Pdf.DEFAULT.with(
                new Compression(Compression.Effort.MOST, true, 70, 150, true, true)),
            Output.Pdf.DEFAULT.with(
                Conformance.DEFAULT.with(Conformance.Standard.A2A).withAccessible(true)),
            Output.Pdf.DEFAULT.with(Conformance.DEFAULT.withTagged(false)))) {
      List<SizeEstimate.Alternative> all = SizeEstimate.alternatives(o, now);
      assertThat(all).isNotEmpty();
      assertThat(all).extracting(SizeEstimate.Alternative::output).doesNotContain(o);
      assertThat(all).extracting(SizeEstimate.Alternative::label).doesNotHaveDuplicates();
      for (SizeEstimate.Alternative a : all) {
        PdfChoices c =
            choices()
                .with(a.output().settings().fonts())
                .with(a.output().settings().compression())
                .with(a.output().settings().conformance())
                .with(choices().pages());
        assertThat(decant.pdf.choices.Conflict.of(c)).as(a.label()).isEmpty();
        assertThat(weigh(c).total()).as(a.label()).isPositive();
      }
    }
  }

  /** What another viewer may show otherwise is said to be so, and nothing else is. */
  @Test
  void onlyFontsLeftOutAreRisky() {
    assertThat(SizeEstimate.alternatives(Output.Pdf.DEFAULT, weigh(choices())))
        .filteredOn(SizeEstimate.Alternative::risky)
        .hasSize(1)
        .allMatch(a ->
            a.output().settings().fonts().usual()
                == decant.pdf.choices.FontEmbedding.Embedding.LEFT_OUT);
  }

  @Test
  void photographsOfLowerQualityWeighLess() {
    Layout photo =
        Samples.layout(
            Samples.document(
                Published.png(Published.photograph(600, 400)),
                Published.picture(Published.png(Published.photograph(600, 400)), 300, 200, "")));
    PdfChoices c = PdfChoices.defaults(List.of(0), photo.document().metadata());
    long[] sizes =
        IntStream.of(90, 60, 30)
            .mapToLong(q ->
                SizeEstimate.weigh(
                        photo, c.with(c.settings().compression().with(q, 0)), source, () -> false)
                    .total())
            .toArray();
    assertThat(sizes[0]).isGreaterThan(sizes[1]);
    assertThat(sizes[1]).isGreaterThan(sizes[2]);
  }
}
