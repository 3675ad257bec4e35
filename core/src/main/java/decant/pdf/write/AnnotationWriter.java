package decant.pdf.write;

import decant.model.Box;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import decant.publication.Publication;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/** What stands on pages besides their content (ISO 32000-2 §12.5): links, fields and comments. */
final class AnnotationWriter {
  private static final double NOTE = 12; // points, of a note's sign

  private final Publication publication;
  private final PdfChoices choices;
  private final PdfFile file;
  private final Fields fields;
  private final Optional<Structure> structure;
  private final Function<NodeId, Optional<COSArray>> destination;
  private final Map<String, NodeId> bookmarkTargets;

  /** Comments that have their note already. */
  private final Set<String> noted = new HashSet<>();

  /**
   * @param destination where a block stands in the file; empty on a page that is left out
   */
  AnnotationWriter(
      Publication publication,
      PdfChoices choices,
      PdfFile file,
      Fields fields,
      Optional<Structure> structure,
      Function<NodeId, Optional<COSArray>> destination) {
    this.publication = publication;
    this.choices = choices;
    this.file = file;
    this.fields = fields;
    this.structure = structure;
    this.destination = destination;
    this.bookmarkTargets = publication.bookmarks();
  }

  /** Adds those of one page. */
  void page(PageContent content, COSDictionary page, int number) {
    COSArray annotations = new COSArray();
    if (choices.settings().navigation().links()) {
      links(content, page, number, annotations);
    }
    fields(content, page, number, annotations);
    if (choices.settings().conformance().takesComments()) {
      notes(content, page, number, annotations);
    }
    if (annotations.size() > 0) {
      page.setItem(COSName.ANNOTS, annotations);
      page.setItem(COSName.getPDFName("Tabs"), COSName.S);
    }
  }

  private void links(PageContent content, COSDictionary page, int number, COSArray annotations) {
    for (PageContent.LinkArea l : content.links()) {
      COSDictionary a = new COSDictionary();
      a.setItem(COSName.TYPE, COSName.ANNOT);
      a.setItem(COSName.SUBTYPE, COSName.getPDFName("Link"));
      a.setItem(COSName.RECT, Numbers.box(l.box(), content.page()));
      COSArray border = new COSArray();
      border.add(COSInteger.ZERO);
      border.add(COSInteger.ZERO);
      border.add(l.frame().isPresent() ? COSInteger.ONE : COSInteger.ZERO);
      a.setItem(COSName.BORDER, border);
      l.frame().ifPresent(c -> a.setItem(COSName.C, colour(c)));
      a.setInt(COSName.F, 4); // printed as it is shown
      switch (l.link()) {
        case Link.External e -> {
          COSDictionary action = new COSDictionary();
          action.setItem(COSName.S, COSName.URI);
          action.setItem(COSName.URI, new COSString(e.uri()));
          a.setItem(COSName.A, action);
          a.setItem(COSName.CONTENTS, new COSString(e.uri()));
        }
        case Link.Internal i -> {
          NodeId target = bookmarkTargets.get(i.bookmark());
          Optional<COSArray> to = target == null ? Optional.empty() : destination.apply(target);
          if (target == null || to.isEmpty()) {
            continue; // it leads to a page that is left out
          }
          a.setItem(COSName.DEST, to.get());
          String said = publication.words(target);
          String words = said.isEmpty() ? "another place in this document" : said;
          a.setItem(COSName.CONTENTS, new COSString(words));
        }
      }
      file.part(a, FilePart.WAYFINDING);
      annotations.add(a);
      structure.ifPresent(s -> s.annotation(number, page, a, l.target()));
    }
  }

  private void fields(PageContent content, COSDictionary page, int number, COSArray annotations) {
    COSDictionary resources = page.getCOSDictionary(COSName.RESOURCES);
    COSDictionary fonts = resources == null ? null : resources.getCOSDictionary(COSName.FONT);
    for (PageContent.FieldArea b : content.fields()) {
      COSDictionary w =
          fields.widget(
              b,
              page,
              Numbers.box(b.box(), content.page()),
              fonts == null ? new COSDictionary() : fonts);
      annotations.add(w);
      structure.ifPresent(s -> s.inside(number, page, w, b.target(), "Form"));
    }
  }

  private void notes(PageContent content, COSDictionary page, int number, COSArray annotations) {
    for (PageContent.CommentPlace r : content.comments()) {
      if (!noted.add(r.comment().id())) {
        continue; // it stands where it begins
      }
      Box b = r.box();
      var sign = new Box(b.x(), b.y() - NOTE / 3, NOTE, NOTE);
      COSDictionary a = Notes.note(r.comment(), Numbers.box(sign, content.page()));
      file.part(a, FilePart.FIELDS);
      annotations.add(a);
      structure.ifPresent(s -> s.inside(number, page, a, r.target(), "Annot"));
    }
  }

  private static COSArray colour(Colour c) {
    var out = new COSArray();
    for (int shift = 16; shift >= 0; shift -= 8) {
      out.add(new COSFloat((c.rgb() >> shift & 0xFF) / 255f));
    }
    return out;
  }
}
