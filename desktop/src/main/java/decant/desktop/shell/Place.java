package decant.desktop.shell;

import java.util.Optional;

/**
 * What the window shows.
 *
 * @param work the document in sight; it stays so while the tray is looked at
 */
public record Place(Optional<Work> work, StageName stage) {}
