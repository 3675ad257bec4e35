package decant.preview;

import decant.format.Format;
import decant.format.Formats;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Security;
import decant.pdf.file.Encryption;
import decant.pdf.file.FilePart;
import decant.pdf.write.Attachment;
import decant.pdf.write.PdfWriter;
import decant.publication.Publication;
import decant.recipe.Output;
import decant.words.Words;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** How large a PDF will be, part by part, and how large with other choices: by writing it. */
public final class SizeEstimate {
  private static final Words WORDS = Words.of(SizeEstimate.class);

  private SizeEstimate() {}

  /**
   * Another way to choose.
   *
   * @param label what would be different
   * @param risky whether the recipient may then see something else
   */
  public record Alternative(String label, Output.Pdf output, boolean risky) {
    Alternative(String label, Output.Pdf output) {
      this(label, output, false);
    }
  }

  /**
   * Writes a file to nowhere.
   *
   * @param choices without conflict but for passwords, which are not needed here
   * @param source the file that is attached, if that is chosen
   * @throws Cancelled if {@code cancelled} says so
   */
  public static PdfWriter.Written weigh(
      Publication publication, PdfChoices choices, Path source, BooleanSupplier cancelled) {
    // A password's length is nothing to the file's.
    Passwords any = new Passwords("open", "change");
    PdfChoices c = choices.with(choices.settings().security(), any);
    try {
      Optional<Attachment> attachment =
          c.settings().conformance().enclosures().source()
              ? Optional.of(
                  Attachment.source(
                      source.getFileName().toString(),
                      "application/octet-stream",
                      Files.readAllBytes(source),
                      FileTime.fromMillis(0)))
              : Optional.empty();
      return PdfWriter.write(
          publication, c, attachment, OutputStream.nullOutputStream(), n -> {}, cancelled);
    } catch (IOException | Encryption.Problem e) {
      return new PdfWriter.Written(Map.of(), Map.of());
    }
  }

  /** How large an editable document will be. */
  public static long office(Format format, decant.model.Document d) {
    long[] n = {0};
    try (OutputStream out =
        new OutputStream() {
          @Override
          public void write(int b) {
            n[0]++;
          }

          @Override
          public void write(byte[] b, int from, int length) {
            n[0] += length;
          }
        }) {
      Formats.writer(format).write(d, out);
      return n[0];
    } catch (IOException e) {
      return 0; // counting never fails
    }
  }

  /** Choices near those that were made, for their sizes to be compared. */
  public static List<Alternative> alternatives(Output.Pdf o, PdfWriter.Written now) {
    var out = new ArrayList<Alternative>();
    boolean pictures =
        now.bytes().keySet().stream().anyMatch(p -> p.kind() == FilePart.Kind.PICTURE);
    boolean fonts = now.bytes().keySet().stream().anyMatch(p -> p.kind() == FilePart.Kind.FONT);
    Compression w = o.settings().compression();
    if (pictures) {
      if (w.photographQuality() == 0 || w.photographQuality() > 75) {
        out.add(
            new Alternative(
                WORDS.say("size-estimate.photographs-as-jpeg-of-quality"),
                o.with(w.with(70, w.resolution()))));
      }
      if (w.resolution() == 0 || w.resolution() > 200) {
        out.add(
            new Alternative(
                WORDS.say("size-estimate.pictures-of-150-dots-an"),
                o.with(w.with(w.photographQuality(), 150))));
      }
      if (w.photographQuality() > 0 || w.resolution() > 0) {
        out.add(
            new Alternative(
                WORDS.say("size-estimate.pictures-as-they-came"), o.with(w.with(0, 0))));
      }
    }
    boolean mayLeaveOut =
        !o.settings().conformance().isArchive() && !o.settings().conformance().accessible();
    if (fonts && mayLeaveOut && o.settings().fonts().usual() != FontEmbedding.Embedding.LEFT_OUT) {
      out.add(
          new Alternative(
              WORDS.say("size-estimate.fonts-left-out"),
              o.with(
                  new FontEmbedding(
                      FontEmbedding.Embedding.LEFT_OUT, o.settings().fonts().fonts())),
              true));
    }
    if (o.settings().fonts().usual() != FontEmbedding.Embedding.USED) {
      out.add(
          new Alternative(
              WORDS.say("size-estimate.fonts-with-the-characters-used"),
              o.with(
                  new FontEmbedding(FontEmbedding.Embedding.USED, o.settings().fonts().fonts()))));
    }
    Conformance k = o.settings().conformance();
    boolean free = !k.accessible() && !k.standard().level().equals("A");
    if (k.tagged() && free) {
      out.add(
          new Alternative(
              WORDS.say("size-estimate.without-tags"),
              o.with(k.withAccessible(false).withTagged(false))));
    }
    if (!k.isArchive() && o.settings().security().protection() == Security.Protection.NONE) {
      out.add(
          new Alternative(
              WORDS.say("size-estimate.as-pdf-a-2a-for"),
              o.with(
                  k.with(Conformance.Standard.A2A)
                      .withTagged(true)
                      .with(k.enclosures().withSource(false)))));
    }
    return out;
  }
}
