package org.yellowhearth.desk.platform;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * Asks a person for files; behind an interface, because an offscreen window has no chooser. Where
 * nobody is asked, nothing is chosen.
 */
public interface FileAsk {
  /** Job files to bring in; none when the person thinks better of it. */
  default List<Path> jobFiles() {
    return List.of();
  }

  /** Photographs to bring in; none when the person thinks better of it. */
  default List<Path> photographs() {
    return List.of();
  }

  /** A list of parts as CSV; none when the person thinks better of it. */
  default Optional<Path> list() {
    return Optional.empty();
  }

  /** A calendar to bring in; none when the person thinks better of it. */
  default Optional<Path> calendar() {
    return Optional.empty();
  }

  /** Where to write a list of parts. */
  default Optional<Path> newList(String suggestedName) {
    return Optional.empty();
  }

  /** Where to write a chart. */
  default Optional<Path> newPicture(String suggestedName) {
    return Optional.empty();
  }

  /** Where to write pages or a calendar. */
  default Optional<Path> newPaper(String suggestedName) {
    return Optional.empty();
  }

  /** Where to make a new folder with a page of the web in it. */
  default Optional<Path> newFolder(String suggestedName) {
    return Optional.empty();
  }

  /** Where to write a job file. */
  default Optional<Path> newJobFile(String suggestedName) {
    return Optional.empty();
  }

  /** What pages can be printed on. */
  default Printers printers() {
    return Printers.usual();
  }
}
