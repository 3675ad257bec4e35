package decant.office.docx.markup;

import decant.office.xml.XmlParts;
import java.util.Locale;

/** Text of an XML part while it is written. */
public final class Out {
  /** What an XML part begins with. */
  public static final String HEAD =
      "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n";

  /** English metric units, that drawings are measured in, to the point (§20.1.2.1). */
  public static final double EMU = 12_700;

  /** Small: most are the looks of one run; a long part doubles it a few times. */
  private final StringBuilder b = new StringBuilder(128);

  private static final String RUN_END = "</w:r>";
  private static final String TEXT_END = "</w:t>";
  private String runLooks = "";
  private int runEnd = -1;

  /** A length in English metric units. */
  public static String emu(double points) {
    return Long.toString(Math.round(points * EMU));
  }

  public Out raw(String xml) {
    b.append(xml);
    return this;
  }

  public Out text(String s) {
    b.append(XmlParts.escape(s));
    return this;
  }

  /** An empty element with attributes given as name, value, name, value. */
  public Out empty(String name, String... attributes) {
    b.append('<').append(name);
    for (int k = 0; k < attributes.length; k += 2) {
      b.append(' ')
          .append(attributes[k])
          .append("=\"")
          .append(XmlParts.escape(attributes[k + 1]))
          .append('"');
    }
    b.append("/>");
    return this;
  }

  /**
   * Ends a run of text.
   *
   * @param looks its properties, as they stand in it
   */
  public void endRun(String looks) {
    b.append(RUN_END);
    runLooks = looks;
    runEnd = b.length();
  }

  /** Begins text in a run, or goes on in that which stands there last. */
  public Out beginText() {
    int before = b.length() - TEXT_END.length();
    if (before >= 0 && b.indexOf(TEXT_END, before) == before) {
      b.setLength(before);
      return this;
    }
    return raw("<w:t xml:space=\"preserve\">");
  }

  /** Goes on in a run of text that has just ended, if its properties are these. */
  public boolean reopenRun(String looks) {
    boolean same = runEnd == b.length() && runLooks.equals(looks);
    if (same) {
      b.setLength(runEnd - RUN_END.length());
    }
    return same;
  }

  public static String twips(double points) {
    return Long.toString(Math.round(points * 20));
  }

  static String decimal(double v) {
    return String.format(Locale.ROOT, "%.2f", v);
  }

  public int length() {
    return b.length();
  }

  @Override
  public String toString() {
    return b.toString();
  }
}
