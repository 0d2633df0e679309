package org.yellowhearth.core.job;

/** An entry that does not fit the journal before it. */
public final class IllegalEditException extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final int entry;

  /**
   * @param why what does not fit, for the person who wrote the file
   * @param entry the number of the entry
   */
  public IllegalEditException(String why, int entry) {
    super(why);
    this.entry = entry;
  }

  public int entry() {
    return entry;
  }
}
