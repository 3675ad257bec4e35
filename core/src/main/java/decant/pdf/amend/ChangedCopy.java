package decant.pdf.amend;

import decant.pdf.amend.page.FreshObject;
import decant.pdf.amend.page.PageStreams;
import decant.pdf.file.Deflated;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.IntUnaryOperator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jspecify.annotations.Nullable;

/**
 * A copy of a file in which a page was changed. What the page shows there comes back into the file;
 * what is as it was stays the file's own object, byte by byte.
 */
final class ChangedCopy {
  /** What of a note or field is about others, or changes with where it stands in the file. */
  private static final Set<COSName> OF_OTHERS =
      Set.of(COSName.P, COSName.PARENT, COSName.KIDS, COSName.getPDFName("Popup"));

  private static final List<COSName> FRAME =
      List.of(COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE);

  private final PDDocument file;
  private final PDDocument copy;
  private final IntUnaryOperator place;
  private final Consumer<COSObject> fresh;
  private final Consumer<COSBase> changed;

  /** What stands for an object of the copy in the file. */
  private final Map<COSBase, COSBase> known = new IdentityHashMap<>();

  private final Map<COSBase, Boolean> alike = new IdentityHashMap<>();
  private final List<COSBase> assumed = new ArrayList<>();

  /**
   * @param fresh takes what comes into the file under a number of its own
   * @param changed takes what the file has and is no longer as it was
   * @param place where a page of the copy stands in the file, both from 0
   */
  ChangedCopy(
      PDDocument file,
      PDDocument copy,
      IntUnaryOperator place,
      Consumer<COSObject> fresh,
      Consumer<COSBase> changed) {
    this.place = place;
    this.file = file;
    this.copy = copy;
    this.fresh = fresh;
    this.changed = changed;
    List<COSDictionary> pages = new ArrayList<>();
    file.getPages().forEach(p -> pages.add(p.getCOSObject()));
    int k = 0;
    for (PDPage p : copy.getPages()) {
      if (k < pages.size()) {
        COSDictionary stands = pages.get(place.applyAsInt(k++));
        known.put(p.getCOSObject(), FreshObject.reference(file.getDocument(), stands));
      }
    }
  }

  /**
   * Takes a page over.
   *
   * @param number in the copy, from 0
   * @return whether it differs from that of the file
   */
  boolean take(int number) throws IOException {
    PDPage is = copy.getPage(number);
    PDPage was = file.getPage(place.applyAsInt(number));
    COSDictionary page = was.getCOSObject();
    boolean differs = contents(is, was);
    COSDictionary shownBy = is.getResources() == null ? null : is.getResources().getCOSObject();
    COSDictionary had = was.getResources() == null ? null : was.getResources().getCOSObject();
    if (shownBy != null && (had == null || !same(shownBy, had))) {
      page.setItem(COSName.RESOURCES, brought(shownBy));
      differs = true;
    }
    for (COSName n : FRAME) {
      COSBase now = frame(is, n);
      if (!same(now, frame(was, n))) {
        page.setItem(n, now);
        differs = true;
      }
    }
    differs |= notes(is, was);
    if (differs) {
      changed.accept(page);
    }
    return differs;
  }

  /** What is shown of a page, inherited or not. */
  private static COSBase frame(PDPage p, COSName what) {
    if (what.equals(COSName.ROTATE)) {
      return COSInteger.get(p.getRotation());
    }
    return (what.equals(COSName.CROP_BOX) ? p.getCropBox() : p.getMediaBox()).getCOSArray();
  }

  private boolean contents(PDPage is, PDPage was) throws IOException {
    List<COSStream> now = PageStreams.contentsOf(is);
    List<COSStream> before = PageStreams.contentsOf(was);
    boolean unchanged = now.size() == before.size();
    for (int k = 0; unchanged && k < now.size(); k++) {
      unchanged = same(now.get(k), before.get(k));
    }
    if (unchanged) {
      return false;
    }
    COSBase all = is.getCOSObject().getItem(COSName.CONTENTS);
    was.getCOSObject().setItem(COSName.CONTENTS, all == null ? COSNull.NULL : brought(all));
    return true;
  }

