package decant.pdf.verify;

import decant.layout.Item;
import decant.layout.Layout;
import decant.layout.Page;
import decant.layout.PageWalker;
import decant.model.Box;
import decant.model.Colour;
import decant.model.Outline;
import decant.pdf.write.PdfChoices;
import java.io.IOException;
import java.io.Writer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/** Verifies a published PDF. */
public final class PdfVerifier {
  private final PDDocument pdf;
  private final Layout layout;
  private final PdfChoices choices;

  private PdfVerifier(PDDocument pdf, Layout layout, PdfChoices choices) {
    this.pdf = pdf;
    this.layout = layout;
    this.choices = choices;
  }

  /**
   * Opens the file again and checks pages, text, bookmarks and fonts. A file that does not open
   * fails one check.
   */
  public static List<Check> verify(Path file, Layout layout, PdfChoices choices) {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      var v = new PdfVerifier(pdf, layout, choices);
      return List.of(v.pages(), v.text(), v.bookmarks(), v.fonts(), v.particulars());
    } catch (IOException | RuntimeException e) {
      return List.of(
          Check.of("Opens", false, "", "The file does not open again: " + e.getMessage()));
    }
  }

  private Check pages() {
    int n = pdf.getNumberOfPages();
    return Check.of(
        "Pages",
        n == choices.pages().size(),
        n + (n == 1 ? " page" : " pages"),
        n + " pages instead of " + choices.pages().size());
  }

  private Check text() throws IOException {
    var reader = new CharacterReader();
    for (int k = 0; k < choices.pages().size() && k < pdf.getNumberOfPages(); k++) {
      Page page = layout.pages().get(choices.pages().get(k));
      PageText wanted = textOf(page);
      String got = reader.read(pdf, k + 1);
      boolean same =
          wanted.rightToLeft
              ? sorted(got).equals(sorted(wanted.text()))
              : got.equals(wanted.text());
      if (!same) {
        return Check.of(
            "Text", false, "", "the text of page " + page.number() + " is not the document's");
      }
    }
    return Check.of("Text", true, "the text of every page is the document's", "");
  }

  private static String sorted(String s) {
    int[] points = s.codePoints().toArray();
    Arrays.sort(points);
    return new String(points, 0, points.length);
  }

  /** The characters of a page without spaces. */
  private record PageText(String text, boolean rightToLeft) {}

  private PageText textOf(Page page) {
    var b = new StringBuilder();
    boolean[] rightToLeft = {false};
    PageWalker.walk(
        layout,
        page,
        new PageWalker.Sink() {
          @Override
          public void glyphs(Item.GlyphRun run, double x, double y) {
            if (run.glyphs().length > 0) {
              b.append(run.text());
              rightToLeft[0] |= run.rightToLeft();
            }
          }

          @Override
          public void fill(Box box, Colour colour) {}

          @Override
          public void picture(Item.PictureBox picture, Box box) {}
        });
    return new PageText(bare(b.toString()), rightToLeft[0]);
  }

  private static String bare(String s) {
    return s.replaceAll(
        "[\\s\u00A0\u00AD\u200B-\u200F\u2028-\u202F\u2060\u2066-\u2069\u2000-\u200A\u3000\uFEFF]+",
        "");
  }

  private Check bookmarks() {
    var got = new ArrayList<String>();
    PDOutlineNode root = pdf.getDocumentCatalog().getDocumentOutline();
    if (root != null) {
      collect(root, got);
    }
    var wanted = new ArrayList<String>();
    if (choices.bookmarks()) {
      Set<Integer> chosen = new HashSet<>(choices.pages());
      for (Outline.Heading h : Outline.headings(layout.document())) {
        List<Page> on = layout.pagesOf(h.paragraph());
        if (!on.isEmpty() && chosen.contains(on.getFirst().number() - 1)) {
          wanted.add(h.text());
        }
      }
    }
    return Check.of(
        "Bookmarks",
        got.equals(wanted),
        wanted.isEmpty() ? "none" : wanted.size() + " bookmarks, as the headings",
        got.size() + " bookmarks do not match " + wanted.size() + " headings");
  }

  private static void collect(PDOutlineNode node, List<String> out) {
    for (PDOutlineItem i = node.getFirstChild(); i != null; i = i.getNextSibling()) {
      out.add(i.getTitle());
      collect(i, out);
    }
  }

  private Check fonts() throws IOException {
    Set<String> names = new HashSet<>();
    Set<Object> seen = new HashSet<>();
    for (PDPage page : pdf.getPages()) {
      PDResources r = page.getResources();
      for (COSName name : r == null ? List.<COSName>of() : r.getFontNames()) {
        PDFont f = r.getFont(name);
        if (seen.add(f.getCOSObject())) {
          boolean subset = f.getName() != null && f.getName().matches("[A-Z]{6}\\+.*");
          if (!f.isEmbedded() || !subset) {
            return Check.of("Fonts", false, "", f.getName() + " is not embedded as a subset");
          }
          names.add(f.getName());
        }
      }
    }
    return Check.of(
        "Fonts",
        true,
        names.size() + (names.size() == 1 ? " font embedded" : " fonts embedded"),
        "");
  }

  private Check particulars() {
    String title = String.valueOf(pdf.getDocumentInformation().getTitle());
    String author = String.valueOf(pdf.getDocumentInformation().getAuthor());
    boolean same =
        title.equals(
                choices.particulars().title().isEmpty() ? "null" : choices.particulars().title())
            && author.equals(
                choices.particulars().author().isEmpty() ? "null" : choices.particulars().author());
    return Check.of(
        "Particulars", same, "title and author as set", "title or author differ from what was set");
  }

  /** The characters of a page in the order in which they are shown, without spaces. */
  private static final class CharacterReader extends PDFTextStripper {
    private final StringBuilder text = new StringBuilder();

    String read(PDDocument pdf, int page) throws IOException {
      text.setLength(0);
      setStartPage(page);
      setEndPage(page);
      writeText(pdf, Writer.nullWriter());
      return bare(text.toString());
    }

    @Override
    protected void processTextPosition(TextPosition t) {
      text.append(t.getUnicode());
    }
  }
}
