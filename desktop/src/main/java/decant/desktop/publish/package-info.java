/** The stage that answers: what will come out, and how large? */
@org.jspecify.annotations.NullMarked
package decant.desktop.publish;
