package decant.pdf.read.page;

import decant.model.Box;
import decant.model.look.Media;

/**
 * A picture on a page.
 *
 * @param alt what stands in words on it, or for it; empty if nothing does
 */
public record Placed(Media media, Box box, int content, String alt) {}
