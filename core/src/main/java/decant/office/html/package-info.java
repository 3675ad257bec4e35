/** HTML pages as documents: one file, its pictures inside it or beside it. */
@org.jspecify.annotations.NullMarked
package decant.office.html;
