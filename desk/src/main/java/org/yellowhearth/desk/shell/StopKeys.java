package org.yellowhearth.desk.shell;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.event.Event;
import javafx.event.EventDispatchChain;
import javafx.event.EventDispatcher;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Window;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.workshop.DeskModel;

/**
 * The keys that stop, heard in every window of the program before anything in it hears a key:
 * before a field that is typed in, a list that hangs open, the help, a question. F9 stops what runs
 * in whatever window and says that the set of this one is off; Escape pressed twice stops what
 * runs.
 */
final class StopKeys implements EventDispatcher {
  private static final long TWICE_NANOS = 1_500_000_000L;

  /** What every open window works on. */
  private static final List<DeskModel> ALL = new CopyOnWriteArrayList<>();

  private final DeskModel model;
  private final Window window;
  private final EventDispatcher before;
  private long escapedNanos;
  private boolean escaped;

  private StopKeys(DeskModel model, Window window) {
    this.model = model;
    this.window = window;
    before = window.getEventDispatcher();
    window.setEventDispatcher(this);
    ALL.add(model);
  }

  /** Listens in a window for as long as it shows a model. */
  static StopKeys in(Window window, DeskModel model) {
    return new StopKeys(model, window);
  }

  /** Listens no longer. */
  void end() {
    ALL.remove(model);
    if (window.getEventDispatcher().equals(this)) {
      window.setEventDispatcher(before);
    }
  }

  @Override
  public Event dispatchEvent(Event event, EventDispatchChain tail) {
    if (event instanceof KeyEvent key && key.getEventType() == KeyEvent.KEY_PRESSED && stops(key)) {
      return null;
    }
    return before.dispatchEvent(event, tail);
  }

  private boolean stops(KeyEvent key) {
    if (key.getCode() == KeyCode.F9) {
      ALL.stream().filter(m -> m.equals(model) || m.anythingOn()).forEach(StopKeys::stop);
      if (model.openProperty().get().isPresent()) {
        model.power(Edit.Power.OFF);
      }
      return true;
    }
    boolean twice =
        key.getCode() == KeyCode.ESCAPE
            && escaped
            && System.nanoTime() - escapedNanos < TWICE_NANOS;
    escaped = key.getCode() == KeyCode.ESCAPE && !twice;
    escapedNanos = System.nanoTime();
    List<DeskModel> on = twice ? ALL.stream().filter(DeskModel::anythingOn).toList() : List.of();
    on.forEach(StopKeys::stop);
    return !on.isEmpty();
  }

  private static void stop(DeskModel m) {
    if (m.openProperty().get().isPresent()) {
      m.stopAll();
    }
  }
}
