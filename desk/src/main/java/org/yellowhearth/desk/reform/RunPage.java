package org.yellowhearth.desk.reform;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reform.DecayFit;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReRise;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.ReformRun.RunPhase;
import org.yellowhearth.core.safety.DischargePlan;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.publishing.drawing.LeakageChart;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReformModel;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.words.Labels;

/**
 * The run of the chosen capacitor: big figures, what is to be done, the curve with its fan, and the
 * switches.
 */
final class RunPage extends VBox {
  private final DeskModel model;
  private final ReformModel reform;
  private final Label volts = new Label();
  private final Label amperes = new Label();
  private final Label celsius = new Label();
  private final Label step = new Label();
  private final Label counsel = Page.text("");
  private final Label more = Page.text("", "quiet");
  private final Label care = Page.text("", "reasons-text");
  private final VBox careBox = new VBox(care);
  private final MarkPane chart = new MarkPane("leakage-chart");
  private final MarkPane stairs = new MarkPane("step-strip");
  private final FlowPane switches = new FlowPane();
  private final AddLine typed;
  private final TextField reason = new TextField();
  private final EndPane end;

  RunPage(DeskModel model, PaperTray tray) {
    this.model = model;
    reform = model.reform();
    end = new EndPane(model, tray);
    end.managedProperty().bind(end.visibleProperty());
    stairs.managedProperty().bind(stairs.visibleProperty());
    getStyleClass().add("run-page");
    FlowPane figures =
        new FlowPane(
            readout("reform.volts", volts),
            readout("reform.amperes", amperes),
            readout("reform.celsius", celsius),
            readout("reform.step", step));
    figures.getStyleClass().add("run-figures");
    counsel.getStyleClass().add("run-counsel");
    counsel.setId("run-counsel");
    careBox.getStyleClass().addAll("caution", "caution-danger");
    careBox.managedProperty().bind(careBox.visibleProperty());
    more.managedProperty().bind(more.textProperty().isNotEmpty());
    VBox.setVgrow(chart, Priority.ALWAYS);
    chart.setMinHeight(90);
    switches.getStyleClass().add("line-form");
    reason.setId("run-reason");
    reason.setPromptText(Labels.of("reform.reason"));
    reason.setAccessibleText(Labels.of("reform.reason"));
    List<TextField> f = new ArrayList<>();
    typed =
        new AddLine(
            model,
            () ->
                model.made(() ->
                    reform.read(
                        ref(),
                        needed(Measure.VOLTS.read(f.get(0).getText())),
                        needed(Measure.AMPERES.read(f.get(1).getText())),
                        Measure.CELSIUS.read(f.get(2).getText()))));
    f.add(typed.field("reform.typed.volts", "run-volts", 6));
    f.add(typed.field("reform.typed.amperes", "run-amperes", 6));
    f.add(typed.field("reform.typed.celsius", "run-celsius", 5));
    typed.button("reform.typed.keep", "run-keep");
    typed.managedProperty().bind(typed.visibleProperty());
    setMinWidth(0);
    // The switch that turns it off stays in sight however large the text is.
    getChildren().addAll(figures, counsel, switches, typed, more, careBox, end, stairs, chart);
  }

  private static VBox readout(String label, Label figure) {
    Label name = new Label(Labels.of(label));
    name.getStyleClass().add("form-label");
    figure.getStyleClass().add("run-figure");
    figure.setMinWidth(USE_PREF_SIZE);
    return new VBox(name, figure);
  }

  private static double needed(OptionalDouble value) {
    return value.orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.typed.needed")));
  }

  private org.yellowhearth.core.part.PartRef ref() {
    return model
        .chosenProperty()
        .get()
        .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-part")));
  }

  void show(Optional<Lane> lane) {
    Optional<ReformRun> run = lane.flatMap(Lane::run);
    setVisible(run.isPresent());
    run.ifPresent(r -> show(lane.get(), r));
  }

