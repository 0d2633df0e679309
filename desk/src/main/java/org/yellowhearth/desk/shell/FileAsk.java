package org.yellowhearth.desk.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Asks a person for files; behind an interface, because an offscreen window has no chooser. */
public interface FileAsk {
    /** Job files to bring in; none when the person thinks better of it. */
    List<Path> jobFiles();

    /** Photographs to bring in; none when the person thinks better of it. */
    List<Path> photographs();

    /** A list of parts as CSV; none when the person thinks better of it. */
    Optional<Path> list();

    /** Where to write a list of parts. */
    Optional<Path> newList(String suggestedName);

    /** Where to write a chart. */
    Optional<Path> newPicture(String suggestedName);

    /** Where to write a job file. */
    Optional<Path> newJobFile(String suggestedName);
}
