package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Colour;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The table of colours (Rich Text Format 1.9.1, “Color Table”). */
final class RtfColours {
  private static final int ALL =
      10_000; // a shade of all of its colour, in hundredths of a per cent

  private final List<Optional<Colour>> colours = new ArrayList<>();
  private int rgb;
  private boolean said;

  /** A command within the table. */
  void part(Command c, int value) {
    int v = Math.clamp(value, 0, 255);
    switch (c) {
      case red -> rgb |= v << 16;
      case green -> rgb |= v << 8;
      case blue -> rgb |= v;
      default -> {
        return;
      }
    }
    said = true;
  }

  /** Each semicolon ends a colour; one of which nothing was said is that of text anyway. */
  void text(String s) {
    for (int k = 0; k < s.length(); k++) {
      if (s.charAt(k) == ';') {
        colours.add(said ? Optional.of(new Colour(rgb)) : Optional.empty());
        rgb = 0;
        said = false;
      }
    }
  }

  /** A colour by its number; empty if that names none, or the one that text has anyway. */
  Optional<Colour> of(int number) {
    return number >= 0 && number < colours.size() ? colours.get(number) : Optional.empty();
  }

  /**
   * What a pattern of a front colour over a back colour looks like from afar.
   *
   * @param share how much of it is front, in hundredths of a per cent
   */
  Colour shade(int front, int back, int share) {
    Colour f = of(front).orElse(Colour.BLACK);
    Colour b = of(back).orElse(Colour.WHITE);
    double s = Math.clamp(share, 0, ALL) / (double) ALL;
    return new Colour(
        mixed(f.red(), b.red(), s) << 16
            | mixed(f.green(), b.green(), s) << 8
            | mixed(f.blue(), b.blue(), s));
  }

  private static int mixed(int front, int back, double share) {
    return (int) Math.round(front * share + back * (1 - share));
  }
}
