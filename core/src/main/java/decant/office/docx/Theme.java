package decant.office.docx;

import decant.office.xml.Element;
import java.util.Optional;

/** The fonts of a theme part (§14.2.7). */
record Theme(Optional<String> major, Optional<String> minor) {
  static final Theme NONE = new Theme(Optional.empty(), Optional.empty());

  static Theme of(Element part) {
    return new Theme(latin(part, "a:majorFont"), latin(part, "a:minorFont"));
  }

  private static Optional<String> latin(Element part, String which) {
    return part.descendant(which)
        .flatMap(f -> f.child("a:latin"))
        .flatMap(l -> l.attribute("typeface"))
        .filter(t -> !t.isBlank());
  }

  /** The font that a theme reference such as {@code minorHAnsi} stands for (§17.18.96). */
  Optional<String> font(String reference) {
    return reference.startsWith("major")
        ? major
        : reference.startsWith("minor") ? minor : Optional.empty();
  }
}
