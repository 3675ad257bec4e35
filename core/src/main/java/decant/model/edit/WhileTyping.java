package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is made of text while it is typed: a mark at the start of a line makes a list, an address a
 * link. Each is a change of its own, so that one undo takes it back and leaves what was typed.
 */
public final class WhileTyping {
  /** The first item of a list, as it is typed; other numbers are dates and amounts as well. */
  private static final Pattern MARK = Pattern.compile("([-*•]|\\(?a\\)|\\(1\\)|\\d{1,3}[.)]) ");

  private static final Pattern ADDRESS =
      Pattern.compile(
          "(?:https?://[^\\s<>\"]+\\.[^\\s<>\"]+|www\\.[^\\s<>\"]+\\.[^\\s<>\"]+"
              + "|[\\w.+-]+@[\\w-]+(?:\\.[\\w-]+)+)$");

  private WhileTyping() {}

  /** What comes of the text before the caret now that a space or an end of line was typed there. */
  public static Revision settled(Revision r) {
    if (!r.selection().isCaret()) {
      return r;
    }
    Revision listed = list(r);
    return listed == r ? link(r) : listed;
  }

  private static Revision list(Revision r) {
    Document d = r.document();
    Position caret = r.selection().caret();
    Paragraph p = d.requireParagraph(caret.paragraph());
    if (caret.offset() < 2 || caret.offset() > 5 || d.headingLevel(p) > 0) {
      return r;
    }
    Matcher m = MARK.matcher(p.text().substring(0, caret.offset()));
    if (!m.matches() || ListEdits.item(d, p).isPresent()) {
      return r;
    }
    String mark = m.group(1);
    boolean counting = !"-*•".contains(mark);
    Optional<ListMembership> above = ListEdits.itemAbove(d, p, counting);
    if (above.isEmpty() && mark.matches("\\d{1,3}[.)]") && !mark.matches("1[.)]")) {
      return r; // 2. goes on in no list, and 10. or 112. begin none
    }
    var steps = new ArrayList<Step>();
    String id;
    if (above.isPresent()) {
      id = above.get().list();
    } else {
      id = ListEdits.free(d, counting ? "numbers" : "bullets");
      String shown = mark.equals("*") ? "•" : mark.equals("-") ? "–" : mark;
      steps.add(ListEdits.with(d, ListDefinition.marked(id, shown)));
    }
    steps.add(new Step.ReplaceText(p.id(), 0, caret.offset(), List.of()));
    int depth = above.map(ListMembership::depth).orElse(0);
    Look look = ListEdits.asItem(p.look(), new ListMembership(id, depth));
    steps.add(new Step.SetParagraphLook(p.id(), look, p.endLook()));
    return r.apply(new Edit("Make list", steps), Selection.at(new Position(p.id(), 0)));
  }

  /** The address that ends at the caret, or before the space or paragraph begun there. */
  private static Revision link(Revision r) {
    Document d = r.document();
    Position caret = r.selection().caret();
    Paragraph p = d.requireParagraph(caret.paragraph());
    int end = caret.offset();
    if (end == 0) {
      List<decant.model.NodeId> order = d.index().orderAround(p.id());
      int at = d.index().placeInOrder(p.id()).orElse(0);
      if (at == 0) {
        return r;
      }
      p = d.requireParagraph(order.get(at - 1));
      end = p.length();
    } else if (Character.isWhitespace(p.text().charAt(end - 1))) {
      end--;
    }
    int from = end;
    String text = p.text();
    while (from > 0 && !Character.isWhitespace(text.charAt(from - 1))) {
      from--;
    }
    String word = text.substring(from, end);
    while (!word.isEmpty() && ".,;:!?)»”\"'".indexOf(word.charAt(word.length() - 1)) >= 0) {
      word = word.substring(0, word.length() - 1);
    }
    Matcher m = ADDRESS.matcher(word);
    if (!m.find()) {
      return r;
    }
    int begin = from + m.start();
    List<Inline> was = p.slice(begin, from + word.length());
    if (was.stream().anyMatch(i -> i.look().sets(TextTraits.LINK))) {
      return r;
    }
    String address = m.group();
    String target =
        address.startsWith("http")
            ? address
            : address.contains("@") ? "mailto:" + address : "https://" + address;
    List<Inline> linked =
        was.stream()
            .map(i -> i.withLook(i.look().with(TextTraits.LINK, new Link.External(target))))
            .toList();
    return r.apply(Edit.of("Make link", new Step.Restyle(p.id(), begin, linked)), r.selection());
  }
}
