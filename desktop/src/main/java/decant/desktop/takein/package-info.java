/**
 * The stage that answers: what did not carry over? {@link decant.desktop.takein.TakeInView} shows
 * the source beside the revision; {@link decant.desktop.takein.Mends} is what can be done to what
 * is picked there.
 */
@org.jspecify.annotations.NullMarked
package decant.desktop.takein;
