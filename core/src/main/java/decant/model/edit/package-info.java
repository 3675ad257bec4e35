/**
 * Changes to documents as values. A {@link decant.model.edit.Step} turns one document into the
 * next, knows its inverse and maps positions; an {@link decant.model.edit.Edit} is a named list of
 * them; {@link decant.model.edit.Revision} is a document being revised, with its selection and
 * {@link decant.model.edit.History}; {@link decant.model.edit.Commands} makes the edits that keys
 * and buttons ask for, {@link decant.model.edit.StructureEdits} those that put right what a reader
 * took for something else. Nothing here changes in place.
 */
@org.jspecify.annotations.NullMarked
package decant.model.edit;
