/**
 * Pictures: those of pixels, decoded within limits, and those that are drawings: metafiles (EMF and
 * WMF, [MS-EMF] and [MS-WMF]) and SVG, drawn as lines and areas onto whatever takes them, a picture
 * or a page of a PDF. {@link decant.picture.VectorPicture} is safe for use by several threads;
 * nothing is fetched from outside. {@link decant.picture.StandInFonts} shows text of PDFs that do
 * not bring their fonts.
 */
@org.jspecify.annotations.NullMarked
package decant.picture;
