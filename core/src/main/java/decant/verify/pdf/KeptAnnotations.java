package decant.verify.pdf;

import java.io.IOException;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.jspecify.annotations.Nullable;

/**
 * Where the links of a page lead and what its fields hold, against the page that it was. A link may
 * have lost what it did; it may not do something else.
 */
final class KeptAnnotations {
  private static final int DEEPEST = 32;

  private final PDPage now;
  private final PDPage before;

  KeptAnnotations(PDPage now, PDPage before) {
    this.now = now;
    this.before = before;
  }

  boolean same() throws IOException {
    List<PDAnnotation> these = now.getAnnotations().stream().filter(KeptCheck::goesOut).toList();
    List<PDAnnotation> those = before.getAnnotations().stream().filter(KeptCheck::goesOut).toList();
    if (these.size() != those.size()) {
      return false;
    }
    for (int k = 0; k < these.size(); k++) {
      COSDictionary a = these.get(k).getCOSObject();
      COSDictionary b = those.get(k).getCOSObject();
      String leads = address(a);
      if (!leads.isEmpty() && !leads.equals(address(b))) {
        return false;
      }
      boolean field = "Widget".equals(these.get(k).getSubtype());
      if (field && !isSignature(b) && !said(value(a)).equals(said(value(b)))) {
        return false;
      }
    }
    return true;
  }

  /** The address that a link leads to; empty if it leads to none. */
  private static String address(COSDictionary annotation) {
    return annotation.getDictionaryObject(COSName.A) instanceof COSDictionary action
            && action.getDictionaryObject(COSName.URI) instanceof COSString uri
        ? uri.getString()
        : "";
  }

  private static boolean isSignature(COSDictionary field) {
    return inherited(field, COSName.FT) instanceof COSName type && type.getName().equals("Sig");
  }

  private static @Nullable COSBase value(COSDictionary field) {
    return inherited(field, COSName.V);
  }

  /** ISO 32000-2 table 226: what a field does not say is said by the one above it. */
  private static @Nullable COSBase inherited(COSDictionary field, COSName key) {
    COSDictionary at = field;
    for (int k = 0; k < DEEPEST && at != null; k++) {
      COSBase own = at.getDictionaryObject(key);
      if (own != null) {
        return own;
      }
      at = at.getCOSDictionary(COSName.PARENT);
    }
    return null;
  }

  private static String said(@Nullable COSBase value) {
    return switch (value) {
      case COSString s -> s.getString();
      case COSName n -> n.getName();
      case COSArray a -> a.toList().stream().map(KeptAnnotations::said).toList().toString();
      case null -> "";
      default -> Objects.toString(value.getClass().getSimpleName());
    };
  }
}
