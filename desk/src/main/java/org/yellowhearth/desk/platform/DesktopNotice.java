package org.yellowhearth.desk.platform;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Shows a short notice outside the window, where the platform has a command for it: {@code
 * notify-send} on a free desktop, {@code osascript} on macOS. Elsewhere what is due stands on the
 * plate and in the agenda alone.
 */
public final class DesktopNotice {
  private static final Logger LOG = LoggerFactory.getLogger(DesktopNotice.class);
  private static final long PATIENCE_SECONDS = 10;
  private static final String APPLE_SCRIPT =
      "on run argv\ndisplay notification (item 2 of argv) with title (item 1 of argv)\nend run";

  private final List<String> command;

  private DesktopNotice(List<String> command) {
    this.command = command;
  }

  /**
   * The notice of a platform.
   *
   * @param os its name, as Java knows it
   * @param path where it looks for commands
   */
  public static Optional<DesktopNotice> of(String os, String path) {
    String name = os.startsWith("Mac") ? "osascript" : "notify-send";
    return List.of(path.split(File.pathSeparator)).stream()
        .filter(p -> !p.isBlank())
        .map(p -> Path.of(p, name))
        .filter(Files::isExecutable)
        .findFirst()
        .map(p ->
            new DesktopNotice(
                os.startsWith("Mac")
                    ? List.of(p.toString(), "-e", APPLE_SCRIPT)
                    : List.of(p.toString(), "--app-name=Yellow Hearth", "--")));
  }

  /** Shows it and does not wait; where it cannot be shown the log says so. */
  public void show(String title, String text) {
    Thread.ofVirtual().name("notice").start(() -> run(title, text));
  }

  /** The same, and answers whether it was shown. */
  boolean run(String title, String text) {
    List<String> all = new ArrayList<>(command);
    all.add(title);
    all.add(text);
    try {
      Process p =
          new ProcessBuilder(all)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      if (!p.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
        p.destroy();
        LOG.info("The desktop did not take a notice in {} s", PATIENCE_SECONDS);
        return false;
      }
      if (p.exitValue() != 0) {
        LOG.info(
            "The desktop refused a notice: {} ended with {}", command.getFirst(), p.exitValue());
      }
      return p.exitValue() == 0;
    } catch (IOException e) {
      LOG.info("No notice can be shown here", e);
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
