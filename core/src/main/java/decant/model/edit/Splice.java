package decant.model.edit;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts blocks into the text at a place, with as few steps as that takes however many blocks there
 * are.
 *
 * @param caret the end of what was put in
 */
record Splice(List<Step> steps, Position caret) {
  /**
   * @param blocks at least one, with identities of their own; a paragraph at either end joins the
   *     text around the place
   * @param looks whether a paragraph without text there takes on the looks of the one that joins it
   */
  static Splice of(Document d, Position at, List<Block> blocks, boolean looks) {
    Paragraph here = d.requireParagraph(at.paragraph());
    var steps = new ArrayList<Step>();
    if (blocks.size() == 1 && blocks.getFirst() instanceof Paragraph only) {
      if (here.length() == 0 && looks) {
        steps.add(new Step.SetParagraphLook(here.id(), only.look(), only.endLook()));
      }
      put(steps, here.id(), at.offset(), only.inlines());
      return new Splice(steps, new Position(here.id(), at.offset() + only.length()));
    }
    NodeId container = d.index().container(d, here.id()).orElseThrow();
    int place = d.index().place(here.id()).orElseThrow();
    boolean joinsFirst = blocks.getFirst() instanceof Paragraph;
    if (!joinsFirst && at.offset() == 0) {
      steps.add(new Step.ReplaceBlocks(container, place, List.of(), blocks, at));
      return new Splice(steps, at);
    }
    NodeId rest = NodeId.fresh();
    steps.add(
        new Step.Split(
            here.id(), at.offset(), rest, Commands.goingOn(here.look()), here.endLook()));
    boolean joinsLast = blocks.getLast() instanceof Paragraph;
    List<Block> middle = blocks.subList(joinsFirst ? 1 : 0, blocks.size() - (joinsLast ? 1 : 0));
    if (!middle.isEmpty()) {
      steps.add(new Step.ReplaceBlocks(container, place + 1, List.of(), middle, at));
    }
    if (blocks.getFirst() instanceof Paragraph first) {
      if (at.offset() == 0 && looks) {
        steps.add(new Step.SetParagraphLook(here.id(), first.look(), first.endLook()));
      }
      put(steps, here.id(), at.offset(), first.inlines());
    }
    if (!(blocks.getLast() instanceof Paragraph last)) {
      return new Splice(steps, new Position(rest, 0));
    }
    if (at.offset() == here.length() && looks) {
      steps.add(new Step.SetParagraphLook(rest, last.look(), last.endLook()));
    }
    put(steps, rest, 0, last.inlines());
    return new Splice(steps, new Position(rest, last.length()));
  }

  private static void put(List<Step> steps, NodeId paragraph, int at, List<Inline> inlines) {
    if (!inlines.isEmpty()) {
      steps.add(new Step.ReplaceText(paragraph, at, at, inlines));
    }
  }
}
