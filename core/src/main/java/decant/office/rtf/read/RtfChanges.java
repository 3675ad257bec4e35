package decant.office.rtf.read;

import decant.model.Inline;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.pending.Authors;
import decant.office.pending.Dttm;
import decant.office.pending.Pending;
import decant.office.rtf.read.RtfState.Change;
import decant.office.rtf.read.RtfState.Letters;
import java.util.ArrayList;
import java.util.List;

/** Changes that wait to be accepted (Rich Text Format 1.9.1, “Track Changes”). */
final class RtfChanges {
  private final List<String> authors = new ArrayList<>();
  private final StringBuilder name = new StringBuilder();
  private boolean any;

  /** Text of the table of authors, each of whom ends with a semicolon. */
  void author(String s) {
    for (int k = 0; k < s.length(); k++) {
      if (s.charAt(k) == ';') {
        authors.add(name.toString().strip());
        name.setLength(0);
      } else {
        name.append(s.charAt(k));
      }
    }
  }

  /** Whether anything was changed so. */
  boolean any() {
    return any;
  }

  private Pending pending(Pending.Kind kind, Change c, String text) {
    return new Pending(kind, Authors.name(authors, c.author()), Dttm.read(c.time()), text);
  }

  /** The look of letters, with the change that put them in. */
  Look of(Letters letters) {
    Look look = letters.inForce();
    if (!letters.putIn().is()) {
      return look;
    }
    any = true;
    Kept kept = pending(Pending.Kind.PUT_IN, letters.putIn(), "").kept();
    return look.with(TextTraits.KEPT, List.of(kept));
  }

  /** Text that was taken out is kept where it stood; more of the same change goes with it. */
  void takenOut(String s, Letters letters, List<Inline> open) {
    any = true;
    pending(Pending.Kind.TAKEN_AWAY, letters.deleted(), s).after(open, letters.inForce());
  }
}
