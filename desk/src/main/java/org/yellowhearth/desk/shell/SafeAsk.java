package org.yellowhearth.desk.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.platform.Printers;

/**
 * Asks as another does, but while an output is on lets the path be typed in the window, so that its
 * keys go on being heard.
 */
final class SafeAsk implements FileAsk {
  private final FileAsk other;
  private final BooleanSupplier on;
  private final Function<String, Optional<Path>> typed;

  SafeAsk(FileAsk other, BooleanSupplier on, Function<String, Optional<Path>> typed) {
    this.other = other;
    this.on = on;
    this.typed = typed;
  }

  private interface Asking<T> {
    T from(FileAsk ask);
  }

  private List<Path> several(Asking<List<Path>> asking) {
    return on.getAsBoolean() ? typed.apply("").stream().toList() : asking.from(other);
  }

  private Optional<Path> one(String suggested, Asking<Optional<Path>> asking) {
    return on.getAsBoolean() ? typed.apply(suggested) : asking.from(other);
  }

  @Override
  public List<Path> jobFiles() {
    return several(FileAsk::jobFiles);
  }

  @Override
  public List<Path> photographs() {
    return several(FileAsk::photographs);
  }

  @Override
  public Optional<Path> list() {
    return one("", FileAsk::list);
  }

  @Override
  public Optional<Path> calendar() {
    return one("", FileAsk::calendar);
  }

  @Override
  public Optional<Path> newList(String suggestedName) {
    return one(suggestedName, a -> a.newList(suggestedName));
  }

  @Override
  public Optional<Path> newPicture(String suggestedName) {
    return one(suggestedName, a -> a.newPicture(suggestedName));
  }

  @Override
  public Optional<Path> newPaper(String suggestedName) {
    return one(suggestedName, a -> a.newPaper(suggestedName));
  }

  @Override
  public Optional<Path> newFolder(String suggestedName) {
    return one(suggestedName, a -> a.newFolder(suggestedName));
  }

  @Override
  public Optional<Path> newJobFile(String suggestedName) {
    return one(suggestedName, a -> a.newJobFile(suggestedName));
  }

  @Override
  public Printers printers() {
    return other.printers();
  }
}
