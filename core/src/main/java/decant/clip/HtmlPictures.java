package decant.clip;

import decant.model.Inline;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.picture.PictureSize;
import decant.picture.PixelPicture;
import java.awt.Dimension;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Element;

/** Pictures that stand in the markup itself (RFC 2397). */
final class HtmlPictures {
  private static final Pattern DATA =
      Pattern.compile("data:(image/(?:png|jpeg|gif|bmp|tiff));base64,([A-Za-z0-9+/=\\s]+)");

  private HtmlPictures() {}

  /**
   * The picture that an element holds, or its description if the picture would have to be fetched.
   */
  static Optional<Inline> of(Element e, double size, Map<MediaId, Media> media) {
    Matcher m = DATA.matcher(e.attr("src"));
    if (!m.matches()) {
      String alt = e.attr("alt").strip();
      return alt.isEmpty()
          ? Optional.empty()
          : Optional.of(new Inline.Text("[" + alt + "]", Look.PLAIN));
    }
    byte[] bytes;
    try {
      bytes = Base64.getMimeDecoder().decode(m.group(2));
    } catch (IllegalArgumentException x) {
      return Optional.empty(); // not what it says
    }
    Optional<Dimension> pixels = PixelPicture.size(bytes);
    if (pixels.isEmpty()) {
      return Optional.empty();
    }
    Media one = Media.of(m.group(1), bytes);
    media.put(one.id(), one);
    Css css = Css.of(e.attr("style"));
    var shown =
        PictureSize.of(
            pixels.get(),
            css.length("width", size).or(() -> attribute(e, "width")),
            css.length("height", size).or(() -> attribute(e, "height")));
    return Optional.of(
        new Inline.Picture(
            one.id(), shown.width(), shown.height(), e.attr("alt").strip(), Look.PLAIN));
  }

  private static Optional<Double> attribute(Element e, String name) {
    String v = e.attr(name);
    return v.matches("\\d{1,5}")
        ? Optional.of(Integer.parseInt(v) * PictureSize.PIXEL)
        : Optional.empty();
  }
}
