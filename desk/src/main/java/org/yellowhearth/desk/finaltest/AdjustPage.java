package org.yellowhearth.desk.finaltest;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.finaltest.Adjusting;
import org.yellowhearth.core.finaltest.HeadroomCheck;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.dossier.FinalTestPapers;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FinalTestModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Adjust: targets and how they were reached, what regulators have to spare, and figures of other
 * instruments.
 */
final class AdjustPage extends Page {
  private static final int SHOWN_TURNS = 6;

  private final FinalTestModel prove;
  private final VBox cards = column();
  private final Grid spare = new Grid("headroom-table");
  private final VBox apart = column();
  private final VBox figures = column();
  private final AddLine line;
  private final List<TextField> target = new ArrayList<>();
  private final List<TextField> measured = new ArrayList<>();
  private final List<TextField> figure = new ArrayList<>();

  AdjustPage(DeskModel model) {
    super(model);
    prove = model.prove();
    cards.setId("adjust-cards");
    figures.setId("proof-figures");
    apart.setId("headroom-apart");
    line = headroom();
    line.managedProperty().bind(line.visibleProperty());
    add(
        text(Labels.of("finaltest.adjust.care"), "caution", "caution-danger"),
        row(
            text(""),
            button("finaltest.adjust.propose", "adjust-propose", prove::proposeAdjustments)),
        cards,
        adding(),
        heading("finaltest.headroom"),
        text(Labels.of("finaltest.headroom.about"), "quiet"),
        spare,
        apart,
        line,
        heading("finaltest.figures"),
        text(Labels.of("finaltest.figures.about"), "quiet"),
        figures,
        figureLine());
    prove
        .computedHeadroomProperty()
        .addListener((_, _, _) -> {
          if (getScene() != null && model.openProperty().get().isPresent()) {
            spare(job());
          }
        });
  }

