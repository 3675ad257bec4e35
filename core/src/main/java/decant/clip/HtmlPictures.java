package decant.clip;

import decant.model.Inline;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.picture.PictureSize;
import java.awt.Dimension;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/** Pictures that stand in the markup itself, packed (RFC 2397) or drawn. */
final class HtmlPictures {
  private static final Pattern DATA =
      Pattern.compile("data:image/[\\w.+-]+(?:;[\\w=.-]+?)*?(;base64)?,(.+)", Pattern.DOTALL);

  private static final String SVG = "http://www.w3.org/2000/svg";

  private HtmlPictures() {}

  /** Whether a picture stands in the markup, rather than elsewhere. */
  static boolean isWithin(Element e) {
    return e.attr("src").stripLeading().startsWith("data:");
  }

  /** The picture that an element holds; empty if it would have to be fetched, or is none. */
  static Optional<Inline> of(Element e, double size, Map<MediaId, Media> media) {
    Matcher m = DATA.matcher(e.attr("src").strip());
    return m.matches() ? loaded(bytes(m), e, e.attr("alt"), size, media) : Optional.empty();
  }

  private static byte[] bytes(Matcher m) {
    try {
      return m.group(1) != null
          ? Base64.getMimeDecoder().decode(m.group(2))
          : URLDecoder.decode(m.group(2).replace("+", "%2B"), StandardCharsets.UTF_8)
              .getBytes(StandardCharsets.UTF_8);
    } catch (IllegalArgumentException x) {
      return new byte[0]; // not what it says
    }
  }

  /** The picture that an element draws (§4.8.16 of the living standard); empty if it cannot be. */
  static Optional<Inline> drawn(Element svg, double size, Map<MediaId, Media> media) {
    Element alone = svg.clone();
    alone.attr("xmlns", SVG).attr("xmlns:xlink", "http://www.w3.org/1999/xlink");
    var xml = new Document("");
    xml.outputSettings().syntax(Document.OutputSettings.Syntax.xml).prettyPrint(false);
    xml.appendChild(alone);
    Element title = svg.selectFirst("title");
    String alt = svg.hasAttr("aria-label") || title == null ? svg.attr("aria-label") : title.text();
    return loaded(alone.outerHtml().getBytes(StandardCharsets.UTF_8), svg, alt, size, media);
  }

  private static Optional<Inline> loaded(
      byte[] bytes, Element e, String alt, double size, Map<MediaId, Media> media) {
    Optional<PictureFile.Loaded> loaded;
    try {
      loaded = PictureFile.load(bytes);
    } catch (IOException x) {
      return Optional.empty();
    }
    Css css = Css.of(e);
    return loaded.map(p -> {
      media.put(p.media().id(), p.media());
      var pixels = new Dimension();
      pixels.setSize(p.width() / PictureSize.PIXEL, p.height() / PictureSize.PIXEL);
      var shown =
          PictureSize.of(
              pixels,
              css.length("width", size).filter(w -> w > 0).or(() -> attribute(e, "width")),
              css.length("height", size).filter(h -> h > 0).or(() -> attribute(e, "height")));
      return new Inline.Picture(
          p.media().id(), shown.width(), shown.height(), alt.strip(), Look.PLAIN);
    });
  }

  private static Optional<Double> attribute(Element e, String name) {
    String v = e.attr(name).strip();
    return v.matches("\\d{1,5}(px)?")
        ? Optional.of(Integer.parseInt(v.replace("px", "")) * PictureSize.PIXEL)
        : Optional.empty();
  }
}
