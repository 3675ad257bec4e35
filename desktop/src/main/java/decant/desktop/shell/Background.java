package decant.desktop.shell;

import java.util.concurrent.atomic.AtomicBoolean;

/**
 * A piece of work in the background, as the foot bar shows it.
 *
 * @param share how much is done, from 0 to 1; negative if it is not known
 */
public record Background(String label, double share, AtomicBoolean cancelled) {}
