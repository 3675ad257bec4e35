package decant.pdf.write;

import decant.model.Box;
import decant.model.NodeId;
import decant.paint.KeptPdf;
import decant.pdf.content.PageSpace;
import decant.pdf.file.Deflated;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import decant.pdf.kept.KeptPages;
import decant.pdf.kept.KeptTags;
import decant.publication.KeptPage;
import decant.reading.SafeLinks;
import java.awt.geom.Rectangle2D;
import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDNamedDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.jspecify.annotations.Nullable;

/**
 * Pages of another file as they are: what paints them, their links to addresses and to pages that
 * go out too, their notes, and their fields with what is filled in. What acts by itself stays
 * behind, and what belongs to the file as a whole. The file is opened for this alone and changed in
 * memory only.
 */
final class KeptPagesInFile implements Closeable {
  /** What of a page is about itself alone (ISO 32000-2 table 31). */
  private static final List<COSName> OWN =
      List.of(
          COSName.TYPE,
          COSName.CONTENTS,
          COSName.ANNOTS,
          COSName.GROUP,
          COSName.USER_UNIT,
          COSName.BLEED_BOX,
          COSName.TRIM_BOX,
          COSName.ART_BOX);

  private static final COSName AA = COSName.getPDFName("AA");
  private static final COSName OC_PROPERTIES = COSName.getPDFName("OCProperties");

  private final PDDocument source;
  private final PdfFile target;
  private final Set<COSDictionary> going = Collections.newSetFromMap(new IdentityHashMap<>());
  private final Map<Integer, COSDictionary> made = new LinkedHashMap<>();
  private IntFunction<Optional<COSDictionary>> elsewhere = k -> Optional.empty();
  private final Set<COSDictionary> widgets = Collections.newSetFromMap(new IdentityHashMap<>());

  /**
   * @param pages all of one file
   * @throws IOException if it cannot be read
   */
  KeptPagesInFile(List<KeptPage> pages, PdfFile target) throws IOException {
    this.source = KeptPdf.open(pages.getFirst().source());
    this.target = target;
    pages.forEach(p -> going.add(source.getPage(p.index()).getCOSObject()));
  }

  /** A page as it goes out; its place among the others is still to be given. */
  COSDictionary page(int index) throws IOException {
    PDPage page = source.getPage(index);
    COSDictionary d = page.getCOSObject();
    // What a page inherits stands in it from now on.
    COSDictionary resources =
        page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject();
    var media = page.getMediaBox().getCOSArray();
    var crop = page.getCropBox().getCOSArray();
    int rotation = page.getRotation();
    for (COSName key : List.copyOf(d.keySet())) {
      if (!OWN.contains(key)) {
        d.removeItem(key);
      }
    }
    unmarked(resources, Collections.newSetFromMap(new IdentityHashMap<>()));
    d.setItem(COSName.TYPE, COSName.PAGE);
    d.setItem(COSName.RESOURCES, resources);
    d.setItem(COSName.MEDIA_BOX, media);
    d.setItem(COSName.CROP_BOX, crop);
    if (rotation != 0) {
      d.setInt(COSName.ROTATE, rotation);
    }
    made.put(index, d);
    return d;
  }

  /**
   * Forms and pictures have no place in the structure that stays behind (ISO 32000-2 §14.7.5.4).
   */
  private static void unmarked(COSDictionary resources, Set<COSDictionary> seen) {
    if (resources.getDictionaryObject(COSName.XOBJECT) instanceof COSDictionary all) {
      for (COSName name : all.keySet()) {
        if (all.getDictionaryObject(name) instanceof COSStream x && seen.add(x)) {
          x.removeItem(COSName.STRUCT_PARENT);
          x.removeItem(COSName.STRUCT_PARENTS);
          if (x.getDictionaryObject(COSName.RESOURCES) instanceof COSDictionary own) {
            unmarked(own, seen);
          }
        }
      }
    }
  }

  /**
   * Marks what of a page belongs to which block.
   *
   * @return the block of each mark, by its number; empty if the page is to have none, or cannot be
   *     read
   */
  List<NodeId> tag(KeptPage kept, int level) throws IOException {
    COSDictionary d = made.get(kept.index());
    if (d == null || kept.places().isEmpty()) {
      return List.of();
    }
    Optional<KeptTags.Tagged> tagged = KeptTags.of(source.getPage(kept.index()), kept.places());
    if (tagged.isEmpty() || tagged.get().owners().isEmpty()) {
      return List.of();
    }
    COSStream content = Deflated.stream(tagged.get().content(), level);
    target.part(content, FilePart.TEXT);
    d.setItem(COSName.CONTENTS, content);
    return tagged.get().owners();
  }

