/**
 * OpenDocument text (ODF 1.3, ISO/IEC 26300). {@link decant.office.odf.OdtReader} takes a file in,
 * {@link decant.office.odf.write.OdtWriter} writes one.
 */
@org.jspecify.annotations.NullMarked
package decant.office.odf;
