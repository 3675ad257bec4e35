/**
 * Drawings as forms of a PDF: lines and shapes stay such, gradients stay gradients, and what a form
 * cannot say is painted where it is.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.drawn;