  /** The links and fields of a page, each with where it stands on the page as it is shown. */
  Map<COSDictionary, Box> touched(KeptPage kept) throws IOException {
    var out = new LinkedHashMap<COSDictionary, Box>();
    PDPage page = source.getPage(kept.index());
    for (PDAnnotation a : page.getAnnotations()) {
      String kind = Objects.requireNonNullElse(a.getSubtype(), "");
      if (a.getRectangle() != null && (kind.equals("Link") || kind.equals("Widget"))) {
        Rectangle2D r = PageSpace.shown(page, a.getRectangle());
        out.put(a.getCOSObject(), new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight()));
      }
    }
    return out;
  }

  /**
   * Brings over what stands on the pages besides what paints them, once all pages of the file are
   * known.
   *
   * @param others the page of the file that shows what a page of the source did, from 0, where that
   *     page itself does not go out
   */
  void annotate(IntFunction<Optional<COSDictionary>> others) throws IOException {
    elsewhere = others;
    for (COSDictionary page : made.values()) {
      annotations(page);
    }
  }

  /**
   * A height of a page for a destination on it; null, which leaves it open, where the page is shown
   * turned.
   *
   * @param down from the upper edge of the page as it is shown
   */
  COSBase height(int index, double down) {
    PDPage page = source.getPage(index);
    return page.getRotation() == 0
        ? Numbers.real(page.getCropBox().getUpperRightY() - down)
        : COSNull.NULL;
  }

  private void annotations(COSDictionary page) throws IOException {
    var kept = new COSArray();
    if (page.getDictionaryObject(COSName.ANNOTS) instanceof COSArray all) {
      for (COSBase b : all) {
        if (resolved(b) instanceof COSDictionary a
            && KeptPages.goesOut(a.getNameAsString(COSName.SUBTYPE, ""))) {
          harmless(a);
          a.removeItem(COSName.STRUCT_PARENT);
          a.setItem(COSName.P, page);
          if (a.getNameAsString(COSName.SUBTYPE).equals("Widget")) {
            widgets.add(a);
          }
          target.part(a, FilePart.FIELDS);
          kept.add(a);
        }
      }
    }
    if (kept.size() == 0) {
      page.removeItem(COSName.ANNOTS);
    } else {
      page.setItem(COSName.ANNOTS, kept);
    }
  }

  private static @Nullable COSBase resolved(@Nullable COSBase b) {
    return b instanceof COSObject o ? o.getObject() : b;
  }

  /** Leaves of what an annotation or a field does only that it leads somewhere. */
  private void harmless(COSDictionary d) throws IOException {
    d.removeItem(AA);
    Optional<COSArray> to = destination(d.getDictionaryObject(COSName.DEST));
    d.removeItem(COSName.DEST);
    if (d.getDictionaryObject(COSName.A) instanceof COSDictionary action) {
      d.removeItem(COSName.A);
      switch (action.getNameAsString(COSName.S, "")) {
        case "URI" -> {
          if (action.getDictionaryObject(COSName.URI) instanceof COSString uri
              && SafeLinks.carries(uri.getString())) {
            COSDictionary only = new COSDictionary();
            only.setItem(COSName.S, COSName.URI);
            only.setItem(COSName.URI, uri);
            d.setItem(COSName.A, only);
          }
        }
        case "GoTo" -> to = to.or(() -> quietly(action.getDictionaryObject(COSName.D)));
        default -> {}
      }
    }
    to.ifPresent(t -> d.setItem(COSName.DEST, t));
  }

  private Optional<COSArray> quietly(@Nullable COSBase dest) {
    try {
      return destination(dest);
    } catch (IOException e) {
      return Optional.empty(); // it leads nowhere
    }
  }

  /** A place on a page that goes out; names of places are looked up, since they stay behind. */
  private Optional<COSArray> destination(@Nullable COSBase dest) throws IOException {
    if (dest == null) {
      return Optional.empty();
    }
    PDDestination d = PDDestination.create(dest);
    if (d instanceof PDNamedDestination named) {
      d = source.getDocumentCatalog().findNamedDestinationPage(named);
    }
    if (!(d instanceof PDPageDestination page)) {
      return Optional.empty();
    }
    COSArray to = page.getCOSObject();
    COSBase leads = to.size() > 0 ? to.getObject(0) : null;
    if (leads instanceof org.apache.pdfbox.cos.COSNumber) {
      int index = page.retrievePageNumber();
      if (index < 0 || index >= source.getNumberOfPages()) {
        return Optional.empty();
      }
      leads = source.getPage(index).getCOSObject();
      to.set(0, leads);
    }
    if (!(leads instanceof COSDictionary p)) {
      return Optional.empty();
    }
    if (going.contains(p)) {
      return Optional.of(to);
    }
    Optional<COSDictionary> other = elsewhere.apply(source.getPages().indexOf(new PDPage(p)));
    other.ifPresent(o -> to.set(0, o));
    return other.map(o -> to);
  }

  /** What the pages need of the file as a whole: their fields, and which layers show. */
  void complete(COSDictionary catalog) throws IOException {
    COSDictionary from = source.getDocumentCatalog().getCOSObject();
    if (from.getDictionaryObject(OC_PROPERTIES) instanceof COSDictionary layers) {
      catalog.setItem(OC_PROPERTIES, layers);
    }
    if (!(from.getDictionaryObject(COSName.ACRO_FORM) instanceof COSDictionary form)
        || widgets.isEmpty()) {
      return;
    }
    COSArray fields = fields(form.getDictionaryObject(COSName.FIELDS), new ArrayList<>());
    if (catalog.getDictionaryObject(COSName.ACRO_FORM) instanceof COSDictionary others
        && others.getDictionaryObject(COSName.FIELDS) instanceof COSArray before) {
      join(others, before, form, fields);
      return;
    }
    COSDictionary own = new COSDictionary();
    for (COSName key :
        List.of(COSName.DR, COSName.DA, COSName.Q, COSName.getPDFName("NeedAppearances"))) {
      COSBase value = form.getItem(key);
      if (value != null) {
        own.setItem(key, value);
      }
    }
    own.setItem(COSName.FIELDS, fields);
    catalog.setItem(COSName.ACRO_FORM, own);
  }

  /**
   * Puts fields into a form that is there already. What they had from their form stands in each
   * from now on (ISO 32000-2 table 226), and the fonts that they name come along.
   */
  private static void join(
      COSDictionary into, COSArray before, COSDictionary form, COSArray fields) {
    for (int k = 0; k < fields.size(); k++) {
      if (fields.getObject(k) instanceof COSDictionary f) {
        for (COSName key : List.of(COSName.DA, COSName.Q)) {
          COSBase value = form.getItem(key);
          if (value != null && f.getItem(key) == null) {
            f.setItem(key, value);
          }
        }
        before.add(f);
      }
    }
    COSDictionary theirs = fonts(form);
    COSDictionary ours = fonts(into);
    if (theirs != null && ours != null) {
      theirs.keySet().stream()
          .filter(name -> !ours.containsKey(name))
          .forEach(name -> ours.setItem(name, theirs.getItem(name)));
    }
  }

  private static @Nullable COSDictionary fonts(COSDictionary form) {
    COSDictionary resources = form.getCOSDictionary(COSName.DR);
    return resources == null ? null : resources.getCOSDictionary(COSName.FONT);
  }

  /** Fields that have a place on some page that goes out. */
  private COSArray fields(@Nullable COSBase all, List<COSDictionary> above) throws IOException {
    var out = new COSArray();
    if (!(all instanceof COSArray some) || above.size() > 50) {
      return out;
    }
    for (COSBase b : some) {
      if (!(resolved(b) instanceof COSDictionary f) || above.contains(f)) {
        continue;
      }
      boolean goes = widgets.contains(f);
      if (f.getDictionaryObject(COSName.KIDS) instanceof COSArray kids) {
        above.add(f);
        COSArray left = fields(kids, above);
        above.removeLast();
        f.setItem(COSName.KIDS, left);
        goes |= left.size() > 0;
      }
      if (goes) {
        harmless(f);
        if (f.getNameAsString(COSName.FT, "").equals("Sig")) {
          f.removeItem(COSName.V); // it signs the file that it came from
        }
        target.part(f, FilePart.FIELDS);
        out.add(f);
      }
    }
    return out;
  }

  @Override
  public void close() throws IOException {
    source.close();
  }
}
