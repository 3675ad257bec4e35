package decant.office.docx.markup;

import decant.model.look.Comment;
import decant.office.xml.Element;
import decant.office.xml.Namespaces;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Remarks as comments (§17.13.4). Plain ones are understood and written anew; a part with more in
 * it than words goes back as it came, and its remarks are known besides.
 */
public final class Comments {
  public static final Comments NONE = new Comments(Map.of(), true);

  /** What may stand in a comment for its words to be all of it. */
  private static final Set<String> PLAIN =
      Set.of(
          "w:p",
          "w:r",
          "w:t",
          "w:br",
          "w:tab",
          "w:pPr",
          "w:rPr",
          "w:pStyle",
          "w:rStyle",
          "w:annotationRef");

  private final Map<String, Comment> byId;
  private final boolean plain;

  private Comments(Map<String, Comment> byId, boolean plain) {
    this.byId = byId;
    this.plain = plain;
  }

  /**
   * @param alone whether no other part says more of the comments: which answers which, which are
   *     settled
   */
  public static Comments of(Element comments, boolean alone) {
    boolean plain =
        alone
            && comments.elements().stream()
                .allMatch(c -> c.elements().stream().allMatch(Comments::isPlain));
    var out = new HashMap<String, Comment>();
    for (Element c : comments.elements()) {
      String id = c.attribute("w:id").orElse("");
      String text =
          c.elements().stream()
              .filter(p -> p.name().equals("w:p"))
              .map(Comments::text)
              .collect(Collectors.joining("\n"));
      out.put(
          id,
          new Comment(
              "c" + id,
              c.attribute("w:author").orElse(""),
              c.attribute("w:date").orElse(""),
              text,
              !plain));
    }
    return new Comments(out, plain);
  }

  private static boolean isPlain(Element e) {
    return PLAIN.contains(e.name()) && e.elements().stream().allMatch(Comments::isPlain);
  }

  private static String text(Element e) {
    var b = new StringBuilder();
    for (Element c : e.elements()) {
      switch (c.name()) {
        case "w:t" -> b.append(c.text());
        case "w:br" -> b.append('\n');
        case "w:tab" -> b.append('\t');
        default -> b.append(text(c));
      }
    }
    return b.toString();
  }

  /** Whether they are written anew, and what marks their places is not kept. */
  public boolean isPlain() {
    return plain;
  }

  public List<Comment> with(List<Comment> open, String id) {
    Comment r = byId.get(id);
    if (r == null || open.contains(r)) {
      return open;
    }
    var out = new java.util.ArrayList<>(open);
    out.add(r);
    return List.copyOf(out);
  }

  /** Whether a remark is among some. */
  public boolean has(List<Comment> some, String id) {
    Comment r = byId.get(id);
    return r != null && some.contains(r);
  }

  public List<Comment> without(List<Comment> open, String id) {
    Comment r = byId.get(id);
    return r == null ? open : open.stream().filter(o -> !o.equals(r)).toList();
  }

  /** A part of comments, each by its place as number. */
  public static String part(List<Comment> comments) {
    var o = new Out().raw(Out.HEAD).raw("<w:comments xmlns:w=\"" + Namespaces.W + "\">");
    for (int n = 0; n < comments.size(); n++) {
      Comment c = comments.get(n);
      o.raw("<w:comment w:id=\"" + n + "\" w:author=\"").text(c.author());
      if (c.date().matches("\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d.*")) {
        o.raw("\" w:date=\"").text(c.date());
      }
      o.raw("\">");
      for (String line : c.text().split("\n", -1)) {
        o.raw("<w:p><w:r><w:t xml:space=\"preserve\">").text(line).raw("</w:t></w:r></w:p>");
      }
      o.raw("</w:comment>");
    }
    return o.raw("</w:comments>").toString();
  }
}
