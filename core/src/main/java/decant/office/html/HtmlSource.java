package decant.office.html;

import decant.model.finding.Finding;
import decant.reading.TextEncoding;
import decant.words.Words;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.XMLConstants;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.parsers.SAXParserFactory;
import org.jsoup.Jsoup;
import org.jsoup.nodes.CDataNode;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Document.OutputSettings.Syntax;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/** The elements of a page, whichever way its characters and its markup are written. */
final class HtmlSource {
  private static final Words WORDS = Words.of(HtmlSource.class);

  /** Bytes in which a page says how its characters are encoded (§4.2.5.4 of the standard). */
  private static final int HEAD = 4096;

  private static final Pattern SAID =
      Pattern.compile(
          "<meta[^>]+charset\\s*=\\s*[\"']?\\s*([\\w.:-]+)"
              + "|<\\?xml[^>]+encoding\\s*=\\s*[\"']([\\w.:-]+)",
          Pattern.CASE_INSENSITIVE);

  /**
   * Names that stand for wider sets (WHATWG Encoding, §4.2); and UTF-16, which a page that was read
   * so far cannot be in (§13.2.3.5 of the standard).
   */
  private static final Map<String, String> WIDER =
      Map.ofEntries(
          Map.entry("iso-8859-1", "windows-1252"),
          Map.entry("iso8859-1", "windows-1252"),
          Map.entry("latin1", "windows-1252"),
          Map.entry("us-ascii", "windows-1252"),
          Map.entry("ascii", "windows-1252"),
          Map.entry("iso-8859-9", "windows-1254"),
          Map.entry("iso-8859-11", "windows-874"),
          Map.entry("tis-620", "windows-874"),
          Map.entry("gb2312", "GBK"),
          Map.entry("shift_jis", "windows-31j"),
          Map.entry("x-sjis", "windows-31j"),
          Map.entry("sjis", "windows-31j"),
          Map.entry("euc-kr", "x-windows-949"),
          Map.entry("ks_c_5601-1987", "x-windows-949"),
          Map.entry("utf-16", "UTF-8"),
          Map.entry("utf-16le", "UTF-8"),
          Map.entry("utf-16be", "UTF-8"));

  private static final Pattern XHTML =
      Pattern.compile(
          "^\\s*<\\?xml|<!DOCTYPE\\s+html[^>]+XHTML|xmlns=[\"']http://www.w3.org/1999/xhtml");

  private static final Pattern SCRIPTS =
      Pattern.compile("<(script|style)\\b.*?</\\1", Pattern.CASE_INSENSITIVE | Pattern.DOTALL);

  /** Attributes whose values have no markup. */
  private static final Set<String> PLAIN =
      Set.of(
          "href", "src", "class", "id", "name", "type", "rel", "lang", "align", "valign", "width",
          "height", "border", "colspan", "rowspan", "color", "face", "size", "bgcolor", "dir");

  private HtmlSource() {}

  /** A page; what is doubtful of its characters is told. */
  static Document of(byte[] bytes, Consumer<Finding> told) {
    TextEncoding read = decoded(bytes);
    read.doubt().ifPresent(told);
    String markup = read.text();
    String head = markup.substring(0, Math.min(HEAD, markup.length()));
    boolean xml = XHTML.matcher(head).find() && isWellFormed(markup);
    Document page = Jsoup.parse(xml ? asHtml(markup) : markup);
    shown(page);
    if (breaksOff(markup) || page.stream().anyMatch(HtmlSource::swallows)) {
      told.accept(
          Finding.general(
              Finding.Kind.FILE_DAMAGED, Finding.Severity.LOSS, WORDS.say("html-source.damaged")));
    }
    return page;
  }

  /** Whether a page ends within a tag or a comment, whose words no reader shows. */
  private static boolean breaksOff(String page) {
    String markup = SCRIPTS.matcher(page).replaceAll("");
    int comment = markup.lastIndexOf("<!--");
    int tag = markup.lastIndexOf('<');
    boolean inComment = comment >= 0 && markup.indexOf("-->", comment) < 0;
    boolean inTag =
        tag >= 0
            && markup.indexOf('>', tag) < 0
            && tag + 1 < markup.length()
            && (Character.isLetter(markup.charAt(tag + 1)) || markup.charAt(tag + 1) == '/');
    return inComment || inTag;
  }

  /** Whether an attribute has no end of its own, and holds what comes after it. */
  private static boolean swallows(Element e) {
    return e.attributes().asList().stream()
        .anyMatch(a -> PLAIN.contains(a.getKey()) && a.getValue().matches("(?s)(?!data:).*>.*<.*"));
  }

  /**
   * What old pages show letter by letter, and what they show where there are no frames, is text.
   */
  private static void shown(Document page) {
    for (Element e : page.select("xmp, plaintext, listing, noembed")) {
      for (DataNode data : e.dataNodes()) {
        data.replaceWith(new TextNode(data.getWholeData()));
      }
    }
  }

  private static TextEncoding decoded(byte[] bytes) {
    String head = new String(bytes, 0, Math.min(HEAD, bytes.length), StandardCharsets.ISO_8859_1);
    boolean marked = head.matches("(?s)(\u00FF\u00FE|\u00FE\u00FF|\u00EF\u00BB\u00BF).*");
    Matcher m = SAID.matcher(head);
    if (!marked && m.find()) {
      Optional<Charset> said = charset(m.group(1) != null ? m.group(1) : m.group(2));
      Optional<String> text = said.flatMap(c -> TextEncoding.exactly(bytes, c));
      if (text.isPresent()) {
        return new TextEncoding(text.get(), Optional.empty());
      }
      if (said.isPresent() && !said.get().equals(StandardCharsets.UTF_8)) {
        return new TextEncoding(new String(bytes, said.get()), Optional.empty());
      }
    }
    return TextEncoding.of(bytes);
  }

  private static Optional<Charset> charset(String name) {
    String wide = WIDER.getOrDefault(name.toLowerCase(Locale.ROOT), name);
    try {
      return Charset.isSupported(wide) ? Optional.of(Charset.forName(wide)) : Optional.empty();
    } catch (IllegalCharsetNameException e) {
      return Optional.empty();
    }
  }

  /** Whether a page can be read as XML; nothing that it names is fetched. */
  private static boolean isWellFormed(String markup) {
    try {
      SAXParserFactory factory = SAXParserFactory.newDefaultInstance();
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
      factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
      factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
      factory.newSAXParser().parse(new InputSource(new StringReader(markup)), new Quiet());
      return true;
    } catch (ParserConfigurationException | SAXException | IOException e) {
      return false; // read as other pages are, which forgive everything
    }
  }

  /** Fetches nothing, and says nothing of faults. */
  private static final class Quiet extends DefaultHandler {
    @Override
    public InputSource resolveEntity(String publicId, String systemId) {
      return new InputSource(new ByteArrayInputStream(new byte[0]));
    }
  }

  /**
   * The same page in HTML, in which an element that is closed where it opens would hold all that
   * comes after it.
   */
  private static String asHtml(String markup) {
    Document xml = Jsoup.parse(markup, Parser.xmlParser());
    for (Element e : xml.select("script, style")) {
      String data = e.wholeText();
      e.empty();
      if (e.normalName().equals("style")) {
        e.appendChild(new DataNode(data));
      }
    }
    for (CDataNode cdata : xml.nodeStream(CDataNode.class).toList()) {
      cdata.replaceWith(new TextNode(cdata.getWholeText()));
    }
    xml.outputSettings().syntax(Syntax.html).prettyPrint(false).charset(StandardCharsets.UTF_8);
    return xml.outerHtml();
  }
}
