package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Look;
import java.util.Optional;

/** What commands say of the looks of letters and paragraphs, and the tables that they name. */
final class RtfLooks {
  private static final int DEEPEST_HEADING = 9;

  final RtfFonts fonts = new RtfFonts();
  final RtfColours colours = new RtfColours();
  final RtfRules rules = new RtfRules(colours);
  private final RtfLetters letters = new RtfLetters(fonts, colours);
  private final RtfParagraphs paragraphs = new RtfParagraphs(colours, rules);

  /** Another paragraph is told of from here on. */
  void paragraphBegins() {
    paragraphs.begins();
  }

  /** What holds after a command, if it is about letters, paragraphs or the lines around them. */
  Optional<RtfState> after(RtfState state, Command c, int value, boolean hasValue) {
    Optional<RtfState.Letters> l = letters.after(state.letters(), c, value, hasValue);
    if (l.isPresent()) {
      return l.map(state::with);
    }
    RtfState.Place at = state.place();
    if (c == Command.outlinelevelN) {
      boolean heading = value >= 0 && value < DEEPEST_HEADING;
      return Optional.of(state.with(at.levelled(heading ? value + 1 : 0)));
    }
    Optional<Look> paragraph = paragraphs.after(at.look(), c, value, hasValue);
    return paragraph
        .or(() ->
            rules.takes(c, value) ? Optional.of(paragraphs.ruled(at.look())) : Optional.empty())
        .map(look -> state.with(at.with(look)));
  }
}
