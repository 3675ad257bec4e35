package decant.office.odf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Documents as one part of markup (ODF 1.3 part 3, §3.1.2), written by hand. */
public final class FlatOdt {
  public static final String NAMESPACES =
      List.of("office", "style", "text", "table", "meta").stream()
              .map(n -> " xmlns:" + n + "=\"urn:oasis:names:tc:opendocument:xmlns:" + n + ":1.0\"")
              .reduce("", String::concat)
          + " xmlns:draw=\"urn:oasis:names:tc:opendocument:xmlns:drawing:1.0\""
          + " xmlns:fo=\"urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0\""
          + " xmlns:svg=\"urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0\""
          + " xmlns:xlink=\"http://www.w3.org/1999/xlink\""
          + " xmlns:dc=\"http://purl.org/dc/elements/1.1/\"";

  private FlatOdt() {}

  /** Writes one; gives the file. */
  public static Path write(Path file, String styles, String automatic, String masters, String text)
      throws IOException {
    return Files.writeString(
        file,
        "<?xml version=\"1.0\"?><office:document"
            + NAMESPACES
            + " office:mimetype=\"application/vnd.oasis.opendocument.text\" office:version=\"1.3\">"
            + "<office:styles>"
            + styles
            + "</office:styles><office:automatic-styles>"
            + automatic
            + "</office:automatic-styles><office:master-styles>"
            + masters
            + "</office:master-styles><office:body><office:text>"
            + text
            + "</office:text></office:body></office:document>");
  }
}
