package decant.desktop.proof;

import decant.compare.Difference;

/**
 * A difference as it is listed.
 *
 * @param meant whether it was made in Revise, rather than having come by itself
 */
record Listed(Difference difference, boolean meant) {}
