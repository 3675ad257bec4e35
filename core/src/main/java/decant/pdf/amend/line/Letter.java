package decant.pdf.amend.line;

/** One code that is shown. Told apart by what it is, not by what it is like. */
public final class Letter {
  public final Show show;

  /** Which of the operator's strings, and which of its bytes. */
  public final int piece;

  public final int from;
  public final int to;

  /** What it says; empty where another letter says it too. */
  public String text;

  /** Where it begins, in the text space of its operator, and how far it moves on. */
  public final double start;

  public final double advance;

  /** Its own width in text space, without spacing. */
  public final double width;

  /** Along the line from the page's origin, in points; and across it. */
  public final double u;

  public final double v;

  Letter(
      Show show,
      int piece,
      int from,
      int to,
      String text,
      double start,
      double advance,
      double width) {
    this.show = show;
    this.piece = piece;
    this.from = from;
    this.to = to;
    this.text = text;
    this.start = start;
    this.advance = advance;
    this.width = width;
    double x = show.space.x(start, show.state.rise());
    double y = show.space.y(start, show.state.rise());
    double cos = Math.cos(show.angle());
    double sin = Math.sin(show.angle());
    this.u = x * cos + y * sin;
    this.v = y * cos - x * sin;
  }

  /** Where it ends along the line, spacing apart. */
  public double right() {
    return u + Math.abs(width) * show.scale();
  }

  public boolean isSpace() {
    if (text.length() == 1 && text.charAt(0) > ' ' && text.charAt(0) < 0x7F) {
      return false; // as most are
    }
    return text.isBlank() && !text.isEmpty();
  }
}
