package decant.office.doc;

import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Follow;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.hwpf.model.ListLevel;
import org.apache.poi.hwpf.model.ListTables;
import org.apache.poi.hwpf.sprm.ParagraphSprmUncompressor;
import org.apache.poi.hwpf.usermodel.HWPFList;
import org.apache.poi.hwpf.usermodel.ParagraphProperties;

/** Lists ([MS-DOC] 2.9.150 and 2.9.131): one for each override of formatting that items name. */
final class DocLists {
  private static final Words WORDS = Words.of(DocLists.class);
  private static final int LEVELS = 9;
  private static final int NONE = 0xF801; // the list that takes an item out of its list, §2.6.2

  private final Map<String, ListDefinition> lists = new LinkedHashMap<>();

  Map<String, ListDefinition> lists() {
    return lists;
  }

  /** The item that a paragraph is; empty if it is none. */
  Optional<ListMembership> item(ParagraphProperties p, DocShared shared, NodeId at) {
    ListTables tables = shared.file.getListTables();
    if (p.getIlfo() <= 0 || p.getIlfo() == NONE || tables == null) {
      return Optional.empty();
    }
    String id = "l" + p.getIlfo();
    if (!lists.containsKey(id)) {
      try {
        var from = new HWPFList(shared.file.getStyleSheet(), tables, p.getIlfo());
        lists.put(id, list(id, from, shared.looks));
      } catch (RuntimeException e) {
        shared.lost(
            "reading a list of a binary office document",
            e,
            Finding.Kind.CONTENT_LEFT_OUT,
            WORDS.say("doc-lists.a-list-is-not-in"),
            at);
        return Optional.empty();
      }
    }
    return Optional.of(new ListMembership(id, Math.clamp(p.getIlvl(), 0, LEVELS - 1)));
  }

  private static ListDefinition list(String id, HWPFList from, DocLooks looks) {
    var levels = new ArrayList<Level>();
    for (int k = 0; k < LEVELS; k++) {
      levels.add(level(from, k, looks));
    }
    return new ListDefinition(id, "a" + from.getLsid(), Set.of(), levels);
  }

  private static Level level(HWPFList from, int k, DocLooks looks) {
    char level = (char) k;
    String text;
    int format;
    int start;
    int follow;
    try {
      text = from.getNumberText(level);
      format = from.getNumberFormat(level);
      start = from.getStartAt(level);
      follow = from.getTypeOfCharFollowingTheNumber(level);
    } catch (RuntimeException e) {
      return new Level(NumberFormat.NONE, "", 1, Look.PLAIN, Look.PLAIN); // it has no such level
    }
    NumberFormat f = format(format);
    var pattern = new StringBuilder();
    for (char c : (text == null ? "" : text).toCharArray()) {
      if (c < LEVELS) {
        pattern.append('%').append(c + 1); // the number of that level stands here
      } else {
        pattern.append(f == NumberFormat.BULLET ? bullet(c) : String.valueOf(c));
      }
    }
    return new Level(
        f,
        pattern.toString(),
        start,
        indents(from, k, looks),
        Look.PLAIN,
        follow == 1 ? Follow.SPACE : follow == 2 ? Follow.NOTHING : Follow.TAB,
        ParagraphTraits.Alignment.START,
        ListDefinition.USUAL_RESTART,
        false);
  }

  /** What a level gives to its items: how far they stand in, and where their text begins. */
  private static Look indents(HWPFList from, int k, DocLooks looks) {
    ListLevel level = from.getListData() == null ? null : from.getListData().getLevel(k + 1);
    byte[] properties = level == null ? null : level.getGrpprlPapx();
    if (properties == null || properties.length == 0) {
      return Look.PLAIN;
    }
    Look said =
        looks.paragraph(
            ParagraphSprmUncompressor.uncompressPAP(new ParagraphProperties(), properties, 0));
    return Look.of(ParagraphTraits.INDENT_START, said.value(ParagraphTraits.INDENT_START))
        .with(ParagraphTraits.FIRST_LINE, said.value(ParagraphTraits.FIRST_LINE));
  }

  /** [MS-OSHARED] 2.2.1.3. */
  static NumberFormat format(int nfc) {
    return switch (nfc) {
      case 1 -> NumberFormat.UPPER_ROMAN;
      case 2 -> NumberFormat.LOWER_ROMAN;
      case 3 -> NumberFormat.UPPER_LETTER;
      case 4 -> NumberFormat.LOWER_LETTER;
      case 5 -> NumberFormat.ORDINAL;
      case 22 -> NumberFormat.TWO_DIGITS;
      case 23 -> NumberFormat.BULLET;
      case 0xFF -> NumberFormat.NONE;
      default -> NumberFormat.DECIMAL;
    };
  }

  /** Signs of symbol fonts stand under private codes. */
  private static String bullet(char c) {
    return switch (c) {
      case '\uF0A7' -> "▪";
      case '\uF0D8' -> "➢";
      case '\uF0FC' -> "✔";
      case '\uF0E0' -> "→";
      case 'o' -> "○";
      default -> Character.getType(c) == Character.PRIVATE_USE ? "•" : String.valueOf(c);
    };
  }
}
