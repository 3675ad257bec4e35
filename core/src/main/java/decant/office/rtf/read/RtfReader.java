package decant.office.rtf.read;

import com.rtfparserkit.parser.RtfStreamSource;
import com.rtfparserkit.parser.standard.StandardRtfParser;
import com.rtfparserkit.rtf.Command;
import com.rtfparserkit.rtf.CommandType;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.TextTraits;
import decant.office.rtf.read.RtfState.Goal;
import decant.picture.PictureSize;
import decant.picture.PixelPicture;
import java.awt.Dimension;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Goes through RTF (Rich Text Format 1.9.1): what groups hand on, where characters go, paragraphs
 * in their looks, tables, notes and pictures. What becomes of them is up to who asks for it.
 */
abstract class RtfReader extends RtfEvents {
  private static final int DEEPEST_LIST = 8; // depths are counted from nothing

  final RtfLooks looks = new RtfLooks();
  final RtfStyles told = new RtfStyles();
  final Deque<RtfState> groups = new ArrayDeque<>();
  RtfState state = RtfState.FIRST;
  RtfText text = RtfText.whole(looks.colours);
  final Map<NodeId, Story> stories = new LinkedHashMap<>();
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final Map<String, ListDefinition> lists = new LinkedHashMap<>();
  final StringBuilder label = new StringBuilder();
  private final StringBuilder instruction = new StringBuilder();
  private RtfPicture picture = new RtfPicture();

  void parse(String rtf) throws IOException {
    byte[] bytes = OptionalGroups.skipping(rtf).getBytes(StandardCharsets.ISO_8859_1);
    new StandardRtfParser().parse(new RtfStreamSource(new ByteArrayInputStream(bytes)), this);
    end();
  }

  private void end() {
    if (!text.open().isEmpty()) {
      paragraph();
    }
    text.leave(0);
  }

  @Override
  public void processBinaryBytes(byte[] data) {
    if (state.goal() == Goal.PICTURE) {
      picture.bytes(data);
    }
  }

  @Override
  public void processGroupStart() {
    groups.push(state);
    if (state.goal() == Goal.STYLES && told.isStyle(groups.size())) {
      told.begins();
      looks.paragraphBegins();
      state = state.bare();
    }
  }

  @Override
  public void processGroupEnd() {
    RtfState ended = state;
    boolean noteEnds = text.around().isPresent() && groups.size() == text.depth();
    if ((groups.size() == 1 || noteEnds) && !text.open().isEmpty()) {
      paragraph(); // the last one need not say that it ends
    }
    boolean styleEnds = ended.goal() == Goal.STYLES && told.isStyle(groups.size());
    groupEnds(groups.size());
    state = groups.isEmpty() ? RtfState.FIRST : groups.pop();
    if (noteEnds) {
      noted();
      return;
    }
    if (styleEnds) {
      told.ends(ended);
    }
    if (ended.goal() == Goal.LISTS) {
      listsEnd();
    }
    if (ended.goal() == state.goal()) {
      return;
    }
    switch (ended.goal()) {
      case INSTRUCTION -> linked();
      case PICTURE -> picture();
      case TEXT,
          FONTS,
          COLOURS,
          LABEL,
          STYLES,
          LISTS,
          AUTHORS,
          SAID,
          SHAPE,
          BLANK,
          ROW,
          SKIPPED -> {}
    }
  }

  /** What a field shows comes after what it is. */
  private void linked() {
    asks(instruction.toString());
    instruction.setLength(0);
  }

  void links(Link to) {
    state = state.with(state.letters().with(state.letters().look().with(TextTraits.LINK, to)));
  }

  @Override
  public void processString(String s) {
    switch (state.goal()) {
      case TEXT -> text(s);
      case FONTS -> looks.fonts.text(s);
      case COLOURS -> looks.colours.text(s);
      case LABEL -> label.append(s);
      case STYLES -> told.text(s);
      case LISTS, AUTHORS -> ofTable(s);
      case INSTRUCTION -> instruction.append(s);
      case PICTURE -> picture.digits(s);
      case SAID -> said(s);
      case SHAPE -> ofShape(s);
      case BLANK -> ofBlank(s);
      case ROW, SKIPPED -> {}
    }
  }

  private void text(String s) {
    String shown = s.replaceAll("[\\p{Cc}&&[^\\t\\n]]", "");
    if (state.letters().deleted().is() && !shown.isEmpty()) {
      takenOut(shown);
    } else if (state.dropped()) {
      dropped(shown);
    } else if (!shown.isEmpty() && (!state.letters().hidden() || takesHidden())) {
      text.open().add(new Inline.Text(shown, look()));
    }
  }

  /** The look of characters that come. */
  Look look() {
    return state.text();
  }

  @Override
  public void processCommand(Command c, int value, boolean hasValue, boolean optional) {
    if (goes(c, optional)) {
      return;
    }
    switch (state.goal()) {
      case FONTS -> looks.fonts.command(c, value);
      case COLOURS -> looks.colours.part(c, value);
      case LABEL -> {}
      case STYLES -> {
        if (!told.takes(c, value)) {
          ofLooks(c, value, hasValue);
        }
      }
      case LISTS -> listCommand(c, value, hasValue);
      case ROW -> inRow(c, value, hasValue);
      case PICTURE -> picture.command(c, value);
      case BLANK -> blank(c, value);
      case AUTHORS, INSTRUCTION, SAID, SHAPE, SKIPPED -> {}
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
          case stylesheet -> {
            told.opens(groups.size());
            yield Goal.STYLES;
          }
          case cs -> state.goal(); // a style of text comes in a group that may be skipped
          case nesttableprops -> Goal.ROW;
          case nonesttables -> Goal.SKIPPED;
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
      picture = new RtfPicture();
    }
    state = state.to(to);
    return other;
  }

