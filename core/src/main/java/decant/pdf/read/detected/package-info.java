/** What was found on pages before it is part of a document, as values. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.detected;