  // Notes and fields.

  private boolean notes(PDPage is, PDPage was) throws IOException {
    COSArray now = is.getCOSObject().getCOSArray(COSName.ANNOTS);
    COSArray before = was.getCOSObject().getCOSArray(COSName.ANNOTS);
    boolean differs = false;
    var out = new COSArray();
    for (int k = 0; now != null && k < now.size(); k++) {
      if (!(now.getObject(k) instanceof COSDictionary note)) {
        continue;
      }
      COSBase same = before == null ? null : partner(note, k, before);
      if (same == null) {
        COSBase added = brought(now.get(k));
        out.add(added);
        if ("Widget".equals(note.getNameAsString(COSName.SUBTYPE))) {
          addField(note, added);
        }
        differs = true;
        continue;
      }
      out.add(same);
      COSDictionary mine = (COSDictionary) Objects.requireNonNull(resolved(same));
      known.put(note, same);
      differs |= entries(note, mine);
    }
    int had = before == null ? 0 : before.size();
    if (differs || out.size() != had) {
      was.getCOSObject().setItem(COSName.ANNOTS, out);
      return true;
    }
    return false;
  }

  /** The note of the file that became one of the copy: new ones stand after all others. */
  private static @Nullable COSBase partner(COSDictionary note, int k, COSArray before)
      throws IOException {
    if (k >= before.size()) {
      return null;
    }
    COSName kind = note.getCOSName(COSName.SUBTYPE);
    if (before.getObject(k) instanceof COSDictionary d
        && Objects.equals(kind, d.getCOSName(COSName.SUBTYPE))) {
      return before.get(k);
    }
    throw new IOException("notes of a page do not stand as they did");
  }

  /** Takes over what a note says otherwise, and the field that it belongs to. */
  private boolean entries(COSDictionary is, COSDictionary was) throws IOException {
    boolean differs = false;
    for (COSName n : is.keySet()) {
      if (!OF_OTHERS.contains(n) && !same(is.getItem(n), was.getItem(n))) {
        was.setItem(n, brought(Objects.requireNonNull(is.getItem(n))));
        differs = true;
      }
    }
    for (COSName n : List.copyOf(was.keySet())) {
      if (!OF_OTHERS.contains(n) && !is.containsKey(n)) {
        was.removeItem(n);
        differs = true;
      }
    }
    COSDictionary above = is.getCOSDictionary(COSName.PARENT);
    COSDictionary mine = was.getCOSDictionary(COSName.PARENT);
    if (above != null && mine != null && !known.containsKey(above)) {
      known.put(above, FreshObject.reference(file.getDocument(), mine));
      differs |= entries(above, mine);
    }
    if (differs) {
      changed.accept(was);
    }
    return differs;
  }

