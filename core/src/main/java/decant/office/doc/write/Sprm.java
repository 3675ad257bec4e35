package decant.office.doc.write;

/** The numbers of single properties ([MS-DOC] 2.6), by what they are of. */
final class Sprm {
  private Sprm() {}

  // Characters, §2.6.1.
  static final int C_FIELD_DATA = 0x0806;
  static final int C_BOLD = 0x0835;
  static final int C_ITALIC = 0x0836;
  static final int C_STRIKE = 0x0837;
  static final int C_SMALL_CAPS = 0x083A;
  static final int C_CAPS = 0x083B;
  static final int C_VANISH = 0x083C;
  static final int C_SPECIAL = 0x0855;
  static final int C_RIGHT_TO_LEFT = 0x085A;
  static final int C_BOLD_COMPLEX = 0x085C;
  static final int C_ITALIC_COMPLEX = 0x085D;
  static final int C_UNDERLINE = 0x2A3E;
  static final int C_SUPER_SUB = 0x2A48;
  static final int C_DOUBLE_STRIKE = 0x2A53;
  static final int C_STYLE = 0x4A30;
  static final int C_SIZE = 0x4A43;
  static final int C_SHIFT = 0x4845;
  static final int C_KERNING = 0x484B;
  static final int C_FONT = 0x4A4F;
  static final int C_FONT_EAST_ASIAN = 0x4A50;
  static final int C_FONT_OTHER = 0x4A51;
  static final int C_FONT_COMPLEX = 0x4A5E;
  static final int C_SIZE_COMPLEX = 0x4A61;
  static final int C_LANGUAGE_COMPLEX = 0x485F;
  static final int C_LANGUAGE_80 = 0x486D;
  static final int C_LANGUAGE = 0x4873;
  static final int C_PICTURE = 0x6A03;
  static final int C_COLOUR = 0x6870;
  static final int C_SPACING = 0x8840;
  static final int C_SHADING = 0xCA71;

  // Paragraphs, §2.6.2.
  static final int P_ALIGNMENT_80 = 0x2403;
  static final int P_KEEP = 0x2405;
  static final int P_KEEP_WITH_NEXT = 0x2406;
  static final int P_PAGE_BREAK_BEFORE = 0x2407;
  static final int P_LEVEL = 0x260A;
  static final int P_LIST = 0x460B;
  static final int P_TABS = 0xC60D;
  static final int P_RIGHT_80 = 0x840E;
  static final int P_LEFT_80 = 0x840F;
  static final int P_FIRST_LINE_80 = 0x8411;
  static final int P_LINE_PITCH = 0x6412;
  static final int P_SPACE_BEFORE = 0xA413;
  static final int P_SPACE_AFTER = 0xA414;
  static final int P_IN_TABLE = 0x2416;
  static final int P_ROW_END = 0x2417;
  static final int P_ACROSS = 0x8418;
  static final int P_DOWN = 0x8419;
  static final int P_WIDTH = 0x841A;
  static final int P_ORIGINS = 0x261B;
  static final int P_WRAP = 0x2423;
  static final int P_NO_HYPHENATION = 0x242A;
  static final int P_HEIGHT = 0x442B;
  static final int P_DISTANCE_DOWN = 0x842E;
  static final int P_DISTANCE_ACROSS = 0x842F;
  static final int P_WIDOW_CONTROL = 0x2431;
  static final int P_RIGHT_TO_LEFT = 0x2441;
  static final int P_SNAP_TO_GRID = 0x2447;
  static final int P_INNER_CELL_END = 0x244B;
  static final int P_INNER_ROW_END = 0x244C;
  static final int P_AUTO_BEFORE = 0x245B;
  static final int P_AUTO_AFTER = 0x245C;
  static final int P_RIGHT = 0x845D;
  static final int P_LEFT = 0x845E;
  static final int P_FIRST_LINE = 0x8460;
  static final int P_ALIGNMENT = 0x2461;
  static final int P_CONTEXTUAL = 0x246D;
  static final int P_OUTLINE_LEVEL = 0x2640;
  static final int P_HUGE = 0x6646;
  static final int P_DEPTH = 0x6649;
  static final int P_SHADING = 0xC64D;
  static final int[] P_RULES = {0xC64E, 0xC64F, 0xC650, 0xC651, 0xC652};
  static final int[] P_RULES_80 = {0x6424, 0x6425, 0x6426, 0x6427, 0x6428};

  // Sections, §2.6.4.
  static final int S_COLUMNS_EQUAL = 0x3005;
  static final int S_START = 0x3009;
  static final int S_FIRST_PAGE = 0x300A;
  static final int S_COLUMNS = 0x500B;
  static final int S_COLUMN_GAP = 0x900C;
  static final int S_NUMBER_FORMAT = 0x300E;
  static final int S_NUMBER_RESTART = 0x3011;
  static final int S_NUMBER_START = 0x501C;
  static final int S_COLUMN_RULE = 0x3019;
  static final int S_VERTICAL = 0x301A;
  static final int S_ORIENTATION = 0x301D;
  static final int S_HEADER = 0xB017;
  static final int S_FOOTER = 0xB018;
  static final int S_WIDTH = 0xB01F;
  static final int S_HEIGHT = 0xB020;
  static final int S_LEFT = 0xB021;
  static final int S_RIGHT = 0xB022;
  static final int S_TOP = 0x9023;
  static final int S_BOTTOM = 0x9024;
  static final int S_LINE_PITCH = 0x9031;
  static final int S_GRID = 0x5032;
  static final int S_COLUMN_WIDTH = 0xF203;
  static final int S_COLUMN_SPACING = 0xF204;
  static final int S_BORDER_OPTIONS = 0x522F;
  static final int[] S_RULES_80 = {0x702B, 0x702C, 0x702D, 0x702E};
  static final int[] S_RULES = {0xD234, 0xD235, 0xD236, 0xD237};

  // Tables, §2.6.3.
  static final int T_ALIGNMENT_90 = 0x5400;
  static final int T_HEADER = 0x3404;
  static final int T_KEEP_TOGETHER = 0x3466;
  static final int T_KEEP_TOGETHER_90 = 0x3403;
  static final int T_HEIGHT = 0x9407;
  static final int T_DEFINITION = 0xD608;
  static final int T_GAP = 0x9602;
  static final int T_AUTOFIT = 0x3615;
  static final int T_PADDING = 0xD634;
  static final int T_SHADING = 0xD612;
  static final int T_SHADING_SECOND = 0xD616;
  static final int T_SHADING_THIRD = 0xD60C;
  static final int T_SHADING_80 = 0xD609;
  static final int T_RIGHT_TO_LEFT = 0x560B;
  static final int T_ALIGNMENT = 0x548A;
  static final int[] T_RULE_COLOURS = {0xD61A, 0xD61B, 0xD61C, 0xD61D};
  static final int T_ORIGINS = 0x360D;
  static final int T_ACROSS = 0x940E;
  static final int T_DOWN = 0x940F;
  static final int T_DISTANCE_LEFT = 0x9410;
  static final int T_DISTANCE_TOP = 0x9411;
  static final int T_DISTANCE_RIGHT = 0x941E;
  static final int T_DISTANCE_BOTTOM = 0x941F;
}
