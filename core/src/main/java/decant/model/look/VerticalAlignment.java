package decant.model.look;

/** Where content stands in a box that is taller. */
public enum VerticalAlignment {
  TOP,
  CENTRE,
  BOTTOM
}
