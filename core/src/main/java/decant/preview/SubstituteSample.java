package decant.preview;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.Encryption;
import decant.pdf.write.PdfWriter;
import decant.picture.StandInFonts;
import decant.text.FontBook;
import decant.text.FontFace;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** What a recipient without a font sees: a line published without it, as PDFBox shows it. */
public final class SubstituteSample {
  private static final double WIDTH = 280;
  private static final double HEIGHT = 18;
  private static final float SCALE = 1;

  static {
    StandInFonts.use();
  }

  private SubstituteSample() {}

  /** Empty if there is nothing to show. */
  public static Optional<BufferedImage> of(FontFace face, String text, Substitute s) {
    if (text.isBlank()) {
      return Optional.empty();
    }
    Look look =
        Look.of(TextTraits.FAMILY, face.family())
            .with(TextTraits.SIZE, 12.0)
            .with(TextTraits.BOLD, face.bold())
            .with(TextTraits.ITALIC, face.italic());
    var line =
        new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, look)));
    var paper = PageSetup.plain(WIDTH, HEIGHT, new PageSetup.Margins(1, 0, 0, 0, 0, 0));
    var section =
        new Section(NodeId.fresh(), paper, Section.Start.NEW_PAGE, Map.of(), List.of(line));
    Document d =
        Document.of(
            Metadata.NONE,
            new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()),
            Map.of(),
            List.of(section),
            Map.of(),
            Map.of(),
            List.of());
    Layout layout = new Layouter(FontBook.shipped()).layout(d);
    PdfChoices c =
        PdfChoices.defaults(List.of(0), Metadata.NONE)
            .with(
                new FontEmbedding(
                    Embedding.USED, Map.of(face.family(), new FontChoice(Embedding.LEFT_OUT, s))));
    var out = new ByteArrayOutputStream();
    try {
      PdfWriter.write(layout, c, Optional.empty(), out, n -> {}, () -> false);
      try (PDDocument pdf = Loader.loadPDF(out.toByteArray())) {
        return Optional.of(new PDFRenderer(pdf).renderImage(0, SCALE, ImageType.RGB));
      }
    } catch (IOException | Encryption.Problem e) {
      return Optional.empty();
    }
  }
}
