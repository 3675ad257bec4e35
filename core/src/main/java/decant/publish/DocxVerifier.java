package decant.publish;

import decant.model.Document;
import decant.model.Paragraph;
import decant.office.docx.DocxReader;
import decant.pdf.verify.Check;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.nio.file.Path;
import java.util.List;

/** Reads a saved DOCX back and compares it with the document. */
final class DocxVerifier {
  private static final Words WORDS = Words.of(DocxVerifier.class);

  private DocxVerifier() {}

  static List<Check> verify(Path file, Document d) {
    try {
      Document back = DocxReader.read(ReadRequest.of(file)).document();
      List<String> wanted = d.paragraphs().stream().map(Paragraph::text).toList();
      List<String> got = back.paragraphs().stream().map(Paragraph::text).toList();
      return List.of(TextCheck.of(wanted, got));
    } catch (ReadProblem e) {
      return List.of(Check.of(WORDS.say("docx-verifier.opens"), false, "", e.getMessage()));
    }
  }
}
