/** Pictures as a file holds them: passed on as they came, or stored by their kind. */
@org.jspecify.annotations.NullMarked
package decant.pdf.write.pictures;
