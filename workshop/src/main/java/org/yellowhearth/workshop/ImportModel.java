package org.yellowhearth.workshop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.storage.partslist.BadListException;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.storage.partslist.PartsListTable;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * A list of parts from a file or the clipboard: what its columns mean, what it would do, and then
 * does as one edit.
 */
public final class ImportModel {
  private final DeskModel model;
  private final Value<Optional<Preview>> preview = new Value<>(Optional.empty());

  /**
   * What a list would do to the job that is open.
   *
   * @param trouble why it is no list; empty where it is one
   */
  public record Preview(
      Optional<PartsListTable> table, List<PartsListImport.Row> rows, String trouble) {
    /** How many rows will meet a fate. */
    public long count(PartsListImport.What what) {
      return rows.stream().filter(r -> r.what() == what).count();
    }
  }

  ImportModel(DeskModel model) {
    this.model = model;
    model
        .openProperty()
        .addListener((_, was, is) -> {
          if (!was.map(OpenJob::id).equals(is.map(OpenJob::id))) {
            close();
          }
        });
  }

  /** What is being brought in, if anything is. */
  public Watched<Optional<Preview>> previewProperty() {
    return preview.watched();
  }

  /** Opens an empty preview, into which a list can be pasted. */
  public void open() {
    preview.set(Optional.of(new Preview(Optional.empty(), List.of(), "")));
  }

  /** Takes a list from a file. */
  public void take(Path file) {
    look(() -> PartsListTable.read(file));
  }

  /** Takes a list from text. */
  public void take(String text) {
    look(() -> PartsListTable.read(text));
  }

  /** Takes a column, or the figures, otherwise. */
  public void change(UnaryOperator<PartsListTable> change) {
    preview.get().flatMap(Preview::table).ifPresent(t -> look(() -> change.apply(t)));
  }

  private void look(Supplier<PartsListTable> reading) {
    OpenJob open = model.openProperty().get().orElseThrow();
    model
        .background()
        .aside(
            () -> {
              try {
                PartsListTable table = reading.get();
                return new Preview(
                    Optional.of(table),
                    PartsListImport.preview(
                        table,
                        open.job(),
                        model.knowledge(),
                        model.words(),
                        model.now().toInstant()),
                    "");
              } catch (BadListException e) {
                return new Preview(Optional.empty(), List.of(), e.getMessage());
              }
            },
            p -> preview.set(Optional.of(p)));
  }

  /** Does what the preview shows, as one edit; refused rows are left out. */
  public void apply() {
    model.inTurn(() ->
        preview
            .get()
            .ifPresent(p -> {
              List<PartsListImport.Row> rows =
                  p.table()
                      .map(t ->
                          PartsListImport.preview(
                              t,
                              model.job(),
                              model.knowledge(),
                              model.words(),
                              model.now().toInstant()))
                      .orElse(List.of());
              List<Edit> edits = rows.stream().flatMap(r -> r.edits().stream()).toList();
              if (edits.isEmpty()) {
                model.tell(Labels.of("import.nothing"), true);
              } else {
                model.act(
                    BenchLineModel.together(edits),
                    () -> {
                      close();
                      model.tell(
                          Labels.of(
                              "import.done",
                              rows.stream().filter(r -> !r.edits().isEmpty()).count(),
                              p.count(PartsListImport.What.REFUSED)),
                          false);
                    });
              }
            }));
  }

  /** Goes back without doing anything. */
  public void close() {
    preview.set(Optional.empty());
  }
}
