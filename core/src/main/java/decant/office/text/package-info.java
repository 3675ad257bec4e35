/** Plain text: characters, line by line, with tables whose cells are told apart by tabs. */
@org.jspecify.annotations.NullMarked
package decant.office.text;
