/** Characters of symbol fonts, which office documents name by private codes. */
@org.jspecify.annotations.NullMarked
package decant.office.symbol;
