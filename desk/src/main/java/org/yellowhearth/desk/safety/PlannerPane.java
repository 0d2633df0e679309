package org.yellowhearth.desk.safety;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.DischargePlan;
import org.yellowhearth.core.safety.HazardClass;
import org.yellowhearth.core.safety.Store;
import org.yellowhearth.desk.charts.PlotPane;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.drawing.Plot;
import org.yellowhearth.publishing.drawing.PlotSvg;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** How a store, or any capacitor, is discharged: energy, resistor, watts, seconds and the curve. */
final class PlannerPane extends VBox {
  private static final int POINTS = 200;
  private static final double LOWEST_VOLTS = 0.1;
  private static final double USUAL_ABSORPTION = 0.15;

  private final DeskModel model;
  private final ComboBox<Pick> picks = new ComboBox<>();
  private boolean picking;
  private final TextField farads = field("planner-farads", "safety.plan.farads");
  private final TextField volts = field("planner-volts", "safety.plan.volts");
  private final TextField ohms = field("planner-ohms", "safety.plan.ohms");
  private final GridPane figures = new GridPane();
  private final PlotPane curve = new PlotPane();
  private final VBox tube = new VBox();
  private double absorption = USUAL_ABSORPTION;
  private String name = "";

  /**
   * Something that can be discharged: a rail, the picture tube, or a capacitor of the census
   * charged to its rating.
   */
  private record Pick(String name, double farads, double volts, double absorption, boolean anode) {
    static Pick of(Store s) {
      boolean anode = s.id().equals(Edit.PICTURE_TUBE);
      return new Pick(
          anode ? Labels.of("safety.tube") : s.name(),
          s.highFarads(),
          s.litVolts(),
          s.absorption(),
          anode);
    }
  }

  PlannerPane(DeskModel model, FileAsk files) {
    this.model = model;
    getStyleClass().add("page-column");
    figures.getStyleClass().add("sums");
    curve.setId("discharge-curve");
    picks.setId("planner-for");
    picks.setAccessibleText(Labels.of("safety.plan.for"));
    picks.setConverter(Shown.by(p -> p.name, ""));
    picks.setOnAction(_ -> {
      if (!picking && picks.getValue() != null) {
        plan(picks.getValue());
      }
    });
    FlowPane asked =
        new FlowPane(
            labelled("safety.plan.for", picks),
            labelled("safety.plan.farads", farads),
            labelled("safety.plan.volts", volts),
            labelled("safety.plan.ohms", ohms));
    asked.getStyleClass().add("line-form");
    Button save =
        Page.quiet(
            "safety.plan.picture",
            () ->
                curve
                    .plot()
                    .ifPresent(p ->
                        files
                            .newPicture("discharge.svg")
                            .ifPresent(file -> model.save(file, PlotSvg.write(p, 720, 420)))));
    save.visibleProperty().bind(curve.visibleProperty());
    getChildren().addAll(asked, figures, tube, save);
  }

  /** The curve, which stands elsewhere on the page. */
  PlotPane curve() {
    return curve;
  }

