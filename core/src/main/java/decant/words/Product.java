package decant.words;

/** What this program is. */
public final class Product {
  public static final String NAME = "Decant";
  public static final String VERSION = "0.1.0";

  private Product() {}
}
