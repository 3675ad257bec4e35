/**
 * DOC, the binary office documents of 1997 to 2003 ([MS-DOC]), taken in. What stands where in the
 * file is found by a library; what it means is said here.
 */
@org.jspecify.annotations.NullMarked
package decant.office.doc;
