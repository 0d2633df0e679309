package org.yellowhearth.desk.replace;

import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.dossier.PeriodRecord;
import org.yellowhearth.publishing.dossier.ReplacePapers;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The record of the chosen part for the next restorer: what it was, what its day would have put in,
 * what was done, how to take it back.
 */
final class RecordPage extends Page {
  private final javafx.scene.control.Label name = text("", "renew-name");
  private final GridPane entries = new GridPane();
  private final Form form;
  private final VBox customs = column();

  RecordPage(DeskModel model, PaperTray tray) {
    super(model);
    entries.getStyleClass().add("sums");
    entries.setId("record-entries");
    form = new Form(model);
    form.text(
        "replace.record.condition",
        "record-condition",
        () -> fitting().condition(),
        t -> keep(d -> d.condition = t));
    form.text(
        "replace.record.kept",
        "record-kept",
        () -> fitting().keptAt(),
        t -> keep(d -> d.keptAt = t));
    form.text(
        "replace.record.reversal",
        "record-reversal",
        () -> fitting().reversal(),
        t -> keep(d -> d.reversal = t));
    FlowPane papers =
        new FlowPane(
            button(
                "replace.record.save",
                "record-save",
                () -> {
                  Job job = job();
                  ZonedDateTime now = model.now();
                  tray.save(
                      Labels.of("replace.record.file"),
                      () -> ReplacePapers.record(job, model.knowledge(), now));
                }),
            button(
                "replace.print",
                "record-print",
                () -> {
                  Job job = job();
                  ZonedDateTime now = model.now();
                  tray.print(() -> ReplacePapers.record(job, model.knowledge(), now));
                }));
    papers.getStyleClass().add("line-form");
    add(name, entries, form, papers, heading("replace.record.customs"), customs);
    model
        .chosenProperty()
        .addListener((_, _, _) -> {
          if (getScene() != null && model.openProperty().get().isPresent()) {
            show(job());
          }
        });
  }

  private Optional<PartRef> ref() {
    return model().chosenProperty().get();
  }

  private Fitting fitting() {
    return ref()
        .map(r -> job().of(r, Fitting.class).stream().findFirst().orElse(Fitting.of(r)))
        .orElse(Fitting.of(PartRef.of("C1")));
  }

  private void keep(Consumer<Fitting.Draft> change) {
    ref().ifPresent(r -> model().renew().fit(r, change));
  }

  @Override
  protected void show(Job job) {
    entries.getChildren().clear();
    Optional<PeriodRecord> record =
        ref().flatMap(job::part).map(p -> PeriodRecord.of(job, p, model().knowledge()));
    form.setVisible(record.isPresent());
    name.setText(record.map(PeriodRecord::part).orElse(Labels.of("replace.choose-part")));
    int[] row = {0};
    record.ifPresent(r ->
        r.entries()
            .forEach(e -> entries.addRow(row[0]++, text(e.label(), "quiet"), text(e.text()))));
    form.show();
    fill(
        customs,
        PeriodRecord.customs(job, model().knowledge()),
        "replace.record.no-year",
        e -> customs.getChildren().add(text(e.label() + ": " + e.text())));
    if (job.plate().made().isPresent()) {
      customs.getChildren().add(text(Labels.of("replace.record.memory"), "quiet"));
    }
  }
}
