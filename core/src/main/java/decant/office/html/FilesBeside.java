package decant.office.html;

import decant.picture.PictureTypes;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Optional;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/** What lies in the folder of a page, or below it; nothing else that a page names is looked at. */
final class FilesBeside {
  private static final long LARGEST = 50_000_000; // bytes
  private static final long LARGEST_STYLES = 4_000_000;

  private FilesBeside() {}

  /** Puts pictures into the page. @return how many that it names are not beside it */
  static int pictures(Document page, Path folder) {
    int missing = 0;
    for (Element img : page.select("img[src], input[type=image][src]")) {
      String src = img.attr("src");
      if (src.strip().startsWith("data:")) {
        continue;
      }
      Optional<byte[]> bytes = of(folder, src, LARGEST);
      if (bytes.isPresent()) {
        String type = PictureTypes.type(bytes.get(), "image/png");
        img.attr(
            "src", "data:" + type + ";base64," + Base64.getEncoder().encodeToString(bytes.get()));
      } else {
        missing++;
      }
    }
    return missing;
  }

  /** Puts style sheets into the page, where they are named. */
  static void styles(Document page, Path folder) {
    for (Element link : page.select("link[rel~=(?i)\\bstylesheet\\b][href]")) {
      of(folder, link.attr("href"), LARGEST_STYLES)
          .ifPresent(css -> {
            var style = new Element("style").attr("media", link.attr("media"));
            style.appendChild(new DataNode(new String(css, StandardCharsets.UTF_8)));
            link.replaceWith(style);
          });
    }
  }

  private static Optional<byte[]> of(Path folder, String name, long largest) {
    if (name.contains(":") || name.startsWith("/") || name.startsWith("\\")) {
      return Optional.empty();
    }
    try {
      String plain = URLDecoder.decode(name.replaceAll("[?#].*$", ""), StandardCharsets.UTF_8);
      Path file = folder.resolve(plain).normalize();
      boolean inside =
          file.startsWith(folder)
              && Files.isRegularFile(file)
              && file.toRealPath().startsWith(folder.toRealPath())
              && Files.size(file) <= largest;
      return inside ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
    } catch (IOException | IllegalArgumentException e) {
      return Optional.empty();
    }
  }
}
