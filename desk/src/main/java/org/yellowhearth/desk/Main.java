package org.yellowhearth.desk;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;
import org.yellowhearth.storage.store.Places;

/**
 * Starts the application: {@code [--shop=FOLDER] [--demo=FOLDER] [JOBFILE ...]}, or {@code
 * --shots=FOLDER --demo=FOLDER} to redraw the pictures of the documentation. It is no {@code
 * Application} itself, so that it starts from the class path.
 */
public final class Main {
  /** Until there is a file for it, only what went wrong is told. */
  private static final Logger ALL = Logger.getLogger("");

  /** Tells at every first start that it made a folder; nobody needs to know. */
  private static final Logger PREFERENCES = Logger.getLogger("java.util.prefs");

  /** Tells at every start that it was started from the class path, which is meant so. */
  private static final Logger TOOLKIT = Logger.getLogger("javafx");

  private Main() {}

  /** Starts the application. */
  public static void main(String[] args) {
    Places places = Places.ofThisUser();
    Path logs = places.logs();
    // Photographs and pages are drawn without a window of that toolkit.
    System.setProperty("java.awt.headless", "true");
    ALL.setLevel(Level.WARNING);
    PREFERENCES.setLevel(Level.WARNING);
    TOOLKIT.setLevel(Level.SEVERE);
    CrashReports.into(logs);
    List<String> all = new ArrayList<>(List.of(args));
    if (all.stream().anyMatch(a -> a.startsWith("--shots="))) {
      Application.launch(Shots.class, args);
      return;
    }
    if (all.contains("--latency")) {
      Application.launch(Latency.class, args);
      return;
    }
    if (all.stream().noneMatch(a -> a.startsWith("--shop="))) {
      all.add("--shop=" + places.shop());
    }
    all.add("--logs=" + logs);
    Thread.ofPlatform().name("ahead").daemon().start(HearthApplication::readAhead);
    Application.launch(HearthApplication.class, all.toArray(String[]::new));
  }
}
