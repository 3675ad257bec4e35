/**
 * Measurements at scale: {@code scripts/bench.sh}. Figures depend on the machine; compare them side
 * by side only.
 */
@org.jspecify.annotations.NullMarked
package decant.bench;
