package org.yellowhearth.storage.store;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;

/** Where the platform wants a program to keep its things. */
public final class Places {
  private final Map<String, String> environment;
  private final Path home;
  private final String system;

  /** The places for a user; see {@link #ofThisUser()}. */
  public Places(Map<String, String> environment, Path home, String system) {
    this.environment = environment;
    this.home = home;
    this.system = system.toLowerCase(Locale.ROOT);
  }

  /** The places of the user who runs the program. */
  public static Places ofThisUser() {
    return new Places(
        System.getenv(), Path.of(System.getProperty("user.home")), System.getProperty("os.name"));
  }

  /** The folder of the user's own shop. */
  public Path shop() {
    return data().resolve("shop");
  }

  /** The folder for logs and reports of crashes. */
  public Path logs() {
    if (system.startsWith("mac")) {
      return home.resolve("Library/Logs/Yellow Hearth");
    }
    return system.startsWith("windows")
        ? data().resolve("logs")
        : base("XDG_STATE_HOME", ".local/state").resolve("yellow-hearth");
  }

  private Path data() {
    if (system.startsWith("mac")) {
      return home.resolve("Library/Application Support/Yellow Hearth");
    }
    return system.startsWith("windows")
        ? base("APPDATA", "AppData/Roaming").resolve("Yellow Hearth")
        : base("XDG_DATA_HOME", ".local/share").resolve("yellow-hearth");
  }

  private Path base(String variable, String usual) {
    String value = environment.getOrDefault(variable, "");
    return value.isBlank() || !Path.of(value).isAbsolute() ? home.resolve(usual) : Path.of(value);
  }
}
