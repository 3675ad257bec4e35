package decant.office.rtf;

import decant.model.Document;
import decant.model.finding.Finding;
import decant.office.rtf.read.RtfTold;
import decant.office.rtf.read.RtfWhole;
import decant.office.source.SourceFile;
import decant.reading.DocumentFindings;
import decant.reading.FontsUsed;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Takes RTF files in. */
final class RtfFile {
  private static final Words WORDS = Words.of(RtfFile.class);

  private RtfFile() {}

  /** Takes a file in. @throws ReadProblem if it is none, or too damaged to be one */
  static TakenIn read(ReadRequest request) throws ReadProblem {
    RtfWhole.Whole whole;
    try {
      whole = RtfWhole.read(Files.readAllBytes(request.file()));
    } catch (IOException | StackOverflowError e) {
      Faults.mended("reading an RTF file", e);
      throw new ReadProblem(ReadProblem.Kind.DAMAGED, WORDS.say("rtf-file.damaged"), e);
    }
    request.checkpoint();
    Document d = whole.document().withKeptParts(SourceFile.of(RtfFormat.ID, request));
    var findings = new ArrayList<Finding>();
    if (whole.told().missing() > 0) {
      findings.add(
          Finding.general(
              Finding.Kind.PICTURE_MISSING,
              Finding.Severity.LOSS,
              WORDS.count("rtf-file.pictures", whole.told().missing())));
    }
    findings.addAll(told(whole.told()));
    FontBook fonts = ReadingFonts.of(List.of());
    findings.addAll(DocumentFindings.of(d, fonts));
    return new TakenIn(
        d,
        findings,
        new TakenIn.Origin(RtfFormat.ID, 0, Map.of(), FontsUsed.of(d, fonts), Map.of(), List.of()));
  }

  private static List<Finding> told(RtfTold t) {
    var out = new ArrayList<Finding>();
    tell(out, t.changed(), Finding.Kind.REMARK, Finding.Severity.NOTE, "rtf-file.changes");
    tell(out, t.broken(), Finding.Kind.FILE_DAMAGED, Finding.Severity.LOSS, "rtf-file.broken");
    tell(out, t.uneven(), Finding.Kind.FILE_DAMAGED, Finding.Severity.LOSS, "rtf-file.uneven");
    simplified(out, t.equations(), "rtf-file.equations");
    simplified(out, t.objects(), "rtf-file.objects");
    simplified(out, t.simplified(), "rtf-file.drawings");
    return out;
  }

  private static void simplified(List<Finding> out, boolean is, String key) {
    tell(out, is, Finding.Kind.LAYOUT_SIMPLIFIED, Finding.Severity.DOUBT, key);
  }

  private static void tell(
      List<Finding> out, boolean is, Finding.Kind kind, Finding.Severity severity, String key) {
    if (is) {
      out.add(Finding.general(kind, severity, WORDS.say(key)));
    }
  }
}
