package org.yellowhearth.desk;

import java.io.IOException;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Formatter;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import org.yellowhearth.storage.disk.PrivateFiles;

/** Where the program writes what it did: three files of two megabytes at most, the newest first. */
final class LogFile {
  private static final int BYTES = 2_000_000;
  private static final int FILES = 3;
  private static final Logger ALL = Logger.getLogger("");

  private LogFile() {}

  /** From now on everything is written into the folder instead of to the console. */
  static void into(Path folder) {
    try {
      PrivateFiles.folder(folder);
      FileHandler file =
          new FileHandler(
              folder.toString().replace("%", "%%") + "/hearth.%g.log", BYTES, FILES, true);
      file.setFormatter(lines());
      for (Handler console : ALL.getHandlers()) {
        ALL.removeHandler(console);
      }
      ALL.addHandler(file);
      ALL.setLevel(Level.INFO);
    } catch (IOException e) {
      ALL.log(
          Level.WARNING,
          "The log cannot be written into " + folder + "; it goes to the console.",
          e);
    }
  }

  private static Formatter lines() {
    return new SimpleFormatter() {
      @Override
      public String format(LogRecord r) {
        String trace = r.getThrown() == null ? "" : CrashReports.trace(r.getThrown());
        return "%s %-7s %s %s%n%s"
            .formatted(r.getInstant(), r.getLevel(), r.getLoggerName(), formatMessage(r), trace);
      }
    };
  }
}
