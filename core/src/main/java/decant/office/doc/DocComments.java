package decant.office.doc;

import decant.model.look.Comment;
import decant.work.Faults;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.PlexOfCps;
import org.apache.poi.hwpf.usermodel.Range;
import org.apache.poi.util.LittleEndian;

/** Comments, with who wrote them and what they are about ([MS-DOC] 2.8.7–2.8.9). */
final class DocComments {
  private static final int MARK = 30; // bytes of an ATRDPre10, §2.9.4
  private static final int WHO = 20; // where in it the number of the author stands
  private static final int TAG = 26; // where in it the tag stands
  private static final int NO_TAG = -1;
  private static final int ATNBE = 12; // bytes of a tag with its length, §2.9.3

  /**
   * A comment.
   *
   * @param mark the character that marks it
   * @param from the first character that it is about; that of the mark if it is about no words
   * @param to after the last
   */
  private record Noted(Comment comment, int mark, int from, int to) {}

  private final List<Noted> all = new ArrayList<>();
  private final TreeSet<Integer> edges = new TreeSet<>();

  DocComments(HWPFDocument file, DocHead head) {
    try {
      if (head.has(file, DocHead.COMMENT_MARKS) && head.has(file, DocHead.COMMENT_TEXTS)) {
        read(file, head);
      }
    } catch (RuntimeException e) {
      Faults.mended("reading the comments of a binary office document", e);
    }
    for (Noted n : all) {
      edges.add(n.from());
      edges.add(n.to());
    }
  }

  private void read(HWPFDocument file, DocHead head) {
    PlexOfCps marks = head.plex(file, DocHead.COMMENT_MARKS, MARK);
    PlexOfCps texts = head.plex(file, DocHead.COMMENT_TEXTS, 0);
    List<String> authors = authors(file, head);
    Map<Integer, int[]> ranges = ranges(file, head);
    int start = file.getCommentsRange().getStartOffset();
    for (int k = 0; k < marks.length() && k < texts.length(); k++) {
      byte[] said = marks.getProperty(k).getBytes();
      int who = LittleEndian.getUShort(said, WHO);
      int tag = LittleEndian.getInt(said, TAG);
      var words =
          new Range(
              start + texts.getProperty(k).getStart(), start + texts.getProperty(k).getEnd(), file);
      String text = words.text().replace("\u0005", "").replaceAll("[\\r\\u0007]+", "\n").strip();
      int mark = marks.getProperty(k).getStart();
      int[] about = tag == NO_TAG ? null : ranges.get(tag);
      all.add(
          new Noted(
              new Comment(
                  "c" + (k + 1), who < authors.size() ? authors.get(who) : "", "", text, false),
              mark,
              about == null ? mark : Math.min(about[0], mark),
              about == null ? mark : about[1]));
    }
  }

  private static List<String> authors(HWPFDocument file, DocHead head) {
    var out = new ArrayList<String>();
    if (!head.has(file, DocHead.COMMENT_AUTHORS)) {
      return out;
    }
    byte[] b = file.getTableStream();
    int at = head.place(DocHead.COMMENT_AUTHORS);
    int end = at + head.size(DocHead.COMMENT_AUTHORS);
    while (at + 2 <= end) {
      int size = Math.min(2 * LittleEndian.getUShort(b, at), end - at - 2);
      out.add(new String(b, at + 2, size, StandardCharsets.UTF_16LE));
      at += 2 + size;
    }
    return out;
  }

  /** What comments are about, by their tags. */
  private static Map<Integer, int[]> ranges(HWPFDocument file, DocHead head) {
    var out = new HashMap<Integer, int[]>();
    if (!head.has(file, DocHead.COMMENT_TAGS)
        || !head.has(file, DocHead.COMMENT_STARTS)
        || !head.has(file, DocHead.COMMENT_ENDS)) {
      return out;
    }
    PlexOfCps starts = head.plex(file, DocHead.COMMENT_STARTS, 4);
    PlexOfCps ends = head.plex(file, DocHead.COMMENT_ENDS, 0);
    byte[] b = file.getTableStream();
    int tags = head.place(DocHead.COMMENT_TAGS) + 6;
    for (int k = 0; k < starts.length() && tags + (k + 1) * ATNBE <= b.length; k++) {
      int end = LittleEndian.getUShort(starts.getProperty(k).getBytes(), 0);
      if (end < ends.length()) {
        out.put(
            LittleEndian.getInt(b, tags + k * ATNBE + 4),
            new int[] {starts.getProperty(k).getStart(), ends.getProperty(end).getStart()});
      }
    }
    return out;
  }

  /** Whether another comment is about a character than about the one before it. */
  boolean changesAt(int character) {
    return edges.contains(character);
  }

  /** The comments that are about a character. */
  List<Comment> about(int character) {
    if (all.isEmpty()) {
      return List.of();
    }
    return all.stream()
        .filter(n -> n.from() <= character && character < n.to())
        .map(Noted::comment)
        .toList();
  }

  /** The comment that a character marks, if it is about no words. */
  List<Comment> withoutWords(int mark) {
    return all.stream()
        .filter(n -> n.mark() == mark && n.from() >= n.to())
        .map(Noted::comment)
        .toList();
  }
}
