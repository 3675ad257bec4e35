package decant.office.odf;

import decant.model.finding.Finding;
import decant.office.source.TextTaken;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The text that stands in elements of text (ODF 1.3 part 3, §6), and whether all was taken. */
final class MixedTexts {
  /** Elements whose text is told or shown otherwise, or is nobody's to read. */
  private static final Set<String> OTHERWISE =
      Set.of(
          "office:annotation",
          "text:note-citation",
          "text:number", // of an item, which is counted anew
          "text:tracked-changes",
          "text:ruby-text",
          "text:script",
          "text:label");

  private final TextTaken taken = new TextTaken();
  private final List<Element> waiting = new ArrayList<>();

  /** Takes the text that stands in an element, beside other elements. */
  void take(Element e) {
    taken.take(e);
  }

  /** Takes all text of an element. */
  String all(Element e) {
    takeAll(e);
    return e.text();
  }

  private void takeAll(Element e) {
    taken.take(e);
    e.elements().forEach(this::takeAll);
  }

  /**
   * Notes what was not taken of an element of the body.
   *
   * @param waits whether it is read with what comes next
   */
  void after(Element read, boolean waits) {
    waiting.add(read);
    if (!waits) {
      finish();
    }
  }

  /** Notes what was not taken of what waited. */
  void finish() {
    waiting.forEach(this::walk);
    waiting.clear();
    taken.forget();
  }

  private void walk(Element e) {
    boolean hidden =
        e.name().equals("text:section")
            && e.attribute("text:display").filter(d -> d.equals("none")).isPresent();
    if (hidden || OTHERWISE.contains(e.name()) || e.name().endsWith("-source")) {
      return;
    }
    boolean text = e.name().startsWith("text:");
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        walk(child);
      } else if (text) {
        taken.after(e, (String) c);
      }
    }
  }

  Optional<Finding> finding() {
    return taken.finding();
  }
}