  private void show(Lane lane, ReformRun run) {
    Optional<ReformRun.Point> last =
        run.readings().isEmpty() ? Optional.empty() : Optional.of(run.readings().getLast());
    volts.setText(last.map(p -> Quantity.volts(p.volts()).toString()).orElse("—"));
    amperes.setText(last.map(p -> Quantity.amperes(p.amperes()).toString()).orElse("—"));
    celsius.setText(
        last.flatMap(p ->
                p.celsius().isPresent()
                    ? Optional.of(Quantity.of(p.celsius().getAsDouble(), Unit.CELSIUS))
                    : Optional.empty())
            .map(Quantity::toString)
            .orElse("—"));
    step.setText((run.step() + 1) + " / " + run.plan().steps().size());
    counsel(lane, run);
    typed.setVisible(run.phase().on() && lane.channel().isEmpty());
    end.setVisible(lane.ending().isPresent());
    stairs.setVisible(!end.isVisible());
    lane.ending().ifPresent(e -> end.show(lane, run, e));
    chart(lane, run);
    switches(lane, run);
  }

  /** The seconds go on. */
  void tick(Lane lane) {
    if (end.isVisible()) {
      end.tick(lane);
    }
  }

  private void counsel(Lane lane, ReformRun run) {
    Judgement j = lane.judgement().orElseThrow();
    boolean running = run.phase().on();
    String said =
        switch (run.phase()) {
          case RUNNING -> "● " + model.words().word(j.counsel());
          case PROVING ->
              "● "
                  + Labels.of(
                      j.counsel() == Judgement.Counsel.FINISH ? "reform.proved" : "reform.proving");
          case STOPPED ->
              "■ " + Labels.of("reform.stopped", run.rule().map(model.words()::word).orElse(""));
          case DONE -> "✓ " + Labels.of("reform.done");
          case PLANNED, PAUSED, ABORTED ->
              "○ " + model.words().word(run.phase()) + ". " + Labels.of("reform.off");
        };
    counsel.setText(said);
    boolean bad =
        run.phase() == RunPhase.STOPPED
            || j.counsel() == Judgement.Counsel.STOP
            || j.counsel() == Judgement.Counsel.USELESS
            || j.counsel() == Judgement.Counsel.LATE;
    counsel
        .getStyleClass()
        .setAll(
            "label",
            "run-counsel",
            bad ? "run-bad" : running || run.phase() == RunPhase.DONE ? "run-good" : "run-off");
    more.setText(more(run, j));
    care(run);
  }

  private String more(ReformRun run, Judgement j) {
    if (run.phase() != RunPhase.RUNNING) {
      return run.phase() == RunPhase.PAUSED ? reRise(run) : "";
    }
    String gate =
        Labels.of(
            "reform.gate-line",
            Quantity.amperes(run.now().gateAmperes()),
            Durations.text(run.now().holdSeconds()),
            Durations.text(run.now().patienceSeconds()));
    String when =
        " "
            + (run.met() || j.forecast().isEmpty()
                ? run.curve().isEmpty()
                    ? Labels.of("reform.no-curve")
                    : run.met()
                        ? LanesPane.ahead(run, j.forecast())
                        : Labels.of("reform.forecast-none", DecayFit.FEWEST)
                : Labels.of(
                    "reform.forecast",
                    LanesPane.ahead(run, j.forecast()),
                    Math.round(100 * j.forecast().get().withinPatience())));
    String rest =
        run.rested()
            .map(d -> " " + Labels.of("reform.rested", Durations.text(d.toMillis() / 1000.0)))
            .orElse("");
    return gate + when + rest + " " + Labels.of("reform.formed", Math.round(100 * run.formed()));
  }

  /** What the oxide is expected to have lost while it lay. */
  private String reRise(ReformRun run) {
    Duration lain =
        run.charge()
            .map(c -> Duration.between(c.at(), model.now().toInstant()))
            .filter(d -> !d.isNegative())
            .orElse(Duration.ZERO);
    ReRise rise = ReRise.after(lain);
    String last =
        run.curve().isEmpty()
            ? ""
            : " "
                + Labels.of(
                    "reform.re-rise.from",
                    Quantity.amperes(run.curve().getLast().amperes() * rise.low()),
                    Quantity.amperes(run.curve().getLast().amperes() * rise.high()));
    return Labels.of(
            "reform.re-rise",
            Durations.text(lain.toMillis() / 1000.0),
            Quantity.ratio(rise.low()),
            Quantity.ratio(rise.high()))
        + last;
  }

