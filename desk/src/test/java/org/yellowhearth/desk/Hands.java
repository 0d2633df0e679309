package org.yellowhearth.desk;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import org.testfx.api.FxRobot;

/**
 * The hands of a person at the window, without rests between their moves.
 *
 * <p>TestFX sleeps fifty milliseconds or more after each move; here a move is over when the toolkit
 * has done it and what it asked to be done later, and has laid out the next frame.
 */
final class Hands extends FxRobot {
  private final Supplier<Optional<Scene>> window;

  Hands(Supplier<Optional<Scene>> window) {
    this.window = window;
  }

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

  /**
   * Waits until the toolkit has done what was asked of it so far, and what that asked in turn, and
   * has laid out a frame.
   */
  void rest() {
    if (Platform.isFxApplicationThread()) {
      return;
    }
    for (int i = 0; i < 2; i++) {
      onWindow(() -> {});
    }
    CompletableFuture<Void> frame = new CompletableFuture<>();
    Platform.runLater(() ->
        window
            .get()
            .filter(s -> s.getWindow() != null && s.getWindow().isShowing())
            .ifPresentOrElse(s -> laidOut(s, frame), () -> frame.complete(null)));
    frame.orTimeout(Window.FAR_SECONDS, TimeUnit.SECONDS).join();
    onWindow(() -> {});
  }

  private static void laidOut(Scene scene, CompletableFuture<Void> frame) {
    scene.addPostLayoutPulseListener(
        new Runnable() {
          @Override
          public void run() {
            scene.removePostLayoutPulseListener(this);
            frame.complete(null);
          }
        });
    Platform.requestNextPulse();
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
