package decant.format;

import decant.format.Format.Family;
import decant.format.Format.Sniffer;
import java.util.List;
import java.util.Set;

/** Formats that are known so that a person is told what a file is; nothing serves them. */
final class Unserved {
  /** An office document that is encrypted as a whole ([MS-OFFCRYPTO]). */
  static final Format LOCKED_OFFICE =
      of(
          "locked",
          "encrypted office document",
          Family.OTHER,
          c -> c.isCompound() && c.hasStream("EncryptedPackage"));

  static final Format ZIP = of("zip", "ZIP archive", Family.OTHER, FileContent::isZip);

  static final Format PICTURE =
      of(
          "picture",
          "picture",
          Family.PICTURE,
          c -> begins(c, "\u0089PNG", "\u00FF\u00D8\u00FF", "GIF8", "BM", "II*\0", "MM\0*"));

  static final Format UNKNOWN = of("unknown", "file", Family.OTHER, c -> true);

  /** In the order in which they are tried. */
  static final List<Format> ALL =
      List.of(
          of(
              "xlsx",
              "XLSX workbook",
              Family.SHEETS,
              c -> c.packs("xl/workbook.xml") || c.packs("xl/workbook.bin")),
          of("pptx", "PPTX presentation", Family.SLIDES, c -> c.packs("ppt/presentation.xml")),
          of("ods", "ODS workbook", Family.SHEETS, c -> says(c, "opendocument.spreadsheet")),
          of("odp", "ODP presentation", Family.SLIDES, c -> says(c, "opendocument.presentation")),
          LOCKED_OFFICE,
          of("compound", "binary office document", Family.OTHER, FileContent::isCompound),
          PICTURE,
          ZIP);

  private Unserved() {}

  private static Format of(String id, String name, Family family, Sniffer sniffer) {
    return new Format(id, name, family, "application/octet-stream", List.of(id), sniffer, Set.of());
  }

  private static boolean says(FileContent c, String type) {
    return c.packedMediaType().contains(type);
  }

  private static boolean begins(FileContent c, String... starts) {
    for (String s : starts) {
      if (c.head().startsWith(s)) {
        return true;
      }
    }
    return false;
  }
}
