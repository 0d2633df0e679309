package org.yellowhearth.desk.replace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.RectifierChange;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Selenium, copper oxide or a valve: keep it, or silicon with the resistor that brings the rail
 * back; and what that does to every capacitor behind it.
 */
final class RectifierPage extends Page {
  private final ReplaceModel renew;
  private final VBox rectifiers = column();

  RectifierPage(DeskModel model) {
    super(model);
    renew = model.renew();
    rectifiers.setId("rectifiers");
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(Bound.number(renew.sums().progressProperty()));
    progress
        .visibleProperty()
        .bind(Bound.number(renew.sums().progressProperty()).greaterThanOrEqualTo(0));
    FlowPane working =
        new FlowPane(progress, button("suspects.stop", "rectifier-stop", renew.sums()::stop));
    working.getStyleClass().add("line-form");
    working.visibleProperty().bind(progress.visibleProperty());
    working.managedProperty().bind(working.visibleProperty());
    add(text(Labels.of("replace.rectifier.how"), "quiet"), working, rectifiers);
    renew.changesProperty().addListener((_, _, _) -> again());
  }

  private void again() {
    if (getScene() != null && model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    Map<String, RectifierChange> changes = renew.changesProperty().get();
    fill(
        rectifiers,
        renew.rectifiers(),
        "replace.rectifier.none",
        r ->
            rectifiers
                .getChildren()
                .add(rectifier(job, r, Optional.ofNullable(changes.get(r.id())))));
  }

  private VBox rectifier(Job job, SupplyRectifier r, Optional<RectifierChange> change) {
    VBox box =
        column(
            text(
                r.name()
                    + "  "
                    + r.part()
                        .map(p -> p + " " + job.part(p).map(x -> x.marking()).orElse(""))
                        .orElse(""),
                "renew-name"),
            text(
                (r.make() == RectifierTechnology.UNSTATED
                        ? ""
                        : model().words().word(r.make()) + ", ")
                    + model().words().word(r.scheme()),
                "quiet"));
    box.getStyleClass().add("renew-card");
    if (r.make().modern()) {
      box.getChildren().add(text(Labels.of("replace.rectifier.silicon")));
      return box;
    }
    if (r.make().poisonsWhenBurning()) {
      box.getChildren()
          .add(text(Labels.of("replace.rectifier.selenium"), "caution", "caution-danger"));
    }
    box.getChildren()
        .add(
            new FlowPane(
                button(
                    "replace.rectifier.work",
                    "rectifier-work-" + r.id(),
                    () -> renew.workRectifier(r))));
    change.ifPresent(c -> figures(c, box));
    box.getChildren().add(decision(job, r, change));
    return box;
  }

  private void figures(RectifierChange c, VBox box) {
    box.getChildren()
        .addAll(
            text(
                Labels.of(
                    "replace.rectifier.volts",
                    Quantity.volts(c.drawnVolts()),
                    Quantity.volts(c.bareVolts()))),
            text(
                c.standard() > 0
                    ? Labels.of(
                        "replace.rectifier.resistor",
                        Quantity.ohms(c.ohms()),
                        Quantity.ohms(c.standard()),
                        Quantity.volts(c.volts()),
                        Quantity.watts(c.watts()),
                        Quantity.watts(2 * c.watts()))
                    : Labels.of("replace.rectifier.no-resistor"),
                "strong-note"),
            text(
                Labels.of(
                    "replace.rectifier.inverse",
                    Quantity.volts(c.inverseVolts()),
                    Quantity.volts(RectifierChange.INVERSE_MARGIN * c.inverseVolts()))),
            text(
                Labels.of(
                    "replace.rectifier.surge",
                    Quantity.amperes(c.surge().before()),
                    Quantity.amperes(c.surge().bare()),
                    Quantity.amperes(c.surge().after()))));
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sums");
    int column = 0;
    for (String key : List.of("part", "before", "after", "rated")) {
      grid.add(text(Labels.of("replace.rectifier." + key), "quiet"), column++, 0);
    }
    int row = 1;
    for (RectifierChange.Cold k : c.cold()) {
      grid.addRow(
          row++,
          text(k.part().toString(), "lane-ref"),
          text(Quantity.volts(k.before()).toString(), "figure"),
          text(Quantity.volts(k.after()).toString(), "figure"),
          text(
              k.ratedVolts().isPresent()
                  ? Quantity.volts(k.ratedVolts().getAsDouble()).toString()
                  : "—",
              "figure"),
          text(k.over() ? Labels.of("replace.rectifier.over") : "", "point-against"));
    }
    box.getChildren().addAll(text(Labels.of("replace.rectifier.cold"), "section-title"), grid);
  }

  private VBox decision(Job job, SupplyRectifier r, Optional<RectifierChange> change) {
    Optional<RectifierSwap> now =
        job.items(RectifierSwap.class).stream()
            .filter(s -> s.rectifier().equals(r.name()))
            .findFirst();
    TextField filament = new TextField(now.map(RectifierSwap::filament).orElse(""));
    filament.setId("rectifier-filament-" + r.id());
    filament.setPromptText(Labels.of("replace.rectifier.filament"));
    filament.setAccessibleText(Labels.of("replace.rectifier.filament"));
    VBox box =
        column(
            text(
                now.map(s ->
                        Labels.of(
                                s.swapped()
                                    ? "replace.rectifier.swapped"
                                    : "replace.rectifier.kept")
                            + (s.seriesOhms().isPresent()
                                ? "  " + Quantity.ohms(s.seriesOhms().getAsDouble())
                                : "")
                            + (s.filament().isEmpty() ? "" : "  " + s.filament()))
                    .orElse(Labels.of("replace.rectifier.undecided")),
                "strong-note"));
    OptionalDouble series =
        change
            .filter(c -> c.standard() > 0)
            .map(c -> OptionalDouble.of(c.standard()))
            .orElse(OptionalDouble.empty());
    FlowPane buttons =
        new FlowPane(
            button(
                "replace.rectifier.keep",
                "rectifier-keep-" + r.id(),
                () -> decide(r, false, OptionalDouble.empty(), "")),
            button(
                "replace.rectifier.swap",
                "rectifier-swap-" + r.id(),
                () -> {
                  if (change.isEmpty()) {
                    model().tell(Labels.of("replace.rectifier.first"), true);
                  } else {
                    decide(r, true, series, filament.getText().strip());
                  }
                }));
    buttons.getStyleClass().add("line-form");
    box.getChildren()
        .addAll(text(Labels.of("replace.rectifier.filament-how"), "quiet"), filament, buttons);
    return box;
  }

  private void decide(SupplyRectifier r, boolean swapped, OptionalDouble ohms, String filament) {
    model()
        .made(() -> {
          double volts =
              Optional.ofNullable(renew.changesProperty().get().get(r.id()))
                  .map(c -> RectifierChange.INVERSE_MARGIN * c.inverseVolts())
                  .orElse(0.0);
          String diodes =
              ohms.isPresent()
                  ? Labels.of(
                      "replace.rectifier.task-diodes",
                      Quantity.volts(volts),
                      Quantity.ohms(ohms.getAsDouble()))
                  : Labels.of("replace.rectifier.task-bare", Quantity.volts(volts));
          renew.decide(
              new RectifierSwap(RectifierSwap.idOf(r), r.name(), swapped, ohms, filament),
              Labels.of(
                  "replace.rectifier.task",
                  diodes,
                  r.name(),
                  filament.isEmpty() ? Labels.of("replace.rectifier.filament-usual") : filament));
        });
  }
}
