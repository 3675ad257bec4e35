package decant.office.docx.write;

import decant.model.look.Kept;
import decant.office.docx.markup.DocxLooks;
import decant.office.pending.Pending;
import decant.office.xml.XmlParts;
import java.util.Optional;

/** Changes that wait to be accepted (§17.13.5), also those of files in other formats. */
final class Changes {
  private static final int NUMBERS = 1_000_000;

  private Changes() {}

  /** The element that a change is here; empty if it is none. */
  static Optional<String> element(Kept change) {
    if (change.format().equals(DocxLooks.FORMAT)) {
      return Optional.of(change.source());
    }
    // All that one change put in has one number.
    int number = Math.floorMod(change.source().hashCode(), NUMBERS);
    return Pending.of(change).map(p -> XmlParts.write(p.element(Integer.toString(number))));
  }
}
