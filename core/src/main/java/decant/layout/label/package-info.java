/**
 * What shows on pages without standing in the text: labels of lists and notes, values of fields;
 * and the styles in force.
 */
@org.jspecify.annotations.NullMarked
package decant.layout.label;
