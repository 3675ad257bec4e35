package decant.office.odf.markup;

import decant.model.look.Kept;
import decant.office.xml.XmlParts;

/**
 * A chart, a formula or another object that a picture stands for (ODF 1.3 part 3, §10.4.6): parts
 * of the package that are kept, and the reference to them that goes back beside the picture.
 */
public final class KeptObject {
  private static final String FORMAT = "odt";

  private KeptObject() {}

  /**
   * @param element {@code draw:object}, {@code draw:object-ole}, or {@code draw:image} for a
   *     picture that nothing here can show
   */
  public static Kept kept(String element, String href) {
    return new Kept(
        FORMAT,
        "<"
            + element
            + " xlink:href=\""
            + XmlParts.escape(href)
            + "\" xlink:type=\"simple\" xlink:show=\"embed\" xlink:actuate=\"onLoad\"/>");
  }

  /** An object, and the picture of it that stands in for it (§10.4.6.2): in this order. */
  public static Kept both(Kept object, Kept picture) {
    return new Kept(FORMAT, object.source() + picture.source());
  }

  /** Whether something was kept of this format, so that it can be written as it is. */
  public static boolean is(Kept k) {
    return k.format().equals(FORMAT) && k.source().startsWith("<draw:");
  }
}
