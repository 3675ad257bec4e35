package decant.model;

import decant.model.look.Kept;

/**
 * A block not understood, kept in its place and written back by the writer of the format it came
 * from.
 */
public record KeptBlock(NodeId id, Kept kept) implements Block {}
