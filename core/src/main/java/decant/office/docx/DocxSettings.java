package decant.office.docx;

import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Typesetting;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.reading.Restriction;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The settings part (§17.15), as far as pages follow from it.
 *
 * @param evenAndOdd even pages have running texts of their own
 * @param background the background of the document is shown
 */
record DocxSettings(Typesetting typesetting, boolean evenAndOdd, boolean background) {
  /** From this mode on tables begin at the margin, not their text ([MS-DOCX] 2.4.1). */
  private static final int TABLES_AT_MARGIN = 15;

  /** The mode of files that name none. */
  private static final int OLDEST = 12;

  static final DocxSettings NONE = new DocxSettings(Typesetting.PLAIN, false, false);

  static DocxSettings read(Element part) {
    double tabs =
        DocxLooks.twips(part.val("w:defaultTabStop")).filter(v -> v > 1 && v < 1000).orElse(36.0);
    Optional<Element> compat = part.child("w:compat");
    int mode =
        compat.stream()
            .flatMap(c -> c.elements("w:compatSetting"))
            .filter(c -> c.attribute("w:name").orElse("").equals("compatibilityMode"))
            .findFirst()
            .flatMap(c -> DocxLooks.number(c.attribute("w:val")))
            .map(Double::intValue)
            .orElse(OLDEST);
    return new DocxSettings(
        new Typesetting(
            tabs,
            is(Optional.of(part), "w:autoHyphenation"),
            mode < TABLES_AT_MARGIN,
            !is(compat, "w:doNotExpandShiftReturn"),
            format(part, "w:footnotePr", NumberFormat.DECIMAL),
            format(part, "w:endnotePr", NumberFormat.LOWER_ROMAN),
            List.of()),
        is(Optional.of(part), "w:evenAndOddHeaders"),
        is(Optional.of(part), "w:displayBackgroundShape"));
  }

  /** What the document asks of those who open it (§17.15.1.29 and §17.15.1.93). */
  static List<Restriction> restrictions(Element part) {
    var out = new ArrayList<Restriction>();
    part.child("w:writeProtection")
        .ifPresent(w -> {
          boolean password =
              w.attributes().keySet().stream()
                  .anyMatch(a -> a.equals("w:hash") || a.equals("w:hashValue"));
          if (password) {
            out.add(Restriction.WRITING_RESERVED);
          }
          if (w.attribute("w:recommended").map(DocxLooks::isOn).orElse(false)) {
            out.add(Restriction.READING_RECOMMENDED);
          }
        });
    part.child("w:documentProtection")
        .filter(p -> p.attribute("w:enforcement").map(DocxLooks::isOn).orElse(false))
        .ifPresent(p -> {
          switch (p.attribute("w:edit").orElse("none")) {
            case "readOnly" -> out.add(Restriction.READING_ONLY);
            case "comments" -> out.add(Restriction.COMMENTS_ONLY);
            case "trackedChanges" -> out.add(Restriction.TRACKED_ONLY);
            case "forms" -> out.add(Restriction.FORMS_ONLY);
            default -> {}
          }
          if (p.attribute("w:formatting").map(DocxLooks::isOn).orElse(false)) {
            out.add(Restriction.SOME_LOOKS_ONLY);
          }
        });
    return out;
  }

  private static boolean is(Optional<Element> parent, String name) {
    return parent.flatMap(p -> p.child(name)).filter(DocxLooks::on).isPresent();
  }

  private static NumberFormat format(Element part, String notes, NumberFormat otherwise) {
    return part.child(notes)
        .flatMap(n -> n.val("w:numFmt"))
        .map(DocxLists::format)
        .orElse(otherwise);
  }
}
