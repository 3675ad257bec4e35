package decant.office.docx;

import decant.model.Block;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Kept;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.docx.markup.Comments;
import decant.office.docx.markup.Controls;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Theme;
import decant.office.symbol.Symbols;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.picture.PicturesOnce;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Blocks and inlines of one part: the body, a header, a footer, the notes. */
final class DocxBody {
  private static final Words WORDS = Words.of(DocxBody.class);

  /** What the parts of a document share. */
  static final class Shared {
    final Map<MediaId, Media> media = new LinkedHashMap<>();
    final PicturesOnce pictures = new PicturesOnce();
    final Map<NodeId, Story> stories = new LinkedHashMap<>();
    final NoteReferences notes = new NoteReferences();
    final List<Finding> findings = new ArrayList<>();
    final RunTexts text = new RunTexts();

    /** Where pages broke when the file was written (w:lastRenderedPageBreak, §17.3.3.13). */
    final List<TakenIn.PageBreak> breaks = new ArrayList<>();

    /** Parts that something kept refers to. */
    final Set<String> keptTargets = new HashSet<>();

    final Map<String, Integer> counted = new LinkedHashMap<>();
    Comments comments = Comments.NONE;

    /** Comments whose range is open. */
    List<Comment> open = List.of();

    /** The place to fill in that is read. */
    Optional<FormField> field = Optional.empty();

    /** How many content controls have been read. */
    int controls;

    StyleSheet styles = DocxStyles.none();
    Theme theme = Theme.NONE;
    DocxLooks looks = new DocxLooks(Theme.NONE);
    TableStyles tableStyles = new TableStyles(Optional.empty(), looks);

    void find(Finding.Kind kind, Finding.Severity severity, String message, NodeId at) {
      // The same remark many times over is noise: the first few places stand for the rest.
      int n = counted.merge(message, 1, Integer::sum);
      if (n <= 20) {
        findings.add(Finding.of(kind, severity, message, at));
      }
    }

    /** Tells something of the document once. */
    void once(Finding.Kind kind, String said) {
      if (counted.merge(said, 1, Integer::sum) == 1) {
        findings.add(Finding.general(kind, Finding.Severity.DOUBT, said));
      }
    }

    /** Notes which parts go back because something kept refers to them. */
    void keepTargets(Kept kept, Map<String, PackageFile.Relationship> relationships) {
      relationships.forEach((id, r) -> {
        if (!r.external() && kept.source().contains('"' + id + '"')) {
          keptTargets.add(r.target());
        }
      });
    }
  }

  private final Map<String, PackageFile.Relationship> relationships;
  private final Shared shared;

  private final DrawingReader drawings;
  private final VmlReader vmlDrawings;
  private final Optional<NodeId> note;
  private final FieldReader fields;

  DocxBody(PackageFile file, Map<String, PackageFile.Relationship> relationships, Shared shared) {
    this(file, relationships, shared, Optional.empty());
  }

  /**
   * @param note the note whose text is read, if it is one
   */
  DocxBody(
      PackageFile file,
      Map<String, PackageFile.Relationship> relationships,
      Shared shared,
      Optional<NodeId> note) {
    this.relationships = relationships;
    this.shared = shared;
    this.note = note;
    this.fields = new FieldReader(shared);
    this.drawings =
        new DrawingReader(
            file,
            relationships,
            shared,
            e -> new DocxBody(file, relationships, shared, note).content(e));
    this.vmlDrawings = new VmlReader(drawings, shared);
  }

