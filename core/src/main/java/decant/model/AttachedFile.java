package decant.model;

/**
 * A file that a document carries along, whatever it is. The array is shared and must not be written
 * to.
 *
 * @param name its file name, without a folder
 * @param type media type, such as {@code text/csv}; empty if unknown
 * @param description in words; empty for none
 */
public record AttachedFile(String name, String type, String description, byte[] bytes) {}
