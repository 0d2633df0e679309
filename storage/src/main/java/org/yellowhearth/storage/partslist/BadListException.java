package org.yellowhearth.storage.partslist;

/** A list of parts that cannot be read, with its line. */
public final class BadListException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** Trouble in a line; in none where the line is 0. */
  public BadListException(long line, String problem) {
    super(line > 0 ? "Line " + line + ": " + problem : "The list: " + problem);
  }
}
