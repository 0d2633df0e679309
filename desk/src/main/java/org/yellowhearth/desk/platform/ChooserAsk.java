package org.yellowhearth.desk.platform;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.yellowhearth.storage.photo.PhotoStore;

/** Asks with the platform's own file chooser. */
public final class ChooserAsk implements FileAsk {
  private final Window owner;

  public ChooserAsk(Window owner) {
    this.owner = owner;
  }

  private static FileChooser chooser() {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("Job files", "*.hearthjob", "*.json", "*.zip"));
    return chooser;
  }

  @Override
  public List<Path> jobFiles() {
    List<File> files = chooser().showOpenMultipleDialog(owner);
    return files == null ? List.of() : files.stream().map(File::toPath).toList();
  }

  @Override
  public List<Path> photographs() {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                "Photographs",
                PhotoStore.endings().stream()
                    .sorted()
                    .flatMap(e -> Stream.of("*." + e, "*." + e.toUpperCase(Locale.ROOT)))
                    .toList()));
    List<File> files = chooser.showOpenMultipleDialog(owner);
    return files == null ? List.of() : files.stream().map(File::toPath).toList();
  }

  @Override
  public Optional<Path> list() {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("CSV", "*.csv", "*.txt", "*.tsv", "*.CSV"));
    return Optional.ofNullable(chooser.showOpenDialog(owner)).map(File::toPath);
  }

  @Override
  public Optional<Path> calendar() {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("iCalendar", "*.ics", "*.ICS"));
    return Optional.ofNullable(chooser.showOpenDialog(owner)).map(File::toPath);
  }

  @Override
  public Optional<Path> newList(String suggestedName) {
    return saved("CSV", "*.csv", suggestedName);
  }

  @Override
  public Optional<Path> newPicture(String suggestedName) {
    return saved("SVG", "*.svg", suggestedName);
  }

  @Override
  public Optional<Path> newPaper(String suggestedName) {
    return suggestedName.endsWith(".ics")
        ? saved("iCalendar", "*.ics", suggestedName)
        : saved("PDF", "*.pdf", suggestedName);
  }

  private Optional<Path> saved(String what, String ending, String suggestedName) {
    FileChooser chooser = new FileChooser();
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(what, ending));
    chooser.setInitialFileName(suggestedName);
    return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
  }

  @Override
  public Optional<Path> newFolder(String suggestedName) {
    FileChooser chooser = new FileChooser();
    chooser.setInitialFileName(suggestedName);
    return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
  }

  @Override
  public Optional<Path> newJobFile(String suggestedName) {
    FileChooser chooser = chooser();
    chooser.setInitialFileName(suggestedName);
    return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
  }
}
