package decant.publication;

import java.nio.file.Path;

/**
 * A page that goes out as a file has it: what paints it stays as it is.
 *
 * @param file a PDF, which is not written
 * @param password that opens it; empty if it needs none
 * @param index which of its pages, from 0
 */
public record KeptPage(Path file, String password, int index) {}
