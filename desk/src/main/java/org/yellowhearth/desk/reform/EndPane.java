package org.yellowhearth.desk.reform;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Ending.Chore;
import org.yellowhearth.core.reform.Ending.Upshot;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.safety.DischargePlan;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.publishing.dossier.ReformPapers;
import org.yellowhearth.workshop.Background.Work;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReformModel;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.words.Labels;

/**
 * What is left to do once the output is off for good: discharge with its countdown, rest, measure,
 * and the label.
 */
final class EndPane extends VBox {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);
  private static final double HERTZ = 100;

  private final DeskModel model;
  private final ReformModel reform;
  private final PaperTray tray;
  private final Label upshot = Page.text("");
  private final Label charge = Page.text("");
  private final VBox chores = new VBox();
  private final AddLine resistor;
  private final AddLine meter;
  private final FlowPane measuring = new FlowPane();
  private final FlowPane papers = new FlowPane();
  private final TextField ohms;
  private final Button readCharge;

  EndPane(DeskModel model, PaperTray tray) {
    this.model = model;
    this.tray = tray;
    reform = model.reform();
    getStyleClass().add("end-pane");
    upshot.setId("end-upshot");
    charge.setId("end-charge");
    charge.getStyleClass().add("run-figure");
    List<TextField> f = new ArrayList<>();
    resistor = new AddLine(model, () -> model.made(() -> reform.discharging(ref(), ohms())));
    ohms = resistor.field("reform.end.ohms", "end-ohms", 7);
    resistor.button("reform.end.clipped", "end-clipped");
    meter =
        new AddLine(
            model,
            () ->
                model.made(() ->
                    reform.discharged(
                        ref(),
                        Measure.VOLTS
                            .read(f.getFirst().getText())
                            .orElseThrow(() ->
                                new IllegalArgumentException(
                                    Labels.of("reform.end.volts-needed"))))));
    f.add(meter.field("reform.end.volts", "end-volts", 6));
    meter.button("reform.end.keep", "end-keep");
    readCharge = Page.button("reform.end.read", "end-read", () -> reform.readCharge(ref()));
    meter.getChildren().add(readCharge);
    measuring.getStyleClass().add("line-form");
    papers.getStyleClass().add("line-form");
    getChildren().addAll(upshot, charge, resistor, meter, chores, measuring, papers);
    for (Node n : List.of(charge, resistor, meter, measuring, papers, readCharge)) {
      n.managedProperty().bind(n.visibleProperty());
    }
  }

  private PartRef ref() {
    return model
        .chosenProperty()
        .get()
        .orElseThrow(() -> new IllegalArgumentException(Labels.of("reform.no-part")));
  }

  private double ohms() {
    return Measure.OHMS
        .read(ohms.getText())
        .orElseGet(() ->
            reform
                .lane(ref())
                .flatMap(EndPane::suggested)
                .map(DischargePlan::ohms)
                .orElseThrow(
                    () -> new IllegalArgumentException(Labels.of("reform.end.ohms-needed"))));
  }

  private static Optional<DischargePlan> suggested(Lane lane) {
    double farads = lane.part().farads();
    return lane.run()
        .flatMap(ReformRun::charge)
        .filter(c -> c.volts() > ReformRun.Charge.SAFE_VOLTS && farads > 0)
        .map(c -> DischargePlan.ofElectrolytic(farads, c.volts()));
  }

  void show(Lane lane, ReformRun run, Ending ending) {
    upshot.setText(Labels.of("reform.end.title", model.words().word(ending.upshot())));
    upshot
        .getStyleClass()
        .setAll(
            "label",
            "run-counsel",
            switch (ending.upshot()) {
              case OPEN -> "run-off";
              case GOOD -> "run-good";
              case BAD, GIVEN_UP -> "run-bad";
            });
    boolean charged = ending.chores().contains(Chore.DISCHARGE);
    charge.setVisible(charged);
    resistor.setVisible(charged && run.charge().map(c -> c.ohms().isEmpty()).orElse(false));
    meter.setVisible(charged);
    readCharge.setVisible(lane.channel().isPresent() && reform.line().open());
    suggested(lane).ifPresent(d -> ohms.setPromptText(Quantity.ohms(d.ohms()).toString()));
    chores(run, ending);
    measuring(lane, ending, charged);
    papers(run, ending);
    tick(lane);
  }

  /** The countdown goes on. */
  void tick(Lane lane) {
    if (charge.isVisible()) {
      lane.run()
          .flatMap(ReformRun::charge)
          .ifPresent(c -> charge.setText(charge(c, lane.part().farads())));
    }
  }

  private String charge(ReformRun.Charge c, double farads) {
    Instant now = model.now().toInstant();
    if (c.ohms().isEmpty()) {
      return Labels.of("reform.end.holds", Quantity.volts(c.volts()));
    }
    double left = c.secondsTo(ReformRun.Charge.SAFE_VOLTS, farads, now).orElse(0);
    return left > 0
        ? Labels.of(
            "reform.end.falling",
            Quantity.volts(c.expected(farads, now)),
            Durations.text(Math.ceil(left)))
        : Labels.of("reform.end.should-be");
  }

  private void chores(ReformRun run, Ending ending) {
    chores.getChildren().clear();
    Set<Chore> all =
        ending.upshot() == Upshot.GIVEN_UP
            ? EnumSet.of(Chore.DISCHARGE)
            : EnumSet.allOf(Chore.class);
    for (Chore c : all) {
      boolean left = ending.chores().contains(c);
      String more = c == Chore.REST ? rest(run, ending) : left ? "" : read(c, ending);
      chores
          .getChildren()
          .add(
              Page.text(
                  (left ? "○ " : "✓ ") + model.words().word(c) + more,
                  left ? "reasons-text" : "quiet"));
    }
  }

  private static String read(Chore chore, Ending ending) {
    return switch (chore) {
      case DISCHARGE, REST -> "";
      case MEASURE_CAPACITANCE -> shown(ending, Figure.CAPACITANCE, Quantity::farads);
      case MEASURE_ESR -> shown(ending, Figure.ESR, Quantity::ohms);
      case MEASURE_DISSIPATION -> shown(ending, Figure.DISSIPATION, Quantity::ratio);
      case MEASURE_LEAKAGE -> shown(ending, Figure.LEAKAGE, Quantity::amperes);
    };
  }

  private static String shown(Ending ending, Figure figure, DoubleFunction<Quantity> as) {
    Ending.Measured m = ending.measured().get(figure);
    return m == null ? "" : "  " + as.apply(m.value());
  }

  private String rest(ReformRun run, Ending ending) {
    Instant now = model.now().toInstant();
    if (!ending.chores().contains(Chore.REST)) {
      return ending.measured().containsKey(Figure.LEAKAGE)
          ? "  "
              + Durations.text(ending.measured().get(Figure.LEAKAGE).rested().toMillis() / 1000.0)
          : "";
    }
    return run.ended()
        .flatMap(from ->
            ending
                .restedUntil()
                .map(until ->
                    " "
                        + Labels.of(
                            "reform.end.resting",
                            Durations.text(Duration.between(from, now).toMillis() / 1000.0),
                            WHEN.format(until.atZone(model.now().getZone())))))
        .orElse("");
  }

  private void measuring(Lane lane, Ending ending, boolean charged) {
    measuring.getChildren().clear();
    measuring.setVisible(ending.upshot() == Upshot.OPEN && !charged);
    if (!measuring.isVisible()) {
      return;
    }
    if (ending.chores().contains(Chore.MEASURE_LEAKAGE)) {
      measuring
          .getChildren()
          .add(Page.button("reform.end.prove", "end-prove", () -> reform.prove(lane.ref())));
    }
    boolean impedance =
        ending.chores().stream()
            .anyMatch(c ->
                c == Chore.MEASURE_CAPACITANCE
                    || c == Chore.MEASURE_ESR
                    || c == Chore.MEASURE_DISSIPATION);
    if (impedance && model.instruments().lcr().open()) {
      measuring
          .getChildren()
          .add(
              Page.button(
                  "reform.end.lcr", "end-lcr", () -> model.instruments().take(lane.ref(), HERTZ)));
    } else if (impedance) {
      measuring.getChildren().add(Page.text(Labels.of("reform.end.type", lane.ref()), "quiet"));
    }
  }

  private void papers(ReformRun run, Ending ending) {
    papers.getChildren().clear();
    papers.setVisible(ending.upshot() != Upshot.OPEN);
    if (papers.isVisible()) {
      papers
          .getChildren()
          .addAll(
              Page.button(
                  "reform.end.label",
                  "end-label",
                  () ->
                      tray.save(
                          Labels.of("reform.end.label-file", run.plan().part()),
                          label(run, ending))),
              Page.button("reform.end.print", "end-print", () -> tray.print(label(run, ending))));
    }
  }

  private Work<byte[]> label(ReformRun run, Ending ending) {
    Job job = model.job();
    ZonedDateTime now = model.now();
    return () -> ReformPapers.label(job, run.plan(), ending, now);
  }
}
