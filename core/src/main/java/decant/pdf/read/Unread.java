package decant.pdf.read;

import decant.model.Finding;
import decant.model.Finding.Kind;
import decant.model.Finding.Severity;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;

/** Says what a file holds that no document can take over yet: remarks on pages, attached files. */
final class Unread {
  /** Kinds of annotations (ISO 32000-1 §12.5.6) that are read otherwise or say nothing. */
  private static final Set<String> READ =
      Set.of("Link", "Widget", "Popup", "PrinterMark", "TrapNet", "FreeText");

  /** Kinds whose marks are read, but not the words that may come with them. */
  private static final Set<String> MARKS =
      Set.of("Highlight", "Underline", "Squiggly", "StrikeOut", "Stamp");

  private static final int DEEPEST = 20;

  private final PDDocument pdf;

  Unread(PDDocument pdf) {
    this.pdf = pdf;
  }

  List<Finding> findings() {
    var out = new ArrayList<Finding>();
    for (int k = 0; k < pdf.getNumberOfPages(); k++) {
      try {
        remarks(k, out);
      } catch (IOException | RuntimeException e) {
        // The page is damaged, which is said elsewhere.
      }
    }
    attached(out);
    return out;
  }

  private void remarks(int number, List<Finding> out) throws IOException {
    PDPage page = pdf.getPage(number);
    for (PDAnnotation a : page.getAnnotations()) {
      if (READ.contains(String.valueOf(a.getSubtype())) || a.isHidden()) {
        continue;
      }
      String words = a.getContents() == null ? "" : a.getContents().strip();
      if (words.isEmpty() && MARKS.contains(String.valueOf(a.getSubtype()))) {
        continue;
      }
      String said = words.isEmpty() ? "" : " (“" + shortened(words) + "”)";
      out.add(
          Finding.general(
                  Kind.CONTENT_LEFT_OUT,
                  Severity.LOSS,
                  "A remark on page " + (number + 1) + said + " is not carried over.")
              .from(number, PageScan.place(page, a.getRectangle())));
    }
  }

  private static String shortened(String s) {
    String line = s.replaceAll("\\s+", " ");
    return line.length() > 60 ? line.substring(0, 57) + "…" : line;
  }

  private void attached(List<Finding> out) {
    try {
      PDDocumentNameDictionary names = pdf.getDocumentCatalog().getNames();
      if (names != null && names.getEmbeddedFiles() != null) {
        attached(names.getEmbeddedFiles(), 0, out);
      }
    } catch (IOException | RuntimeException e) {
      // A damaged tree of names holds nothing that could be named.
    }
  }

  private static void attached(
      PDNameTreeNode<PDComplexFileSpecification> node, int depth, List<Finding> out)
      throws IOException {
    Map<String, PDComplexFileSpecification> names = node.getNames();
    if (names != null) {
      names.forEach((name, file) -> {
        String called = file == null || file.getFilename() == null ? name : file.getFilename();
        out.add(
            Finding.general(
                Kind.CONTENT_LEFT_OUT,
                Severity.LOSS,
                "The attached file “" + called + "” is not carried over."));
      });
    }
    if (node.getKids() != null && depth < DEEPEST) {
      for (PDNameTreeNode<PDComplexFileSpecification> kid : node.getKids()) {
        attached(kid, depth + 1, out);
      }
    }
  }
}
