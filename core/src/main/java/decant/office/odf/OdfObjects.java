package decant.office.odf;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Severity;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import decant.text.EquationText;
import decant.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * Charts, equations and other things with a program of their own, in frames with a picture of them
 * (ODF 1.3 part 3, §10.4.6.2 and §14).
 */
final class OdfObjects {
  private static final Words WORDS = Words.of(OdfObjects.class);
  private static final int DEEPEST = 200;

  /** Of the box of an equation: letters, their width and a line as shares of them; points. */
  private static final double USUAL_SIZE = 12;

  private static final double LETTER = 0.6;
  private static final double LINE = 1.2;
  private static final double WIDEST = 450;

  private static final EquationText<Element> TEXT =
      new EquationText<>(Element::name, Element::elements, Element::text);

  private OdfObjects() {}

  static boolean is(Element e) {
    return e.name().equals("draw:object") || e.name().equals("draw:object-ole");
  }

  /** Tells of an object in a frame that its picture stands for it; of no other frame. */
  static void shownByPicture(Element frame, OdfShared shared, NodeId at) {
    if (frame.elements().stream().anyMatch(OdfObjects::is)) {
      find(Severity.NOTE, WORDS.say("odf-objects.an-object-is-shown-by"), shared, at);
    }
  }

  /**
   * What is shown of a frame without a picture.
   *
   * @param box an empty box in its place
   */
  static Inline withoutPicture(Element frame, Inline.Shape box, OdfShared shared, NodeId at)
      throws ReadProblem {
    Optional<Element> object = frame.elements().stream().filter(OdfObjects::is).findFirst();
    if (object.isEmpty()) {
      String said = WORDS.say("odf-objects.a-picture-is-not-in");
      shared.find(Finding.Kind.PICTURE_MISSING, Severity.LOSS, said, at);
      return box;
    }
    Optional<String> equation = equation(object.get(), shared);
    if (equation.isEmpty()) {
      find(Severity.LOSS, WORDS.say("odf-objects.an-object-without-a-picture"), shared, at);
      return box;
    }
    find(Severity.DOUBT, WORDS.say("odf-objects.an-equation-is-written"), shared, at);
    return shown(equation.get(), box, shared);
  }

  private static void find(Severity severity, String said, OdfShared shared, NodeId at) {
    shared.find(Finding.Kind.LAYOUT_SIMPLIFIED, severity, said, at);
  }

  /** The equation that an object is, as it is written in one line; empty if it is none. */
  private static Optional<String> equation(Element object, OdfShared shared) throws ReadProblem {
    for (Element c : object.elements()) {
      if (isMath(c)) {
        return said(c);
      }
    }
    Optional<String> href = object.attribute("xlink:href");
    if (href.isEmpty()) {
      return Optional.empty();
    }
    String part = href.get().replaceAll("/$", "") + "/content.xml";
    Optional<byte[]> content = shared.part(part);
    if (content.isEmpty()) {
      return Optional.empty();
    }
    try {
      Element root = XmlParts.parse(content.get(), part, DEEPEST);
      return isMath(root) ? said(root) : Optional.empty();
    } catch (ReadProblem e) {
      return Optional.empty(); // another object, or a damaged one: its picture stands for it
    }
  }

  /** An equation of which there is no picture, as wide as it is written in one line. */
  private static Inline shown(String text, Inline.Shape box, OdfShared shared) {
    var said = new Inline.Text(text, box.look());
    var words = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(said));
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, List.of(words));
    shared.stories.put(story.id(), story);
    double size = box.look().get(TextTraits.SIZE).orElse(USUAL_SIZE);
    return new Inline.Shape(
        new Inline.Drawing(box.drawing().geometry(), Optional.empty(), Optional.empty()),
        Math.min(WIDEST, size * (text.length() + 1) * LETTER),
        Math.max(box.height(), size * LINE),
        new Inline.BoxText(Optional.of(story.id()), true, Insets.NONE, VerticalAlignment.TOP),
        box.alt(),
        box.placement(),
        0,
        box.kept(),
        box.look());
  }

  private static boolean isMath(Element e) {
    return e.name().matches("(\\w+:)?math");
  }

  private static Optional<String> said(Element math) {
    String s = TEXT.of(math);
    return s.isBlank() ? Optional.empty() : Optional.of(s);
  }
}
