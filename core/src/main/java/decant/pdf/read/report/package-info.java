/** What did not carry over and what is in doubt, told by holding the document against the pages. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.report;
