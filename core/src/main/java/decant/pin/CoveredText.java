package decant.pin;

import decant.layout.label.Flow;
import decant.layout.label.ListLabels;
import decant.layout.label.NoteLabels;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The text of a page that a picture of the whole page lies over: small enough that it all stands on
 * that page, whatever the page was like.
 */
final class CoveredText {
  /** Points: some ten thousand words stand on a sheet of A4. */
  private static final double SIZE = 2;

  private static final double EDGE = 36;

  private final Document document;
  private final Map<NodeId, String> labels;
  private final Map<NodeId, String> notes;

  CoveredText(Document document) {
    this.document = document;
    this.labels = ListLabels.of(document);
    this.notes = NoteLabels.of(document, Flow.of(document, null));
  }

  /** The paper with room for nothing but text. */
  static PageSetup page(PageSetup was) {
    return was.withMargins(EDGE, EDGE).withColumns(Columns.ONE);
  }

  /** Paragraph by paragraph, headings as such, items with their labels. */
  List<Block> of(Section s) {
    var out = new ArrayList<Block>();
    var stories = new ArrayList<Story>();
    add(s.blocks(), stories, out);
    // Notes would stand at the foot of the page, before the picture: they follow the text instead.
    stories.forEach(note -> add(note.blocks(), new ArrayList<>(), out));
    return out;
  }

  private void add(List<Block> blocks, List<Story> marked, List<Block> out) {
    for (Paragraph p : Walk.paragraphs(blocks)) {
      var inlines = new ArrayList<Inline>();
      Look small = Look.of(TextTraits.SIZE, SIZE);
      String label = labels.getOrDefault(p.id(), "");
      if (!label.isEmpty()) {
        inlines.add(new Inline.Text(label + " ", small));
      }
      for (Inline i : p.inlines()) {
        switch (i) {
          case Inline.Text t -> inlines.add(small(t));
          case Inline.Field f -> inlines.add(f.withLook(f.look().with(TextTraits.SIZE, SIZE)));
          case Inline.KeptInline k -> inlines.add(k.withLook(k.look().with(TextTraits.SIZE, SIZE)));
          case Inline.NoteMark n -> {
            String called = notes.getOrDefault(n.note(), "");
            if (!called.isEmpty()) {
              inlines.add(new Inline.Text(called, small));
            }
            Optional.ofNullable(document.stories().get(n.note())).ifPresent(marked::add);
          }
          case Inline.Picture x -> {}
          case Inline.Shape x -> {}
        }
      }
      out.add(new Paragraph(p.id(), plain(p.look()), small, inlines));
    }
  }

  private static Inline small(Inline.Text t) {
    String clean = t.text().replace('\f', ' ').replace(Inline.COLUMN_BREAK, ' ');
    Look look = t.look().with(TextTraits.SIZE, SIZE).without(TextTraits.FIELD);
    return new Inline.Text(clean, look);
  }

  private Look plain(Look was) {
    Look out =
        Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE)
            .with(ParagraphTraits.SPACE_BEFORE, 0.0)
            .with(ParagraphTraits.SPACE_AFTER, 0.0)
            .with(ParagraphTraits.BOOKMARKS, was.value(ParagraphTraits.BOOKMARKS));
    int level = document.styles().paragraphLook(was).value(ParagraphTraits.HEADING_LEVEL);
    return level > 0
        ? out.with(ParagraphTraits.STYLE, was.value(ParagraphTraits.STYLE))
            .with(ParagraphTraits.HEADING_LEVEL, level)
        : out;
  }
}
