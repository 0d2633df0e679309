package org.yellowhearth.workshop;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;

/**
 * Runs what it is given one after another, in the order it came, on threads of another executor.
 */
public final class SerialExecutor implements Executor {
  private final Executor threads;
  private final Deque<Runnable> waiting = new ArrayDeque<>();
  private boolean running;

  /** Over threads of which any may do the next thing. */
  public SerialExecutor(Executor threads) {
    this.threads = threads;
  }

  @Override
  public void execute(Runnable task) {
    synchronized (this) {
      waiting.add(task);
      if (running) {
        return;
      }
      running = true;
    }
    threads.execute(this::drain);
  }

  /** Puts something before everything that waits; what runs already is not cut short. */
  void executeNext(Runnable task) {
    synchronized (this) {
      waiting.addFirst(task);
      if (running) {
        return;
      }
      running = true;
    }
    threads.execute(this::drain);
  }

  private synchronized Runnable next() {
    Runnable task = waiting.poll();
    running = task != null;
    return task;
  }

  private void drain() {
    for (Runnable task = next(); task != null; task = next()) {
      try {
        task.run();
      } catch (RuntimeException | Error e) {
        // What one thing throws is told as ever, and does not hold up those that wait behind it.
        Thread thread = Thread.currentThread();
        thread.getUncaughtExceptionHandler().uncaughtException(thread, e);
      }
    }
  }
}
