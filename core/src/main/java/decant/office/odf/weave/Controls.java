package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Controls of forms (ODF 1.3 part 3, §13), which the source tells of in its own way. */
final class Controls {
  private static final String ID = "form:id";
  private static final String NAME = "form:name";
  private static final String LABEL = "form:label";
  private static final String VALUE = "form:value";

  private final List<Element> source;
  private final List<Element> ours;

  private Controls(List<Element> source, List<Element> ours) {
    this.source = source;
    this.ours = ours;
  }

  static Controls of(String part, OdfPackage source, OdfPackage after) throws ReadProblem {
    return new Controls(all(part, source), all(part, after));
  }

  private static List<Element> all(String part, OdfPackage p) throws ReadProblem {
    var out = new ArrayList<Element>();
    gather(p.root(part), false, out);
    return out;
  }

  private static void gather(Element e, boolean inForms, List<Element> into) {
    if (inForms && !id(e).isEmpty()) {
      into.add(e);
    }
    boolean within = inForms || e.name().equals("office:forms");
    e.elements().forEach(c -> gather(c, within, into));
  }

  private static String id(Element e) {
    return said(e, ID, "xml:id");
  }

  /** What an element says by the first of some attributes that it has. */
  private static String said(Element e, String... attributes) {
    return Arrays.stream(attributes)
        .flatMap(a -> Optional.ofNullable(e.attributes().get(a)).stream())
        .findFirst()
        .orElse("");
  }

  /**
   * What the source calls a control of ours: the only one of that kind, name and value; empty if
   * there is none, or more than one.
   */
  Optional<String> inSource(String ours) {
    return told(ours).map(Controls::id);
  }

  /** The text beside a control of ours that the source's brings along (§19.293). */
  String label(Element control) {
    return told(said(control, "draw:control"))
        .map(e -> said(e, LABEL))
        .filter(l -> !l.isEmpty())
        .map(l -> " " + l)
        .orElse("");
  }

  private Optional<Element> told(String ours) {
    return this.ours.stream()
        .filter(e -> id(e).equals(ours))
        .findFirst()
        .flatMap(e -> one(source.stream().filter(s -> isNamedAs(s, e)).toList(), e));
  }

  private static boolean isNamedAs(Element one, Element other) {
    return one.name().equals(other.name()) && said(one, NAME).equals(said(other, NAME));
  }

  private static Optional<Element> one(List<Element> named, Element ours) {
    List<Element> left =
        named.size() < 2
            ? named
            : named.stream().filter(s -> said(s, VALUE, LABEL).equals(said(ours, VALUE))).toList();
    return left.size() == 1 ? Optional.of(left.getFirst()) : Optional.empty();
  }
}