  /** A command about letters, paragraphs or the lines around them. @return whether it is one */
  boolean ofLooks(Command c, int value, boolean hasValue) {
    Optional<RtfState> after = looks.after(state, c, value, hasValue);
    if (after.isEmpty()) {
      return false;
    }
    state = after.get();
    if (RtfRules.isOfLines(c)) {
      tableRuled();
    }
    return true;
  }

  private void tableRuled() {
    String side = looks.rules.side().map(Command::getCommandName).orElse("");
    if (side.startsWith("cl") || side.startsWith("tr")) {
      text.table(tableDepth()).ruled(looks.rules);
    } else if (side.startsWith("pg")) {
      pageRuled(looks.rules);
    }
  }

  /** How deep the table stands of which rows and cells are told. */
  private int tableDepth() {
    return state.goal() == Goal.ROW ? Math.max(2, state.place().table()) : 1;
  }

  /** A row of a table in a cell is told of where it ends. */
  private void inRow(Command c, int value, boolean hasValue) {
    if (c == Command.nestrow) {
      text.leave(tableDepth());
      text.table(tableDepth()).row();
    } else if (!text.table(tableDepth()).takes(c, value, hasValue) && looks.rules.takes(c, value)) {
      tableRuled();
    }
  }

  private void inText(Command c, int value, boolean hasValue) {
    if (ofLooks(c, value, hasValue) || text.table(1).takes(c, value, hasValue)) {
      return;
    }
    RtfState.Place at = state.place();
    switch (c) {
      case pard -> {
        state = state.with(RtfState.Place.BARE);
        looks.paragraphBegins();
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
      case ls -> state = state.with(at.listed(value, at.depth()));
      case ilvl -> state = state.with(at.listed(at.list(), Math.clamp(value, 0, DEEPEST_LIST)));
      case s -> state = state.with(at.styled(value));
      case cs -> told.textId(value).ifPresent(this::styled);
      case intbl -> state = state.with(at.inTable(Math.max(1, at.table())));
      case itap -> state = state.with(at.inTable(Math.max(0, value)));
      case cell -> cellEnds(1);
      case nestcell -> cellEnds(Math.max(2, at.table()));
      case row -> {
        text.leave(1);
        text.table(1).row();
      }
      case ftnalt -> text.isEndnote();
      case chftn -> text.counted();
      default -> other(c, value, hasValue);
    }
  }

  private void cellEnds(int deep) {
    state = state.with(state.place().inTable(deep));
    if (!text.open().isEmpty() || !text.endsWithTable(deep)) {
      paragraph(); // the end of a cell is that of its last paragraph
    }
    text.cell(deep);
  }

  void paragraph() {
    paragraphEnds(state.place(), List.copyOf(text.open()));
    label.setLength(0);
  }

  /** A note begins where its mark stands. */
  private void note() {
    text = text.note(groups.size());
    state = state.bare();
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

  private void picture() {
    byte[] bytes = picture.bytes();
    Optional<Dimension> pixels = PixelPicture.size(bytes);
    if (pixels.isEmpty() || picture.type().isEmpty() || !takesPictures()) {
      drawing(picture, bytes);
      return;
    }
    PictureSize shown = size(picture, pixels.get());
    shows(Media.of(picture.type(), bytes), shown.width(), shown.height());
  }

  /** A picture where it stands. */
  void shows(Media m, double width, double height) {
    media.put(m.id(), m);
    placed(picture.shown(m.id(), width, height, ofPicture()));
  }

  /** Where the characters of a group go that only a whole file has; empty if it is none of them. */
  Optional<Goal> ofFile(Command c) {
    return Optional.empty();
  }

  /** What a field asks for. */
  abstract void asks(String instruction);

  /** What the file says of itself. */
  void said(String s) {}

  /** Any other word in the text. */
  void other(Command c, int value, boolean hasValue) {}

  void sectionEnds() {}

  /** A paragraph ends. */
  abstract void paragraphEnds(RtfState.Place at, List<Inline> all);

  /** Text that comes is of a style of text. */
  void styled(String id) {}

  /** Text is left out that a change which is not accepted yet takes out. */
  void takenOut(String s) {}

  void dropped(String s) {}

  /** Whether text is taken that is not shown. */
  boolean takesHidden() {
    return false;
  }

  /** A line around pages. */
  void pageRuled(RtfRules said) {}

  /** A word in the tables of lists. */
  void listCommand(Command c, int value, boolean hasValue) {}

  /** Text in the tables of lists, or of those who made changes. */
  void ofTable(String s) {}

  /** A group in the tables of lists ends. */
  void listsEnd() {}

  /** Whether a text apart that ends is taken as what it is. */
  boolean ended(RtfText apart, Story story) {
    return false;
  }

  /** Whether a picture that ends here is shown. */
  boolean takesPictures() {
    return state.goal() == Goal.TEXT;
  }

  /** What was said of the picture that ends. */
  RtfPicture.Words ofPicture() {
    return RtfPicture.Words.NONE;
  }

  /** A picture where it stands. */
  void placed(Inline.Picture p) {
    text.open().add(p);
  }

  /** How large a picture is shown. */
  PictureSize size(RtfPicture p, Dimension pixels) {
    return PictureSize.of(pixels, p.width(), p.height());
  }

  /** Of what a shape says of itself. */
  void ofShape(String s) {}

  /** Of what a place to fill in says of itself. */
  void ofBlank(String s) {}

  /** A word about a place to fill in. */
  void blank(Command c, int value) {}

  /** A group ends that stands in so many. */
  void groupEnds(int groups) {}

  /** A picture that is none of pixels. */
  void drawing(RtfPicture p, byte[] bytes) {}
}
