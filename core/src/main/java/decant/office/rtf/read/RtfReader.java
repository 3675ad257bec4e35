package decant.office.rtf.read;

import com.rtfparserkit.parser.IRtfListener;
import com.rtfparserkit.parser.RtfStreamSource;
import com.rtfparserkit.parser.standard.StandardRtfParser;
import com.rtfparserkit.rtf.Command;
import com.rtfparserkit.rtf.CommandType;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.edit.Fragment;
import decant.model.edit.HeadingStyles;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.field.FieldInstruction;
import decant.office.rtf.read.RtfState.Goal;
import decant.picture.PictureSize;
import decant.picture.PixelPicture;
import decant.work.Faults;
import java.awt.Dimension;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * RTF (Rich Text Format 1.9.1), as paragraphs, lists, tables, notes and pictures in looks. Of what
 * another program put on the clipboard, shapes and headers are left out; of a file nothing that
 * anybody sees.
 */
public class RtfReader implements IRtfListener {
  /** Characters that are read; more is no clipboard. */
  private static final int LONGEST = 50_000_000;

  private static final int DEEPEST_LIST = 8;
  private static final double TWIP = 1 / 20.0;

  private static final Pattern ADDRESS =
      Pattern.compile("HYPERLINK\\s+\"?((?:https?|mailto|tel|ftp):[^\"\\s]+)\"?");

  private static final Pattern HEADING = Pattern.compile("(?i)heading ([1-9])");

  final RtfLooks looks = new RtfLooks();

  /** The heading levels of styles, by the styles' numbers. */
  private final Map<Integer, Integer> levels = new HashMap<>();

  private int style;
  final Deque<RtfState> groups = new ArrayDeque<>();
  RtfState state = RtfState.FIRST;
  RtfText text = RtfText.whole();
  final Map<NodeId, Story> stories = new LinkedHashMap<>();
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final Map<String, ListDefinition> lists = new LinkedHashMap<>();
  final StringBuilder label = new StringBuilder();
  private final StringBuilder instruction = new StringBuilder();
  private final StringBuilder hex = new StringBuilder();
  private String pictureType = "";
  double pictureWidth;
  double pictureHeight;
  StyleSheet styles;

  RtfReader(StyleSheet styles) {
    this.styles = styles;
  }

  void parse(String rtf) throws IOException {
    byte[] bytes = OptionalGroups.skipping(rtf).getBytes(StandardCharsets.ISO_8859_1);
    new StandardRtfParser().parse(new RtfStreamSource(new ByteArrayInputStream(bytes)), this);
    end();
  }

  /**
   * What is read; empty if it is no RTF, or not whole: its text is on the clipboard too, then.
   *
   * @param styles those of the document that it goes into, by which headings are named
   */
  public static Fragment read(String rtf, StyleSheet styles) {
    var r = new RtfReader(styles);
    boolean readable = rtf.stripLeading().startsWith("{\\rtf") && rtf.length() <= LONGEST;
    if (readable) {
      try {
        r.parse(rtf);
      } catch (IOException | RuntimeException e) {
        Faults.mended("reading RTF from the clipboard", e);
        r = new RtfReader(styles);
      }
    }
    return new Fragment(r.text.blocks(), r.stories, r.media, r.lists, r.styles);
  }

  private void end() {
    if (!text.open().isEmpty()) {
      paragraph();
    }
    text.leaveTable();
  }

  @Override
  public void processDocumentStart() {}

  @Override
  public void processDocumentEnd() {}

  @Override
  public void processCharacterBytes(byte[] data) {}

  @Override
  public void processBinaryBytes(byte[] data) {
    if (state.goal() == Goal.PICTURE) {
      hex.setLength(0);
      hex.append(HexFormat.of().formatHex(data));
    }
  }

  @Override
  public void processGroupStart() {
    groups.push(state);
  }

  @Override
  public void processGroupEnd() {
    RtfState ended = state;
    boolean noteEnds = text.around().isPresent() && groups.size() == text.depth();
    if ((groups.size() == 1 || noteEnds) && !text.open().isEmpty()) {
      paragraph(); // the last one need not say that it ends
    }
    state = groups.isEmpty() ? RtfState.FIRST : groups.pop();
    if (noteEnds) {
      noted();
      return;
    }
    if (ended.goal() == state.goal()) {
      return;
    }
    switch (ended.goal()) {
      case INSTRUCTION -> linked();
      case PICTURE -> picture();
      case TEXT, FONTS, COLOURS, LABEL, STYLES, SAID, SKIPPED -> {}
    }
  }

