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
import decant.model.look.TextTraits;
import decant.office.emit.NumberCodes;
import decant.office.symbol.Symbols;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.poi.hwpf.model.LFO;
import org.apache.poi.hwpf.model.ListData;
import org.apache.poi.hwpf.model.ListFormatOverrideLevel;
import org.apache.poi.hwpf.model.ListLevel;
import org.apache.poi.hwpf.model.ListTables;
import org.apache.poi.hwpf.sprm.CharacterSprmUncompressor;
import org.apache.poi.hwpf.sprm.ParagraphSprmUncompressor;
import org.apache.poi.hwpf.usermodel.CharacterProperties;
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
        lists.put(id, list(id, tables, p.getIlfo(), shared));
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

  /** A list, with what its override says of its levels, and where it begins anew. */
  private static ListDefinition list(String id, ListTables tables, int number, DocShared shared) {
    LFO override = tables.getLfo(number);
    ListData data = tables.getListData(override.getLsid());
    ListLevel[] said = data.getLevels();
    var levels = new ArrayList<Level>();
    for (int k = 0; k < LEVELS; k++) {
      levels.add(
          k < said.length && said[k] != null
              ? level(said[k], shared)
              : new Level(NumberFormat.NONE, "", 1, Look.PLAIN, Look.PLAIN));
    }
    var restarts = new HashSet<Integer>();
    for (ListFormatOverrideLevel o : tables.getLfoData(number).getRgLfoLvl()) {
      int k = o.getLevelNum();
      if (o.isFormatting() && o.getLevel() != null && k < LEVELS) {
        levels.set(k, level(o.getLevel(), shared));
      }
      if (o.isStartAt() && k < LEVELS) {
        restarts.add(k);
        boolean own = o.isFormatting() && o.getLevel() != null;
        levels.set(k, own ? levels.get(k) : levels.get(k).from(Math.max(0, o.getIStartAt())));
      }
    }
    return new ListDefinition(id, "a" + override.getLsid(), restarts, levels);
  }

  private static Level level(ListLevel l, DocShared shared) {
    NumberFormat f = NumberCodes.format(l.getNumberFormat());
    Look label = label(l, shared);
    String family = label.value(TextTraits.FAMILY);
    var pattern = new StringBuilder();
    String text = l.getNumberText() == null ? "" : l.getNumberText();
    for (char c : text.toCharArray()) {
      if (c < LEVELS) {
        pattern.append('%').append(c + 1); // the number of that level stands here
      } else {
        pattern.append(f == NumberFormat.BULLET ? Symbols.bullet(c, family) : String.valueOf(c));
      }
    }
    int follow = l.getTypeOfCharFollowingTheNumber();
    return new Level(
        f,
        pattern.toString(),
        Math.max(0, l.getStartAt()),
        indents(l, shared.looks),
        Symbols.isSymbolFont(family) ? label.without(TextTraits.FAMILY) : label,
        follow == 1 ? Follow.SPACE : follow == 2 ? Follow.NOTHING : Follow.TAB,
        switch (l.getAlignment()) {
          case 1 -> ParagraphTraits.Alignment.CENTRE;
          case 2 -> ParagraphTraits.Alignment.END;
          default -> ParagraphTraits.Alignment.START;
        },
        l.getRestart() >= 0 ? l.getRestart() : ListDefinition.USUAL_RESTART,
        l.isLegalNumbering());
  }

  /** What a level says of how its labels look. */
  private static Look label(ListLevel l, DocShared shared) {
    byte[] said = l.getGrpprlChpx();
    if (said == null || said.length == 0) {
      return Look.PLAIN;
    }
    var nothing = new CharacterProperties();
    Look below = shared.looks.text(nothing).with(TextTraits.FAMILY, "");
    Look whole =
        shared.looks.text(
            CharacterSprmUncompressor.uncompressCHP(shared.file.getStyleSheet(), nothing, said, 0));
    boolean font = DocSprms.says(said, DocSprms.FONT);
    Look out = whole.differing(below, TextTraits.OF_LETTERS);
    return font ? out : out.without(TextTraits.FAMILY);
  }

  /** What a level gives to its items: how far they stand in, and where their text begins. */
  private static Look indents(ListLevel l, DocLooks looks) {
    byte[] properties = l.getGrpprlPapx();
    if (properties == null || properties.length == 0) {
      return Look.PLAIN;
    }
    Look said =
        looks.paragraph(
            ParagraphSprmUncompressor.uncompressPAP(new ParagraphProperties(), properties, 0));
    return Look.of(ParagraphTraits.INDENT_START, said.value(ParagraphTraits.INDENT_START))
        .with(ParagraphTraits.FIRST_LINE, said.value(ParagraphTraits.FIRST_LINE));
  }
}
