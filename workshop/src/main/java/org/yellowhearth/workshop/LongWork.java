package org.yellowhearth.workshop;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * A long computation beside the window: the newest question only, with its progress, to be stopped
 * at any moment.
 */
public final class LongWork {
  private final Background background;
  private final Value<Double> progress = new Value<>(-1.0);
  private AtomicBoolean wanted = new AtomicBoolean();

  /** A computation that shows what it has found as it goes. */
  interface Slow {
    void run(Watcher watcher, Consumer<Runnable> show);
  }

  LongWork(Background background) {
    this.background = background;
  }

  /** How far it is, 0 to 1; below nothing while none runs. */
  public Watched<Double> progressProperty() {
    return progress;
  }

  /** Stops what runs. */
  public void stop() {
    wanted.set(false);
    progress.set(-1.0);
  }

  /** Starts another in the place of what runs. */
  void start(Slow work) {
    stop();
    AtomicBoolean mine = new AtomicBoolean(true);
    wanted = mine;
    progress.set(0.0);
    Watcher watcher =
        share -> {
          background.report(() -> {
            if (mine.get()) {
              progress.set(share);
            }
          });
          return mine.get();
        };
    background.aside(
        () -> {
          try {
            work.run(
                watcher,
                then ->
                    background.report(() -> {
                      if (mine.get()) {
                        then.run();
                      }
                    }));
            return true;
          } catch (StoppedException _) {
            return false;
          } finally {
            // However it ends, by a fault too, nothing runs any more.
            background.report(() -> {
              if (mine.getAndSet(false)) {
                progress.set(-1.0);
              }
            });
          }
        },
        _ -> {});
  }
}
