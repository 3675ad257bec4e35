package decant.publish;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Remark;
import decant.model.TextTraits;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What a document has besides its pages that may go along with them.
 *
 * @param blanks places to fill in
 * @param remarks what was noted about the text
 * @param files that it carries
 */
public record Enclosed(int blanks, int remarks, int files) {
  public static Enclosed in(Document d) {
    Set<String> blanks = new HashSet<>();
    Set<String> remarks = new HashSet<>();
    d.sections().forEach(s -> count(s.blocks(), blanks, remarks));
    d.stories().values().forEach(s -> count(s.blocks(), blanks, remarks));
    return new Enclosed(blanks.size(), remarks.size(), d.attachments().size());
  }

  private static void count(List<Block> blocks, Set<String> blanks, Set<String> remarks) {
    for (Paragraph p : Document.paragraphsOf(blocks)) {
      for (Inline i : p.inlines()) {
        i.look().get(TextTraits.BLANK).ifPresent(b -> blanks.add(b.id()));
        i.look().value(TextTraits.REMARKS).stream().map(Remark::id).forEach(remarks::add);
      }
    }
  }
}
