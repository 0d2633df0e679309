package org.yellowhearth.workshop;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.storage.disk.NewFile;
import org.yellowhearth.storage.files.JobBundle;
import org.yellowhearth.storage.jobfile.JobFile;
import org.yellowhearth.storage.jobfile.JobReader;
import org.yellowhearth.storage.jobfile.JobWriter;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.stock.DrawerFile;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/** The jobs on the shelf: what is there, what comes in and what goes out as files. */
public final class Shelf {
  private static final Logger LOG = LoggerFactory.getLogger(Shelf.class);
  private static final int LONGEST_NAME = 200;

  /** Where photographs lie beside a job file. */
  static final String PHOTOGRAPHS = "photographs";

  private final Shop shop;
  private final PhotoStore photographs;
  private final Knowledge knowledge;
  private final Background background;
  private final Supplier<ZonedDateTime> now;
  private final BiFunction<String, Job, OpenJob> judged;
  private final Value<List<ShelfLine>> jobs = new Value<>(List.of());
  private final Value<Integer> behind = new Value<>(0);
  private final Digesting digesting;

  record Told(String text, boolean trouble) {}

  Shelf(
      Shop shop,
      PhotoStore photographs,
      Knowledge knowledge,
      Judge judge,
      Background background,
      Supplier<ZonedDateTime> now,
      BiFunction<String, Job, OpenJob> judged) {
    this.shop = shop;
    this.photographs = photographs;
    this.knowledge = knowledge;
    this.background = background;
    this.now = now;
    this.judged = judged;
    this.digesting = new Digesting(shop, knowledge, judge, background, now, this::fetch);
  }

  /** What lies there, the one touched last first. */
  public Watched<List<ShelfLine>> jobsProperty() {
    return jobs.watched();
  }

  /**
   * How many jobs are still being read, so that their cards and what is found of them may be
   * behind.
   */
  public Watched<Integer> behindProperty() {
    return behind.watched();
  }

  /** Fetches the shelf anew; what changed is read beside the window. */
  public void refresh() {
    fetch();
    digesting.begin();
  }

  private void fetch() {
    background.keep(
        shop::shelf,
        lines -> {
          behind.set((int) lines.stream().filter(l -> !l.upToDate()).count());
          jobs.set(lines);
        });
  }

  void open(String id, Consumer<OpenJob> show) {
    background.keep(() -> judged.apply(id, shop.job(id)), show);
  }

  /** Whether a set may be called so. */
  public static boolean isName(String name) {
    return !name.isBlank() && name.strip().length() <= LONGEST_NAME;
  }

  void arrive(String name, Consumer<OpenJob> show) {
    String plain = name.strip();
    if (!isName(name)) {
      background.tell(Labels.of("shop.name-needed"), true);
      return;
    }
    Entry arrival =
        new Entry(
            0,
            now.get(),
            new Act.Did(
                new Edit.Arrived(
                    SetPlate.named(plain).with(p -> p.dialect = Labels.dialect()), Policy.USUAL)));
    background.keep(
        () -> {
          Job job = Job.of(List.of(arrival));
          return judged.apply(shop.add(job), job);
        },
        show);
  }

  /** Brings job files in, alone or packed in a ZIP; each whole or not at all. */
  public void bringIn(List<Path> files) {
    background.keep(
        () -> {
          Arriving arriving = new Arriving(new ArrayList<>(), new ArrayList<>());
          files.forEach(file -> arrive(file, arriving));
          String said =
              arriving.taken.isEmpty()
                  ? ""
                  : Labels.of("shop.brought-in", String.join(", ", arriving.taken)) + "  ";
          return new Told(said + String.join("  ", arriving.refused), !arriving.refused.isEmpty());
        },
        told -> {
          background.tell(told.text, told.trouble);
          refresh();
        });
  }

  private record Arriving(List<String> taken, List<String> refused) {}

  private void arrive(Path file, Arriving arriving) {
    try {
      if (JobBundle.is(file)) {
        try (JobBundle bundle = JobBundle.unpack(file, photographs.folder())) {
          bundle.jobs().forEach(job -> arrive(job, arriving));
        }
        return;
      }
      JsonValue root = JsonText.read(file);
      if (DrawerFile.is(root)) {
        shop.takeOver(DrawerFile.read(root));
        arriving.taken.add(Labels.of("shop.drawer"));
        return;
      }
      JobFile job = new JobReader(knowledge).read(root, now.get());
      List<String> troubles =
          photographs.takeFrom(file.resolveSibling(PHOTOGRAPHS), job.job().items(Photograph.class));
      shop.add(job.job());
      arriving.taken.add(job.job().plate().name());
      arriving.refused.addAll(troubles);
    } catch (BadFileException | ShopException | IOException e) {
      arriving.refused.add(Labels.of("shop.refused", file.getFileName(), e.getMessage()));
    } catch (RuntimeException | Error e) {
      // A fault of ours over one file: the others come in all the same.
      LOG.error("{} could not be taken", file, e);
      arriving.refused.add(Labels.of("shop.refused", file.getFileName(), e));
    }
  }

  /** Writes a job as a job file; a file that is there already is not touched. */
  void takeOut(OpenJob job, Path file) {
    background.keep(
        () -> {
          String json = JobWriter.write(job.id(), job.job());
          if (JobBundle.is(file)) {
            return written(
                file,
                () ->
                    JobBundle.write(
                        file,
                        "job.json",
                        json,
                        job.job().items(Photograph.class).stream()
                            .filter(photographs::has)
                            .map(photographs::original)
                            .toList()));
          }
          Told told = written(file, json.getBytes(StandardCharsets.UTF_8));
          try {
            photographs.copyTo(file.resolveSibling(PHOTOGRAPHS), job.job().items(Photograph.class));
            return told;
          } catch (IOException e) {
            return new Told(Labels.of("dossier.not-saved", PHOTOGRAPHS, e.toString()), true);
          }
        },
        told -> background.tell(told.text, told.trouble));
  }

  /** Writes a new file, whole or not at all; one that is there already is not touched. */
  static Told written(Path file, byte[] bytes) {
    return written(file, () -> NewFile.write(file, bytes));
  }

  private interface Writing {
    void write() throws IOException;
  }

  private static Told written(Path file, Writing writing) {
    try {
      writing.write();
      return new Told(Labels.of("dossier.saved", file), false);
    } catch (FileAlreadyExistsException e) {
      return new Told(Labels.of("dossier.not-saved", file, e.getReason()), true);
    } catch (IOException e) {
      return new Told(Labels.of("dossier.not-saved", file, e.toString()), true);
    }
  }
}
