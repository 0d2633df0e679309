package org.yellowhearth.storage.store;

/**
 * The shop could not be opened, read or written; the message says why and what to do. Nothing was
 * changed.
 */
public class ShopException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public ShopException(String message) {
    super(message);
  }

  public ShopException(String message, Throwable cause) {
    super(message, cause);
  }
}
