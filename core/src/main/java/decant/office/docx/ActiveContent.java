package decant.office.docx;

import decant.model.Finding;
import decant.model.KeptPart;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import decant.reading.SafeLinks;
import decant.words.Words;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What of a file would act by itself where it is opened: macros, controls with programs
 * (§17.3.3.3), fields that fetch or start something (§17.16.5), a template elsewhere (§17.15.1.6).
 * None of it is carried on; each is told.
 */
final class ActiveContent {
  private static final Words WORDS = Words.of(ActiveContent.class);

  private static final Set<String> FIELDS =
      Set.of("DDE", "DDEAUTO", "IMPORT", "INCLUDE", "INCLUDEPICTURE", "INCLUDETEXT", "LINK");

  private static final Pattern TEMPLATE = Pattern.compile("<(?:\\w+:)?attachedTemplate\\b[^>]*/>");

  private static final Pattern RELATED =
      Pattern.compile("<(?:\\w+:)?Relationship\\b[^>]*/attachedTemplate[\"'][^>]*/>");

  private final List<Finding> findings;

  ActiveContent(List<Finding> findings) {
    this.findings = findings;
  }

  /** Whether a field fetches something or starts something when it is brought up to date. */
  static boolean acts(String field) {
    return FIELDS.contains(field);
  }

  /** What to say of a field that is left out. */
  static Finding field(String name) {
    return said(WORDS.say("active-content.field", name));
  }

  /** Whether a link to an address is carried on; if not, that is told. */
  static boolean carries(String uri, List<Finding> findings) {
    boolean safe = SafeLinks.carries(uri);
    if (!safe) {
      findings.add(said(WORDS.say("active-content.link", SafeLinks.told(uri))));
    }
    return safe;
  }

  private static Finding said(String message) {
    return Finding.general(Finding.Kind.ACTIVE_CONTENT, Finding.Severity.LOSS, message);
  }

  /** The parts that are kept, without what acts. */
  List<KeptPart> without(List<KeptPart> parts, int depth) {
    var out = new ArrayList<KeptPart>();
    int macros = 0;
    int controls = 0;
    for (KeptPart p : parts) {
      String name = p.name().toLowerCase(Locale.ROOT);
      String type = p.contentType().toLowerCase(Locale.ROOT);
      if (name.contains("vba") || type.contains("vba") || type.contains("macroenabled")) {
        macros++;
      } else if (name.startsWith("word/activex") || type.contains("activex")) {
        controls++;
      } else {
        without(p, depth).ifPresent(out::add);
      }
    }
    if (macros > 0) {
      findings.add(said(WORDS.say("active-content.macros")));
    }
    if (controls > 0) {
      findings.add(said(WORDS.say("active-content.controls")));
    }
    return out;
  }

  private Optional<KeptPart> without(KeptPart p, int depth) {
    boolean settings = p.name().equals("word/settings.xml");
    if (!settings && !p.name().equals("word/_rels/settings.xml.rels")) {
      return Optional.of(p);
    }
    String text = new String(p.bytes(), StandardCharsets.UTF_8);
    String left = (settings ? TEMPLATE : RELATED).matcher(text).replaceAll("");
    boolean clean = !left.toLowerCase(Locale.ROOT).contains("attachedtemplate");
    if (settings && (!left.equals(text) || !clean)) {
      findings.add(said(WORDS.say("active-content.template")));
    }
    if (clean && left.equals(text) && !text.contains("\u0000")) {
      return Optional.of(p);
    }
    byte[] bytes = left.getBytes(StandardCharsets.UTF_8);
    return clean && isWhole(bytes, p.name(), depth)
        ? Optional.of(new KeptPart(p.format(), p.name(), p.contentType(), bytes))
        : Optional.empty(); // written in an odd way: it is left out as a whole
  }

  private static boolean isWhole(byte[] part, String name, int depth) {
    try {
      XmlParts.parse(part, name, depth);
      return true;
    } catch (ReadProblem e) {
      return false;
    }
  }
}
