/**
 * What is said to a person. The sentences of a package stand in its bundle, {@code
 * words.properties} among its resources, so that they can be read over, and translated, in one
 * place; {@link decant.words.Words} gives them with what they tell of, {@link decant.words.Figures}
 * writes numbers and sizes.
 */
@org.jspecify.annotations.NullMarked
package decant.words;
