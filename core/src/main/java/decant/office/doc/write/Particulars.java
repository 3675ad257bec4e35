package decant.office.doc.write;

import decant.model.Document;
import decant.model.Metadata;
import decant.model.Section.Running;
import decant.model.look.Typesetting;
import decant.office.emit.NumberCodes;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDateTime;
import org.apache.poi.hpsf.PropertySetFactory;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hpsf.WritingNotSupportedException;

/** What a file says of the document as a whole. */
final class Particulars {
  private static final int DOP = 500; // bytes of a Dop97, [MS-DOC] 2.7.4

  private Particulars() {}

  static boolean facing(Document d) {
    return d.sections().stream()
        .anyMatch(s ->
            s.running().containsKey(Running.HEADER_EVEN)
                || s.running().containsKey(Running.FOOTER_EVEN));
  }

  /** What of the setting holds for all of it (Dop97). */
  static Bytes dop(Document d) {
    Typesetting t = d.styles().typesetting();
    var out = new Bytes().zeros(DOP);
    int notesAtPageEnd = 1 << 5;
    int widowControl = 1 << 1;
    out.put16(0, (facing(d) ? 1 : 0) | widowControl | notesAtPageEnd);
    out.put16(2, 1 << 2); // footnotes are counted from one, on and on
    out.put16(4, t.hyphenates() ? 1 << 12 : 0);
    out.put16(10, Units.twips(t.tabDistance()));
    out.put16(14, 360);
    LocalDateTime now = LocalDateTime.now(Clock.systemDefaultZone());
    out.put32(20, dttm(now));
    out.put32(24, dttm(now));
    out.put16(32, 1);
    out.put16(52, 1 << 2); // endnotes too
    out.put16(54, 3); // at the end of the document
    out.put16(82, 100 << 3); // shown at its size
    out.put16(492, NumberCodes.of(t.footnotes()));
    out.put16(494, NumberCodes.of(t.endnotes()));
    return out;
  }

  /** A time in minutes (DTTM, §2.9.64). */
  private static long dttm(LocalDateTime t) {
    return t.getMinute()
        | t.getHour() << 6
        | t.getDayOfMonth() << 11
        | t.getMonthValue() << 16
        | (long) (t.getYear() - 1900) << 20
        | (long) (t.getDayOfWeek().getValue() % 7) << 29;
  }

  /** The title and the like, in a stream of their own ([MS-OLEPS]). */
  static byte[] summary(Document d) throws IOException {
    Metadata p = d.metadata().clean();
    SummaryInformation s = PropertySetFactory.newSummaryInformation();
    s.setTitle(p.title());
    s.setSubject(p.subject());
    s.setAuthor(p.author());
    s.setKeywords(p.keywords());
    s.setApplicationName("Decant");
    var now = java.util.Date.from(Clock.systemUTC().instant());
    s.setCreateDateTime(now);
    s.setLastSaveDateTime(now);
    var out = new ByteArrayOutputStream();
    try {
      s.write(out);
    } catch (WritingNotSupportedException e) {
      throw new IOException("the particulars cannot be written", e);
    }
    return out.toByteArray();
  }
}
