package org.yellowhearth.storage.photo;

/**
 * A file that cannot be taken as a photograph; the message says why and what to do. Nothing was
 * kept of it.
 */
public final class BadPhotographException extends Exception {
  private static final long serialVersionUID = 1L;

  public BadPhotographException(String message) {
    super(message);
  }

  public BadPhotographException(String message, Throwable cause) {
    super(message, cause);
  }
}
