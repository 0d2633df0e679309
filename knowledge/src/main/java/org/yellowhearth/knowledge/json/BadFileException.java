package org.yellowhearth.knowledge.json;

/**
 * A file that cannot be taken: what is wrong, where it stands, and what was expected. Nothing of it
 * has been taken.
 */
public final class BadFileException extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final int line;
  private final String pointer;

  /**
   * A problem at a place in a file.
   *
   * @param line line in the file, from 1; 0 where the file as a whole is meant
   * @param pointer JSON pointer of the value, empty for the whole file
   */
  public BadFileException(String problem, int line, String pointer) {
    super(place(line, pointer) + problem);
    this.line = line;
    this.pointer = pointer;
  }

  private static String place(int line, String pointer) {
    if (line <= 0) {
      return "";
    }
    return pointer.isEmpty() ? "line " + line + ": " : "line " + line + ", " + pointer + ": ";
  }

  public int line() {
    return line;
  }

  public String pointer() {
    return pointer;
  }
}
