package decant.clip;

import decant.model.edit.Fragment;
import decant.model.look.StyleSheet;
import java.util.List;
import java.util.function.Consumer;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;

/**
 * HTML as paragraphs, lists and tables in looks: a page, or what another program put on the
 * clipboard. Scripts, style sheets and whatever would have to be fetched are left out.
 */
public final class HtmlReader {
  /** Characters that are read; more is no clipboard. */
  private static final int LONGEST = 20_000_000;

  private HtmlReader() {}

  /**
   * A page that was read.
   *
   * @param fields places to fill in that its forms have
   * @param equations that come in as they are written in one line
   * @param lostPictures that stand in the page and cannot be shown
   * @param lostLinks where links lead that do not come along: files by a path alone, and scripts
   */
  public record Page(
      Fragment content, int fields, int equations, int lostPictures, List<String> lostLinks) {
    public Page {
      lostLinks = List.copyOf(lostLinks);
    }
  }

  /**
   * @param styles those of the document that it goes into, by which headings are named
   */
  public static Fragment read(String html, StyleSheet styles) {
    String some = html.length() > LONGEST ? html.substring(0, LONGEST) : html;
    Element body = Jsoup.parse(some).body();
    return read(new HtmlPage(body, styles, false, text -> {}), body).content();
  }

  /**
   * A page that was parsed before, whole.
   *
   * @param styles those of the document that it goes into, by which headings are named
   * @param taken is told of each text that is in what was read
   */
  public static Page read(Element body, StyleSheet styles, Consumer<Node> taken) {
    return read(new HtmlPage(body, styles, true, taken), body);
  }

  /** Whether a page keeps an element from being seen (§15.3.1, and CSS Display 3, §2.5). */
  public static boolean hides(Element e) {
    return HtmlFlow.isHidden(e, Css.of(e));
  }

  private static Page read(HtmlPage page, Element body) {
    var out = new HtmlFlow(page);
    out.page(body);
    var content =
        new Fragment(out.done(), page.notes.stories(), page.media, page.lists, page.styles);
    return new Page(
        content, page.fields(), page.equations(), page.lostPictures(), page.lostLinks());
  }
}
