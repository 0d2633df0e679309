package org.yellowhearth.workshop.watch;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Function;

/**
 * A value that is looked at from elsewhere: whoever listens hears of every change, on the thread
 * that made it, in the order in which they began to listen. It knows no window; a window binds to
 * it.
 *
 * @param <T> its type; never null
 */
public abstract class Watched<T> {
  private final List<Listener<? super T>> listeners = new CopyOnWriteArrayList<>();

  Watched() {}

  /** Hears of a change. */
  @FunctionalInterface
  public interface Listener<T> {
    /** The value was another before, and is this now. */
    void changed(Watched<? extends T> watched, T was, T is);
  }

  /** The value at this moment. */
  public abstract T get();

  /** From now on tells of every change. */
  public final void addListener(Listener<? super T> listener) {
    listeners.add(Objects.requireNonNull(listener, "listener"));
  }

  /** Tells no longer. */
  public final void removeListener(Listener<? super T> listener) {
    listeners.remove(listener);
  }

  /** What follows from it, kept up with it. */
  public final <R> Watched<R> map(Function<? super T, ? extends R> rule) {
    Value<R> follows = new Value<>(rule.apply(get()));
    addListener((_, _, is) -> follows.set(rule.apply(is)));
    return follows;
  }

  final void changed(T was, T is) {
    for (Listener<? super T> l : listeners) {
      l.changed(this, was, is);
    }
  }
}
