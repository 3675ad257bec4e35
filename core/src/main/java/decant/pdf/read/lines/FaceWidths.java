package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** How wide the letters of each face are, by which typewriter faces are told. */
final class FaceWidths {
  /** What is known of one face; widths in ems. */
  static final class Known {
    private final SourceFace face;
    private double least = Double.MAX_VALUE;
    private double most;
    private int count;
    private final Set<String> letters = new HashSet<>();

    private Known(SourceFace face) {
      this.face = face;
    }

    SourceFace face() {
      return face;
    }

    double spread() {
      return most - least;
    }

    double widest() {
      return most;
    }

    /** How many letters there are. */
    int count() {
      return count;
    }

    /** How many of them differ. */
    int letters() {
      return letters.size();
    }
  }

  private final Map<SourceFace, Known> faces = new HashMap<>();

  /** That of the letter before: a face is asked for once for each run of its letters. */
  private @Nullable Known last;

  void take(Glyph g) {
    SourceFace face = g.ink().face();
    Known known = last;
    if (known == null || known.face != face) {
      known = faces.computeIfAbsent(face, Known::new);
      last = known;
    }
    double w = g.width() / g.size();
    known.least = Math.min(known.least, w);
    known.most = Math.max(known.most, w);
    known.count++;
    known.letters.add(g.text());
  }

  Collection<Known> all() {
    return faces.values();
  }
}
