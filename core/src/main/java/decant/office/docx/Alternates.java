package decant.office.docx;

import decant.office.xml.Element;
import java.util.Optional;
import java.util.Set;

/**
 * Content in several forms, of which a reader takes the first it understands (ISO/IEC 29500-3
 * §9.3).
 */
final class Alternates {
  /** What choices ask for that is read, by the usual prefixes of the namespaces. */
  private static final Set<String> UNDERSTOOD = Set.of("wps", "wpg", "wp14", "w14", "w15", "a14");

  private Alternates() {}

  /** The form to be read; where none is understood and none is simpler, the first. */
  static Optional<Element> chosen(Element alternates) {
    Optional<Element> known =
        alternates.elements().stream()
            .filter(c -> c.name().equals("mc:Choice") && isUnderstood(c))
            .findFirst();
    return known
        .or(() -> alternates.child("mc:Fallback").filter(f -> !f.elements().isEmpty()))
        .or(() -> alternates.child("mc:Choice"));
  }

  /** Whether what is read is a simpler form of what is not understood. */
  static boolean isSimpler(Element alternates) {
    return alternates.child("mc:Choice").isPresent()
        && chosen(alternates).filter(c -> c.name().equals("mc:Fallback")).isPresent();
  }

  private static boolean isUnderstood(Element choice) {
    for (String prefix : choice.attribute("Requires").orElse("").strip().split("\\s+")) {
      if (!prefix.isEmpty() && !UNDERSTOOD.contains(prefix)) {
        return false;
      }
    }
    return true;
  }
}
