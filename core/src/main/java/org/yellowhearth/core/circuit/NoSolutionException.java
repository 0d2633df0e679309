package org.yellowhearth.core.circuit;

/** The circuit was described well enough, but no solution was found. */
public final class NoSolutionException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  NoSolutionException(double seconds) {
    super("no voltages satisfy the circuit " + seconds + " s after the start");
  }

  public NoSolutionException(int iterations) {
    super("no steady state was found in " + iterations + " iterations");
  }
}
