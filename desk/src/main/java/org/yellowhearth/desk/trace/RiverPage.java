package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.geometry.Orientation;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.ConverterFigures;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.drawing.River;
import org.yellowhearth.publishing.drawing.SupplySymbols;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The voltage river over the supply it flows through. A symbol that is dragged up or down changes
 * its value on trial.
 */
final class RiverPage extends BorderPane {
  private static final double USUAL_METER = 0.02;
  private static final double DECADE_PIXELS = 140;
  private static final double KEY_STEP = 1.12;

  private final DeskModel model;
  private final TraceModel trace;
  private final MarkPane river = new MarkPane("river");
  private final DrawingPane drawing = new DrawingPane("supply-drawing", "symbol-", this::prepare);
  private final Label empty = Page.text("", "empty-state");
  private final SplitPane split;

  RiverPage(DeskModel model) {
    this.model = model;
    this.trace = model.trace();
    ScrollPane scroll = new ScrollPane(drawing);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    river.setId("river");
    river.setOnMouseClicked(e ->
        shown()
            .pointAt(e.getX(), river.getWidth(), river.em())
            .ifPresent(p -> trace.chosenProperty().set(p)));
    split = new SplitPane(river, scroll);
    split.setOrientation(Orientation.VERTICAL);
    split.setDividerPositions(0.6);
    split.getStyleClass().add("quiet-split");
    setCenter(new VBox(empty));
    trace.workedProperty().addListener((_, _, _) -> show());
    trace.trialProperty().addListener((_, _, _) -> drawRiver());
    trace.chosenProperty().addListener((_, _, _) -> show());
    drawing.whenTextChanges(this::show);
  }

  private List<SupplySection> sections() {
    return model
        .openProperty()
        .get()
        .map(o -> o.job().items(SupplySection.class))
        .orElse(List.of());
  }

  void show() {
    if (model.openProperty().get().isEmpty()) {
      return;
    }
    Optional<String> why = why();
    empty.setText(why.orElse(""));
    List<SupplySection> sections = sections();
    boolean something = !sections.isEmpty();
    setCenter(something ? split : new VBox(empty));
    setBottom(something && why.isPresent() ? Page.text(why.get(), "echo-trouble") : null);
    if (!something) {
      return;
    }
    drawing.show(sections, values());
    drawRiver();
  }

  private Optional<String> why() {
    Optional<TraceModel.Worked> w = trace.workedProperty().get();
    if (w.isEmpty()) {
      return Optional.of(Labels.of(sections().isEmpty() ? "trace.nothing" : "trace.working"));
    }
    if (!w.get().now().missing().isEmpty()) {
      return Optional.of(
          sections().isEmpty()
              ? Labels.of("trace.nothing")
              : String.join(
                  " ", w.get().now().missing().stream().map(m -> model.words().say(m)).toList()));
    }
    return w.get().nowFigures().flatMap(SupplyFigures::trouble).map(m -> model.words().say(m));
  }

  /** The most telling value of each element, as the model has it. */
  Function<String, String> values() {
    return values(trace, sections());
  }

  static Function<String, String> values(TraceModel trace, List<SupplySection> sections) {
    Optional<SupplyModel> now = trace.workedProperty().get().map(TraceModel.Worked::now);
    return element ->
        now.map(n ->
                n.values().stream()
                    .filter(v -> v.element().equals(element))
                    .filter(v ->
                        switch (v.which()) {
                          case CAPACITANCE, RESISTANCE, INDUCTANCE, DROP, DROPOUT -> true;
                          default -> false;
                        })
                    .map(v -> v.value().toString())
                    .findFirst()
                    .orElseGet(() -> typed(sections, element)))
            .orElse("");
  }

  private static String typed(List<SupplySection> sections, String element) {
    return sections.stream()
        .map(s ->
            switch (s) {
              case SupplyLoad l when l.name().equals(element) ->
                  Quantity.of(
                          l.value(),
                          switch (l.kind()) {
                            case RESISTANCE -> Unit.OHM;
                            case CURRENT -> Unit.AMPERE;
                            case POWER -> Unit.WATT;
                          })
                      .toString();
              case SupplyWinding w when w.name().equals(element) ->
                  (w.tapped() ? "2 × " : "") + Quantity.volts(w.volts());
              case SupplyStage v when v.name().equals(element) ->
                  Quantity.amperes(v.amperes()).toString();
              case SupplyRegulator r when r.name().equals(element) ->
                  Quantity.volts(r.volts()).toString();
              case SupplyOutput o when o.name().equals(element) ->
                  Quantity.amperes(o.amperes()).toString();
              case SupplyOutput o when element.equals("C-" + o.name()) && o.farads().isPresent() ->
                  Quantity.farads(o.farads().getAsDouble()).toString();
              default -> "";
            })
        .filter(t -> !t.isEmpty())
        .findFirst()
        .orElse("");
  }

