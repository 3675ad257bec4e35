package decant.pdf.amend.page;

import decant.pdf.amend.line.UnpackedContent;
import decant.pdf.content.ContentSplice;
import decant.pdf.content.Span;
import decant.pdf.file.Deflated;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/**
 * The streams that a page's content is made of (ISO 32000-2 §7.8.2), and changes of them: a stream
 * that no change is about stays byte by byte.
 */
public final class ContentParts {
  private static final int LEVEL = 6;

  private ContentParts() {}

  /**
   * @param used on how many pages each stream is content
   */
  public static void change(
      COSDictionary page, List<ContentSplice> splices, Map<COSStream, Integer> used)
      throws IOException {
    COSBase contents = page.getDictionaryObject(COSName.CONTENTS);
    if (contents instanceof COSStream one) {
      COSStream now = changed(one, UnpackedContent.of(one), splices, used);
      if (now != one) {
        page.setItem(COSName.CONTENTS, now);
      }
    } else if (contents instanceof COSArray all) {
      array(page, all, splices, used);
    }
  }

  private static void array(
      COSDictionary page, COSArray all, List<ContentSplice> splices, Map<COSStream, Integer> used)
      throws IOException {
    var now = new COSArray();
    boolean fresh = false;
    int from = 0;
    for (int k = 0; k < all.size(); k++) {
      if (!(all.getObject(k) instanceof COSStream s)) {
        now.add(all.get(k));
        continue;
      }
      byte[] bytes = UnpackedContent.of(s);
      List<ContentSplice> here = within(splices, from, from + bytes.length);
      from += bytes.length + 1; // streams are read with an end of line between them
      if (here.isEmpty()) {
        now.add(all.get(k));
        continue;
      }
      COSStream changed = changed(s, bytes, here, used);
      fresh |= changed != s;
      now.add(changed == s ? all.get(k) : changed);
    }
    if (fresh) {
      page.setItem(COSName.CONTENTS, now);
    }
  }

  /** The changes of one stream; what reaches over its end is put where it began. */
  private static List<ContentSplice> within(List<ContentSplice> splices, int from, int to) {
    var out = new ArrayList<ContentSplice>();
    for (ContentSplice s : splices) {
      int begin = s.span().from();
      int end = s.span().to();
      if (begin >= to || end <= from && end > begin || begin < from && end <= from) {
        continue;
      }
      var span = new Span(Math.max(begin, from) - from, Math.min(end, to) - from);
      out.add(new ContentSplice(span, begin >= from ? s.by() : new byte[0]));
    }
    return out;
  }

  private static COSStream changed(
      COSStream s, byte[] bytes, List<ContentSplice> splices, Map<COSStream, Integer> used)
      throws IOException {
    byte[] now = ContentSplice.all(bytes, splices);
    if (used.getOrDefault(s, 1) > 1) {
      return Deflated.stream(now, LEVEL);
    }
    put(s, now);
    return s;
  }

  /** Gives a stream other bytes; what else its dictionary says stays. */
  public static void put(COSStream s, byte[] bytes) throws IOException {
    byte[] packed = Deflated.bytes(bytes, LEVEL);
    s.removeItem(COSName.DECODE_PARMS);
    s.removeItem(COSName.F_DECODE_PARMS);
    try (OutputStream out = s.createRawOutputStream()) {
      out.write(packed);
    }
    s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
  }
}
