package decant.office.docx;

import decant.office.xml.Element;
import decant.text.EquationText;
import java.util.List;
import java.util.stream.Collectors;

/** Equations (§22.1) as they are written in one line: a/b, x^2, √(a + b). */
final class FormulaText {
  private static final int DEEPEST = 60;

  private FormulaText() {}

  static String of(Element math) {
    return text(math, 0).strip();
  }

  private static String text(Element e, int depth) {
    if (depth > DEEPEST) {
      return e.text();
    }
    int in = depth + 1;
    return switch (e.name()) {
      case "m:t" -> e.text();
      case "m:f" -> one(e, "m:num", in) + "/" + one(e, "m:den", in);
      case "m:sSup" -> part(e, "m:e", in) + "^" + one(e, "m:sup", in);
      case "m:sSub" -> part(e, "m:e", in) + "_" + one(e, "m:sub", in);
      case "m:sSubSup" ->
          part(e, "m:e", in) + "_" + one(e, "m:sub", in) + "^" + one(e, "m:sup", in);
      case "m:sPre" -> "_" + one(e, "m:sub", in) + "^" + one(e, "m:sup", in) + part(e, "m:e", in);
      case "m:limLow" -> part(e, "m:e", in) + "_" + one(e, "m:lim", in);
      case "m:limUpp" -> part(e, "m:e", in) + "^" + one(e, "m:lim", in);
      case "m:func" -> part(e, "m:fName", in) + " " + one(e, "m:e", in);
      case "m:rad" -> {
        String degree = part(e, "m:deg", in);
        yield "√" + (degree.isEmpty() ? "" : "[" + degree + "]") + "(" + part(e, "m:e", in) + ")";
      }
      case "m:nary" -> {
        String sub = part(e, "m:sub", in);
        String sup = part(e, "m:sup", in);
        yield sign(e, "m:naryPr", "m:chr", "∫")
            + (sub.isEmpty() ? "" : "_" + EquationText.bracketed(sub))
            + (sup.isEmpty() ? "" : "^" + EquationText.bracketed(sup))
            + " "
            + part(e, "m:e", in);
      }
      case "m:d" ->
          sign(e, "m:dPr", "m:begChr", "(")
              + joined(e, "m:e", sign(e, "m:dPr", "m:sepChr", "|"), in)
              + sign(e, "m:dPr", "m:endChr", ")");
      case "m:m" -> "[" + joined(e, "m:mr", "; ", in) + "]";
      case "m:mr" -> joined(e, "m:e", ", ", in);
      case "m:eqArr" -> joined(e, "m:e", "; ", in);
      default ->
          e.name().endsWith("Pr")
              ? ""
              : e.elements().stream().map(x -> text(x, in)).collect(Collectors.joining());
    };
  }

  private static String part(Element e, String name, int depth) {
    return e.child(name).map(x -> text(x, depth)).orElse("").strip();
  }

  private static String one(Element e, String name, int depth) {
    return EquationText.bracketed(part(e, name, depth));
  }

  private static String joined(Element e, String name, String by, int depth) {
    List<String> parts = e.elements(name).map(x -> text(x, depth).strip()).toList();
    return String.join(by, parts);
  }

  /** A sign that properties say; empty where they say that there is none. */
  private static String sign(Element e, String properties, String name, String usual) {
    return e.child(properties)
        .flatMap(p -> p.child(name))
        .map(c -> c.attribute("m:val").orElse(""))
        .orElse(usual);
  }
}
