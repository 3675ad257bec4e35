package decant.model.look;

import decant.model.Document;

/**
 * That a paragraph is an item of a list.
 *
 * @param list the id of a {@link ListDefinition} in {@link Document#lists}
 * @param depth 0 for the outermost level, at most 8
 */
public record ListMembership(String list, int depth) {}
