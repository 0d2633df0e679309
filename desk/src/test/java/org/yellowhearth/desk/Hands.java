package org.yellowhearth.desk;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import org.testfx.api.FxRobot;

/**
 * The hands of a person at the window, without rests between their moves.
 *
 * <p>TestFX sleeps fifty milliseconds or more after each move; here a move is over when the
 * toolkit has done it and what it asked to be done later.
 */
final class Hands extends FxRobot {
  @Override
  public FxRobot interact(Runnable move) {
    onWindow(move);
    rest();
    return this;
  }

  @Override
  public FxRobot push(KeyCode... keys) {
    onWindow(() -> {
      Robot robot = new Robot();
      Stream.of(keys).forEach(robot::keyPress);
      List.of(keys).reversed().forEach(robot::keyRelease);
    });
    rest();
    return this;
  }

  /** Waits until the toolkit has done what was asked of it so far, and what that asked in turn. */
  static void rest() {
    for (int i = 0; i < 3; i++) {
      onWindow(() -> {});
    }
  }

  private static void onWindow(Runnable move) {
    if (Platform.isFxApplicationThread()) {
      move.run();
      return;
    }
    CompletableFuture<Void> done = new CompletableFuture<>();
    Platform.runLater(() -> {
      try {
        move.run();
        done.complete(null);
      } catch (RuntimeException | Error e) {
        done.completeExceptionally(e);
      }
    });
    done.orTimeout(Window.FAR_SECONDS, TimeUnit.SECONDS).join();
  }
}
