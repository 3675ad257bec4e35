package decant.office.docx;

import decant.model.finding.Finding;
import decant.office.source.TextTaken;
import decant.office.xml.Element;
import java.util.Optional;

/** The text of runs (w:t, §17.3.3.31), and whether all of it was taken. */
final class RunTexts {
  private final TextTaken taken = new TextTaken();

  /** Takes the text of an element of text. */
  String of(Element text) {
    taken.take(text);
    return text.text();
  }

  /**
   * Takes the text of something that is not understood: that of a base where it has reading aids
   * over it (§17.3.3.25), without field codes and deletions.
   */
  String shown(Element e) {
    var out = new StringBuilder();
    shown(e, out);
    return out.toString();
  }

  private void shown(Element e, StringBuilder out) {
    switch (e.name()) {
      case "w:t", "m:t" -> out.append(of(e));
      case "w:tab" -> out.append('\t');
      case "w:rt", "w:del", "w:moveFrom", "w:instrText" -> {}
      default -> e.elements().forEach(c -> shown(c, out));
    }
  }

  /** Notes what was not taken of an element that has been read. */
  void after(Element read) {
    switch (read.name()) {
      case "w:t" -> taken.after(read, read.text());
      // Of alternates one is read.
      case "w:rt", "w:del", "w:moveFrom", "mc:AlternateContent" -> {}
      default -> read.elements().forEach(this::after);
    }
  }

  /** Forgets what was taken, for nothing of it comes again. */
  void forget() {
    taken.forget();
  }

  Optional<Finding> finding() {
    return taken.finding();
  }
}
