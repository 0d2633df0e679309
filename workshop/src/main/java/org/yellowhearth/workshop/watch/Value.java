package org.yellowhearth.workshop.watch;

import java.util.Objects;

/**
 * A watched value that can be set. Setting what it is already tells nobody. Set from within a
 * listener it changes at once; who listens later hears the changes in the order in which they were
 * told, and {@link #get} always answers what stands now.
 *
 * @param <T> its type; never null
 */
public final class Value<T> extends Watched<T> {
  private T value;

  public Value(T value) {
    this.value = Objects.requireNonNull(value, "value");
  }

  @Override
  public T get() {
    return value;
  }

  /** Sets it, and tells whoever listens. */
  public void set(T now) {
    T was = value;
    value = Objects.requireNonNull(now, "value");
    if (!was.equals(now)) {
      changed(was, now);
    }
  }

  /** The same value for those who may only look. */
  public Watched<T> watched() {
    return this;
  }
}