  /** What a field shows comes after what it is. */
  private void linked() {
    Matcher m = ADDRESS.matcher(instruction);
    if (m.find()) {
      state = state.withText(state.text().with(TextTraits.LINK, new Link.External(m.group(1))));
    } else {
      value(new FieldInstruction(instruction.toString()));
    }
    instruction.setLength(0);
  }

  @Override
  public void processString(String s) {
    switch (state.goal()) {
      case TEXT -> text(s);
      case FONTS -> looks.fonts(s);
      case COLOURS -> looks.colours(s);
      case LABEL -> label.append(s);
      case STYLES -> {
        Matcher m = HEADING.matcher(s);
        if (m.lookingAt()) {
          levels.put(style, Integer.parseInt(m.group(1)));
        }
      }
      case INSTRUCTION -> instruction.append(s);
      case PICTURE -> hex.append(s);
      case SAID -> said(s);
      case SKIPPED -> {}
    }
  }

  private void text(String s) {
    String shown = s.replaceAll("[\\p{Cc}&&[^\\t\\n]]", "");
    if (!shown.isEmpty() && !state.hidden()) {
      text.open().add(new Inline.Text(shown, state.text()));
    }
  }

  @Override
  public void processCommand(Command c, int value, boolean hasValue, boolean optional) {
    if (goes(c, optional)) {
      return;
    }
    switch (state.goal()) {
      case FONTS -> {
        if (c == Command.f) {
          looks.font(value);
        }
      }
      case COLOURS -> {
        if (c == Command.red || c == Command.green || c == Command.blue) {
          looks.colour(c, value);
        }
      }
      case LABEL -> {}
      case STYLES -> {
        if (c == Command.s) {
          style = value;
        } else if (c == Command.outlinelevelN && value < 9) {
          levels.put(style, value + 1);
        }
      }
      case PICTURE -> size(c, value);
      case INSTRUCTION, SAID, SKIPPED -> {}
      case TEXT -> inText(c, value, hasValue);
    }
  }

  /** Whether a command says where the characters of its group go. */
  private boolean goes(Command c, boolean optional) {
    if (state.goal() == Goal.SKIPPED) {
      return true;
    }
    Goal to =
        switch (c) {
          case fonttbl -> Goal.FONTS;
          case colortbl -> Goal.COLOURS;
          case listtext, pntext -> Goal.LABEL;
          case fldinst -> Goal.INSTRUCTION;
          case stylesheet -> Goal.STYLES;
          case pict -> Goal.PICTURE;
          case rtf, field, fldrslt, shppict -> state.goal();
          case footnote -> {
            note();
            yield Goal.TEXT;
          }
          default ->
              ofFile(c)
                  .orElse(
                      optional || c.getCommandType() == CommandType.Destination
                          ? Goal.SKIPPED
                          : state.goal());
        };
    boolean other = to != state.goal();
    if (other && to == Goal.LABEL) {
      label.setLength(0);
    }
    if (other && to == Goal.PICTURE) {
      hex.setLength(0);
      pictureType = "";
      pictureWidth = 0;
      pictureHeight = 0;
    }
    state = state.to(to);
    return other;
  }

  private void inText(Command c, int value, boolean hasValue) {
    Optional<Look> ofText = looks.text(state.text(), c, value, hasValue);
    if (ofText.isPresent()) {
      state = state.withText(ofText.get());
      return;
    }
    Optional<Look> paragraph = RtfLooks.paragraph(state.paragraph(), c, value);
    if (paragraph.isPresent()) {
      state = state.withParagraph(paragraph.get());
      return;
    }
    switch (c) {
      case pard -> {
        state = state.bareParagraph();
        label.setLength(0);
      }
      case par -> paragraph();
      case sect -> {
        paragraph();
        sectionEnds();
      }
      case line, softline -> text("\n");
      case tab -> text("\t");
      case nonbreakingspace -> text("\u00A0");
      case nonbreakinghyphen -> text("\u2011");
      case optionalhyphen -> text("\u00AD");
      case ls -> state = state.withList(value, state.depth());
      case ilvl -> state = state.withList(state.list(), Math.clamp(value, 0, DEEPEST_LIST));
      case outlinelevelN -> state = state.withLevel(value < 6 ? value + 1 : 0);
      case s -> state = state.withLevel(levels.getOrDefault(value, 0));
      case v, deleted -> state = state.hiding(!hasValue || value != 0);
      case intbl -> state = state.inTable(true);
      case trowd -> text.table().defines();
      case trhdr -> text.table().isHead();
      case clmrg -> text.table().withLeft();
      case clvmrg -> text.table().withAbove();
      case cellx -> text.table().cellKnown();
      case cell -> {
        state = state.inTable(true);
        if (!text.open().isEmpty() || !text.isInCell()) {
          paragraph();
        }
        text.cell();
      }
      case row -> text.table().row();
      case ftnalt -> text.isEndnote();
      case chftn -> text.counted();
      default -> other(c, value);
    }
  }