  /** The blocks that an element of block level stands for; most stand for one. */
  List<Block> blocks(Element e) throws ReadProblem {
    return switch (e.name()) {
      case "w:p" -> List.of(new ParagraphReader().read(e));
      case "w:tbl" -> List.of(table(e));
      case "w:sdt" -> {
        Optional<FormField> outer = openField(e);
        List<Block> inside = blocksOf(e.child("w:sdtContent"));
        boolean field = !shared.field.equals(outer);
        shared.field = outer;
        yield field ? inside : Around.control(e, inside);
      }
      case "w:customXml", "w:ins", "w:moveTo" -> blocksOf(Optional.of(e));
      case "mc:AlternateContent" -> blocksOf(Alternates.chosen(e));
      case "w:sectPr", "w:bookmarkStart" -> List.of();
      default -> {
        if (Unshown.PASSED_OVER.contains(e.name())) {
          yield List.of();
        }
        if (!shared.text.shown(e).isBlank()) { // in a place of its own it would be hidden
          yield List.of(new ParagraphReader().read(new Element("w:p", Map.of(), List.of(e))));
        }
        var kept = new KeptBlock(NodeId.fresh(), new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
        shared.find(
            Finding.Kind.CONTENT_KEPT_UNSHOWN,
            Finding.Severity.NOTE,
            WORDS.say("docx-body.something-that-decant-does-not", e.name()),
            kept.id());
        yield List.of(kept);
      }
    };
  }

  /** Enters a content control; gives the place to fill in around it. */
  private Optional<FormField> openField(Element sdt) {
    Optional<FormField> outer = shared.field;
    shared.field = Controls.read(sdt, ++shared.controls).or(() -> outer);
    return outer;
  }

  private List<Block> blocksOf(Optional<Element> parent) throws ReadProblem {
    var out = new ArrayList<Block>();
    if (parent.isPresent()) {
      for (Element e : parent.get().elements()) {
        out.addAll(blocks(e));
      }
    }
    return out;
  }

  /** All blocks below an element; at least one paragraph, as cells and notes must have. */
  List<Block> content(Element parent) throws ReadProblem {
    List<Block> out = new ArrayList<>(blocksOf(Optional.of(parent)));
    if (out.stream().noneMatch(b -> b instanceof Paragraph)) {
      out.add(Paragraph.of(Look.PLAIN, ""));
    }
    return out;
  }

  private Table table(Element tbl) throws ReadProblem {
    Table t = new DocxTables(shared.tableStyles).read(tbl, this::content);
    Unshown.report(shared, t.look(), t.id());
    for (Table.Row r : t.rows()) {
      Unshown.report(shared, r.look(), t.id());
      r.cells().forEach(c -> Unshown.report(shared, c.look(), t.id()));
    }
    return t;
  }

  /** Reads one paragraph; fields may run across its runs, and on into the next. */
  private final class ParagraphReader {
    private final List<Inline> inlines = new ArrayList<>();
    private final List<String> bookmarks = new ArrayList<>();
    private final NodeId id = NodeId.fresh();
    private Look extra = Look.PLAIN;
    private Optional<Link> link = Optional.empty();
    private final Around around = new Around();

    Paragraph read(Element p) throws ReadProblem {
      Optional<Element> pPr = p.child("w:pPr");
      Look look = pPr.map(shared.looks::paragraph).orElse(Look.PLAIN);
      Look end = pPr.flatMap(x -> x.child("w:rPr")).map(shared.looks::text).orElse(Look.PLAIN);
      link = fields.openLink();
      inlines(p);
      fields.endParagraph(inlines);
      if (!bookmarks.isEmpty()) {
        look = look.with(ParagraphTraits.BOOKMARKS, List.copyOf(bookmarks));
      }
      Unshown.report(shared, look, id);
      return new Paragraph(id, extra.over(look), end, inlines);
    }

    private void inlines(Element parent) throws ReadProblem {
      for (Element e : parent.elements()) {
        switch (e.name()) {
          case "w:r" -> run(e);
          case "w:hyperlink" -> hyperlink(e);
          case "w:smartTag", "w:customXml", "w:dir", "w:bdo" -> inlines(e);
          case "w:ins", "w:moveTo" -> inserted(e);
          case "w:sdt" -> {
            Optional<Element> content = e.child("w:sdtContent");
            Optional<FormField> outer = openField(e);
            List<Kept> outside = around.beginControl(e, !shared.field.equals(outer));
            if (content.isPresent()) {
              inlines(content.get());
            }
            around.end(outside);
            shared.field = outer;
          }
          case "w:fldSimple" -> simpleField(e);
          case "w:commentRangeStart", "w:commentRangeEnd" -> commentMark(e);
          case "w:bookmarkStart" ->
              e.attribute("w:name").filter(n -> !n.equals("_GoBack")).ifPresent(bookmarks::add);
          case "mc:AlternateContent" -> {
            Optional<Element> chosen = Alternates.chosen(e);
            if (chosen.isPresent()) {
              inlines(chosen.get());
            }
          }
          case "m:oMath", "m:oMathPara" -> {
            keep(e, FormulaText.of(e), Look.PLAIN);
            shared.find(
                Finding.Kind.LAYOUT_SIMPLIFIED,
                Finding.Severity.DOUBT,
                WORDS.say("docx-body.a-formula-shows-as-plain"),
                id);
          }
          case "w:del", "w:moveFrom" -> {
            keep(e, "", Look.PLAIN);
            shared.find(
                Finding.Kind.CONTENT_KEPT_UNSHOWN,
                Finding.Severity.NOTE,
                WORDS.say("docx-body.a-tracked-deletion-is-not"),
                id);
          }
          default -> {
            if (!Unshown.PASSED_OVER.contains(e.name())) {
              keep(e, shown(e), Look.PLAIN);
            }
          }
        }
      }
    }

    /** The text of something that is not understood. */
    private String shown(Element e) {
      String shown = shared.text.shown(e);
      if (!shown.isBlank()) {
        shared.find(
            Finding.Kind.LAYOUT_SIMPLIFIED,
            Finding.Severity.DOUBT,
            WORDS.say("docx-body.text-shows-plain", e.name()),
            id);
      }
      return shown;
    }

    private void inserted(Element e) throws ReadProblem {
      List<Kept> outer = around.beginInsertion(e);
      shared.find(
          Finding.Kind.REMARK,
          Finding.Severity.NOTE,
          WORDS.say("docx-body.a-tracked-insertion-shows"),
          id);
      inlines(e);
      around.end(outer);
    }

    /** Begins or ends a remark; its mark is kept only where its part is. */
    private void commentMark(Element e) {
      String comment = e.attribute("w:id").orElse("");
      shared.open =
          e.name().equals("w:commentRangeStart")
              ? shared.comments.with(shared.open, comment)
              : shared.comments.without(shared.open, comment);
      if (!shared.comments.isPlain()) {
        keep(e, "", Look.PLAIN);
      }
    }

    /** A remark without a range is about what stands before it. */
    private void commentReference(Element e, Look look) {
      String comment = e.attribute("w:id").orElse("");
      boolean ranged =
          inlines.stream()
              .anyMatch(i -> shared.comments.has(i.look().value(TextTraits.COMMENTS), comment));
      if (!ranged && !inlines.isEmpty()) {
        Inline last = inlines.getLast();
        List<Comment> now = shared.comments.with(last.look().value(TextTraits.COMMENTS), comment);
        if (!now.isEmpty()) {
          inlines.set(
              inlines.size() - 1, last.withLook(last.look().with(TextTraits.COMMENTS, now)));
        }
      }
      if (!shared.comments.isPlain()) {
        keepInRun(e, look);
      }
    }

    private void keep(Element e, String shown, Look look) {
      var kept = new Kept(DocxLooks.FORMAT, XmlParts.write(e));
      shared.keepTargets(kept, relationships);
      inlines.add(new Inline.KeptInline(kept, shown, look));
    }

    /** Keeps what stands in a run. */
    private void keepInRun(Element e, Look look) {
      keep(new Element("w:r", Map.of(), List.of(e)), shown(e), look);
    }

    private void hyperlink(Element e) throws ReadProblem {
      Optional<Link> outer = link;
      Optional<Link> target =
          e.attribute("r:id")
              .map(relationships::get)
              .filter(r -> r.external())
              .<Link>map(r -> new Link.External(withAnchor(r.target(), e)))
              .or(() -> e.attribute("w:anchor").map(Link.Internal::new));
      link = target.or(() -> outer);
      inlines(e);
      link = outer;
    }

    private static String withAnchor(String uri, Element e) {
      return e.attribute("w:anchor")
          .filter(a -> !uri.contains("#"))
          .map(a -> uri + "#" + a)
          .orElse(uri);
    }

    private void run(Element r) throws ReadProblem {
      Optional<Element> rPr = r.child("w:rPr");
      Look direct = rPr.map(shared.looks::text).orElse(Look.PLAIN);
      Unshown.report(shared, direct, id);
      Look tracked = around.of(direct);
      Look linked = link.map(l -> tracked.with(TextTraits.LINK, l)).orElse(tracked);
      Look filled =
          fields
              .blank()
              .or(() -> shared.field)
              .map(b -> linked.with(TextTraits.FIELD, b))
              .orElse(linked);
      Look look = shared.open.isEmpty() ? filled : filled.with(TextTraits.COMMENTS, shared.open);
      for (Element e : r.elements()) {
        inRun(e, rPr, look);
      }
      shared.notes.runEnds();
    }

    private void inRun(Element e, Optional<Element> rPr, Look look) throws ReadProblem {
      switch (e.name()) {
        case "w:t" -> text(symbols(shared.text.of(e), look), look);
        case "w:tab" -> text("\t", look);
        case "w:ptab" -> alignmentTab(e, look);
        case "w:cr" -> text("\n", look);
        case "w:lastRenderedPageBreak" ->
            shared.breaks.add(
                new TakenIn.PageBreak(shared.breaks.size() + 1, new Position(id, length())));
        case "w:br" -> {
          switch (e.attribute("w:type").orElse("textWrapping")) {
            case "page" -> text("\f", look);
            case "column" -> text(String.valueOf(Inline.COLUMN_BREAK), look);
            default -> text("\n", look);
          }
        }
        case "w:noBreakHyphen" -> text("\u2011", look);
        case "w:softHyphen" -> text("\u00AD", look);
        case "w:sym" -> text(symbol(e), look);
        case "w:fldChar" -> link = fields.mark(e, rPr, look, link, inlines);
        case "w:instrText" -> fields.instruction(e.text());
        case "w:commentReference" -> commentReference(e, look);
        case "w:footnoteReference" -> note(e, Story.Kind.FOOTNOTE, look);
        case "w:endnoteReference" -> note(e, Story.Kind.ENDNOTE, look);
        case "w:footnoteRef", "w:endnoteRef" ->
            note.ifPresent(
                n -> inlines.add(new Inline.NoteMark(n, look.without(TextTraits.RAISE))));
        case "w:drawing" -> {
          Optional<Inline> read = drawings.read(e, look, id);
          read.ifPresentOrElse(inlines::add, () -> leftOut(e, look));
        }
        case "w:pict", "w:object" -> {
          Optional<Inline> read = vmlDrawings.read(e, look, id);
          read.ifPresentOrElse(inlines::add, () -> leftOut(e, look));
        }
        case "mc:AlternateContent" -> {
          int before = inlines.size();
          for (Element c : Alternates.chosen(e).map(Element::elements).orElse(List.of())) {
            inRun(c, rPr, look);
          }
          if (Alternates.isSimpler(e)) {
            simpler(e, before);
          }
        }
        default -> {
          if (!Unshown.PASSED_OVER.contains(e.name())) {
            keepInRun(e, look);
          }
        }
      }
    }

    /** What shows in place of something that is not understood, and is kept with it. */
    private void simpler(Element alternates, int from) {
      var all = new Kept(DocxLooks.FORMAT, XmlParts.write(alternates));
      boolean one = inlines.size() == from + 1;
      if (one && inlines.getLast() instanceof Inline.Picture p) {
        inlines.set(from, p.withKept(Optional.of(all)));
      }
      shared.find(
          Finding.Kind.LAYOUT_SIMPLIFIED,
          Finding.Severity.DOUBT,
          WORDS.say("docx-body.a-drawing-shows-as-the-picture"),
          id);
    }

    private void leftOut(Element e, Look look) {
      shared.text.shown(e); // told with the drawing
      keep(new Element("w:r", Map.of(), List.of(e)), "", look);
      shared.find(
          Finding.Kind.DRAWING_LEFT_OUT,
          Finding.Severity.LOSS,
          WORDS.say("docx-body.a-drawing-is-not-shown"),
          id);
    }

    /** A tab to the middle or the end of the line, whatever stops there are (§17.3.3.23). */
    private void alignmentTab(Element e, Look look) {
      ParagraphTraits.TabStop.Kind kind =
          switch (e.attribute("w:alignment").orElse("left")) {
            case "right" -> ParagraphTraits.TabStop.Kind.RIGHT;
            case "center" -> ParagraphTraits.TabStop.Kind.CENTRE;
            default -> ParagraphTraits.TabStop.Kind.LEFT;
          };
      double at = kind == ParagraphTraits.TabStop.Kind.CENTRE ? HALF_LINE : WHOLE_LINE;
      if (kind != ParagraphTraits.TabStop.Kind.LEFT) {
        var stops = new ArrayList<>(extra.value(ParagraphTraits.TABS));
        stops.add(new ParagraphTraits.TabStop(at, kind, ParagraphTraits.TabStop.Leader.NONE));
        extra = extra.with(ParagraphTraits.TABS, List.copyOf(stops));
      }
      text("\t", look);
    }

    private int length() {
      return inlines.stream().mapToInt(Inline::length).sum();
    }

    private String symbol(Element e) {
      try {
        int c = Integer.parseInt(e.attribute("w:char").orElse("2022"), 16);
        return Symbols.shown(c, e.attribute("w:font").orElse(""));
      } catch (NumberFormatException x) {
        return "\u2022";
      }
    }

    /** Text set in a symbol font, as the characters that look alike. */
    private static String symbols(String s, Look look) {
      String family = look.value(TextTraits.FAMILY);
      return Symbols.text(s, look.sets(TextTraits.FAMILY) ? family : "");
    }

    private void text(String s, Look look) {
      String clean = s.replaceAll("[\\p{Cc}&&[^\t\n\u000B\f]]", "");
      if (!shared.notes.takeAsLabel(clean) && !clean.isEmpty() && fields.takesAsText(clean, look)) {
        inlines.add(new Inline.Text(clean, look));
      }
    }

    private void simpleField(Element e) throws ReadProblem {
      Optional<Link> outer = link;
      link = fields.begin(e.attribute("w:instr").orElse(""), e, link, inlines);
      inlines(e);
      fields.end(inlines);
      link = outer;
    }

    private void note(Element e, Story.Kind kind, Look look) {
      Optional<NodeId> target = shared.notes.target(kind, e);
      if (target.isEmpty()) {
        return;
      }
      if (shared.notes.first(target.get(), e)) {
        inlines.add(new Inline.NoteMark(target.get(), look.without(TextTraits.RAISE)));
      } else {
        shared.find(
            Finding.Kind.CONTENT_LEFT_OUT,
            Finding.Severity.LOSS,
            WORDS.say("docx-body.note-again"),
            id);
      }
    }
  }

  /** Farther than any line reaches: a stop there stands at the line's end. */
  private static final double WHOLE_LINE = 3000;

  /** The middle of a line on A4 with usual margins. */
  private static final double HALF_LINE = 225.6;
}