  /** A symbol is chosen by a click and changed by dragging. */
  private void prepare(Region spot, SupplySymbols.Spot s) {
    if (s.element().equals(trace.chosenProperty().get())) {
      spot.getStyleClass().add("supply-spot-chosen");
    }
    Optional<Parameter> knob = knob(s.element());
    spot.setCursor(knob.isPresent() ? Cursor.V_RESIZE : Cursor.HAND);
    double[] from = new double[2];
    spot.setOnMousePressed(e -> {
      from[0] = e.getSceneY();
      from[1] = knob.map(k -> trace.value(k).orElse(0)).orElse(0.0);
      e.consume();
    });
    spot.setOnMouseDragged(e ->
        knob.filter(_ -> from[1] > 0)
            .ifPresent(k ->
                trace.attempt(
                    k, from[1] * Math.pow(10, (from[0] - e.getSceneY()) / DECADE_PIXELS))));
    spot.setOnMouseClicked(_ -> trace.chosenProperty().set(s.element()));
    spot.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(e, s.element(), knob));
  }

  private void key(KeyEvent e, String element, Optional<Parameter> knob) {
    if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
      trace.chosenProperty().set(element);
      drawing.focus(element);
    } else if (knob.isPresent() && (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN)) {
      double times = e.getCode() == KeyCode.UP ? KEY_STEP : 1 / KEY_STEP;
      trace.value(knob.get()).ifPresent(v -> trace.attempt(knob.get(), v * times));
    } else {
      return;
    }
    e.consume();
  }

  /** What dragging a symbol changes. */
  private Optional<Parameter> knob(String element) {
    return TraceDetails.knobs(trace, element).stream().findFirst();
  }

  private void drawRiver() {
    River r = shown();
    river.setAccessibleText(r.spoken());
    Optional<String> chosen = Optional.of(trace.chosenProperty().get()).filter(c -> !c.isEmpty());
    river.show((width, height, em) -> r.marks(width, height, em, chosen));
  }

  /** The river as it is to be drawn. */
  River shown() {
    Optional<TraceModel.Worked> w = trace.workedProperty().get();
    Optional<SupplyFigures> now =
        trace.trialProperty().get().or(() -> w.flatMap(TraceModel.Worked::nowFigures));
    return new River(
        sections(),
        reaches(w.flatMap(TraceModel.Worked::drawnFigures), w.map(TraceModel.Worked::drawnOutputs)),
        reaches(now, w.map(TraceModel.Worked::nowOutputs)),
        posts());
  }

  /**
   * The points of the supply, and behind its converters their outputs, whose ripple is too fast for
   * a wave over the mains.
   */
  private List<River.Reach> reaches(
      Optional<SupplyFigures> figures, Optional<List<ConverterFigures.Output>> outputs) {
    return Stream.concat(
            figures.map(this::reaches).orElse(List.of()).stream(),
            figures.isEmpty()
                ? Stream.of()
                : outputs.orElse(List.of()).stream()
                    .map(o -> {
                      double half = o.ripple().peakToPeak() / 2;
                      return new River.Reach(
                          o.name(),
                          o.volts(),
                          o.volts() - half,
                          o.volts() + half,
                          List.of(o.volts(), o.volts()));
                    }))
        .toList();
  }

  private List<River.Reach> reaches(SupplyFigures figures) {
    return River.reaches(figures).stream().filter(r -> trace.points().contains(r.point())).toList();
  }

  private List<River.Post> posts() {
    if (model.openProperty().get().isEmpty()) {
      return List.of();
    }
    List<SupplyReading> all = Readings.newest(model.job());
    List<River.Post> posts = new ArrayList<>();
    for (SupplyReading r : all) {
      if (r.kind() == SupplyReading.Kind.DIRECT) {
        String ripple =
            all.stream()
                .filter(a -> a.kind().alternating() && a.point().equals(r.point()))
                .findFirst()
                .map(a -> ", " + Quantity.volts(a.volts()) + " AC")
                .orElse("");
        posts.add(
            new River.Post(
                r.point(),
                r.volts(),
                Math.abs(r.volts()) * r.uncertainty().orElse(USUAL_METER),
                0,
                Quantity.volts(r.volts()) + ripple));
      }
    }
    return posts;
  }
}
