package org.yellowhearth.cli;

import java.util.logging.Level;
import java.util.logging.Logger;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The commands that need no window. */
@Command(
    name = "hearth",
    mixinStandardHelpOptions = false,
    subcommands = {ComputeCommand.class, InstrumentsCommand.class})
public final class Main {
  /**
   * Only what went wrong is told on the console; held on to, for the level of one that nobody holds
   * is forgotten.
   */
  private static final Logger ALL = Logger.getLogger("");

  private Main() {}

  /**
   * Runs one command and ends with its exit code: 0 done, 1 the file was refused, 2 the command was
   * not understood.
   */
  public static void main(String[] args) {
    ALL.setLevel(Level.WARNING);
    System.exit(new CommandLine(new Main()).execute(args));
  }
}
