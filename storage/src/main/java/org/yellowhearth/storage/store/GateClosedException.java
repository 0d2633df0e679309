package org.yellowhearth.storage.store;

import org.yellowhearth.core.safety.Gate;

/**
 * Something that could hurt was to be written down without anybody having been asked about it
 * first. Nothing was written.
 */
public final class GateClosedException extends ShopException {
  private static final long serialVersionUID = 1L;

  private final transient Gate gate;

  GateClosedException(Gate gate, String question) {
    super("Nothing was kept: it was not asked first what has to be asked. " + question);
    this.gate = gate;
  }

  /** What has to be asked. */
  public Gate gate() {
    return gate;
  }
}
