/** PDF as one of the formats of the program; what reads and writes it is in the packages below. */
@org.jspecify.annotations.NullMarked
package decant.pdf;
