package org.yellowhearth.workshop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DossierScope.Section;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.publishing.dossier.Dossier;
import org.yellowhearth.publishing.dossier.DossierFiles;
import org.yellowhearth.publishing.dossier.DossierFolio;
import org.yellowhearth.publishing.dossier.LabelSheet;
import org.yellowhearth.publishing.dossier.SetPapers;
import org.yellowhearth.publishing.dossier.SupplyProof;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.PdfFolio;
import org.yellowhearth.publishing.folio.Typefaces;
import org.yellowhearth.publishing.folio.WebFolio;
import org.yellowhearth.storage.jobfile.JobWriter;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/**
 * The dossier without the window: which sections it tells, and the papers made of them beside the
 * window, to be watched and stopped.
 */
public final class DossierModel {
  /** The letters that were told to be missing. */
  private List<String> told = List.of();

  private final DeskModel model;
  private final LongWork making;

  /**
   * Apart from the preview, which begins anew with every edit: a file that is being written is not
   * stopped by one.
   */
  private final LongWork writing;

  /** What the model of the supply gives, for what it was worked out from; it takes seconds. */
  private volatile Optional<Worked> worked = Optional.empty();

  private record Worked(List<?> from, SupplyProof proof) {}

  DossierModel(DeskModel model) {
    this.model = model;
    making = new LongWork(model.background());
    writing = new LongWork(model.background());
  }

  /** How far the file is that is being written, 0 to 1; below nothing while none is. */
  public Watched<Double> progressProperty() {
    return writing.progressProperty();
  }

  /** Stops writing; nothing of it is left. */
  public void stop() {
    writing.stop();
  }

  /** Which sections are told. */
  public DossierScope scope() {
    return model.job().aspect(DossierScope.class);
  }

  /** Tells a section, or leaves it out. */
  public void tell(Section section, boolean told) {
    model.changeAspect(DossierScope.class, s -> s.with(section, told));
  }

  /** Tells what an owner reads, or everything. */
  public void tell(DossierScope scope) {
    model.changeAspect(DossierScope.class, _ -> scope);
  }

  private Folio folio(Job job, Dossier dossier) {
    return DossierFolio.of(
        dossier, job.aspect(DossierScope.class), this::picture, () -> proof(job, dossier.madeAt()));
  }

  private Optional<Path> picture(Photograph p) {
    return model.photographs().file(p, PhotoStore.Size.LARGE);
  }

  private SupplyProof proof(Job job, ZonedDateTime at) {
    List<?> from =
        List.of(
            job.items(SupplySection.class),
            job.items(SupplyEvidence.class),
            job.census(),
            job.readings(),
            job.items(OfPart.class),
            job.plate());
    Optional<Worked> known = worked.filter(w -> w.from.equals(from));
    if (known.isEmpty()) {
      known =
          Optional.of(
              new Worked(
                  from,
                  SupplyProof.of(model.judge().of(job, at.toLocalDate()), model.knowledge())));
      worked = known;
    }
    return known.get().proof;
  }

  private Dossier dossier() {
    return Dossier.of(model.judged(), model.knowledge(), model.now());
  }

  /** Makes the PDF and hands it over; a newer wish takes the place of an older one. */
  public void pdf(Consumer<byte[]> then) {
    Dossier dossier = dossier();
    making.start((watcher, show) -> {
      byte[] pdf = PdfFolio.bytes(folio(dossier.job(), dossier), watcher);
      show.accept(() -> then.accept(pdf));
    });
  }

  /** The bytes of the PDF, for whoever is beside the window already. */
  public Background.Work<byte[]> pdf() {
    Dossier dossier = dossier();
    return () -> PdfFolio.bytes(folio(dossier.job(), dossier));
  }

  /** The bytes of another paper about the set. */
  public Background.Work<byte[]> paper(SetPapers.Kind kind) {
    Job job = model.job();
    ZonedDateTime now = model.now();
    Map<String, StockPart> stock =
        model.stock().shelvedProperty().get().map(StockModel.Shelved::byId).orElse(Map.of());
    return () -> PdfFolio.bytes(SetPapers.of(kind, job, model.knowledge(), now, stock));
  }

  /** The bytes of labels to cut out. */
  public Background.Work<byte[]> labels() {
    Job job = model.job();
    String id = model.openProperty().get().orElseThrow().id();
    ZonedDateTime now = model.now();
    return () -> LabelSheet.of(id, job, now);
  }

  /**
   * Goes on with making pages where every letter of the job can be drawn. Where one cannot, that is
   * told, with what will stand in its place; asked for a second time they are made all the same.
   */
  public void onceDrawable(Runnable make) {
    OpenJob open = model.openProperty().get().orElseThrow();
    model
        .background()
        .aside(
            () -> Typefaces.undrawable(JobWriter.write(open.id(), open.job())),
            missing -> {
              if (missing.isEmpty() || missing.equals(told)) {
                make.run();
              } else {
                told = missing;
                model.tell(Labels.of("dossier.undrawable", String.join(", ", missing)), true);
              }
            });
  }

  /** Writes the PDF into a folder under a name that is not taken. */
  public void save(Path folder) {
    Dossier dossier = dossier();
    onceDrawable(() ->
        write(
            watcher ->
                DossierFiles.writeInto(
                    folder,
                    dossier.job().plate().name(),
                    dossier.madeAt().toLocalDate(),
                    PdfFolio.bytes(folio(dossier.job(), dossier), watcher)),
            folder));
  }

  /**
   * Writes a page of the web, or Markdown, with its pictures into a new folder; one that is there
   * is not touched.
   */
  public void web(Path folder, WebFolio.Form form) {
    Dossier dossier = dossier();
    write(
        watcher -> WebFolio.writeInto(folder, folio(dossier.job(), dossier), form, watcher),
        folder);
  }

  private interface Writing {
    Path write(Watcher watcher) throws IOException;
  }

  private void write(Writing work, Path where) {
    writing.start((watcher, show) -> {
      try {
        Path file = work.write(watcher);
        show.accept(() -> model.tell(Labels.of("dossier.saved", file), false));
      } catch (IOException e) {
        show.accept(() ->
            model.tell(
                Labels.of("dossier.not-saved", where, String.valueOf(e.getMessage())), true));
      }
    });
  }
}
