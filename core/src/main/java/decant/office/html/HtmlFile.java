package decant.office.html;

import decant.clip.HtmlReader;
import decant.clip.HtmlWriter;
import decant.io.AtomicFile;
import decant.layout.label.ListLabels;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.edit.Fragment;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.office.emit.StorablePicture;
import decant.office.source.TextTaken;
import decant.reading.DocumentFindings;
import decant.reading.FontsUsed;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Takes HTML files in, and writes them. Nothing that a page names is fetched. */
final class HtmlFile {
  private static final Words WORDS = Words.of(HtmlFile.class);
  private static final long LARGEST = 50_000_000; // bytes of a page, or of a picture beside it

  private static final Set<String> SHOWN =
      Set.of("image/png", "image/jpeg", "image/gif", "image/bmp", "image/webp", "image/svg+xml");

  private HtmlFile() {}

  /** Takes a file in. @throws ReadProblem if it is too large, or cannot be read */
  static TakenIn read(ReadRequest request) throws ReadProblem {
    byte[] bytes;
    try {
      if (Files.size(request.file()) > LARGEST) {
        throw ReadProblem.tooLarge();
      }
      bytes = Files.readAllBytes(request.file());
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.UNREADABLE, WORDS.say("html-file.the-file-cannot-be-read"), e);
    }
    var findings = new ArrayList<Finding>();
    org.jsoup.nodes.Document page = HtmlSource.of(bytes, findings::add);
    request.checkpoint();
    Path folder = AtomicFile.folderOf(request.file());
    var left = new HtmlLeftOut(page);
    FilesBeside.styles(page, folder);
    left.generated(StyleRules.apply(page));
    left.hidden();
    int missing = FilesBeside.pictures(page, folder);
    var taken = new TextTaken();
    HtmlReader.Page read = HtmlReader.read(page.body(), styles(), taken::take);
    findings.addAll(left.findings(read, missing, taken));
    Fragment f = read.content();
    request.checkpoint();
    List<Block> blocks = new ArrayList<>(f.blocks());
    if (blocks.stream().noneMatch(b -> b instanceof Paragraph)) {
      blocks.add(Paragraph.of(Look.PLAIN, ""));
    }
    String language = page.select("html").attr("lang");
    Document d =
        Document.of(
            new Metadata(page.title(), "", meta(page, "author"), meta(page, "keywords"), language)
                .clean(),
            f.styles(),
            f.lists(),
            List.of(
                new Section(
                    NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, Map.of(), blocks)),
            f.stories(),
            f.media(),
            List.of());
    FontBook fonts = ReadingFonts.of(List.of());
    findings.addAll(DocumentFindings.of(d, fonts));
    return new TakenIn(
        d,
        findings,
        new TakenIn.Origin(
            HtmlFormat.ID, 0, Map.of(), FontsUsed.of(d, fonts), Map.of(), List.of()));
  }

  private static String meta(org.jsoup.nodes.Document page, String name) {
    return page.select("meta[name=" + name + "]").attr("content");
  }

  /** As browsers show what says nothing (HTML, §15.3): 16 pixels of a face with serifs. */
  private static StyleSheet styles() {
    return new StyleSheet(
        Look.PLAIN,
        Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 12.0),
        "",
        Map.of());
  }

  /** Pictures as browsers show them: others are drawn as pixels. */
  private static Map<MediaId, Media> shown(Document d) {
    var out = new LinkedHashMap<>(d.media());
    Walk.inlines(
        d,
        Part.ONCE,
        i -> {
          if (i instanceof Inline.Picture p && out.get(p.media()) instanceof Media m) {
            Media as = StorablePicture.of(m, p.width(), p.height(), HtmlFile::isShown);
            out.put(p.media(), as);
          }
        });
    return out;
  }

  /** The kinds that browsers show (WHATWG MIME Sniffing §6.1, and SVG). */
  private static boolean isShown(Media m) {
    boolean zipped = m.bytes().length > 1 && m.bytes()[0] == 0x1F && (m.bytes()[1] & 0xFF) == 0x8B;
    return !zipped && SHOWN.contains(m.type());
  }

  /** Writes a document. @throws IOException if the stream cannot be written */
  static void write(Document d, OutputStream out) throws IOException {
    var blocks = new ArrayList<Block>();
    d.sections().forEach(s -> blocks.addAll(s.blocks()));
    var all = new Fragment(blocks, d.stories(), shown(d), d.lists(), d.styles());
    String html = HtmlWriter.write(all, d.metadata(), ListLabels.of(d), ListLabels.numbers(d));
    out.write(html.getBytes(StandardCharsets.UTF_8));
  }
}
