package decant.office.docx.write;

import decant.model.Document;
import decant.model.look.Colour;
import decant.model.look.Typesetting;
import decant.office.docx.markup.Out;
import decant.office.xml.Element;
import decant.office.xml.Namespaces;
import decant.office.xml.RawXml;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The settings part (§17.15.1), as far as it says how the document looks. */
final class SettingsWriter {
  static final String PART = "word/settings.xml";

  /** What may stand before the last of the settings that we make (CT_Settings). */
  private static final List<String> ORDER =
      List.of(
          ("writeProtection view zoom removePersonalInformation removeDateAndTime"
                  + " doNotDisplayPageBoundaries displayBackgroundShape printPostScriptOverText"
                  + " printFractionalCharacterWidth printFormsData embedTrueTypeFonts"
                  + " embedSystemFonts saveSubsetFonts saveFormsData mirrorMargins"
                  + " alignBordersAndEdges bordersDoNotSurroundHeader bordersDoNotSurroundFooter"
                  + " gutterAtTop hideSpellingErrors hideGrammaticalErrors activeWritingStyle"
                  + " proofState formsDesign attachedTemplate linkStyles stylePaneFormatFilter"
                  + " stylePaneSortMethod documentType mailMerge revisionView trackRevisions"
                  + " doNotTrackMoves doNotTrackFormatting documentProtection autoFormatOverride"
                  + " styleLockTheme styleLockQFSet defaultTabStop autoHyphenation"
                  + " consecutiveHyphenLimit hyphenationZone doNotHyphenateCaps showEnvelope"
                  + " summaryLength clickAndTypeStyle defaultTableStyle evenAndOddHeaders")
              .split(" "));

  private final Typesetting typesetting;
  private final boolean even;
  private final boolean background;

  SettingsWriter(Document document) {
    this.typesetting = document.styles().typesetting();
    this.even = RunningTexts.setsEvenApart(document);
    this.background =
        document.sections().stream().anyMatch(s -> !s.page().background().equals(Colour.WHITE));
  }

  /** Settings for a document that brought none. */
  String part() {
    var o = new Out().raw(Out.HEAD).raw("<w:settings xmlns:w=\"" + Namespaces.W + "\">");
    o.raw(background ? "<w:displayBackgroundShape/>" : "");
    o.raw(typesetting.fonts().isEmpty() ? "" : "<w:embedTrueTypeFonts/><w:saveSubsetFonts/>");
    o.empty("w:defaultTabStop", "w:val", Out.twips(typesetting.tabDistance()));
    o.raw(typesetting.hyphenates() ? "<w:autoHyphenation/>" : "");
    o.raw(even ? "<w:evenAndOddHeaders/>" : "");
    o.raw("<w:compat>");
    o.raw(typesetting.expandsLastLines() ? "" : "<w:doNotExpandShiftReturn/>");
    o.raw("<w:compatSetting w:name=\"compatibilityMode\"");
    o.raw(" w:uri=\"http://schemas.microsoft.com/office/word\" w:val=\"");
    o.raw(typesetting.textAtTableEdge() ? "14" : "15");
    return o.raw("\"/></w:compat></w:settings>").toString();
  }

  /** Settings that the document brought, with those that it has changed since; others stay. */
  byte[] into(byte[] brought) {
    try {
      Element root = RawXml.parse(brought, PART, Limits.DEFAULT.depth());
      List<Object> children = new ArrayList<>(root.children());
      boolean changed =
          set(root, children, "displayBackgroundShape", background)
              | set(root, children, "autoHyphenation", typesetting.hyphenates())
              | set(root, children, "evenAndOddHeaders", even)
              | tabs(root, children);
      return changed ? RawXml.part(new Element(root.name(), root.attributes(), children)) : brought;
    } catch (ReadProblem e) {
      return part().getBytes(StandardCharsets.UTF_8);
    }
  }

  private static String local(Element e) {
    return e.name().substring(e.name().indexOf(':') + 1);
  }

  private static Optional<Element> child(List<Object> children, String name) {
    for (Object c : children) {
      if (c instanceof Element e && local(e).equals(name)) {
        return Optional.of(e);
      }
    }
    return Optional.empty();
  }

  private static String prefix(Element root) {
    return root.name().substring(0, root.name().indexOf(':') + 1);
  }

  private static boolean set(Element root, List<Object> children, String name, boolean on) {
    Optional<Element> there = child(children, name);
    boolean was =
        there
            .map(e -> e.attribute(prefix(root) + "val").orElse("true"))
            .filter(v -> v.equals("true") || v.equals("1") || v.equals("on"))
            .isPresent();
    if (was == on) {
      return false;
    }
    there.ifPresent(children::remove);
    if (on) {
      put(children, new Element(prefix(root) + name, Map.of(), List.of()));
    }
    return true;
  }

  private boolean tabs(Element root, List<Object> children) {
    String name = "defaultTabStop";
    String value = Out.twips(typesetting.tabDistance());
    Optional<Element> there = child(children, name);
    String was = there.flatMap(e -> e.attribute(prefix(root) + "val")).orElse("720");
    if (was.equals(value)) {
      return false;
    }
    there.ifPresent(children::remove);
    var a = new LinkedHashMap<String, String>();
    a.put(prefix(root) + "val", value);
    put(children, new Element(prefix(root) + name, a, List.of()));
    return true;
  }

  private static void put(List<Object> children, Element e) {
    int rank = ORDER.indexOf(local(e));
    int at = 0;
    for (int k = 0; k < children.size(); k++) {
      if (children.get(k) instanceof Element other) {
        int its = ORDER.indexOf(local(other));
        if (its >= 0 && its < rank) {
          at = k + 1;
        }
      }
    }
    children.add(at, e);
  }
}
