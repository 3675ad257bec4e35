/** The stage that answers: what differs? */
@org.jspecify.annotations.NullMarked
package decant.desktop.proof;
