package decant.publish;

import decant.model.Document;
import decant.model.Paragraph;
import decant.office.docx.DocxReader;
import decant.pdf.verify.Check;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.nio.file.Path;
import java.util.List;

/** Reads a saved DOCX back and compares it with the document. */
final class DocxVerifier {
  private DocxVerifier() {}

  static List<Check> verify(Path file, Document d) {
    try {
      Document back = DocxReader.read(ReadRequest.of(file)).document();
      List<String> wanted = d.paragraphs().stream().map(Paragraph::text).toList();
      List<String> got = back.paragraphs().stream().map(Paragraph::text).toList();
      return List.of(
          Check.of(
              "Text",
              wanted.equals(got),
              wanted.size() + " paragraphs are the document's",
              firstDifference(wanted, got)));
    } catch (ReadProblem e) {
      return List.of(Check.of("Opens", false, "", e.getMessage()));
    }
  }

  private static String firstDifference(List<String> wanted, List<String> got) {
    for (int k = 0; k < Math.min(wanted.size(), got.size()); k++) {
      if (!wanted.get(k).equals(got.get(k))) {
        return "paragraph "
            + (k + 1)
            + " reads “"
            + shortened(got.get(k))
            + "” instead of “"
            + shortened(wanted.get(k))
            + "”";
      }
    }
    return got.size() + " paragraphs instead of " + wanted.size();
  }

  private static String shortened(String s) {
    return s.length() > 60 ? s.substring(0, 58) + "…" : s;
  }
}
