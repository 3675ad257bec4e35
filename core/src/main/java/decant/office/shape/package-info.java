/** Drawn shapes as binary office documents and RTF have them ([MS-ODRAW]). */
@org.jspecify.annotations.NullMarked
package decant.office.shape;