  private AddLine adding() {
    List<ComboBox<Adjustment.Adjusted>> kind = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                prove.adjustment(
                    kind.getFirst().getValue(),
                    target.get(0).getText(),
                    target.get(1).getText(),
                    plain(target.get(2)),
                    plain(target.get(3)),
                    plain(target.get(4)),
                    target.get(5).getText()));
    kind.add(
        line.choice("finaltest.adjust.kind", "adjust-kind", List.of(Adjustment.Adjusted.values())));
    target.add(line.field("finaltest.point", "adjust-point", 8));
    target.add(line.field("finaltest.adjust.unit", "adjust-unit", 3));
    target.add(line.field("finaltest.adjust.target", "adjust-target", 6));
    target.add(line.field("finaltest.adjust.tolerance", "adjust-tolerance", 5));
    target.add(line.field("finaltest.adjust.harmful", "adjust-harmful", 6));
    target.add(line.field("finaltest.adjust.control", "adjust-control", 14));
    return line.button("finaltest.adjust.add", "adjust-add");
  }

  private static OptionalDouble plain(TextField field) {
    return Measure.PLAIN.read(field.getText());
  }

  private AddLine headroom() {
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        prove.headroom(
                            measured.get(0).getText(),
                            Measure.VOLTS.read(measured.get(1).getText()),
                            Measure.VOLTS.read(measured.get(2).getText()),
                            Measure.VOLTS.read(measured.get(3).getText()),
                            Measure.VOLTS.read(measured.get(4).getText()))));
    measured.add(line.field("finaltest.headroom.regulator", "headroom-regulator", 7));
    measured.add(line.field("finaltest.headroom.input", "headroom-input", 6));
    measured.add(line.field("finaltest.headroom.ripple", "headroom-ripple", 8));
    measured.add(line.field("finaltest.headroom.output", "headroom-output", 6));
    measured.add(line.field("finaltest.line", "headroom-line", 6));
    return line.button("finaltest.keep", "headroom-keep");
  }

  private AddLine figureLine() {
    List<ComboBox<ProofFigure.Measurand>> what = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                prove.figure(
                    what.getFirst().getValue(),
                    figure.get(0).getText(),
                    figure.get(1).getText(),
                    plain(figure.get(2)),
                    plain(figure.get(3)),
                    plain(figure.get(4))));
    what.add(
        line.choice(
            "finaltest.figures.what", "figure-what", List.of(ProofFigure.Measurand.values())));
    figure.add(line.field("finaltest.figures.how", "figure-how", 14));
    figure.add(line.field("finaltest.adjust.unit", "figure-unit", 4));
    figure.add(line.field("finaltest.before", "figure-before", 6));
    figure.add(line.field("finaltest.after", "figure-after", 6));
    figure.add(line.field("finaltest.figures.bound", "figure-bound", 6));
    return line.button("finaltest.keep", "figure-keep");
  }

  @Override
  protected void show(Job job) {
    fillRows(cards, prove.adjustments(), "finaltest.adjust.none", this::card);
    spare(job);
    fillRows(
        figures,
        job.items(ProofFigure.class),
        "finaltest.figures.none",
        f ->
            row(
                text(
                    model().words().word(f.measurand())
                        + "   "
                        + f.how()
                        + "   "
                        + FinalTestPapers.figure(f)
                        + (f.beyond() ? "   ✗ " + Labels.of("finaltest.figures.beyond") : ""),
                    "figure",
                    f.beyond() ? "run-bad" : "run-off"),
                quiet("form.take-out", () -> model().take(f))));
  }

  private Node card(Adjusting a) {
    Adjustment of = a.of();
    String goal =
        Labels.of("finaltest.adjust.goal", number(of.target()), number(of.tolerance()), of.unit())
            + (of.harmful().isPresent()
                ? Labels.of("finaltest.adjust.harm", number(of.harmful().getAsDouble()), of.unit())
                : "");
    VBox card =
        column(
            row(
                text(
                    of.point()
                        + "   "
                        + model().words().word(of.kind())
                        + "   "
                        + goal
                        + (of.control().isEmpty() ? "" : "   " + of.control()),
                    "strong-note"),
                quiet("form.take-out", () -> model().take(of))));
    card.getStyleClass().add("renew-card");
    String state = model().words().word(a.state());
    card.getChildren()
        .add(
            text(
                a.now().isPresent()
                    ? mark(a.state())
                        + Labels.of(
                            "finaltest.adjust.now", number(a.now().getAsDouble()), of.unit(), state)
                    : mark(a.state()) + state,
                style(a.state()),
                "adjust-now"));
    said(a).ifPresent(t -> card.getChildren().add(text(t, "quiet")));
    if (a.tooLong()) {
      card.getChildren()
          .add(
              text(
                  Labels.of("finaltest.adjust.too-long", ChargeText.time(a.outside())),
                  "caution",
                  "caution-danger"));
    } else if (!a.outside().isZero()) {
      card.getChildren()
          .add(text(Labels.of("finaltest.adjust.outside", ChargeText.time(a.outside())), "quiet"));
    }
    of.turns().stream()
        .skip(Math.max(0, of.turns().size() - SHOWN_TURNS))
        .forEach(t -> card.getChildren().add(text(turn(of, t), "figure")));
    card.getChildren().addAll(turning(of), procedure(a));
    return card;
  }

  private static Optional<String> said(Adjusting a) {
    if (a.perTurn().isEmpty()) {
      return Optional.empty();
    }
    String per =
        Labels.of("finaltest.adjust.per-turn", number(a.perTurn().getAsDouble()), a.of().unit());
    return Optional.of(
        a.toGo().isEmpty()
            ? per
            : per
                + " "
                + Labels.of(
                    "finaltest.adjust.to-go",
                    number(Math.abs(a.toGo().getAsDouble())),
                    Labels.of(
                        a.toGo().getAsDouble() > 0
                            ? "finaltest.adjust.right"
                            : "finaltest.adjust.left")));
  }

  private String turn(Adjustment of, Adjustment.Turn t) {
    DateTimeFormatter moment = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);
    return Labels.of(
            "finaltest.adjust.turn",
            moment.format(t.at().atZone(model().now().getZone())),
            number(t.before()),
            number(t.after()),
            of.unit(),
            t.count().isPresent()
                ? Labels.of("finaltest.adjust.turn-count", number(t.count().getAsDouble()))
                : "",
            t.loaded() ? "" : Labels.of("finaltest.adjust.turn-unloaded"))
        + (t.note().isEmpty() ? "" : "   " + t.note());
  }

  private AddLine turning(Adjustment of) {
    List<TextField> typed = new ArrayList<>();
    CheckBox loaded = new CheckBox(Labels.of("finaltest.adjust.loaded"));
    loaded.setId("turn-loaded-" + of.id());
    AddLine line =
        new AddLine(
            model(),
            () ->
                prove.turned(
                    of,
                    plain(typed.get(0)),
                    plain(typed.get(1)),
                    plain(typed.get(2)),
                    loaded.isSelected(),
                    typed.get(3).getText()));
    typed.add(line.field("finaltest.adjust.before", "turn-before-" + of.id(), 6));
    typed.add(line.field("finaltest.adjust.after", "turn-after-" + of.id(), 6));
    typed.add(line.field("finaltest.adjust.count", "turn-count-" + of.id(), 6));
    typed.add(line.field("finaltest.adjust.note", "turn-note-" + of.id(), 12));
    line.getChildren().add(loaded);
    return line.button("finaltest.adjust.keep", "turn-keep-" + of.id());
  }

  private TitledPane procedure(Adjusting a) {
    VBox steps = column();
    int number = 1;
    for (var m : a.procedure()) {
      steps.getChildren().add(text(number++ + ".  " + model().words().say(m)));
    }
    TitledPane pane = new TitledPane(Labels.of("finaltest.adjust.how"), steps);
    pane.setExpanded(a.of().turns().isEmpty());
    pane.setAnimated(false);
    return pane;
  }

  private void spare(Job job) {
    apart.getChildren().clear();
    List<SupplyRegulator> all =
        job.items(SupplyRegulator.class).stream()
            .filter(r -> r.kind() == SupplyRegulator.Kind.SERIES)
            .toList();
    line.setVisible(!all.isEmpty());
    if (all.isEmpty()) {
      spare.head(List.of(Labels.of("finaltest.headroom.none")));
      return;
    }
    spare.head(
        List.of(
            Labels.of("finaltest.headroom.regulator"),
            Labels.of("finaltest.headroom.input"),
            Labels.of("finaltest.headroom.ripple"),
            Labels.of("finaltest.headroom.output"),
            Labels.of("finaltest.headroom.spare"),
            Labels.of("finaltest.headroom.low"),
            Labels.of("finaltest.headroom.computed"),
            ""));
    List<HeadroomCheck> checks = prove.headroom();
    for (SupplyRegulator r : all) {
      Optional<HeadroomCheck> c =
          checks.stream().filter(x -> x.reading().regulator().equals(r.name())).findFirst();
      Optional<HeadroomReading> m = c.map(HeadroomCheck::reading);
      String model =
          prove.computedHeadroomProperty().get().stream()
              .filter(h -> h.regulator().equals(r.name()) && h.known())
              .map(h -> Quantity.volts(h.spare()).toString())
              .findFirst()
              .orElse("—");
      spare.row(
          List.of(
              r.name(),
              volts(m.map(HeadroomReading::inputVolts)),
              volts(m.map(HeadroomReading::ripple)),
              volts(m.map(HeadroomReading::outputVolts)),
              volts(c.map(HeadroomCheck::spare)),
              volts(c.map(HeadroomCheck::spareLow)),
              model),
          "figure",
          text(
              c.map(x -> mark(x.state()) + model().words().word(x.state())).orElse(""),
              c.map(x -> x.state() == HeadroomCheck.HeadroomState.DIPS ? "run-bad" : "run-off")
                  .orElse("run-off")));
      c.filter(HeadroomCheck::disagrees)
          .ifPresent(x ->
              apart
                  .getChildren()
                  .add(text(r.name() + ": " + Labels.of("finaltest.headroom.apart"), "run-bad")));
    }
  }

  private static String volts(Optional<Double> v) {
    return v.map(x -> Quantity.volts(x).toString()).orElse("—");
  }

  private static String number(double value) {
    return Quantity.ratio(value).toString();
  }

  private static String mark(HeadroomCheck.HeadroomState s) {
    return switch (s) {
      case ENOUGH -> "✓ ";
      case TIGHT -> "~ ";
      case DIPS -> "✗ ";
    };
  }

  private static String mark(Adjusting.AdjustState s) {
    return switch (s) {
      case WITHIN -> "✓ ";
      case WITHOUT_LOAD -> "~ ";
      case OUT, HARMFUL -> "✗ ";
      case UNTRIED -> "○ ";
    };
  }

  private static String style(Adjusting.AdjustState s) {
    return switch (s) {
      case WITHIN -> "run-good";
      case OUT, HARMFUL -> "run-bad";
      case WITHOUT_LOAD, UNTRIED -> "run-off";
    };
  }
}
