package decant.pdf.read.report;

import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.blocks.HeadingAudit;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.drawings.DetectedDrawings;
import decant.pdf.read.fonts.FontDoubts;
import decant.pdf.read.form.FlatBlank;
import decant.pdf.read.form.FlatBlanks;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.scan.DetectedComments;
import decant.reading.GlyphCoverage;
import decant.text.FontBook;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/** Gathers what did not carry over cleanly when a file was read, and what is in doubt. */
public final class ConversionReport {
  private static final Words WORDS = Words.of(ConversionReport.class);

  /**
   * What reading made of a file.
   *
   * @param drawn what became of the drawings
   * @param places where each block of the document stood
   */
  public record Read(
      List<ScannedPage> pages,
      List<List<TextLine>> lines,
      DetectedDrawings.Result drawn,
      RunningTexts.Result running,
      List<Detected> found,
      Document document,
      Map<NodeId, Finding.SourcePlace> places,
      Map<NodeId, String> markers,
      Map<Integer, List<Box>> shapes) {}

  private final PDDocument pdf;
  private final FontDoubts fonts;
  private final FontBook book;
  private final Read read;

  public ConversionReport(PDDocument pdf, FontDoubts fonts, FontBook book, Read read) {
    this.pdf = pdf;
    this.fonts = fonts;
    this.book = book;
    this.read = read;
  }

  public List<Finding> findings() {
    var out = new ArrayList<Finding>();
    out.addAll(fonts.of(read.pages()));
    out.addAll(PageDoubts.of(read.pages(), read.lines(), read.drawn()));
    out.addAll(
        DrawnLosses.of(read.pages(), read.found(), read.document(), read.places(), read.shapes()));
    out.addAll(running());
    out.addAll(GlyphCoverage.of(read.document(), book));
    out.addAll(forms());
    out.addAll(DetectedComments.findings(read.pages(), read.document()));
    out.addAll(LabelAudit.of(read.document(), read.markers(), read.places()));
    out.addAll(BlockDoubts.of(read.found(), read.places()));
    out.addAll(HeadingAudit.of(read.document(), read.places()));
    return out;
  }

  private List<Finding> running() {
    var out = new ArrayList<Finding>();
    List<RunningTexts.RunningText> texts = read.running().texts();
    List<RunningTexts.RunningText> everywhere =
        texts.stream()
            .filter(r -> read.pages().size() < 4 || r.lines().size() > 2 || r.counter().isPresent())
            .toList();
    int others = texts.size() - everywhere.size();
    if (others > 0) {
      out.add(
          Finding.general(
              Kind.RUNNING_TEXT_SET_APART,
              Severity.NOTE,
              WORDS.count("conversion-report.other-running-texts", others)));
    }
    for (RunningTexts.RunningText r : everywhere) {
      TextLine l = r.lines().getFirst();
      out.add(
          Finding.general(
                  Kind.RUNNING_TEXT_SET_APART,
                  Severity.NOTE,
                  WORDS.count(
                      r.header() ? "conversion-report.header" : "conversion-report.footer",
                      r.lines().stream().map(TextLine::page).distinct().count(),
                      l.text().strip()))
              .from(l.page(), l.box()));
    }
    return out;
  }

  private List<Finding> forms() {
    var form = pdf.getDocumentCatalog().getAcroForm();
    if (form == null || form.getFields().isEmpty()) {
      return flat();
    }
    int blanks = 0;
    int others = 0;
    for (var f : form.getFieldTree()) {
      boolean blank =
          f instanceof PDTextField
              || f instanceof PDChoice
              || f instanceof PDCheckBox
              || f instanceof PDRadioButton;
      blanks += blank ? 1 : 0;
      others += !blank && f instanceof PDTerminalField ? 1 : 0;
    }
    var out = new ArrayList<Finding>();
    if (blanks > 0) {
      out.add(
          Finding.general(
              Kind.FORM, Severity.NOTE, WORDS.count("conversion-report.fields", blanks)));
    }
    if (others > 0) {
      out.add(
          Finding.general(
              Kind.FORM, Severity.LOSS, WORDS.count("conversion-report.buttons", others)));
    }
    return out;
  }

  /** Lines and boxes to fill in that are no fields, on pages that have several. */
  private List<Finding> flat() {
    List<List<FlatBlank>> forms =
        IntStream.range(0, read.pages().size())
            .parallel()
            .mapToObj(k -> FlatBlanks.of(read.pages().get(k), read.lines().get(k)))
            .filter(FlatBlanks::isForm)
            .toList();
    int all = forms.stream().mapToInt(List::size).sum();
    return all == 0
        ? List.of()
        : List.of(
            Finding.general(Kind.FORM, Severity.NOTE, WORDS.count("conversion-report.flat", all)));
  }
}
