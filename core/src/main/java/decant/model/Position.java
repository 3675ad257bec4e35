package decant.model;

/** A place in the text: between two places of a paragraph, wherever the paragraph is nested. */
public record Position(NodeId paragraph, int offset) {}
