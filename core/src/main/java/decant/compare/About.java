package decant.compare;

import decant.words.Words;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/** What about something differs that says the same. */
public enum About {
  FONT,
  SIZE,
  WEIGHT,
  SLANT,
  UNDERLINE,
  STRIKE,
  COLOUR,
  HIGHLIGHT,
  RAISE,
  LETTER_SPACING,
  ALIGNMENT,
  DIRECTION,
  INDENTS,
  SPACE,
  LINE_SPACING,
  TABS,
  BACKGROUND,
  RULES,
  HEADER_ROW,
  LABEL,
  OTHER_PICTURE,
  EXTENT,
  SHARPNESS,
  PLACE,
  CROP,
  TURN,
  DESCRIPTION,
  SHEET;

  private static final Words WORDS = Words.of(About.class);

  /** As people are told it. */
  public String label() {
    return WORDS.say(
        switch (this) {
          case FONT -> "about.font";
          case SIZE -> "about.size";
          case WEIGHT -> "about.weight";
          case SLANT -> "about.slant";
          case UNDERLINE -> "about.underline";
          case STRIKE -> "about.strike";
          case COLOUR -> "about.colour";
          case HIGHLIGHT -> "about.highlight";
          case RAISE -> "about.raise";
          case LETTER_SPACING -> "about.letter-spacing";
          case ALIGNMENT -> "about.alignment";
          case DIRECTION -> "about.direction";
          case INDENTS -> "about.indents";
          case SPACE -> "about.space";
          case LINE_SPACING -> "about.line-spacing";
          case TABS -> "about.tabs";
          case BACKGROUND -> "about.background";
          case RULES -> "about.rules";
          case HEADER_ROW -> "about.header-row";
          case LABEL -> "about.label";
          case OTHER_PICTURE -> "about.other-picture";
          case EXTENT -> "about.extent";
          case SHARPNESS -> "about.sharpness";
          case PLACE -> "about.place";
          case CROP -> "about.crop";
          case TURN -> "about.turn";
          case DESCRIPTION -> "about.description";
          case SHEET -> "about.sheet";
        });
  }

  /** Several, as people are told them. */
  public static String label(Collection<About> some) {
    return some.stream().sorted().map(About::label).collect(Collectors.joining(", "));
  }

  /** Collects what differs. */
  static final class Found {
    private final Set<About> all = EnumSet.noneOf(About.class);

    Found add(boolean same, About about) {
      if (!same) {
        all.add(about);
      }
      return this;
    }

    Set<About> all() {
      return all;
    }
  }
}