  private TextField field(String id, String label) {
    TextField field = new TextField();
    field.setId(id);
    field.setPrefColumnCount(7);
    field.setAccessibleText(Labels.of(label));
    field.setOnAction(_ -> typed());
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) {
            typed();
          }
        });
    return field;
  }

  private static VBox labelled(String label, Control field) {
    return new VBox(Page.text(Labels.of(label), "form-label"), field);
  }

  /** Keeps to what was chosen, or takes the worst there is. */
  void show(Job job, ChargeReading hearth) {
    List<Pick> all =
        new ArrayList<>(hearth.stores().stream().map(s -> Pick.of(s.store())).toList());
    job.capacitors().stream()
        .filter(c -> c.ratedVolts().isPresent())
        .map(c ->
            new Pick(
                c.ref().toString(),
                c.farads(),
                c.ratedVolts().getAsDouble(),
                model.knowledge().kind(c.kind()).absorption(),
                false))
        .forEach(all::add);
    Optional<Pick> was = Optional.ofNullable(picks.getValue());
    picking = true;
    picks.getItems().setAll(all);
    picking = false;
    Optional<Pick> now =
        was.flatMap(w -> all.stream().filter(p -> p.name.equals(w.name)).findFirst())
            .or(() ->
                all.stream()
                    .limit(Math.max(1, hearth.stores().size()))
                    .max(Comparator.comparingDouble(PlannerPane::energy)));
    if (now.isPresent()) {
      plan(now.get());
    } else if (farads.getText().isEmpty() || !name.isEmpty()) {
      // What stands there was a store of another job, or of before it was taken out.
      name = "";
      List.of(farads, volts, ohms).forEach(TextField::clear);
      tube.getChildren().clear();
      figures.getChildren().clear();
      figures.add(Page.text(Labels.of("safety.plan.empty"), "quiet"), 0, 0);
      curve.setVisible(false);
      curve.setManaged(false);
    }
  }

  private static double energy(Pick p) {
    return p.farads * p.volts * p.volts;
  }

  /** Plans for a store, with a resistor suggested. */
  void choose(Store store) {
    plan(Pick.of(store));
  }

  private void plan(Pick p) {
    picking = true;
    picks.setValue(p);
    picking = false;
    name = p.name;
    absorption = p.absorption;
    DischargePlan plan = DischargePlan.suggested(p.farads, p.volts, absorption);
    farads.setText(Measure.FARADS.write(OptionalDouble.of(plan.farads())));
    volts.setText(Measure.VOLTS.write(OptionalDouble.of(plan.volts())));
    ohms.setText(Measure.OHMS.write(OptionalDouble.of(plan.ohms())));
    tube.getChildren().clear();
    if (p.anode) {
      tube.getChildren().add(Page.text(Labels.of("safety.tube.how"), "caution", "caution-danger"));
    }
    show(plan);
  }

  private void typed() {
    model.made(() -> {
      OptionalDouble c = Measure.FARADS.read(farads.getText());
      OptionalDouble v = Measure.VOLTS.read(volts.getText());
      OptionalDouble r = Measure.OHMS.read(ohms.getText());
      if (c.isPresent() && v.isPresent()) {
        DischargePlan plan =
            r.isPresent()
                ? new DischargePlan(c.getAsDouble(), v.getAsDouble(), absorption, r.getAsDouble())
                : DischargePlan.suggested(c.getAsDouble(), v.getAsDouble(), absorption);
        ohms.setText(Measure.OHMS.write(OptionalDouble.of(plan.ohms())));
        show(plan);
      }
    });
  }

  private void show(DischargePlan p) {
    figures.getChildren().clear();
    List<String[]> lines = new ArrayList<>();
    lines.add(line("energy", Quantity.joules(p.energy()) + ", " + model.words().word(p.hazard())));
    lines.add(
        line("peak", Quantity.amperes(p.peakAmperes()) + ", " + Quantity.watts(p.peakWatts())));
    lines.add(line("pulse", watts(p.pulseWatts())));
    lines.add(line("forgotten", watts(p.forgottenWatts())));
    lines.add(line("touch", Quantity.seconds(p.secondsTo(HazardClass.TOUCH_VOLTS)).toString()));
    lines.add(line("meter", Quantity.seconds(p.secondsTo(HazardClass.METER_VOLTS)).toString()));
    lines.add(
        line("rebound", Labels.of("safety.plan.rebound.value", Quantity.volts(p.reboundVolts()))));
    for (int i = 0; i < lines.size(); i++) {
      figures.addRow(i, Page.text(lines.get(i)[0], "quiet"), Page.text(lines.get(i)[1], "figure"));
    }
    figures.add(
        Page.text(
            Labels.of(
                "safety.plan.how",
                Quantity.farads(p.farads()),
                Quantity.volts(p.volts()),
                Quantity.ohms(p.ohms()),
                Quantity.seconds(p.timeConstant())),
            "reasons-source"),
        0,
        lines.size(),
        2,
        1);
    if (p.volts() > DischargePlan.HIGH_VOLTS) {
      figures.add(
          Page.text(Labels.of("safety.plan.high"), "strong-note"), 0, lines.size() + 1, 2, 1);
    }
    curve.setVisible(true);
    curve.setManaged(true);
    curve.show(
        new Plot(
            Labels.of("safety.plan.title", name, Quantity.ohms(p.ohms())),
            Labels.of("safety.plan.across"),
            "V",
            Unit.SECOND,
            Unit.VOLT,
            LOWEST_VOLTS,
            List.of(
                new Plot.Curve(
                    name,
                    "plot-curve",
                    p.curve(POINTS).stream()
                        .map(q -> new Plot.Point(q.seconds(), q.volts()))
                        .toList())),
            List.of(
                new Plot.Level(
                    HazardClass.TOUCH_VOLTS, Labels.of("safety.plan.touch-level"), "plot-level"),
                new Plot.Level(
                    HazardClass.METER_VOLTS, Labels.of("safety.plan.meter-level"), "plot-level"))));
  }

  private static String[] line(String key, String value) {
    return new String[] {Labels.of("safety.plan." + key), value};
  }

  private static String watts(OptionalDouble watts) {
    return watts.isPresent()
        ? Quantity.watts(watts.getAsDouble()).toString()
        : Labels.of("safety.plan.too-much");
  }
}
