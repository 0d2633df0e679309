package org.yellowhearth.workshop;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.storage.photo.BadPhotographException;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * Brings photographs into the open job and finds the pictures to show of them, all beside the
 * window.
 */
public final class PhotoModel {
  private static final Logger LOG = LoggerFactory.getLogger(PhotoModel.class);

  private final DeskModel model;
  private final PhotoStore store;
  private final Value<Optional<Progress>> progress = new Value<>(Optional.empty());
  private AtomicBoolean stopped = new AtomicBoolean();

  /** How far bringing in has come. */
  public record Progress(int done, int of) {}

  private record Taken(List<Photograph> photographs, List<String> refused) {}

  PhotoModel(DeskModel model, PhotoStore store) {
    this.model = model;
    this.store = store;
  }

  /** How far it is, while photographs are being brought in. */
  public Watched<Optional<Progress>> progressProperty() {
    return progress.watched();
  }

  /**
   * Brings files in; each is checked, copied and named in the job only then. What is none is told.
   */
  public void bringIn(List<Path> files) {
    if (files.isEmpty() || progress.get().isPresent()) {
      return;
    }
    String job = model.openProperty().get().orElseThrow().id();
    List<String> ids = files.stream().map(_ -> model.newId()).toList();
    AtomicBoolean stop = new AtomicBoolean();
    stopped = stop;
    progress.set(Optional.of(new Progress(0, files.size())));
    model
        .background()
        .aside(
            () -> taken(files, ids, stop),
            taken -> {
              boolean stillOpen =
                  model.openProperty().get().filter(o -> o.id().equals(job)).isPresent();
              if (stillOpen) {
                taken.photographs.forEach(model::put);
              }
              if (!taken.refused.isEmpty()) {
                model.tellLast(String.join("  ", taken.refused));
              }
            },
            () -> progress.set(Optional.empty()));
  }

  private Taken taken(List<Path> files, List<String> ids, AtomicBoolean stop) {
    List<Photograph> photographs = new ArrayList<>();
    List<String> refused = new ArrayList<>();
    for (int i = 0; i < files.size() && !stop.get(); i++) {
      try {
        photographs.add(store.take(files.get(i), ids.get(i)));
      } catch (BadPhotographException e) {
        LOG.info("A photograph was refused", e);
        refused.add(e.getMessage());
      } catch (RuntimeException | Error e) {
        // A fault of ours, or no memory for this one: the others are taken all the same.
        LOG.error("A photograph could not be taken", e);
        refused.add(Labels.of("photo.fault", files.get(i).getFileName(), e.toString()));
      }
      Progress now = new Progress(i + 1, files.size());
      model.background().report(() -> progress.set(progress.get().map(_ -> now)));
    }
    if (stop.get()) {
      refused.add(Labels.of("photo.stopped", photographs.size(), files.size()));
    }
    return new Taken(photographs, refused);
  }

  /** Stops bringing in; what is in already stays. */
  public void stop() {
    stopped.set(true);
  }

  /** Copies originals into a folder. */
  void copyTo(Path folder, List<Photograph> photographs) throws IOException {
    store.copyTo(folder, photographs);
  }

  /**
   * The picture of a photograph, for whoever works beside the window already; empty where it is
   * missing, which the log tells.
   */
  Optional<Path> file(Photograph photograph, PhotoStore.Size size) {
    try {
      return Optional.of(store.picture(photograph, size));
    } catch (BadPhotographException e) {
      LOG.info("A photograph is missing", e);
      return Optional.empty();
    }
  }

  /** Finds a picture of a photograph; empty where it is missing, which is told. */
  public void picture(Photograph photograph, PhotoStore.Size size, Consumer<Optional<Path>> then) {
    model.background().aside(() -> file(photograph, size), then);
  }
}
