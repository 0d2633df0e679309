package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.InPlace;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.publishing.drawing.River;
import org.yellowhearth.publishing.drawing.WaveChart;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * At the right of Trace: the point or part that is looked at, its wave, its figures beside those of
 * the drawing, and what can be tried.
 */
final class TraceDetails extends ScrollPane {
  private static final int HARMONICS = 6;
  private static final double DANGEROUS = 60;
  private static final double FIRST_COLUMN = 72;
  private static final double METER_HERTZ = 100;

  private final DeskModel model;
  private final TraceModel trace;
  private final VBox content = new VBox();
  private final MarkPane wave = new MarkPane("detail-wave");
  private final MarkPane spectrum = new MarkPane("detail-spectrum");
  private final GridPane figures = new GridPane();
  private String shown = "";

  TraceDetails(DeskModel model) {
    this.model = model;
    this.trace = model.trace();
    getStyleClass().add("reasons");
    content.getStyleClass().add("reasons-content");
    figures.getStyleClass().add("findings");
    figures.setId("trace-figures");
    ColumnConstraints first = new ColumnConstraints();
    first.setHgrow(Priority.ALWAYS);
    first.setMinWidth(FIRST_COLUMN);
    ColumnConstraints figure = new ColumnConstraints();
    figure.setHalignment(HPos.RIGHT);
    figure.setMinWidth(Region.USE_PREF_SIZE);
    figures.getColumnConstraints().addAll(first, figure, figure, figure);
    setContent(content);
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    trace.workedProperty().addListener((_, _, _) -> show());
    trace.chosenProperty().addListener((_, _, _) -> show());
    trace
        .trialProperty()
        .addListener((_, was, is) -> {
          if (was.isPresent() != is.isPresent()) {
            show();
          } else {
            refresh();
          }
        });
    show();
  }

  private Optional<SupplyFigures> now() {
    return trace
        .trialProperty()
        .get()
        .or(() -> trace.workedProperty().get().flatMap(TraceModel.Worked::nowFigures));
  }

  private void show() {
    content.getChildren().clear();
    shown = trace.chosenProperty().get();
    if (trace.workedProperty().get().isEmpty()
        || now().flatMap(SupplyFigures::waveforms).isEmpty()) {
      content.getChildren().add(Page.text(Labels.of("trace.details.none"), "reasons-quiet"));
      return;
    }
    boolean point = point(shown);
    boolean element = !point && !knobs(trace, shown).isEmpty();
    if (!point && !element) {
      shown = trace.points().stream().findFirst().orElse("");
      point = true;
    }
    content
        .getChildren()
        .add(Page.text(point ? Labels.of("trace.point", shown) : title(shown), "reasons-part"));
    wave.setPrefHeight(9 * 14);
    content.getChildren().add(wave);
    if (point) {
      content
          .getChildren()
          .addAll(Page.text(Labels.of("trace.spectrum"), "reasons-heading"), spectrum);
      spectrum.setPrefHeight(7 * 14);
    }
    content.getChildren().add(figures);
    if (!point) {
      inPlace();
      tries();
      origins();
    }
    content
        .getChildren()
        .addAll(
            Page.text(Labels.of("reasons.worked"), "reasons-heading"),
            Page.text(how(), "reasons-text"));
    double volts = highest();
    if (volts > DANGEROUS) {
      Label care = Page.text(Labels.of("trace.lethal", Quantity.volts(volts)), "reasons-text");
      VBox box = new VBox(care);
      box.getStyleClass().addAll("caution", "caution-danger");
      content.getChildren().add(box);
    }
    refresh();
    setVvalue(0);
  }

  private boolean point(String name) {
    return trace.workedProperty().get().map(w -> w.now().readable().contains(name)).orElse(false);
  }

  private String title(String element) {
    return model.job().census().stream()
        .filter(p -> p.ref().toString().equals(element))
        .findFirst()
        .map(p -> element + ", " + new Describe(model.words()).value(p))
        .orElse(element);
  }

  private double highest() {
    return now()
        .map(f ->
            f.points().stream()
                .mapToDouble(p -> Math.abs(p.dcVolts()) + p.ripplePeakToPeak() / 2)
                .max()
                .orElse(0))
        .orElse(0.0);
  }

