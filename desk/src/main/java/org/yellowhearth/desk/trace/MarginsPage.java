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
import org.yellowhearth.core.trace.Headroom;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.ToleranceRuns;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.charts.WaveChart;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.TraceModel;

/** What the supply has to spare: headroom of its regulators, the first surge, and what tolerances make of its rails. */
final class MarginsPage extends Page {
    private static final int BINS = 24;
    private static final double OUTER = 0.025;

    private final TraceModel trace;
    private final VBox margins = column();
    private final VBox spread = column();
    private final MarkPane histogram = new MarkPane("histogram");
    private final ComboBox<String> point = new ComboBox<>();
    private final ProgressBar progress = new ProgressBar();

    MarginsPage(DeskModel model) {
        super(model);
        trace = model.trace();
        progress.visibleProperty().bind(trace.progressProperty().greaterThanOrEqualTo(0));
        progress.progressProperty().bind(trace.progressProperty());
        point.setId("spread-point");
        point.setAccessibleText(Labels.of("readings.point"));
        point.valueProperty().addListener((_, _, _) -> histogram());
        histogram.setPrefHeight(200);
        Button stop = button("suspects.stop", "margins-stop", trace::stop);
        stop.visibleProperty().bind(progress.visibleProperty());
        HBox head = new HBox(button("margins.ask", "margins-ask", trace::margins),
                button("margins.spread", "spread-ask", trace::spread),
                progress, stop);
        head.getStyleClass().add("item-row");
        add(head,
                columns(column(heading("margins.title"), margins),
                        column(heading("margins.spread.title"), spread, point, histogram)),
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
        margins.getChildren().clear();
        trace.marginsProperty().get().ifPresentOrElse(m -> {
            m.inrush().ifPresent(this::inrush);
            if (m.headroom().isEmpty()) {
                margins.getChildren().add(text(Labels.of("margins.no-regulator"), "quiet"));
            }
            m.headroom().forEach(this::headroom);
        }, () -> margins.getChildren().add(text(Labels.of("margins.none"), "quiet")));
        spread.getChildren().clear();
        trace.runsProperty().get().ifPresentOrElse(r -> {
            spread.getChildren().add(text(Labels.of("margins.runs", r.runs(), r.failed()), "quiet"));
            r.rails().forEach(rail -> spread.getChildren().add(text(Labels.of("margins.rail", rail.point(),
                    Quantity.volts(ToleranceRuns.Rail.quantile(rail.dcVolts(), OUTER)),
                    Quantity.volts(ToleranceRuns.Rail.quantile(rail.dcVolts(), 0.5)),
                    Quantity.volts(ToleranceRuns.Rail.quantile(rail.dcVolts(), 1 - OUTER)),
                    Quantity.volts(ToleranceRuns.Rail.quantile(rail.rippleRms(), 1 - OUTER))))));
            List<String> names = r.rails().stream().map(ToleranceRuns.Rail::point).toList();
            if (!point.getItems().equals(names)) {
                point.getItems().setAll(names);
                point.setValue(names.isEmpty() ? null : names.getFirst());
            }
        }, () -> spread.getChildren().add(text(Labels.of("margins.spread.none"), "quiet")));
        boolean ran = trace.runsProperty().get().isPresent();
        point.setVisible(ran);
        histogram.setVisible(ran);
        histogram();
    }

    private void inrush(Inrush i) {
        margins.getChildren().add(text(Labels.of("margins.inrush", i.rectifier(), Quantity.amperes(i.peakAmperes()),
                Math.round(i.worstPhaseDegrees()))));
        i.rails()
                .forEach(r -> margins.getChildren().add(text(Labels.of("margins.cold", r.name(), Quantity.volts(r.highestVolts()),
                        r.secondsToNineTenths().isPresent()
                                ? Quantity.of(r.secondsToNineTenths().getAsDouble(), Unit.SECOND).toString()
                                : Labels.of("margins.never")))));
    }

    private void headroom(Headroom h) {
        if (!h.known()) {
            margins.getChildren().add(text(Labels.of("margins.unknown", h.regulator())));
            return;
        }
        margins.getChildren().add(text(Labels.of("margins.headroom", h.regulator(), Quantity.volts(h.lowestInput()),
                Quantity.volts(h.spare()), Quantity.watts(h.watts())), h.spare() > 0 ? "suspect" : "outcome-bad"));
        margins.getChildren().add(text(h.spare() <= 0
                ? Labels.of("margins.dips")
                : h.keeps().isEmpty()
                        ? Labels.of("margins.plenty")
                        : Labels.of("margins.keeps", Quantity.percent(h.keeps().get())),
                "quiet"));
    }

    private void histogram() {
        trace.runsProperty().get().flatMap(r -> r.rails().stream().filter(x -> x.point().equals(point.getValue())).findFirst())
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
                    histogram.show((width, height, em) -> WaveChart.bars(bars, words, Unit.RATIO, width, height, em));
                });
    }
}
