/** The stage that answers: what is selected and what is it like? */
@org.jspecify.annotations.NullMarked
package decant.desktop.revise;
