/**
 * What text, paragraphs, tables and shapes look like, and what hangs on text without being one:
 * sparse maps of typed traits, styles, lists, rules, places, links, form fields, comments.
 */
@org.jspecify.annotations.NullMarked
package decant.model.look;
