package decant.office.docx.weave;

/**
 * A part by its name in each of the three packages.
 *
 * @param source in the package that the document came in
 * @param before in the package as we write what was taken in
 * @param after in the package as we write the document now
 */
record Place(String source, String before, String after) {}
