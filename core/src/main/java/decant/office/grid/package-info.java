/** Tables of formats whose rows each say by themselves where their cells begin and end. */
@org.jspecify.annotations.NullMarked
package decant.office.grid;