  private String how() {
    return trace
        .workedProperty()
        .get()
        .flatMap(w -> w.now().supply())
        .map(s ->
            Labels.of(
                "trace.how",
                Quantity.volts(s.mains().volts()),
                Quantity.hertz(s.mains().hertz()),
                now().flatMap(SupplyFigures::waveforms).map(Waveforms::iterations).orElse(0)))
        .orElse("");
  }

  /** Wave and figures only: sliders that are being dragged stay. */
  private void refresh() {
    now()
        .flatMap(SupplyFigures::waveforms)
        .ifPresent(w -> {
          Optional<Waveforms> drawn =
              trace
                  .workedProperty()
                  .get()
                  .flatMap(TraceModel.Worked::drawnFigures)
                  .flatMap(SupplyFigures::waveforms);
          boolean point = point(shown);
          String name = shown;
          Function<Waveforms, Wave> of =
              point ? f -> f.voltage(name) : f -> f.current(element(name));
          Wave here = of.apply(w);
          List<WaveChart.Curve> curves = new ArrayList<>();
          drawn.ifPresent(
              d -> curves.add(new WaveChart.Curve(River.twice(of.apply(d)), "wave-drawn")));
          curves.add(new WaveChart.Curve(River.twice(here), "wave-now"));
          Unit up = point ? Unit.VOLT : Unit.AMPERE;
          wave.show((width, height, em) ->
              WaveChart.waves(curves, 2 * here.period(), Unit.SECOND, up, width, height, em));
          wave.setAccessibleText(name + " " + Quantity.of(here.mean(), up));
          if (point) {
            List<Double> amplitudes =
                IntStream.rangeClosed(1, HARMONICS).mapToObj(here::harmonic).toList();
            double hertz = 1 / here.period();
            List<String> words =
                IntStream.rangeClosed(1, HARMONICS)
                    .mapToObj(k -> String.format(Locale.ROOT, "%.0f", k * hertz))
                    .toList();
            spectrum.show((width, height, em) ->
                WaveChart.bars(amplitudes, words, Unit.VOLT, width, height, em));
          }
        });
    table();
  }

  /**
   * The element whose current is shown for what was chosen: a rectifier by its first leg, a winding
   * by its source.
   */
  private String element(String chosen) {
    List<String> names =
        now()
            .map(f -> f.parts().stream().map(SupplyFigures.Load::element).toList())
            .orElse(List.of());
    return names.contains(chosen)
        ? chosen
        : names.stream()
            .filter(n -> n.startsWith(chosen + ".") || n.equals(chosen + "a"))
            .findFirst()
            .orElse(
                names.stream()
                    .filter(n -> n.equals("transformer") || n.equals("mains"))
                    .findFirst()
                    .orElse(names.getFirst()));
  }

  private void table() {
    figures.getChildren().clear();
    boolean trying = trace.trialProperty().get().isPresent();
    row(
        0,
        "",
        Labels.of("trace.drawn"),
        Labels.of("trace.now"),
        trying ? Labels.of("trace.trial") : "");
    if (point(shown)) {
      point("trace.dc", SupplyFigures.Point::dcVolts);
      point("trace.pp", SupplyFigures.Point::ripplePeakToPeak);
      point("trace.rms", SupplyFigures.Point::rippleRms);
      point("trace.average", SupplyFigures.Point::rippleAverage);
      model
          .openProperty()
          .get()
          .ifPresent(o ->
              Readings.newest(o.job()).stream()
                  .filter(r -> r.point().equals(shown))
                  .forEach(r ->
                      row(
                          figures.getRowCount(),
                          Labels.of("trace.read", model.words().word(r.kind())),
                          "",
                          Quantity.volts(r.volts()).toString(),
                          "")));
      return;
    }
    load("trace.mean", Unit.AMPERE, l -> OptionalDouble.of(l.meanAmperes()));
    load("trace.current", Unit.AMPERE, l -> OptionalDouble.of(l.rmsAmperes()));
    load("trace.peak", Unit.AMPERE, l -> OptionalDouble.of(l.peakAmperes()));
    load("trace.most", Unit.VOLT, l -> OptionalDouble.of(l.mostVolts()));
    load("trace.inverse", Unit.VOLT, l -> OptionalDouble.of(l.inverseVolts()));
    load("trace.watts", Unit.WATT, SupplyFigures.Load::watts);
    model
        .openProperty()
        .get()
        .flatMap(o ->
            o.job().census().stream().filter(p -> p.ref().toString().equals(shown)).findFirst())
        .filter(Capacitor.class::isInstance)
        .map(p -> ((Capacitor) p).ratedVolts())
        .filter(OptionalDouble::isPresent)
        .ifPresent(v ->
            row(
                figures.getRowCount(),
                Labels.of("trace.rated"),
                "",
                Quantity.volts(v.getAsDouble()).toString(),
                ""));
  }

