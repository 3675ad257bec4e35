package decant.office.docx.markup;

import decant.office.field.AskedFor;
import decant.office.xml.Element;
import java.util.List;
import java.util.Optional;

/** What a field of a form of older programs says of itself (§17.16.17 ffData). */
public final class FormFieldData {
  private FormFieldData() {}

  /**
   * @param mark the beginning of the field; without data of a form in it, it is no such field
   * @param keyword of the field
   */
  public static Optional<AskedFor> of(Element mark, String keyword) {
    Optional<Element> data = mark.child("w:ffData");
    if (data.isEmpty() || !AskedFor.isKeyword(keyword) || isOff(data.get())) {
      return Optional.empty();
    }
    Element d = data.get();
    AskedFor usual = AskedFor.by(keyword);
    Optional<Element> text = d.child("w:textInput");
    Optional<Element> list = d.child("w:ddList");
    Optional<Element> box = d.child("w:checkBox");
    return Optional.of(
        new AskedFor(
            usual.kind(),
            text.flatMap(t -> value(t, "w:type")).map(FormFieldData::text).orElse(usual.text()),
            value(d, "w:name").orElse(""),
            text.flatMap(t -> value(t, "w:maxLength")).map(FormFieldData::number).orElse(0),
            text.flatMap(t -> value(t, "w:format")).orElse(""),
            list.map(FormFieldData::options).orElse(List.of()),
            list.flatMap(FormFieldData::chosen)
                .or(() -> box.map(b -> isTicked(b) ? 1 : 0))
                .orElse(0)));
  }

  /** Whether it cannot be filled in (§17.16.12 enabled). */
  private static boolean isOff(Element data) {
    return data.child("w:enabled").filter(e -> !isOn(e)).isPresent();
  }

  /** §17.18.98 ST_FFTextType. */
  private static AskedFor.Text text(String type) {
    return switch (type) {
      case "number" -> AskedFor.Text.NUMBER;
      case "date" -> AskedFor.Text.DATE;
      case "currentDate" -> AskedFor.Text.TODAY;
      case "currentTime" -> AskedFor.Text.NOW;
      case "calculated" -> AskedFor.Text.WORKED_OUT;
      default -> AskedFor.Text.ANY;
    };
  }

  private static Optional<String> value(Element parent, String child) {
    return parent.child(child).flatMap(e -> e.attribute("w:val"));
  }

  private static List<String> options(Element list) {
    return list.elements().stream()
        .filter(e -> e.name().equals("w:listEntry"))
        .flatMap(e -> e.attribute("w:val").stream())
        .toList();
  }

  /** What was chosen, else what is chosen at first. */
  private static Optional<Integer> chosen(Element list) {
    return value(list, "w:result").or(() -> value(list, "w:default")).map(FormFieldData::number);
  }

  private static boolean isTicked(Element box) {
    return box.child("w:checked")
        .or(() -> box.child("w:default"))
        .filter(FormFieldData::isOn)
        .isPresent();
  }

  /** §17.17.4: an element that is there without a value is on. */
  private static boolean isOn(Element e) {
    return e.attribute("w:val").map(DocxLooks::isOn).orElse(true);
  }

  private static int number(String s) {
    try {
      return Integer.parseInt(s.strip());
    } catch (NumberFormatException e) {
      return 0; // as if nothing was said
    }
  }
}
