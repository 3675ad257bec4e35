package decant.model.look;

import decant.model.Document;

/**
 * Names a picture in {@link Document#media}: the SHA-256 of its bytes, so that equal pictures are
 * stored once.
 */
public record MediaId(String sha256) {}