  private void row(int at, String... texts) {
    for (int k = 0; k < texts.length; k++) {
      figures.add(
          Page.text(texts[k], at == 0 ? "findings-head" : k == 0 ? "reasons-quiet" : "figure"),
          k,
          at);
    }
  }

  private void point(String label, ToDoubleFunction<SupplyFigures.Point> of) {
    compare(
        label,
        f ->
            f.points().stream()
                .filter(p -> p.name().equals(shown))
                .findFirst()
                .map(p -> Quantity.volts(of.applyAsDouble(p)).toString())
                .orElse(""));
  }

  private void load(String label, Unit unit, Function<SupplyFigures.Load, OptionalDouble> of) {
    String name = element(shown);
    compare(
        label,
        f ->
            f.parts().stream()
                .filter(p -> p.element().equals(name))
                .findFirst()
                .map(p ->
                    of.apply(p).isPresent()
                        ? Quantity.of(of.apply(p).getAsDouble(), unit).toString()
                        : "")
                .orElse(""));
  }

  private void compare(String label, Function<SupplyFigures, String> of) {
    Optional<TraceModel.Worked> w = trace.workedProperty().get();
    row(
        figures.getRowCount(),
        Labels.of(label),
        w.flatMap(TraceModel.Worked::drawnFigures).map(of).orElse(""),
        w.flatMap(TraceModel.Worked::nowFigures).map(of).orElse(""),
        trace.trialProperty().get().map(of).orElse(""));
  }

  // --- on trial
  // ------------------------------------------------------------------------------------------------------------

  /** What can be tried on an element, the most telling first. */
  static List<Parameter> knobs(TraceModel trace, String element) {
    return List.of(
            Which.CAPACITANCE,
            Which.INDUCTANCE,
            Which.RESISTANCE,
            Which.CONDUCTANCE,
            Which.LOAD,
            Which.EMISSION,
            Which.HELD_VOLTS,
            Which.WINDING_VOLTS,
            Which.WINDING_RESISTANCE,
            Which.SERIES_RESISTANCE,
            Which.LEAKAGE_RESISTANCE)
        .stream()
        .map(w -> new Parameter(element, w))
        .filter(k -> trace.original(k).isPresent())
        .toList();
  }

  private void tries() {
    content.getChildren().add(Page.text(Labels.of("trace.try"), "reasons-heading"));
    List<Parameter> all = new ArrayList<>(knobs(trace, shown));
    all.add(new Parameter(Parameter.MAINS, Which.MAINS_VOLTS));
    all.forEach(this::slider);
    content.getChildren().add(Page.quiet("trace.leave", trace::leaveTrial));
  }

