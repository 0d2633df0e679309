package org.yellowhearth.desk.platform;

import java.io.File;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The printers of this computer, by the commands that every free desktop and macOS have for them:
 * {@code lpstat -e} names them (CUPS), and {@code lp} (POSIX) takes the pages as the PDF that they
 * are, so that letters stay letters. Blocks; to be used beside the window.
 */
public final class Printers {
  private static final Logger LOG = LoggerFactory.getLogger(Printers.class);
  private static final long PATIENCE_SECONDS = 60;

  private final Optional<Path> lp;
  private final Optional<Path> lpstat;

  private Printers(Optional<Path> lp, Optional<Path> lpstat) {
    this.lp = lp;
    this.lpstat = lpstat;
  }

  /** The printers of this computer. */
  public static Printers usual() {
    return of(System.getenv().getOrDefault("PATH", ""));
  }

  /**
   * Printers.
   *
   * @param path where commands are looked for
   */
  public static Printers of(String path) {
    return new Printers(command(path, "lp"), command(path, "lpstat"));
  }

  private static Optional<Path> command(String path, String name) {
    return Stream.of(path.split(File.pathSeparator))
        .filter(p -> !p.isBlank())
        .map(p -> Path.of(p, name))
        .filter(Files::isExecutable)
        .findFirst();
  }

  /** Whether there are such commands. */
  public boolean commands() {
    return lp.isPresent() && lpstat.isPresent();
  }

  /** The names of the printers; none where there is none, or nobody serves them. */
  public List<String> names() {
    try {
      Said said = run(List.of(lpstat.orElseThrow().toString(), "-e"), new byte[0]);
      return said.ok
          ? said.text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList()
          : List.of();
    } catch (IOException e) {
      LOG.warn("The printers of this computer could not be asked for", e);
      return List.of();
    }
  }

  /**
   * Hands pages to a printer.
   *
   * @return what went wrong; nothing where the printer's queue has taken them
   */
  public Optional<String> print(String printer, byte[] pdf) {
    try {
      Said said =
          run(List.of(lp.orElseThrow().toString(), "-d", printer, "-t", "Yellow Hearth"), pdf);
      return said.ok ? Optional.empty() : Optional.of(said.text.strip());
    } catch (IOException e) {
      return Optional.of(String.valueOf(e.getMessage()));
    }
  }

  private record Said(boolean ok, String text) {}

  private static Said run(List<String> command, byte[] input) throws IOException {
    Path told = Files.createTempFile("hearth-lp", ".txt");
    try {
      Process p =
          new ProcessBuilder(command)
              .redirectErrorStream(true)
              .redirectOutput(told.toFile())
              .start();
      try (OutputStream in = p.getOutputStream()) {
        in.write(input);
      }
      if (!p.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
        p.destroyForcibly();
        return new Said(
            false, command.getFirst() + " did not answer in " + PATIENCE_SECONDS + " s");
      }
      return new Said(p.exitValue() == 0, Files.readString(told, StandardCharsets.UTF_8));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return new Said(false, "interrupted");
    } finally {
      Files.delete(told);
    }
  }
}
