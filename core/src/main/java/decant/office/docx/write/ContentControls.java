package decant.office.docx.write;

import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/**
 * Content controls (§17.5.2) that the source had around text, paragraphs and tables: each stands
 * around all of them that follow one another and had it.
 */
final class ContentControls {
  private static final String PROPERTIES = "<w:sdtPr";

  private final Out o;

  /** Those that are open around what is written, in a container and those around it. */
  private final Deque<List<String>> blocks = new ArrayDeque<>();

  private List<String> runs = List.of();

  ContentControls(Out o) {
    this.o = o;
    blocks.push(List.of());
  }

  private static List<String> of(List<Kept> kept) {
    return kept.stream()
        .filter(k -> k.format().equals(DocxLooks.FORMAT))
        .map(Kept::source)
        .filter(s -> s.startsWith(PROPERTIES))
        .toList();
  }

  /** Before a run of some look. */
  void run(Look look) {
    List<String> now = of(look.value(TextTraits.KEPT));
    change(runs, now);
    runs = now;
  }

  /** Before anything else that stands in a paragraph, and at its end. */
  void endRuns() {
    change(runs, List.of());
    runs = List.of();
  }

  /** Before a paragraph or a table that something is kept of. */
  void block(List<Kept> kept) {
    List<String> now = of(kept);
    change(blocks.getFirst(), now);
    blocks.pop();
    blocks.push(now);
  }

  void endBlocks() {
    block(List.of());
  }

  void beginCell() {
    blocks.push(List.of());
  }

  void endCell() {
    endBlocks();
    blocks.pop();
  }

  private void change(List<String> was, List<String> now) {
    int same = 0;
    while (same < was.size() && same < now.size() && was.get(same).equals(now.get(same))) {
      same++;
    }
    for (int k = was.size(); k > same; k--) {
      o.raw("</w:sdtContent></w:sdt>");
    }
    for (String s : now.subList(same, now.size())) {
      o.raw("<w:sdt>" + s + "<w:sdtContent>");
    }
  }
}
