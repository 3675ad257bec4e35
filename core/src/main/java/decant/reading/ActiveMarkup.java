package decant.reading;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What acts in markup that was kept as it came, by the names of ISO/IEC 29500-1. */
final class ActiveMarkup {
  /** What a part says of something elsewhere. */
  enum Kind {
    TEMPLATE,
    LINK,
    FETCHED
  }

  /** Fields that fetch or start something when they are brought up to date (§17.16.5). */
  private static final Set<String> FIELDS =
      Set.of(
          "DDE",
          "DDEAUTO",
          "IMPORT",
          "INCLUDE",
          "INCLUDEPICTURE",
          "INCLUDETEXT",
          "LINK",
          "DATABASE");

  private static final Pattern INSTRUCTION =
      Pattern.compile(
          "<w:(?:instrText|delInstrText)\\b[^>]*>([^<]*)<|\\bw:instr\\s*=\\s*[\"']([^\"']*)");

  private static final Pattern TEMPLATE = Pattern.compile("<(?:\\w+:)?attachedTemplate\\b[^>]*/>");

  private static final Pattern RELATIONSHIP =
      Pattern.compile("<(?:\\w+:)?Relationship\\b[^>]*?(?:/>|>\\s*</(?:\\w+:)?Relationship>)");

  /**
   * A picture that is elsewhere (§20.1.8.13), a control with a program (§17.3.3.3), an object whose
   * file is elsewhere (§17.3.3.19).
   */
  private static final Pattern ELSEWHERE =
      Pattern.compile(
          "\\s\\w+:link=\"[^\"]*\"|\\s\\w+:href=\"[^\"]*\"|<w:control\\b[^>]*/>"
              + "|<o:OLEObject\\b[^>]*\\bType=\"Link\"[^>]*(?:/>|>.*?</o:OLEObject>)",
          Pattern.DOTALL);

  /**
   * An object outside the package (ODF 1.3 part 2, §3.6: what a path leads to is in the package,
   * unless it leads up).
   */
  private static final Pattern OUTSIDE =
      Pattern.compile("\\s\\w+:href=\"(?:\\w+:|/|\\\\|\\.\\./)[^\"]*\"");

  /** A picture or an object that is elsewhere. */
  private static final Pattern LINKED =
      Pattern.compile("\\sr:link=\"[^\"]+\"|<o:OLEObject\\b[^>]*\\bType=\"Link\"");

  private static final Map<String, Pattern> ATTRIBUTES = new ConcurrentHashMap<>();

  private static final String TEXT_SPACE =
      "http://schemas.openxmlformats.org/wordprocessingml/2006/main";

  private ActiveMarkup() {}

  /** The keyword of a field in the markup that acts; however its instruction is cut up. */
  static Optional<String> actingField(String source) {
    if (!source.contains("nstr")) {
      return Optional.empty();
    }
    for (String field : source.split("w:fldCharType=\"begin\"")) {
      var all = new StringBuilder();
      Matcher m = INSTRUCTION.matcher(field);
      while (m.find()) {
        String one = m.group(1) != null ? m.group(1) : m.group(2);
        if (FIELDS.contains(keyword(one))) {
          return Optional.of(keyword(one));
        }
        all.append(one);
      }
      if (FIELDS.contains(keyword(all.toString()))) {
        return Optional.of(keyword(all.toString()));
      }
    }
    return Optional.empty();
  }

  private static String keyword(String instruction) {
    return instruction.strip().split("[^\\p{L}]", 2)[0].toUpperCase(Locale.ROOT);
  }

  static boolean begins(String source) {
    return source.contains("w:fldCharType=\"begin\"") && !source.contains("w:fldCharType=\"end\"");
  }

  static boolean ends(String source) {
    return source.contains("w:fldCharType=\"end\"") && !source.contains("w:fldCharType=\"begin\"");
  }

  /** A document within that is taken in when this one is opened (§17.17.2.1). */
  static boolean takesInOnOpening(String source) {
    return source.startsWith("<w:altChunk");
  }

  /**
   * Markup without its references to what would be fetched.
   *
   * @param gone ids of relationships that go with it
   */
  static String without(String source, Set<String> gone) {
    boolean packed = source.startsWith("<draw:");
    String out = (packed ? OUTSIDE : ELSEWHERE).matcher(source).replaceAll("");
    for (String id : gone) {
      if (out.contains("\"" + id + "\"")) {
        String reference = "\\br:\\w+=\"" + Pattern.quote(id) + "\"";
        out = out.replaceAll("<a:hlink\\w+\\b[^>]*" + reference + "[^>]*/>", "");
        out = out.replaceAll("\\s" + reference, "");
      }
    }
    return out;
  }

