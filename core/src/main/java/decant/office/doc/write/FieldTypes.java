package decant.office.doc.write;

import java.util.Locale;

/** The numbers of kinds of fields (flt, [MS-DOC] 2.9.90). */
final class FieldTypes {
  static final int HYPERLINK = 0x58;
  private static final int UNKNOWN = 1;

  private FieldTypes() {}

  static int of(String instruction) {
    return switch (instruction.strip().split("\\s+")[0].toUpperCase(Locale.ROOT)) {
      case "PAGE" -> 0x21;
      case "NUMPAGES" -> 0x1A;
      case "TITLE" -> 0x0F;
      case "PAGEREF" -> 0x25;
      case "STYLEREF" -> 0x0A;
      case "DATE" -> 0x1F;
      default -> UNKNOWN;
    };
  }
}
