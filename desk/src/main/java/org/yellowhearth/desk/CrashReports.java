package org.yellowhearth.desk;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.storage.disk.PrivateFiles;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** Writes a report when something unexpected happens; what was entered is on the disk already. */
final class CrashReports {
  private CrashReports() {}

  /** Catches what nothing else caught, on every thread, and puts a report into the folder. */
  static void into(Path folder) {
    Thread.setDefaultUncaughtExceptionHandler((thread, e) -> report(folder, thread, e));
  }

  /** From now on tells the person as well. */
  static void tell(DeskModel model) {
    Thread.UncaughtExceptionHandler reporting = Thread.getDefaultUncaughtExceptionHandler();
    Thread.setDefaultUncaughtExceptionHandler((thread, e) -> {
      if (reporting != null) {
        reporting.uncaughtException(thread, e);
      }
      Platform.runLater(() -> model.tell(Labels.of("fault", e.toString()), true));
    });
  }

  /** Asked for only when there is something to say: it takes a while to set up. */
  private static Logger log() {
    return LoggerFactory.getLogger(CrashReports.class);
  }

  /** The way to where something was thrown, in lines. */
  static String trace(Throwable e) {
    StringWriter trace = new StringWriter();
    e.printStackTrace(new PrintWriter(trace));
    return trace.toString();
  }

  private static void report(Path folder, Thread thread, Throwable e) {
    log().error("Uncaught on {}", thread.getName(), e);
    String name = "crash-" + Instant.now().toString().replace(':', '-') + ".txt";
    String text =
        "Yellow Hearth on Java "
            + System.getProperty("java.version")
            + ", "
            + System.getProperty("os.name")
            + "\nthread "
            + thread.getName()
            + "\n\n"
            + trace(e);
    try {
      PrivateFiles.folder(folder);
      Files.writeString(folder.resolve(name), text);
    } catch (IOException io) {
      log().error("The report could not be written", io);
    }
  }
}
