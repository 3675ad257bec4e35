package decant.office.rtf.read;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.edit.Fragment;
import decant.model.edit.HeadingStyles;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.work.Faults;
import java.io.IOException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * RTF that another program put on the clipboard: its text alone, in the styles of the document that
 * it goes into; shapes and headers are left out.
 */
public final class RtfPasted extends RtfReader {
  /** Characters that are read; more is no clipboard. */
  private static final int LONGEST = 50_000_000;

  private static final Pattern ADDRESS =
      Pattern.compile("HYPERLINK\\s+\"?((?:https?|mailto|tel|ftp):[^\"\\s]+)\"?");

  private StyleSheet styles;

  private RtfPasted(StyleSheet styles) {
    this.styles = styles;
  }

  /**
   * What is read; empty if it is no RTF, or not whole: its text is on the clipboard too, then.
   *
   * @param styles those of the document that it goes into, by which headings are named
   */
  public static Fragment read(String rtf, StyleSheet styles) {
    var r = new RtfPasted(styles);
    boolean readable = rtf.stripLeading().startsWith("{\\rtf") && rtf.length() <= LONGEST;
    if (readable) {
      try {
        r.parse(rtf);
      } catch (IOException | RuntimeException e) {
        Faults.mended("reading RTF from the clipboard", e);
        r = new RtfPasted(styles);
      }
    }
    return new Fragment(r.text.blocks(), r.stories, r.media, r.lists, r.styles);
  }

  @Override
  void paragraphEnds(RtfState.Place at, List<Inline> all) {
    Look look = at.look();
    List<Inline> inlines = all;
    int level = at.level() < 0 ? told.level(at.style()) : at.level();
    if (level > 0) {
      styles = HeadingStyles.ensure(styles, level);
      look =
          Look.of(ParagraphTraits.STYLE, HeadingStyles.id(styles, level))
              .with(ParagraphTraits.ALIGNMENT, look.value(ParagraphTraits.ALIGNMENT));
      inlines = inlines.stream().map(RtfPasted::inHeading).toList();
    } else if (at.list() > 0 || !label.isEmpty()) {
      look =
          look.without(ParagraphTraits.INDENT_START)
              .without(ParagraphTraits.FIRST_LINE)
              .with(ParagraphTraits.LIST, new ListMembership(list(), at.depth()));
    }
    text.paragraph(new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines), at.table());
  }

  /** Its size and weight are those of headings of the document. */
  private static Inline inHeading(Inline i) {
    return i.withLook(
        i.look()
            .without(TextTraits.SIZE)
            .without(TextTraits.BOLD)
            .without(TextTraits.FAMILY)
            .without(TextTraits.COLOUR));
  }

  /** The list that the paragraph is an item of: known by its number, marked as its first item. */
  private String list() {
    String id = "rtf-pasted-" + state.place().list();
    String mark = label.toString().strip();
    boolean sayable = mark.matches("[(]?(?:\\d{1,3}|[A-Za-z]|[ivxIVX]{1,6})[.)]?");
    lists.computeIfAbsent(
        id, k -> ListDefinition.marked(k, sayable ? mark : mark.isEmpty() ? "1." : "•"));
    return id;
  }

  /** Links that lead out are followed, and no others. */
  @Override
  void asks(String instruction) {
    Matcher m = ADDRESS.matcher(instruction);
    if (m.find()) {
      links(new Link.External(m.group(1)));
    }
  }
}
