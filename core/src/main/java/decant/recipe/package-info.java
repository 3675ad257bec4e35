/**
 * What is to be made of a document: recipes, their files and shelf, and what a recipe comes to for
 * one document: {@link decant.recipe.Plan}.
 */
@org.jspecify.annotations.NullMarked
package decant.recipe;
