package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Block;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a whole file says besides its text: headers and footers, sections, what the document says of
 * itself (Rich Text Format 1.9.1).
 */
final class RtfPages {
  private final RtfPaper paper = new RtfPaper();
  private final Map<Running, Story> running = new LinkedHashMap<>();
  private final List<Section> sections = new ArrayList<>();
  private final Map<Command, StringBuilder> said = new EnumMap<>(Command.class);
  private final List<String> bookmarks = new ArrayList<>();
  private int begun;
  private int missed;
  private boolean objects;
  private int comments;
  private @Nullable Command says;

  /** Which running text a group is; empty if it is none. */
  static Optional<Running> running(Command c) {
    return switch (c) {
      case header, headerr -> Optional.of(Running.HEADER);
      case headerl -> Optional.of(Running.HEADER_EVEN);
      case headerf -> Optional.of(Running.HEADER_FIRST);
      case footer, footerr -> Optional.of(Running.FOOTER);
      case footerl -> Optional.of(Running.FOOTER_EVEN);
      case footerf -> Optional.of(Running.FOOTER_FIRST);
      default -> Optional.empty();
    };
  }

  /** A header or footer ends. */
  void running(Running which, List<Block> blocks) {
    running.put(which, new Story(NodeId.fresh(), Story.Kind.RUNNING, blocks));
  }

  /** A comment ends, whose writer was told before. */
  Comment comment(List<Block> blocks) {
    var words = new ArrayList<String>();
    for (Block b : blocks) {
      if (b instanceof Paragraph p) {
        words.add(p.text().strip());
      }
    }
    return new Comment(
        "c" + ++comments, word(Command.atnauthor), "", String.join("\n", words).strip(), false);
  }

  /** What the document says of itself: a group for each thing. */
  void says(Command c) {
    says = c;
    said.remove(c);
  }

  void say(String s) {
    if (says == Command.bkmkstart) {
      bookmarks.add(s.strip());
    } else if (says != null) {
      said.computeIfAbsent(says, k -> new StringBuilder()).append(s);
    }
  }

  /** The names of the places that the paragraph which ends has. */
  List<String> bookmarks() {
    List<String> all = bookmarks.stream().distinct().toList();
    bookmarks.clear();
    return all;
  }

  /**
   * @param language of the text, as its usual style has it; empty if that says none
   */
  Metadata metadata(String language) {
    return new Metadata(
            word(Command.title),
            word(Command.subject),
            word(Command.author),
            word(Command.keywords),
            language.isEmpty() ? paper.language() : language)
        .clean();
  }

  private String word(Command c) {
    StringBuilder b = said.get(c);
    return b == null ? "" : b.toString();
  }

  RtfPaper paper() {
    return paper;
  }

  /** A section ends with what was read up to now. */
  void section(List<Block> all) {
    List<Block> own = new ArrayList<>(all.subList(Math.min(begun, all.size()), all.size()));
    begun = all.size();
    if (own.stream().noneMatch(b -> b instanceof Paragraph)) {
      own.add(Paragraph.of(Look.PLAIN, ""));
    }
    sections.add(new Section(NodeId.fresh(), paper.page(), paper.start(), used(), own));
  }

  private Map<Running, Story> used() {
    var out = new LinkedHashMap<>(running);
    if (!paper.ownFirst()) {
      out.remove(Running.HEADER_FIRST);
      out.remove(Running.FOOTER_FIRST);
    }
    if (!paper.facing()) {
      out.remove(Running.HEADER_EVEN);
      out.remove(Running.FOOTER_EVEN);
    }
    return out;
  }

  /** A picture could not be read. */
  void missing() {
    missed++;
  }

  /** Something of another program stands here. */
  void object() {
    objects = true;
  }

  boolean hasObjects() {
    return objects;
  }

  int missed() {
    return missed;
  }

  List<Section> sections() {
    return sections;
  }
}