  /**
   * The usual caution at the moment it matters: before the output goes on, while it is on, and
   * while it is still charged.
   */
  private void care(ReformRun run) {
    String said =
        switch (run.phase()) {
          case PLANNED, PAUSED ->
              Labels.of("reform.care.before", Quantity.volts(run.now().volts()));
          case RUNNING, PROVING -> Labels.of("reform.care.on");
          case STOPPED, ABORTED, DONE ->
              run.charge().filter(c -> !c.empty()).map(c -> discharge(run, c)).orElse("");
        };
    care.setText(said);
    careBox.setVisible(!said.isEmpty());
  }

  private String discharge(ReformRun run, ReformRun.Charge charge) {
    double volts = charge.volts();
    double farads = reform.lane(run.plan().part()).map(l -> l.part().farads()).orElse(0.0);
    if (volts < 1 || farads <= 0) {
      return "";
    }
    DischargePlan plan = DischargePlan.ofElectrolytic(farads, volts);
    return Labels.of(
        "reform.care.discharge",
        Quantity.volts(volts),
        Quantity.joules(plan.energy()),
        Quantity.ohms(plan.ohms()),
        Durations.text(Math.ceil(plan.secondsTo(1))));
  }

  private void chart(Lane lane, ReformRun run) {
    double gate = run.now().gateAmperes();
    String name = Labels.of("reform.limit", Quantity.amperes(gate));
    List<Forecast.Band> fan =
        run.phase() == RunPhase.RUNNING
            ? DecayFit.of(run.curve()).map(f -> f.fan(until(lane, run))).orElse(List.of())
            : List.of();
    chart.show((w, h, em) -> LeakageChart.marks(run.curve(), fan, gate, name, w, h, em));
    stairs.show((w, h, em) ->
        LeakageChart.steps(
            run.plan().steps().stream().map(ReformPlan.Step::volts).toList(),
            run.step(),
            run.on().isEmpty() ? 0 : run.on().getLast().volts(),
            w,
            h,
            em));
  }

  /** The fan is drawn to a little beyond the forecast, or to the patience. */
  private static double until(Lane lane, ReformRun run) {
    OptionalDouble high =
        lane.judgement()
            .flatMap(Judgement::forecast)
            .map(Forecast::high)
            .orElse(OptionalDouble.empty());
    double patience = run.now().patienceSeconds();
    return high.isPresent() ? Math.min(patience, 1.5 * high.getAsDouble()) : patience;
  }

  private void switches(Lane lane, ReformRun run) {
    switches.getChildren().clear();
    switch (run.phase()) {
      case PROVING -> {
        Button off = add("reform.pause", "run-pause", () -> reform.pause(lane.ref()));
        off.getStyleClass().add("stop-button");
        add("reform.proof.keep", "run-finish", () -> reform.finish(lane.ref()));
      }
      case PLANNED -> add("reform.begin", "run-begin", () -> reform.begin(lane.ref()));
      case PAUSED, STOPPED -> {
        add("reform.resume", "run-begin", () -> reform.begin(lane.ref()));
        giveUp(lane);
      }
      case RUNNING -> {
        Button pause = add("reform.pause", "run-pause", () -> reform.pause(lane.ref()));
        pause.getStyleClass().add("stop-button");
        if (run.last()) {
          add("reform.finish", "run-finish", () -> reform.finish(lane.ref()));
        } else {
          add("reform.next", "run-next", () -> reform.next(lane.ref()));
        }
        giveUp(lane);
      }
      case ABORTED, DONE -> {
        // Nothing more to switch; what it holds is told above.
      }
    }
  }

  private void giveUp(Lane lane) {
    switches.getChildren().add(reason);
    add(
        "reform.abort",
        "run-abort",
        () -> {
          reform.abort(lane.ref(), reason.getText());
          reason.clear();
        });
  }

  private Button add(String label, String id, Runnable action) {
    Button b = Page.button(label, id, action);
    switches.getChildren().add(b);
    return b;
  }
}
