/**
 * Packages of XML parts (ISO/IEC 29500-2): unpacking within limits, and XML as small trees with
 * standard prefixes.
 */
@org.jspecify.annotations.NullMarked
package decant.office.xml;
