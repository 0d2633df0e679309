package org.yellowhearth.desk.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Asks a person for files; behind an interface, because an offscreen window has no chooser. */
public interface FileAsk {
    /** Job files to bring in; none when the person thinks better of it. */
    List<Path> jobFiles();

    /** Where to write a job file. */
    Optional<Path> newJobFile(String suggestedName);
}
