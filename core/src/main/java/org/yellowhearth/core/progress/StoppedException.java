package org.yellowhearth.core.progress;

/** A long computation was stopped by the one who asked for it. */
public final class StoppedException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public StoppedException() {
    super("the computation was stopped");
  }
}
