package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.trace.ToleranceRuns;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Columns;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.drawing.WaveChart;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the supply has to spare: headroom of its regulators, the first surge, and what tolerances
 * make of its rails.
 */
final class MarginsPage extends Page {
  private static final int BINS = 24;
  private static final double OUTER = 0.025;

  private final TraceModel trace;
  private final Columns margins = columns();
  private final VBox spread = column();
  private final MarkPane histogram = new MarkPane("histogram");
  private final ComboBox<String> point = new ComboBox<>();
  private final ProgressBar progress = new ProgressBar();

  MarginsPage(DeskModel model) {
    super(model);
    trace = model.trace();
    progress.visibleProperty().bind(Bound.number(trace.progressProperty()).greaterThanOrEqualTo(0));
    progress.progressProperty().bind(Bound.number(trace.progressProperty()));
    point.setId("spread-point");
    point.setAccessibleText(Labels.of("readings.point"));
    point.valueProperty().addListener((_, _, _) -> histogram());
    histogram.setPrefHeight(200);
    histogram.managedProperty().bind(histogram.visibleProperty());
    point.managedProperty().bind(point.visibleProperty());
    Button stop = button("suspects.stop", "margins-stop", trace::stop);
    stop.visibleProperty().bind(progress.visibleProperty());
    HBox head =
        new HBox(
            button("margins.ask", "margins-ask", trace::margins),
            button("margins.spread", "spread-ask", trace::spread),
            progress,
            stop);
    head.getStyleClass().add("item-row");
    add(
        head,
        margins,
        heading("margins.spread.title"),
        columns(column(spread), column(point, histogram)),
        text(Labels.of("margins.how"), "quiet"));
    trace.marginsProperty().addListener((_, _, _) -> showIfOpen());
    trace.runsProperty().addListener((_, _, _) -> showIfOpen());
  }

  private void showIfOpen() {
    if (model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    List<TraceModel.Margins> all = trace.marginsProperty().get();
    margins.set(
        all.isEmpty()
            ? List.of(
                text(Labels.of(trace.onTrial() ? "margins.none.trial" : "margins.none"), "quiet"))
            : all.stream().map(MarginsBlock::new).toList());
    spread.getChildren().clear();
    trace
        .runsProperty()
        .get()
        .ifPresentOrElse(
            r -> {
              spread
                  .getChildren()
                  .add(text(Labels.of("margins.runs", r.runs(), r.failed()), "quiet"));
              r.rails()
                  .forEach(rail ->
                      spread
                          .getChildren()
                          .add(
                              text(
                                  Labels.of(
                                      "margins.rail",
                                      rail.point(),
                                      Quantity.volts(
                                          ToleranceRuns.Rail.quantile(rail.dcVolts(), OUTER)),
                                      Quantity.volts(
                                          ToleranceRuns.Rail.quantile(rail.dcVolts(), 0.5)),
                                      Quantity.volts(
                                          ToleranceRuns.Rail.quantile(rail.dcVolts(), 1 - OUTER)),
                                      Quantity.volts(
                                          ToleranceRuns.Rail.quantile(
                                              rail.rippleRms(), 1 - OUTER))))));
              List<String> names = r.rails().stream().map(ToleranceRuns.Rail::point).toList();
              if (!point.getItems().equals(names)) {
                point.getItems().setAll(names);
                point.setValue(names.isEmpty() ? null : names.getFirst());
              }
            },
            () -> spread.getChildren().add(text(Labels.of("margins.spread.none"), "quiet")));
    boolean ran = trace.runsProperty().get().isPresent();
    point.setVisible(ran);
    histogram.setVisible(ran);
    histogram();
  }

  private void histogram() {
    trace
        .runsProperty()
        .get()
        .flatMap(
            r -> r.rails().stream().filter(x -> x.point().equals(point.getValue())).findFirst())
        .ifPresent(rail -> {
          List<Double> volts = rail.dcVolts();
          double low = volts.getFirst();
          double step = Math.max(1e-9, (volts.getLast() - low) / BINS);
          double[] counts = new double[BINS];
          volts.forEach(v -> counts[(int) Math.clamp((v - low) / step, 0, BINS - 1)]++);
          List<Double> bars = new ArrayList<>();
          List<String> words = new ArrayList<>();
          for (int k = 0; k < BINS; k++) {
            bars.add(counts[k]);
            words.add(k % 6 == 0 ? Quantity.volts(low + k * step).toString() : "");
          }
          histogram.show(
              (width, height, em) -> WaveChart.bars(bars, words, Unit.RATIO, width, height, em));
        });
  }
}
