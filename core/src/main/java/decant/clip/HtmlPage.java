package decant.clip;

import decant.model.Inline;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.text.EquationText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** What is known of a page while it is read. */
final class HtmlPage {
  private static final EquationText<Element> EQUATIONS =
      new EquationText<>(Element::normalName, Element::children, Element::text);

  final double size;
  final HtmlNotes notes;
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final Map<String, ListDefinition> lists = new LinkedHashMap<>();
  final boolean whole;
  StyleSheet styles;

  private final Consumer<Node> taken;

  /** The places of the page that links lead to. */
  private final Set<String> places = new HashSet<>();

  private final List<String> lostLinks = new ArrayList<>();
  private int fields;
  private int equations;
  private int lostPictures;

  /**
   * @param whole whether it is a page of its own, whose headings have their own looks, rather than
   *     something to be put into a document
   * @param taken is told of each text that is in what was read
   */
  HtmlPage(Element body, StyleSheet styles, boolean whole, Consumer<Node> taken) {
    this.whole = whole;
    this.taken = taken;
    this.notes = new HtmlNotes(body);
    this.styles = styles;
    this.size = styles.textBase(Look.PLAIN).value(TextTraits.SIZE);
    body.select("a[href^=#]:not([role])").forEach(a -> places.add(a.attr("href").substring(1)));
  }

  /**
   * The look of a paragraph, over that of what it stands in. How far its lines stand apart is taken
   * from whole pages alone: what is put into a document stands as the text there does.
   */
  Look paragraph(Css css, Look around) {
    Look look = css.paragraph(around, size);
    Optional<LinePitch> pitch = whole ? CssLines.read(css, size) : Optional.empty();
    return pitch
        .filter(p -> look.sets(ParagraphTraits.LINE_PITCH) || !p.equals(LinePitch.SINGLE))
        .map(p -> look.with(ParagraphTraits.LINE_PITCH, p))
        .orElse(look);
  }

  boolean isLedTo(String place) {
    return places.contains(place);
  }

  /** A text of the page is in what was read. */
  void take(TextNode text) {
    taken.accept(text);
  }

  /** All texts in an element are in what was read, in one way or another. */
  void takeAll(Element e) {
    e.nodeStream(TextNode.class).forEach(taken);
  }

  /**
   * The picture that an element holds, or its description if it cannot be shown; one that stands in
   * the page is counted then.
   */
  Optional<Inline> picture(Element e) {
    Optional<Inline> found = HtmlPictures.of(e, size, media);
    lostPictures += found.isEmpty() && HtmlPictures.isWithin(e) ? 1 : 0;
    String alt = e.attr("alt").strip();
    return found.isPresent() || alt.isEmpty()
        ? found
        : Optional.of(new Inline.Text("[" + alt + "]", Look.PLAIN));
  }

  /** A link that does not come along: it leads to a file by its path, or starts something. */
  void leave(String link) {
    lostLinks.add(link);
  }

  /** The picture that an element draws. */
  Optional<Inline> drawing(Element svg) {
    takeAll(svg);
    Optional<Inline> found = HtmlPictures.drawn(svg, size, media);
    lostPictures += found.isEmpty() ? 1 : 0;
    return found;
  }

  /** An equation, as it is written in one line. */
  Optional<Inline> equation(Element math, Look look) {
    takeAll(math);
    String text = EQUATIONS.of(math);
    equations++;
    return text.isBlank() ? Optional.empty() : Optional.of(new Inline.Text(text, look));
  }

  /** A number for the next field. */
  int nextField() {
    return ++fields;
  }

  int fields() {
    return fields;
  }

  int equations() {
    return equations;
  }

  /** Where links lead that do not come along, in their order. */
  List<String> lostLinks() {
    return lostLinks;
  }

  /** Pictures that stand in the page and cannot be shown. */
  int lostPictures() {
    return lostPictures;
  }
}
