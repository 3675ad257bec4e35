package decant.model;

/** What a file becomes when it is taken in: what can be revised and published. */
public sealed interface Content permits Document {}
