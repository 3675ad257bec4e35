package decant.pdf.read;

import decant.model.finding.Finding;
import decant.pdf.open.PageList;
import decant.pdf.open.SourceDocument;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import org.apache.pdfbox.cos.COSObjectKey;

/** What of a damaged file could not be read, wherever it was asked for. */
public final class SourceDamage {
  private static final Words WORDS = Words.of(SourceDamage.class);

  private final SourceDocument pdf;
  private final List<Set<COSObjectKey>> unread = new CopyOnWriteArrayList<>();

  SourceDamage(SourceDocument pdf) {
    this.pdf = pdf;
    unread.add(pdf.unread());
  }

  /** Opens the file once more; what cannot be read of it then counts too. */
  SourceDocument again(ReadRequest request) throws IOException {
    SourceDocument other = OpenedPdf.open(request);
    unread.add(other.unread());
    return other;
  }

  /** What is to be said of a file as far as it was read. */
  public static List<Finding> findings(SourceDocument pdf) {
    return new SourceDamage(pdf).findings();
  }

  /** What is to be said of it, once the file was read. */
  List<Finding> findings() {
    var out = new ArrayList<Finding>();
    PageList.Found pages = pdf.pages();
    if (!pages.listed()) {
      out.add(found(Finding.Severity.DOUBT, WORDS.say("source-damage.unlisted")));
    } else if (pages.found() < pages.said()) {
      String said = WORDS.count("source-damage.pages", pages.found(), pages.said());
      out.add(found(Finding.Severity.LOSS, said));
    }
    var all = new HashSet<COSObjectKey>();
    unread.forEach(all::addAll);
    if (!all.isEmpty()) {
      String said = WORDS.count("source-damage.unread", all.size());
      out.add(found(Finding.Severity.LOSS, said));
    }
    return out;
  }

  private static Finding found(Finding.Severity severity, String said) {
    return Finding.general(Finding.Kind.FILE_DAMAGED, severity, said);
  }
}