  private void slider(Parameter knob) {
    double original = trace.original(knob).orElse(Double.NaN);
    if (!(original > 0)) {
      return;
    }
    Unit unit = unit(knob);
    double low =
        knob.which() == Which.MAINS_VOLTS
            ? -0.3
            : knob.which() == Which.LEAKAGE_RESISTANCE ? Math.log10(100 / original) : -2;
    double high =
        knob.which() == Which.MAINS_VOLTS
            ? 0.1
            : knob.which() == Which.SERIES_RESISTANCE
                ? 2.5
                : knob.which() == Which.LEAKAGE_RESISTANCE ? 0 : 1;
    double now = trace.value(knob).orElse(original);
    Slider slider = new Slider(low, high, Math.clamp(Math.log10(now / original), low, high));
    slider.setId("try-" + knob.which().code());
    slider.setAccessibleText(model.words().word(knob.which()));
    slider.setMinWidth(40);
    HBox.setHgrow(slider, Priority.ALWAYS);
    TextField field = new TextField(text(now, unit));
    field.setPrefColumnCount(6);
    field.setMinWidth(60);
    field.setId("try-" + knob.which().code() + "-text");
    slider
        .valueProperty()
        .addListener((_, _, v) -> {
          double value = original * Math.pow(10, v.doubleValue());
          field.setText(text(value, unit));
          trace.attempt(knob, value);
        });
    field.setOnAction(_ ->
        model.made(() -> {
          OptionalDouble typed = measure(unit).read(field.getText());
          double value = unit == Unit.PERCENT ? typed.orElse(100) / 100 : typed.orElse(original);
          if (!(value > 0)) {
            throw new IllegalArgumentException(Labels.of("trace.try.bad"));
          }
          trace.attempt(knob, value);
        }));
    HBox line = new HBox(slider, field);
    line.getStyleClass().add("item-row");
    content
        .getChildren()
        .addAll(Page.text(model.words().word(knob.which()), "reasons-quiet"), line);
  }

  static Measure measure(Unit unit) {
    return switch (unit) {
      case FARAD -> Measure.FARADS;
      case HENRY -> Measure.HENRIES;
      case OHM -> Measure.OHMS;
      case VOLT -> Measure.VOLTS;
      case AMPERE -> Measure.AMPERES;
      case WATT -> Measure.WATTS;
      default -> Measure.PLAIN;
    };
  }

  private static String text(double value, Unit unit) {
    return (unit == Unit.PERCENT ? Quantity.ratio(100 * value) : Quantity.of(value, unit))
        .toString();
  }

  private Unit unit(Parameter knob) {
    return unit(model.job(), knob);
  }

  /** The unit of a value: of a load that of its kind, of shares per cent. */
  static Unit unit(Job job, Parameter knob) {
    return switch (knob.which()) {
      case CONDUCTANCE, EMISSION -> Unit.PERCENT;
      case LOAD ->
          job.items(SupplyLoad.class).stream()
              .filter(l -> l.name().equals(knob.element()))
              .findFirst()
              .map(l ->
                  switch (l.kind()) {
                    case RESISTANCE -> Unit.OHM;
                    case CURRENT -> Unit.AMPERE;
                    case POWER -> Unit.WATT;
                  })
              .orElse(Unit.WATT);
      default -> knob.which().unit();
    };
  }

  /** What a meter would show of a capacitor without lifting it, with the set off. */
  private void inPlace() {
    trace
        .workedProperty()
        .get()
        .flatMap(w -> w.now().supply())
        .flatMap(s -> InPlace.of(s, shown, METER_HERTZ))
        .ifPresent(i -> {
          boolean far =
              i.inPlace().farads() < 0
                  || Math.abs(i.inPlace().farads() / i.alone().farads() - 1) > 0.1
                  || Math.abs(i.inPlace().ohms() / i.alone().ohms() - 1) > 0.3;
          content
              .getChildren()
              .addAll(
                  Page.text(Labels.of("trace.in-place"), "reasons-heading"),
                  Page.text(
                      Labels.of(
                          "trace.in-place.shows",
                          Quantity.farads(Math.abs(i.alone().farads())),
                          Quantity.ohms(i.alone().ohms()),
                          Quantity.farads(Math.abs(i.inPlace().farads())),
                          Quantity.ohms(i.inPlace().ohms())),
                      "reasons-text"),
                  Page.text(
                      Labels.of(far ? "trace.in-place.far" : "trace.in-place.near"),
                      far ? "outcome-doubtful" : "reasons-quiet"));
        });
  }

  /** Every value of the element with where it comes from. */
  private void origins() {
    List<ModelValue> values =
        trace
            .workedProperty()
            .get()
            .map(w -> w.now().values().stream().filter(v -> v.element().equals(shown)).toList())
            .orElse(List.of());
    if (!values.isEmpty()) {
      content.getChildren().add(Page.text(Labels.of("trace.origins"), "reasons-heading"));
      values.forEach(v ->
          content
              .getChildren()
              .add(
                  Page.text(
                      model.words().word(v.which())
                          + " "
                          + v.value()
                          + ", "
                          + model.words().word(v.origin()),
                      "reasons-text")));
    }
  }
}