  /** The parts that documents taken in on opening stand in, as a relationships part tells. */
  static Set<String> chunks(byte[] relationships) {
    var out = new java.util.HashSet<String>();
    Matcher m = RELATIONSHIP.matcher(new String(relationships, StandardCharsets.UTF_8));
    while (m.find()) {
      if (attribute(m.group(), "Type").endsWith("/aFChunk")) {
        String to = attribute(m.group(), "Target");
        out.add(to.startsWith("/") ? to.substring(1) : "word/" + to);
      }
    }
    return out;
  }

  /**
   * A settings or relationships part without what acts, told one by one; the same bytes if nothing
   * does; empty if it is written in so odd a way that nothing can be said of it.
   *
   * @param gone takes the ids of the relationships that are left out
   */
  static Optional<byte[]> clean(byte[] part, BiConsumer<Kind, String> tell, Set<String> gone) {
    String text = new String(part, StandardCharsets.UTF_8);
    if (text.indexOf('\0') >= 0 || text.contains("<!DOCTYPE") || text.contains("<!ENTITY")) {
      return Optional.empty();
    }
    Matcher template = TEMPLATE.matcher(text);
    if (template.find()) {
      tell.accept(Kind.TEMPLATE, "");
    }
    var out = new StringBuilder();
    Matcher m = RELATIONSHIP.matcher(template.replaceAll(""));
    while (m.find()) {
      boolean acts = acts(m.group(), tell);
      if (acts) {
        gone.add(attribute(m.group(), "Id"));
      }
      m.appendReplacement(out, acts ? "" : Matcher.quoteReplacement(m.group()));
    }
    m.appendTail(out);
    String clean = out.toString();
    if (clean.toLowerCase(Locale.ROOT).contains("attachedtemplate")) {
      return Optional.empty();
    }
    return Optional.of(clean.equals(text) ? part : clean.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * Whether nothing acts in a part of a package: no program, control or field that fetches, nothing
   * that is elsewhere. Text whose elements are not named as usual may act.
   */
  static boolean isQuiet(String name, byte[] part) {
    String lower = name.toLowerCase(Locale.ROOT);
    if (lower.contains("vba") || lower.contains("activex")) {
      return false;
    }
    if (!lower.endsWith(".xml") && !lower.endsWith(".rels")) {
      return true;
    }
    boolean[] acts = {false};
    Optional<byte[]> clean = clean(part, (k, w) -> acts[0] = true, new java.util.HashSet<>());
    String text = new String(part, StandardCharsets.UTF_8);
    boolean named = !text.contains(TEXT_SPACE) || text.contains("xmlns:w=\"");
    return clean.isPresent()
        && !acts[0]
        && (lower.endsWith(".rels")
            || lower.startsWith("[content")
            || named
                && actingField(text).isEmpty()
                && !text.contains("<w:altChunk")
                && !text.contains("<w:subDoc")
                && !text.contains("<w:control")
                && !LINKED.matcher(text).find());
  }

  private static boolean acts(String relationship, BiConsumer<Kind, String> tell) {
    String type = attribute(relationship, "Type");
    if (type.endsWith("/attachedTemplate")) {
      tell.accept(Kind.TEMPLATE, "");
      return true;
    }
    if (type.endsWith("/aFChunk")) {
      return true;
    }
    if (!attribute(relationship, "TargetMode").equalsIgnoreCase("External")) {
      return false;
    }
    String target = attribute(relationship, "Target");
    if (type.endsWith("/hyperlink")) {
      boolean safe = SafeLinks.carries(target);
      if (!safe) {
        tell.accept(Kind.LINK, target);
      }
      return !safe;
    }
    tell.accept(Kind.FETCHED, target);
    return true;
  }

  private static String attribute(String element, String name) {
    Matcher m =
        ATTRIBUTES
            .computeIfAbsent(
                name, n -> Pattern.compile("\\s" + n + "\\s*=\\s*(\"([^\"]*)\"|'([^']*)')"))
            .matcher(element);
    if (!m.find()) {
      return "";
    }
    String v = m.group(2) != null ? m.group(2) : m.group(3);
    return v.replace("&quot;", "\"")
        .replace("&apos;", "'")
        .replace("&lt;", "<")
        .replace("&gt;", ">")
        .replace("&amp;", "&");
  }
}
