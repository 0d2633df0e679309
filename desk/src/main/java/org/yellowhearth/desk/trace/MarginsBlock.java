package org.yellowhearth.desk.trace;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.trace.ConverterFigures;
import org.yellowhearth.core.trace.Headroom;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.RegulatorHeat;
import org.yellowhearth.core.trace.WarmUp;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * One supply's margins: what its rectifiers stand, the first minute, its regulators and converters.
 */
final class MarginsBlock extends VBox {
  private final TraceModel.Margins margins;

  MarginsBlock(TraceModel.Margins margins) {
    this.margins = margins;
    getStyleClass().add("page-column");
    setMinWidth(0);
    getChildren()
        .add(
            Page.text(
                Labels.of(margins.trial() ? "margins.trial" : "margins.title"), "section-title"));
    margins.inrush().ifPresent(this::inrush);
    rails();
    margins.warmUp().races().forEach(this::race);
    if (margins.headroom().isEmpty()) {
      getChildren().add(Page.text(Labels.of("margins.no-regulator"), "quiet"));
    }
    margins.headroom().forEach(this::headroom);
    margins.converters().forEach(this::converter);
  }

  private static GridPane grid(String... heads) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sums");
    for (int k = 0; k < heads.length; k++) {
      grid.add(cell(Labels.of(heads[k]), "quiet"), k, 0);
    }
    return grid;
  }

  /** A cell does not wrap: the grid would not know its own height. */
  private static Label cell(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setMinWidth(USE_PREF_SIZE);
    return label;
  }

  private static String seconds(OptionalDouble seconds) {
    return seconds.isPresent()
        ? Quantity.of(seconds.getAsDouble(), Unit.SECOND).toString()
        : Labels.of("margins.never");
  }

  /** The legs of a rectifier do alike: the one that surges most speaks for it. */
  private void inrush(Inrush i) {
    Map<String, Inrush.Stress> worst = new LinkedHashMap<>();
    i.stresses()
        .forEach(s ->
            worst.merge(
                s.device().replaceAll("\\.\\d+$", ""),
                s,
                (a, b) -> b.surgeAmperes() > a.surgeAmperes() ? b : a));
    GridPane grid =
        grid(
            "margins.rectifier",
            "margins.mean",
            "margins.peak",
            "margins.surge",
            "margins.square",
            "margins.inverse",
            "margins.used");
    worst.forEach((name, s) -> {
      String used =
          s.used().isPresent()
              ? Quantity.percent(s.used().getAsDouble()).toString()
              : Labels.of("margins.unrated");
      grid.addRow(
          grid.getRowCount(),
          cell(name, "strong-note"),
          figure(Quantity.amperes(s.meanAmperes())),
          figure(Quantity.amperes(s.peakAmperes())),
          figure(Quantity.amperes(s.surgeAmperes())),
          figure(Quantity.ratio(s.surgeSquareSeconds())),
          figure(Quantity.volts(s.inverseVolts())),
          cell(
              used,
              s.used().orElse(0) > 1 ? "outcome-bad" : s.used().isPresent() ? "figure" : "quiet"));
    });
    getChildren()
        .addAll(
            grid,
            Page.text(Labels.of("margins.inrush", Math.round(i.worstPhaseDegrees())), "quiet"));
    worst.values().stream()
        .flatMap(s -> s.rating().stream())
        .findFirst()
        .ifPresent(_ -> getChildren().add(Page.text(Labels.of("margins.rating"), "quiet")));
  }

  private static Label figure(Quantity quantity) {
    return cell(quantity.toString(), "figure");
  }

  private void rails() {
    GridPane grid =
        grid("margins.rail-head", "margins.cold", "margins.way", "margins.steady", "margins.after");
    List<Inrush.Rail> cold = margins.inrush().map(Inrush::rails).orElse(List.of());
    for (WarmUp.Rail r : margins.warmUp().rails()) {
      String hot =
          cold.stream()
              .filter(c -> c.name().equals(r.name()))
              .map(c -> Quantity.volts(c.highestVolts()).toString())
              .findFirst()
              .orElse("");
      grid.addRow(
          grid.getRowCount(),
          cell(r.name(), "strong-note"),
          cell(hot, "figure"),
          figure(Quantity.volts(r.highestVolts())),
          figure(Quantity.volts(Math.abs(r.steadyVolts()))),
          cell(seconds(r.secondsToNineTenths()), "figure"));
    }
    getChildren().add(grid);
  }

  private void race(WarmUp.Race r) {
    getChildren()
        .add(
            Page.text(
                Labels.of(
                    "margins.race",
                    r.stage(),
                    r.bias(),
                    seconds(r.cold().drawsAt()),
                    seconds(r.cold().biasAt()),
                    seconds(r.warm().drawsAt()),
                    seconds(r.warm().biasAt()))));
    Stream.of(r.cold(), r.warm())
        .filter(WarmUp.Start::overdriven)
        .max(Comparator.comparingDouble(WarmUp.Start::mostTimes))
        .ifPresentOrElse(
            s ->
                getChildren()
                    .add(
                        Page.text(
                            Labels.of(
                                r.cold().overdriven()
                                    ? "margins.bias-late"
                                    : "margins.bias-late-warm",
                                Quantity.ratio(Math.round(10 * s.mostTimes()) / 10.0)),
                            "outcome-doubtful")),
            () -> getChildren().add(Page.text(Labels.of("margins.bias-first"), "quiet")));
  }

  private void headroom(Headroom h) {
    if (!h.known()) {
      getChildren().add(Page.text(Labels.of("margins.unknown", h.regulator())));
      return;
    }
    getChildren()
        .add(
            Page.text(
                Labels.of(
                    "margins.headroom",
                    h.regulator(),
                    Quantity.volts(h.lowestInput()),
                    Quantity.volts(h.spare()),
                    Quantity.watts(h.watts())),
                h.spare() > 0 ? "suspect" : "outcome-bad"));
    getChildren()
        .add(
            Page.text(
                h.spare() <= 0
                    ? Labels.of("margins.dips")
                    : h.keeps().isEmpty()
                        ? Labels.of("margins.plenty")
                        : Labels.of("margins.keeps", Quantity.percent(h.keeps().get())),
                "quiet"));
    margins.heat().stream().filter(x -> x.regulator().equals(h.regulator())).forEach(this::heat);
  }

  private void heat(RegulatorHeat h) {
    getChildren()
        .add(
            Page.text(
                Labels.of(
                    "margins.heat",
                    Quantity.of((double) Math.round(h.junctionCelsius()), Unit.CELSIUS),
                    Quantity.of(h.aroundCelsius(), Unit.CELSIUS),
                    Quantity.of(h.mostCelsius(), Unit.CELSIUS)),
                h.tooHot() ? "outcome-bad" : "quiet"));
  }

  private void converter(ConverterFigures c) {
    getChildren()
        .add(
            Page.text(
                Labels.of(
                    "margins.converter",
                    c.name(),
                    Quantity.watts(c.inputWatts()),
                    Quantity.volts(c.lowestBus())),
                "suspect"));
    c.start()
        .ifPresent(s ->
            getChildren()
                .add(
                    Page.text(
                        s.seconds().isEmpty()
                            ? Labels.of("margins.start.never")
                            : Labels.of(
                                s.holds() ? "margins.start.holds" : "margins.start.falls",
                                seconds(s.seconds()),
                                Quantity.farads(s.leastFarads()),
                                Quantity.farads(s.farads())),
                        s.holds() ? "quiet" : "outcome-bad")));
    if (!c.outputs().isEmpty()) {
      GridPane grid =
          grid(
              "margins.output",
              "margins.out.ripple",
              "margins.out.amperes",
              "margins.out.esr",
              "margins.out.heat");
      c.outputs()
          .forEach(o ->
              grid.addRow(
                  grid.getRowCount(),
                  cell(o.name() + ", " + o.capacitor().part(), "strong-note"),
                  figure(Quantity.volts(o.ripple().peakToPeak())),
                  figure(Quantity.amperes(o.ripple().capacitorAmperes())),
                  figure(Quantity.ohms(o.capacitor().esrOhms())),
                  figure(Quantity.watts(o.watts()))));
      getChildren().add(grid);
    }
    getChildren().add(Page.text(Labels.of("margins.converter.care"), "outcome-doubtful"));
  }
}