  /** A field that was made on the page. */
  private void addField(COSDictionary note, COSBase added) throws IOException {
    if (note.containsKey(COSName.PARENT)) {
      return;
    }
    COSDictionary catalog = file.getDocumentCatalog().getCOSObject();
    COSDictionary made =
        copy.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.ACRO_FORM);
    COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
    if (form == null) {
      form = new COSDictionary();
      catalog.setItem(COSName.ACRO_FORM, form);
      changed.accept(catalog);
    }
    for (COSName n : List.of(COSName.DR, COSName.DA)) {
      COSBase looks = made == null ? null : made.getItem(n);
      if (looks != null && !same(looks, form.getItem(n))) {
        form.setItem(n, brought(looks));
      }
    }
    COSArray fields = form.getCOSArray(COSName.FIELDS);
    if (fields == null) {
      fields = new COSArray();
      form.setItem(COSName.FIELDS, fields);
    }
    fields.add(added);
    changed.accept(form);
    changed.accept(fields);
    changed.accept(catalog);
  }

  // Objects.

  private static @Nullable COSBase resolved(@Nullable COSBase o) {
    COSBase in = o instanceof COSObject r ? r.getObject() : o;
    return in instanceof COSNull ? null : in;
  }

  /** Whether an object of the copy is as one of the file, with all that it leads to. */
  private boolean same(@Nullable COSBase is, @Nullable COSBase was) throws IOException {
    COSBase a = resolved(is);
    COSBase b = resolved(was);
    if (a == null || b == null) {
      return a == b;
    }
    COSBase there = known.get(a);
    if (there != null) {
      return resolved(there) == b;
    }
    if (a instanceof COSNumber x && b instanceof COSNumber y) {
      return x.floatValue() == y.floatValue();
    }
    if (a instanceof COSString x && b instanceof COSString y) {
      return Arrays.equals(x.getBytes(), y.getBytes());
    }
    if (a instanceof COSArray x && b instanceof COSArray y) {
      boolean all = x.size() == y.size();
      for (int k = 0; all && k < x.size(); k++) {
        all = same(x.get(k), y.get(k));
      }
      return all;
    }
    if (a instanceof COSDictionary x && b instanceof COSDictionary y) {
      Boolean before = alike.get(a);
      if (before != null) {
        return before;
      }
      alike.put(a, true); // until it is known, where it leads to itself
      int from = assumed.size();
      assumed.add(a);
      boolean all = dictionaries(x, y);
      if (!all) {
        // What was found alike meanwhile may lead to it.
        List<COSBase> since = assumed.subList(from, assumed.size());
        since.forEach(alike::remove);
        since.clear();
        alike.put(a, false);
      }
      return all;
    }
    return a.equals(b);
  }

  private boolean dictionaries(COSDictionary x, COSDictionary y) throws IOException {
    boolean streams = x instanceof COSStream;
    if (streams != y instanceof COSStream) {
      return false;
    }
    Set<COSName> names = new HashSet<>(x.keySet());
    names.addAll(y.keySet());
    for (COSName n : names) {
      boolean counted = streams && n.equals(COSName.LENGTH);
      if (!counted && !same(x.getItem(n), y.getItem(n))) {
        return false;
      }
    }
    return !streams
        || Arrays.equals(Deflated.rawBytes((COSStream) x), Deflated.rawBytes((COSStream) y));
  }

  /** What stands for an object of the copy in the file: the file's own where it is as it was. */
  private COSBase brought(COSBase given) throws IOException {
    COSBase o = resolved(given);
    if (o == null) {
      return COSNull.NULL;
    }
    COSBase there = known.get(o);
    if (there != null) {
      return there;
    }
    if (given instanceof COSObject r && r.getKey() != null) {
      COSObject own = file.getDocument().getObjectFromPool(r.getKey());
      if (own.getObject() != null && same(o, own.getObject())) {
        return own;
      }
    }
    if (o instanceof COSArray a) {
      var out = new COSArray();
      for (int k = 0; k < a.size(); k++) {
        out.add(a.get(k) == null ? COSNull.NULL : brought(a.get(k)));
      }
      return out;
    }
    if (o instanceof COSDictionary d) {
      COSDictionary out = d instanceof COSStream s ? stream(s) : new COSDictionary();
      COSBase stands = out;
      if (given instanceof COSObject || d instanceof COSStream) {
        COSObject apart = FreshObject.of(file.getDocument(), out);
        fresh.accept(apart);
        stands = apart;
        known.put(d, apart); // it may lead to itself
      }
      for (Map.Entry<COSName, COSBase> e : List.copyOf(d.entrySet())) {
        out.setItem(e.getKey(), brought(e.getValue()));
      }
      return stands;
    }
    return o;
  }

  private static COSStream stream(COSStream s) throws IOException {
    var out = new COSStream();
    try (OutputStream to = out.createRawOutputStream()) {
      to.write(Deflated.rawBytes(s));
    }
    return out;
  }
}
