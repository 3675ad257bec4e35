/** The stage that answers: what did not carry over? */
@org.jspecify.annotations.NullMarked
package decant.desktop.takein;
