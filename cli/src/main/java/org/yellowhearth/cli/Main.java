package org.yellowhearth.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The commands that need no window. */
@Command(name = "hearth", mixinStandardHelpOptions = false, subcommands = {ComputeCommand.class, InstrumentsCommand.class})
public final class Main {
    private Main() {
    }

    /** Runs one command and ends with its exit code: 0 done, 1 the file was refused, 2 the command was not understood. */
    public static void main(String[] args) {
        System.exit(new CommandLine(new Main()).execute(args));
    }
}
