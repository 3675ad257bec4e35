package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.model.edit.Commands;
import decant.model.edit.Contents;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;

/** What can be done to whole paragraphs. */
final class ParagraphActions {
  private static final int LEVELS = 6;

  private ParagraphActions() {}

  static void register(Actions actions, Desk desk) {
    for (int level = 1; level <= LEVELS; level++) {
      int l = level;
      ReviseView.edit(
          actions,
          desk,
          "heading-" + level,
          "Shortcut+Alt+" + level,
          r -> Commands.setHeadingLevel(r, l));
    }
    ReviseView.edit(
        actions, desk, "no-heading", "Shortcut+Alt+0", r -> Commands.setHeadingLevel(r, 0));
    align(actions, desk, "align-start", "Shortcut+L", Alignment.START);
    align(actions, desk, "align-centre", "Shortcut+E", Alignment.CENTRE);
    align(actions, desk, "align-end", "Shortcut+R", Alignment.END);
    align(actions, desk, "align-justified", "Shortcut+J", Alignment.JUSTIFIED);
    ReviseView.edit(actions, desk, "contents", "Shortcut+Shift+T", Contents::renew);
  }

  private static void align(Actions actions, Desk desk, String id, String shortcut, Alignment a) {
    ReviseView.edit(
        actions,
        desk,
        id,
        shortcut,
        r -> Commands.setParagraph(r, id, ParagraphTraits.ALIGNMENT, a));
  }
}
