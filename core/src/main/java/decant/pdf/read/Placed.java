package decant.pdf.read;

import decant.model.Box;
import decant.model.Media;

/** A picture on a page. */
record Placed(Media media, Box box, int content) {}
