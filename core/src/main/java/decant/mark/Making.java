package decant.mark;

import decant.model.look.Colour;
import decant.words.Words;
import java.util.List;

/** How a mark is made. */
public sealed interface Making {
  /**
   * The mark as it would be.
   *
   * @param colour of its ink; what a picture has keeps its own
   * @throws MarkProblem if there is nothing of it yet, or it cannot be
   */
  Mark in(Colour colour) throws MarkProblem;

  /**
   * By hand.
   *
   * @param pen how thick its line usually is, in pixels
   */
  record Drawn(List<List<Ink.Point>> strokes, double pen) implements Making {
    private static final Words WORDS = Words.of(Making.class);

    public Drawn {
      strokes = strokes.stream().map(List::copyOf).toList();
    }

    @Override
    public Mark in(Colour colour) throws MarkProblem {
      return Ink.drawn(strokes, colour, pen)
          .orElseThrow(() -> new MarkProblem(WORDS.say("making.nothing-drawn")));
    }
  }

  /** In a face that looks like handwriting. */
  record Typed(String text, ScriptFace face) implements Making {
    @Override
    public Mark in(Colour colour) throws MarkProblem {
      return face.typed(text, colour);
    }
  }

  /** Lines in a frame. */
  record Stamped(List<String> lines) implements Making {
    public Stamped {
      lines = List.copyOf(lines);
    }

    @Override
    public Mark in(Colour colour) throws MarkProblem {
      return Stamp.of(lines, colour);
    }
  }

  /** From a picture of ink on paper. */
  record Taken(Mark ink) implements Making {
    @Override
    public Mark in(Colour colour) {
      return ink;
    }
  }
}
