package decant.model.walk;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Text that does not show. Formats that cannot say so would have it in the open, so they are given
 * the document without it.
 */
public final class HiddenText {
  private final StyleSheet styles;

  private HiddenText(StyleSheet styles) {
    this.styles = styles;
  }

  public static boolean isIn(Document d) {
    var hidden = new HiddenText(d.styles());
    return Walk.paragraphs(d, Part.ALL).stream().anyMatch(hidden::isIn);
  }

  /** The document with what shows alone. */
  public static Document without(Document d) {
    if (!isIn(d)) {
      return d;
    }
    var hidden = new HiddenText(d.styles());
    List<Section> sections =
        d.sections().stream()
            .map(s ->
                s.withRunning(hidden.stories(s.running())).withBlocks(hidden.blocks(s.blocks())))
            .toList();
    Map<NodeId, Story> stories = hidden.stories(d.stories());
    return Document.of(
            d.metadata(), d.styles(), d.lists(), sections, stories, d.media(), d.keptParts())
        .withAttachments(d.attachments())
        .withSetting(d.setting());
  }

  private boolean isIn(Paragraph p) {
    Look base = styles.paragraphLook(p.look());
    return p.inlines().stream().anyMatch(i -> isHidden(i, base));
  }

  /**
   * @param base the look of its paragraph
   */
  private boolean isHidden(Inline i, Look base) {
    return switch (i) {
      case Inline.Text t -> styles.textLook(base, t.look()).value(TextTraits.HIDDEN);
      case Inline.Field f -> styles.textLook(base, f.look()).value(TextTraits.HIDDEN);
      case Inline.Picture x -> false;
      case Inline.KeptInline k -> false;
      case Inline.NoteMark n -> false;
      case Inline.Shape s -> false;
    };
  }

  private <K> Map<K, Story> stories(Map<K, Story> all) {
    var out = new LinkedHashMap<K, Story>();
    all.forEach((k, s) -> out.put(k, s.withBlocks(blocks(s.blocks()))));
    return out;
  }

  private List<Block> blocks(List<Block> all) {
    return all.stream().map(this::block).toList();
  }

  private Block block(Block b) {
    return switch (b) {
      case Paragraph p -> isIn(p) ? without(p) : p;
      case Table t ->
          t.withRows(
              t.rows().stream()
                  .map(r -> new Table.Row(r.look(), r.cells().stream().map(this::cell).toList()))
                  .toList());
      case KeptBlock k -> k;
    };
  }

  private Cell cell(Cell c) {
    return c.withBlocks(blocks(c.blocks()));
  }

  private Paragraph without(Paragraph p) {
    Look base = styles.paragraphLook(p.look());
    return p.withInlines(p.inlines().stream().filter(i -> !isHidden(i, base)).toList());
  }
}
