package org.yellowhearth.core.progress;

/** Whether a long computation is to go on, asked again and again with the share that is done. */
@FunctionalInterface
public interface Watcher {
  /** Never stops. */
  Watcher NOBODY = _ -> true;

  /** Whether to go on, with the share from 0 to 1 that is done. */
  boolean goOn(double share);
}
