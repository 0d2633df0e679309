package org.yellowhearth.workshop;

import java.util.concurrent.Executor;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Runs work beside the window and hands its result back to it. What touches the disk runs on the
 * keeper, one thing at a time; what goes wrong is told and changes nothing.
 */
public final class Background {
  private static final Logger LOG = LoggerFactory.getLogger(Background.class);

  private final Executor keeper;
  private final Executor aside;
  private final Executor window;
  private final Value<Notice> notice = new Value<>(Notice.NONE);
  private final Value<Boolean> busy = new Value<>(false);
  private int pending;

  /** What is done beside the window. */
  public interface Work<T> {
    T get();
  }

  /** Something to tell the person: done, or what went wrong and what to do. */
  public record Notice(String text, boolean trouble) {
    static final Notice NONE = new Notice("", false);
  }

  /**
   * Work over three executors.
   *
   * @param keeper runs what touches the shop, one thing at a time
   * @param aside runs what takes long and must not hold up the keeper
   * @param window runs what changes the screen
   */
  public Background(Executor keeper, Executor aside, Executor window) {
    this.keeper = keeper;
    this.aside = aside;
    this.window = window;
  }

  public Watched<Notice> noticeProperty() {
    return notice.watched();
  }

  /** Whether something is being kept or fetched at the moment. */
  public Watched<Boolean> busyProperty() {
    return busy.watched();
  }

  /** Tells the person something. */
  public void tell(String text, boolean trouble) {
    notice.set(new Notice(text, trouble));
  }

  /** Takes back what was told. */
  void hush() {
    notice.set(Notice.NONE);
  }

  /** Runs work that needs no shop beside everything else and hands its result to the window. */
  public <T> void aside(Work<T> work, Consumer<T> then) {
    aside(work, then, () -> {});
  }

  /** The same, with an end that comes whether it went well or not. */
  <T> void aside(Work<T> work, Consumer<T> then, Runnable end) {
    run(aside, work, then, end);
  }

  /** A place of its own beside everything else, where one thing follows another. */
  SerialExecutor turns() {
    return new SerialExecutor(aside);
  }

  /** Runs work in such a place. */
  <T> void inTurn(Executor turns, Work<T> work, Consumer<T> then) {
    run(turns, work, then, () -> {});
  }

  /** Runs work in such a place before everything that waits there. */
  <T> void next(SerialExecutor turns, Work<T> work, Consumer<T> then) {
    run(turns::executeNext, work, then, () -> {});
  }

  /** Runs work on the shop and hands its result to the window. */
  <T> void keep(Work<T> work, Consumer<T> then) {
    keep(work, then, () -> {});
  }

  /** The same, with an end that comes whether it went well or not. */
  <T> void keep(Work<T> work, Consumer<T> then, Runnable end) {
    run(keeper, work, then, end);
  }

  /** From within work: tells the window how far it is. */
  void report(Runnable progress) {
    window.execute(progress);
  }

  private <T> void run(Executor executor, Work<T> work, Consumer<T> then, Runnable end) {
    pending++;
    busy.set(true);
    executor.execute(() -> {
      try {
        T result = work.get();
        window.execute(() -> settled(() -> then.accept(result), end));
      } catch (ShopException e) {
        LOG.error("The shop refused", e);
        window.execute(() -> settled(() -> tell(e.getMessage(), true), end));
      } catch (RuntimeException | Error e) {
        // An Error too: memory that ran out over one thing must not leave the window waiting for it
        // for ever.
        LOG.error("Unexpected", e);
        window.execute(() ->
            settled(
                () -> {
                  tell(Labels.of("fault", e.toString()), true);
                  throw e;
                },
                end));
      }
    });
  }

  private void settled(Runnable then, Runnable end) {
    // What follows from it begins before this ends: the sign does not flicker between the two.
    try {
      then.run();
    } finally {
      try {
        end.run();
      } finally {
        pending--;
        busy.set(pending > 0);
      }
    }
  }
}
