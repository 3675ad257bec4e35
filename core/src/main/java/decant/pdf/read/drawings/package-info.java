/** Shapes into charts, diagrams and other drawings, cut out as pictures. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.drawings;
