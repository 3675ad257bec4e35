package decant.model.look;

/** A font that a document brings along for its own text. */
public record EmbeddedFont(String family, boolean bold, boolean italic, Media file) {}
