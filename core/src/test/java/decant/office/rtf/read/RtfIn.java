package decant.office.rtf.read;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Takes in RTF that is written by hand. */
final class RtfIn {
  private RtfIn() {}

  static RtfWhole.Whole whole(String rtf) {
    return whole("{\\f0 Liberation Serif;}{\\f1\\fcharset2 Symbol;}", rtf);
  }

  static Document withFonts(String fonts, String rtf) {
    return whole(fonts, rtf).document();
  }

  private static RtfWhole.Whole whole(String fonts, String rtf) {
    String head = "{\\rtf1\\ansi\\deff0{\\fonttbl" + fonts + "}";
    String colours =
        "{\\colortbl;\\red192\\green0\\blue0;\\red0\\green0\\blue0;\\red255\\green255\\blue255;}";
    try {
      return RtfWhole.read((head + colours + rtf + "}").getBytes(StandardCharsets.US_ASCII));
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  static Document read(String rtf) {
    return whole(rtf).document();
  }

  static Table table(Document d) {
    return (Table)
        d.sections().getFirst().blocks().stream()
            .filter(b -> b instanceof Table)
            .findFirst()
            .orElseThrow();
  }

  static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }
}