  void paragraph() {
    Look look = state.paragraph();
    List<Inline> inlines = List.copyOf(text.open());
    if (isWhole(look, inlines)) {
      return;
    }
    if (state.level() > 0) {
      styles = HeadingStyles.ensure(styles, state.level());
      look =
          Look.of(ParagraphTraits.STYLE, HeadingStyles.id(styles, state.level()))
              .with(ParagraphTraits.ALIGNMENT, look.value(ParagraphTraits.ALIGNMENT));
      inlines = inlines.stream().map(RtfLooks::inHeading).toList();
    } else if (state.list() > 0 || !label.isEmpty()) {
      look =
          look.without(ParagraphTraits.INDENT_START)
              .without(ParagraphTraits.FIRST_LINE)
              .with(ParagraphTraits.LIST, new ListMembership(list(), state.depth()));
    }
    label.setLength(0);
    text.paragraph(new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines), state.inTable());
  }

  /** A note begins where its mark stands. */
  private void note() {
    text = text.note(groups.size());
    state = state.bareParagraph().withText(Look.PLAIN);
    label.setLength(0);
  }

  /** A note ends: its mark stands in the text around it. */
  private void noted() {
    RtfText note = text;
    text = note.around().orElseThrow();
    Story story = note.story();
    if (ended(note, story)) {
      return;
    }
    if (!story.blocks().isEmpty()) {
      stories.put(story.id(), story);
      text.open().add(new Inline.NoteMark(story.id(), Look.PLAIN));
    }
  }

  /** The list that the paragraph is an item of: known by its number, marked as its first item. */
  private String list() {
    String id = "rtf-pasted-" + state.list();
    String mark = label.toString().strip();
    boolean sayable = mark.matches("[(]?(?:\\d{1,3}|[A-Za-z]|[ivxIVX]{1,6})[.)]?");
    lists.computeIfAbsent(
        id, k -> ListDefinition.marked(k, sayable ? mark : mark.isEmpty() ? "1." : "•"));
    return id;
  }

  private void size(Command c, int value) {
    switch (c) {
      case pngblip -> pictureType = "image/png";
      case jpegblip -> pictureType = "image/jpeg";
      case emfblip -> pictureType = "image/x-emf";
      case wmetafile -> pictureType = "image/x-wmf";
      case picwgoal -> pictureWidth = value * TWIP;
      case pichgoal -> pictureHeight = value * TWIP;
      default -> {}
    }
  }

  private static Optional<Double> said(double points) {
    return points > 0 ? Optional.of(points) : Optional.empty();
  }

  private void picture() {
    String digits = hex.toString().replaceAll("[^0-9A-Fa-f]", "");
    hex.setLength(0);
    byte[] bytes = HexFormat.of().parseHex(digits, 0, digits.length() / 2 * 2);
    Optional<Dimension> pixels = PixelPicture.size(bytes);
    if (pixels.isEmpty() || pictureType.isEmpty() || !takesPictures()) {
      drawing(pictureType, bytes);
      return;
    }
    Media one = Media.of(pictureType, bytes);
    media.put(one.id(), one);
    var shown = PictureSize.of(pixels.get(), said(pictureWidth), said(pictureHeight));
    text.open()
        .add(placed(new Inline.Picture(one.id(), shown.width(), shown.height(), "", Look.PLAIN)));
  }

  /** Where the characters of a group go that only a whole file has; empty if it is none of them. */
  Optional<Goal> ofFile(Command c) {
    return Optional.empty();
  }

  /** What a field asks for that is no link to an address. */
  void value(FieldInstruction told) {}

  /** What the file says of itself. */
  void said(String s) {}

  /** Any other word in the text. */
  void other(Command c, int value) {}

  void sectionEnds() {}

  /** Whether a paragraph that ends is taken as it is. */
  boolean isWhole(Look own, List<Inline> all) {
    return false;
  }

  /** Whether a text apart that ends is taken as what it is. */
  boolean ended(RtfText apart, Story story) {
    return false;
  }

  /** Whether a picture that ends here is shown. */
  boolean takesPictures() {
    return state.goal() == Goal.TEXT;
  }

  /** A picture where it stands. */
  Inline placed(Inline.Picture p) {
    return p;
  }

  /** A picture that is none of pixels. */
  void drawing(String type, byte[] bytes) {}
}
