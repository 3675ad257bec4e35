package decant.office.docx;

import decant.model.finding.Finding;
import decant.model.look.EmbeddedFont;
import decant.model.look.Media;
import decant.office.docx.markup.FontKey;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.FontTrial;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The fonts that a file brings along, made unreadable by a key that it brings too (§17.8.1). */
final class EmbeddedFonts {
  private static final Words WORDS = Words.of(EmbeddedFonts.class);

  private static final List<String> STYLES =
      List.of("w:embedRegular", "w:embedBold", "w:embedItalic", "w:embedBoldItalic");

  private final PackageFile file;
  private final DocxBody.Shared shared;

  EmbeddedFonts(PackageFile file, DocxBody.Shared shared) {
    this.file = file;
    this.shared = shared;
  }

  List<EmbeddedFont> read(Map<String, PackageFile.Relationship> main, int depth)
      throws ReadProblem {
    var out = new ArrayList<EmbeddedFont>();
    for (PackageFile.Relationship r : main.values()) {
      if (!r.shortType().equals("fontTable") || r.external()) {
        continue;
      }
      Optional<byte[]> part = file.bytes(r.target());
      if (part.isEmpty()) {
        continue;
      }
      Map<String, PackageFile.Relationship> own = file.relationships(r.target());
      for (Element font : XmlParts.parse(part.get(), r.target(), depth).elements()) {
        for (String style : STYLES) {
          Optional<Element> embed = font.child(style);
          if (embed.isPresent()) {
            font(font.attribute("w:name").orElse(""), style, embed.get(), own).ifPresent(out::add);
          }
        }
      }
    }
    return out;
  }

  private Optional<EmbeddedFont> font(
      String family, String style, Element embed, Map<String, PackageFile.Relationship> own)
      throws ReadProblem {
    PackageFile.Relationship r = own.get(embed.attribute("r:id").orElse(""));
    Optional<byte[]> bytes = r == null ? Optional.empty() : file.bytes(r.target());
    if (bytes.isEmpty() || family.isBlank()) {
      return Optional.empty();
    }
    byte[] font = FontKey.turned(bytes.get(), embed.attribute("w:fontKey").orElse(""));
    if (!FontTrial.serves(font)) {
      shared.findings.add(
          Finding.general(
              Finding.Kind.FONT_REPLACED,
              Finding.Severity.NOTE,
              WORDS.say("embedded-fonts.the-file-brings-the-font", family)));
      return Optional.empty();
    }
    return Optional.of(
        new EmbeddedFont(
            family, style.contains("Bold"), style.contains("Italic"), Media.of("font/ttf", font)));
  }
}
