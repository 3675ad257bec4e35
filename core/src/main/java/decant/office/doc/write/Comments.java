package decant.office.doc.write;

import decant.model.look.Comment;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Comments: what each is about, who wrote it, and where its text begins ([MS-DOC] 2.8.7–2.8.9). */
final class Comments {
  private static final int INITIALS = 9; // characters at most
  private static final int INITIALS_SIZE = 20; // bytes
  private static final int LONGEST = 54; // characters of a name

  private record Noted(Comment comment, int number, int from, int mark, int text) {}

  private final List<Noted> all = new ArrayList<>();
  private final Map<Integer, Integer> begun = new LinkedHashMap<>();

  void begin(int number, int at) {
    begun.put(number, at);
  }

  /**
   * Ends what a comment is about.
   *
   * @param mark the character that marks it, after what it is about
   * @param text where its text begins
   */
  void end(Comment c, int number, int mark, int text) {
    all.add(new Noted(c, number, begun.getOrDefault(number, mark), mark, text));
  }

  boolean isEmpty() {
    return all.isEmpty();
  }

  /** For each mark the initials and the number of who wrote it (ATRDPre10, §2.9.4). */
  Bytes marks(int lengthOfAll) {
    List<String> authors = authorNames();
    var out = new Plc();
    for (Noted n : all) {
      String initials = initials(n.comment().author());
      var b = new Bytes().counted(initials);
      b.zeros(INITIALS_SIZE - b.size());
      b.u16(authors.indexOf(name(n.comment()))).u16(0).u16(0).u32(n.number());
      out.add(n.mark(), b);
    }
    return out.end(lengthOfAll);
  }

  private static String initials(String author) {
    var b = new StringBuilder();
    for (String word : author.split("\\s+")) {
      if (!word.isEmpty() && b.length() < INITIALS) {
        b.append(word.charAt(0));
      }
    }
    return b.toString();
  }

  private static String name(Comment c) {
    String a = c.author();
    return a.length() <= LONGEST ? a : a.substring(0, LONGEST);
  }

  private List<String> authorNames() {
    return all.stream().map(n -> name(n.comment())).distinct().toList();
  }

  Bytes texts(int length) {
    var out = new Plc();
    all.forEach(n -> out.add(n.text()));
    return out.add(length - 1L).end(length);
  }

  /** Who wrote them, one name after another. */
  Bytes authors() {
    var out = new Bytes();
    authorNames().forEach(out::counted);
    return out;
  }

  /** The tags that lead from what a comment is about to the comment (ATNBE, §2.9.3). */
  Bytes tags() {
    var out = new Bytes().u16(0xFFFF).u16(all.size()).u16(10);
    ordered().forEach(n -> out.u16(0).u16(0x0100).u32(n.number()).u32(-1));
    return out;
  }

  /** By where what they are about begins. */
  private List<Noted> ordered() {
    return all.stream().sorted(Comparator.comparingInt(Noted::from)).toList();
  }

  Bytes starts(int lengthOfAll) {
    List<Noted> byEnd = byEnd();
    var out = new Plc();
    ordered().forEach(n -> out.add(n.from(), new Bytes().u16(byEnd.indexOf(n)).u16(0)));
    return out.end(lengthOfAll + 1L);
  }

  private List<Noted> byEnd() {
    return all.stream().sorted(Comparator.comparingInt(Noted::mark)).toList();
  }

  Bytes ends(int lengthOfAll) {
    var out = new Plc();
    byEnd().forEach(n -> out.add(n.mark()));
    return out.end(lengthOfAll + 1L);
  }
}
