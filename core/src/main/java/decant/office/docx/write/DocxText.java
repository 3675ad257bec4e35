package decant.office.docx.write;

import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.office.docx.markup.Controls;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.emit.Direction;
import decant.office.emit.Event;
import decant.office.emit.Sink;
import decant.office.pending.Pending;
import java.util.Optional;

/**
 * The text of one part (§17.3), into which it is written as it is told.
 *
 * @param rels of the part
 * @param takesComments whether comments may stand here: headers and footers take none
 * @param controls that stand around it
 */
record DocxText(
    Out o, Relationships rels, DocxWriter file, boolean takesComments, ContentControls controls)
    implements Sink {
  DocxText(Out o, Relationships rels, DocxWriter file, boolean takesComments) {
    this(o, rels, file, takesComments, new ContentControls(o));
  }

  @Override
  public boolean holds(Comment c) {
    return takesComments && !c.kept();
  }

  @Override
  public void take(Event event) {
    controls(event);
    switch (event) {
      case Event.SectionStart s -> file.begin(s.section(), rels);
      case Event.SectionEnd s -> end(s);
      case Event.ParagraphStart p -> begin(p);
      case Event.ParagraphEnd p -> {
        o.raw("</w:p>");
        if (p.place().last()) {
          controls.endBlocks();
        }
      }
      case Event.BookmarkStart b ->
          o.empty("w:bookmarkStart", "w:id", Integer.toString(b.number()), "w:name", b.name());
      case Event.BookmarkEnd b -> o.empty("w:bookmarkEnd", "w:id", Integer.toString(b.number()));
      case Event.LinkStart l -> begin(l.link());
      case Event.LinkEnd l -> o.raw("</w:hyperlink>");
      case Event.FieldStart f -> Controls.begin(o, f.field(), f.text(), f.number());
      case Event.FieldEnd f -> Controls.end(o);
      case Event.CommentStart c ->
          o.empty("w:commentRangeStart", "w:id", Integer.toString(c.number()));
      case Event.CommentEnd c -> end(c);
      case Event.Run r -> run(r.looks().own(), r.text());
      case Event.Value v -> value(v);
      case Event.NoteMark n -> note(n);
      case Event.Picture p ->
          run(p.picture().look(), () -> file.drawings().picture(o, p.picture(), rels));
      case Event.Shape s -> run(s.shape().look(), () -> file.drawings().shape(o, s.shape(), rels));
      case Event.KeptInline k -> kept(k.kept());
      case Event.Kept k -> {
        if (k.kept().kept().format().equals(DocxLooks.FORMAT)) {
          o.raw(k.kept().kept().source());
        }
      }
      case Event.TableStart t -> TablesWriter.table(o, t.table(), t.grid());
      case Event.RowStart r -> TablesWriter.row(o, r.table().rows().get(r.number()));
      case Event.CellStart c -> {
        TablesWriter.cell(o, c.piece());
        controls.beginCell();
      }
      case Event.CellEnd c -> {
        controls.endCell();
        TablesWriter.cellEnd(o, c.open());
      }
      case Event.RowEnd r -> o.raw("</w:tr>");
      case Event.TableEnd t -> {
        o.raw("</w:tbl>");
        if (t.place().last()) {
          controls.endBlocks();
        }
      }
    }
  }

  /** Content controls begin before what they stand around, and end before what they do not. */
  private void controls(Event event) {
    Optional<Look> onLine = event.onLine();
    if (onLine.isPresent()) {
      controls.run(onLine.get());
      return;
    }
    switch (event) {
      case Event.ParagraphStart p ->
          controls.block(p.paragraph().look().value(ParagraphTraits.KEPT));
      case Event.TableStart t -> controls.block(t.table().look().value(TableTraits.KEPT));
      default -> controls.endRuns();
    }
  }

  private void end(Event.SectionEnd s) {
    if (s.last()) {
      o.raw(file.properties(s.section()));
    } else if (!s.told()) {
      // A section that ends with a table needs a paragraph to carry its properties; it is made as
      // small as can be.
      o.raw(
          "<w:p><w:pPr><w:spacing w:before=\"0\" w:after=\"0\" w:line=\"20\" w:lineRule=\"exact\"/>"
              + file.properties(s.section())
              + "</w:pPr></w:p>");
    }
  }

  private void begin(Event.ParagraphStart start) {
    Paragraph p = start.paragraph();
    o.raw("<w:p>");
    String properties =
        LooksWriter.paragraph(
            p.look(), LooksWriter.text(p.endLook()), start.ends().map(file::properties).orElse(""));
    if (!properties.isEmpty()) {
      o.raw("<w:pPr>" + properties + "</w:pPr>");
    }
  }

  private void begin(Link link) {
    switch (link) {
      case Link.External e ->
          o.raw("<w:hyperlink r:id=\"" + rels.add("hyperlink", e.uri(), true) + "\">");
      case Link.Internal in -> o.raw("<w:hyperlink w:anchor=\"").text(in.bookmark()).raw("\">");
    }
  }

  private void end(Event.CommentEnd c) {
    String id = Integer.toString(c.number());
    o.empty("w:commentRangeEnd", "w:id", id);
    o.raw("<w:r>").empty("w:commentReference", "w:id", id).raw("</w:r>");
  }

  private void kept(Inline.KeptInline k) {
    if (file.isUnmatched(k)) {
      return;
    }
    if (k.kept().format().equals(DocxLooks.FORMAT)) {
      o.raw(k.kept().source());
    } else if (Pending.isTakenAway(k)) {
      Changes.element(k.kept()).ifPresent(o::raw);
    } else if (!k.shown().isEmpty()) {
      run(k.look(), () -> text(k.shown()));
    }
  }

  private void note(Event.NoteMark n) {
    String name = n.note().kind() == Story.Kind.ENDNOTE ? "endnote" : "footnote";
    String said = n.label().isPresent() ? " w:customMarkFollows=\"1\"" : "";
    String mark =
        n.own()
            ? n.label().isPresent() ? "" : "<w:" + name + "Ref/>"
            : "<w:" + name + "Reference" + said + " w:id=\"" + file.number(n.note()) + "\"/>";
    run(
        n.looks().own().with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT),
        () -> {
          o.raw(mark);
          n.label().ifPresent(this::text);
        });
  }

  private void value(Event.Value v) {
    Look look = v.looks().own();
    run(look, () -> o.raw("<w:fldChar w:fldCharType=\"begin\"/>"));
    run(
        look,
        () ->
            o.raw("<w:instrText xml:space=\"preserve\"> ")
                .text(v.instruction())
                .raw(" </w:instrText>"));
    run(look, () -> o.raw("<w:fldChar w:fldCharType=\"separate\"/>"));
    if (!v.shown().isEmpty()) {
      run(look, () -> text(v.shown()));
    }
    run(look, () -> o.raw("<w:fldChar w:fldCharType=\"end\"/>"));
  }

  /** Text in runs that each go one way. */
  private void run(Look look, String s) {
    for (int from = 0; from < s.length(); ) {
      boolean rtl = Direction.isRightToLeft(s, from);
      int to = Direction.end(s, from, rtl);
      text(look, rtl, s.substring(from, to));
      from = to;
    }
  }

  /** Text of one look is one run, however many pieces it was told in. */
  private void text(Look look, boolean rtl, String s) {
    if (insertion(look).isPresent()) {
      run(look, rtl, () -> text(s));
      return;
    }
    String properties = LooksWriter.text(look, rtl);
    if (!o.reopenRun(properties)) {
      o.raw("<w:r>");
      if (!properties.isEmpty()) {
        o.raw("<w:rPr>" + properties + "</w:rPr>");
      }
    }
    text(s);
    o.endRun(properties);
  }

  private void run(Look look, Runnable content) {
    run(look, false, content);
  }

  private void run(Look look, boolean rtl, Runnable content) {
    Optional<String> insertion = insertion(look);
    insertion.ifPresent(i -> o.raw(i.replaceFirst("\\s*/>$", ">")));
    bareRun(insertion.isEmpty() ? look : withoutInsertion(look), rtl, content);
    insertion.ifPresent(i -> o.raw(i.startsWith("<w:ins") ? "</w:ins>" : "</w:moveTo>"));
  }

  /** The tracked insertion that some text is, which stands around its run. */
  private static Optional<String> insertion(Look look) {
    return Pending.putIn(look).flatMap(Changes::element);
  }

  private static Look withoutInsertion(Look look) {
    return look.with(
        TextTraits.KEPT,
        look.value(TextTraits.KEPT).stream().filter(k -> !Pending.isPutIn(k)).toList());
  }

  private void bareRun(Look look, boolean rtl, Runnable content) {
    o.raw("<w:r>");
    String properties = LooksWriter.text(look, rtl);
    if (!properties.isEmpty()) {
      o.raw("<w:rPr>" + properties + "</w:rPr>");
    }
    content.run();
    o.raw("</w:r>");
  }

  private void text(String s) {
    int from = 0;
    for (int k = 0; k <= s.length(); k++) {
      char c = k < s.length() ? s.charAt(k) : 0;
      String mark =
          switch (c) {
            case '\t' -> "<w:tab/>";
            case '\n' -> "<w:br/>";
            case '\f' -> "<w:br w:type=\"page\"/>";
            case Inline.COLUMN_BREAK -> "<w:br w:type=\"column\"/>";
            case '\u00AD' -> "<w:softHyphen/>";
            case '\u2011' -> "<w:noBreakHyphen/>";
            default -> "";
          };
      if (k == s.length() || !mark.isEmpty()) {
        if (k > from) {
          o.beginText().text(s.substring(from, k)).raw("</w:t>");
        }
        o.raw(mark);
        from = k + 1;
      }
    }
  }
}
