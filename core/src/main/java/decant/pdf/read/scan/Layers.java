package decant.pdf.read.scan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jspecify.annotations.Nullable;

/**
 * Which layers of a file do not show when it is opened (optional content, ISO 32000-2 §8.11): what
 * stands on one of them is on no page that anybody sees or prints.
 */
final class Layers {
  private static final COSName VE = COSName.getPDFName("VE");

  /** Expressions in expressions deeper than this nobody writes. */
  private static final int DEEPEST = 50;

  private final Set<COSDictionary> off = Collections.newSetFromMap(new IdentityHashMap<>());

  private Layers() {}

  /** Those of a file, by its default configuration (§8.11.4.3). */
  static Layers of(PDDocument pdf) {
    var layers = new Layers();
    COSDictionary all =
        pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.OCPROPERTIES);
    COSDictionary state = all == null ? null : all.getCOSDictionary(COSName.D);
    if (state == null) {
      return layers;
    }
    if (COSName.OFF.equals(state.getCOSName(COSName.BASE_STATE))) {
      layers.off.addAll(groups(all.getCOSArray(COSName.OCGS)));
      groups(state.getCOSArray(COSName.ON)).forEach(layers.off::remove);
    }
    layers.off.addAll(groups(state.getCOSArray(COSName.OFF)));
    return layers;
  }

  private static List<COSDictionary> groups(@Nullable COSArray array) {
    var out = new ArrayList<COSDictionary>();
    for (int k = 0; array != null && k < array.size(); k++) {
      if (array.getObject(k) instanceof COSDictionary group) {
        out.add(group);
      }
    }
    return out;
  }

  /**
   * Whether what belongs to something does not show.
   *
   * @param membership a group, or what says of several when it shows (§8.11.2.2); none always shows
   */
  boolean hides(@Nullable COSDictionary membership) {
    if (membership == null || off.isEmpty()) {
      return false;
    }
    if (!COSName.OCMD.equals(membership.getCOSName(COSName.TYPE))) {
      return off.contains(membership);
    }
    COSArray expression = membership.getCOSArray(VE);
    if (expression != null) {
      return !holds(expression, 0);
    }
    List<COSDictionary> groups =
        membership.getDictionaryObject(COSName.OCGS) instanceof COSDictionary one
            ? List.of(one)
            : groups(membership.getCOSArray(COSName.OCGS));
    if (groups.isEmpty()) {
      return false;
    }
    Predicate<COSDictionary> hidden = off::contains;
    return switch (membership.getNameAsString(COSName.P, "AnyOn")) {
      case "AllOn" -> groups.stream().anyMatch(hidden);
      case "AnyOff" -> groups.stream().noneMatch(hidden);
      case "AllOff" -> !groups.stream().allMatch(hidden);
      default -> groups.stream().allMatch(hidden);
    };
  }

  /** Whether a visibility expression is true (§8.11.2.2, table 97). */
  private boolean holds(@Nullable COSBase expression, int depth) {
    if (!(expression instanceof COSArray terms) || depth > DEEPEST) {
      return !(expression instanceof COSDictionary group) || !off.contains(group);
    }
    String operator =
        terms.size() > 0 && terms.getObject(0) instanceof COSName n ? n.getName() : "";
    boolean all = operator.equals("And");
    for (int k = 1; k < terms.size(); k++) {
      boolean term = holds(terms.getObject(k), depth + 1);
      if (operator.equals("Not")) {
        return !term;
      }
      if (term != all) {
        return term;
      }
    }
    return all || terms.size() < 2;
  }
}
