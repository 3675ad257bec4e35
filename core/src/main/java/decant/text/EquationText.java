package decant.text;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Equations (MathML Core, and ISO/IEC 40314) as they are written in one line: a/b, x^2, √(a + b).
 *
 * @param <N> an element, by whatever reads it
 */
public final class EquationText<N> {
  private static final int DEEPEST = 50;

  private final Function<N, String> name;
  private final Function<N, List<N>> parts;
  private final Function<N, String> text;

  /**
   * @param name of an element, with a prefix or without
   * @param parts the elements in it
   * @param text all characters in it
   */
  public EquationText(
      Function<N, String> name, Function<N, List<N>> parts, Function<N, String> text) {
    this.name = name;
    this.parts = parts;
    this.text = text;
  }

  /** An equation, by its outermost element. */
  public String of(N math) {
    return text(math, 0).strip();
  }

  private String text(N e, int depth) {
    List<N> in = parts.apply(e);
    if (in.isEmpty() || depth > DEEPEST) {
      return leaf(e);
    }
    boolean two = in.size() == 2;
    return switch (local(e)) {
      case "annotation", "annotation-xml" -> "";
      case "mfrac" -> two ? one(in, 0, depth) + "/" + one(in, 1, depth) : all(in, depth);
      case "msup", "mover" -> two ? raised(in, "^", depth) : all(in, depth);
      case "msub", "munder" -> two ? raised(in, "_", depth) : all(in, depth);
      case "msubsup", "munderover" ->
          in.size() == 3 ? raised(in, "_", depth) + "^" + one(in, 2, depth) : all(in, depth);
      case "msqrt" -> "√(" + all(in, depth) + ")";
      case "mroot" ->
          two ? "√[" + part(in, 1, depth) + "](" + part(in, 0, depth) + ")" : all(in, depth);
      case "mfenced" -> "(" + joined(in, ", ", depth) + ")";
      case "mtable" -> "[" + joined(in, "; ", depth) + "]";
      case "mtr" -> joined(in, ", ", depth);
      default -> all(in, depth);
    };
  }

  private String leaf(N e) {
    String said = text.apply(e).strip();
    return switch (local(e)) {
      case "annotation", "annotation-xml" -> "";
      case "mo" -> said.matches("[=+−\\-×·÷<>≤≥≠≈→]") ? " " + said + " " : said;
      default -> said;
    };
  }

  private String raised(List<N> in, String sign, int depth) {
    return part(in, 0, depth) + sign + one(in, 1, depth);
  }

  private String part(List<N> in, int k, int depth) {
    return text(in.get(k), depth + 1).strip();
  }

  private String one(List<N> in, int k, int depth) {
    return bracketed(part(in, k, depth));
  }

  /** A part that is read as one: what is longer than a word stands in brackets. */
  public static String bracketed(String part) {
    return part.matches("[\\p{L}\\p{N}.,′]*|.") ? part : "(" + part + ")";
  }

  private String all(List<N> in, int depth) {
    return in.stream().map(x -> text(x, depth + 1)).collect(Collectors.joining());
  }

  private String joined(List<N> in, String by, int depth) {
    return in.stream().map(x -> text(x, depth + 1).strip()).collect(Collectors.joining(by));
  }

  private String local(N e) {
    String said = name.apply(e);
    return said.substring(said.indexOf(':') + 1);
  }
}
