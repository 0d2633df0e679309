package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.knowledge.FaultRule.Sum;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.trace.SideSums;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The sums that go with signs: a relay's delay, a grid's shift, a divider, the reach of a control,
 * the heat of a regulator.
 */
final class SumsPane extends VBox {
  private final FlowPane fields = new FlowPane();
  private final Label result = Page.text("", "strong-note");
  private final List<TextField> typed = new ArrayList<>();
  private final List<Measure> measures = new ArrayList<>();

  SumsPane(DeskModel model) {
    getStyleClass().add("page-column");
    fields.getStyleClass().add("line-form");
    result.setId("sum-result");
    ComboBox<Sum> which = new ComboBox<>();
    which
        .getItems()
        .setAll(Sum.RELAY, Sum.GRID_SHIFT, Sum.DIVIDER, Sum.ADJUSTER, Sum.REGULATOR_HEAT);
    which.setConverter(Form.words(model));
    which.setId("sum-kind");
    which.setAccessibleText(Labels.of("sums.title"));
    which.valueProperty().addListener((_, _, sum) -> show(sum));
    getChildren()
        .addAll(Page.text(Labels.of("sums.title"), "section-title"), which, fields, result);
    which.setValue(Sum.RELAY);
  }

  private void show(Sum sum) {
    fields.getChildren().clear();
    typed.clear();
    measures.clear();
    result.setText("");
    switch (sum) {
      case RELAY -> {
        field("sums.supply", Measure.VOLTS);
        field("sums.resistor", Measure.OHMS);
        field("sums.capacitor", Measure.FARADS);
        field("sums.leak", Measure.OHMS);
        field("sums.threshold", Measure.VOLTS);
        work(SumsPane::relay);
      }
      case GRID_SHIFT -> {
        field("sums.anode", Measure.VOLTS);
        field("sums.grid.leak", Measure.OHMS);
        field("sums.leak", Measure.OHMS);
        work(v ->
            Labels.of("sums.shift", Quantity.volts(v.get(0) * v.get(1) / (v.get(1) + v.get(2)))));
      }
      case DIVIDER -> {
        field("sums.supply", Measure.VOLTS);
        field("sums.upper", Measure.OHMS);
        field("sums.lower", Measure.OHMS);
        field("sums.load", Measure.OHMS);
        work(v ->
            Labels.of(
                "sums.middle",
                Quantity.volts(SideSums.divider(v.get(0), v.get(1), v.get(2), v.get(3)))));
      }
      case ADJUSTER -> {
        field("sums.supply", Measure.VOLTS);
        field("sums.upper", Measure.OHMS);
        field("sums.control", Measure.OHMS);
        field("sums.lower", Measure.OHMS);
        work(v -> {
          SideSums.Reach r = SideSums.adjuster(v.get(0), v.get(1), v.get(2), v.get(3));
          return Labels.of("sums.reach", Quantity.volts(r.lowest()), Quantity.volts(r.highest()));
        });
      }
      case REGULATOR_HEAT -> {
        field("sums.around", Measure.CELSIUS);
        field("sums.watts", Measure.WATTS);
        field("sums.theta", Measure.PLAIN);
        work(v ->
            Labels.of(
                "sums.junction",
                new Quantity(
                    Math.round(SideSums.junctionCelsius(v.get(0), v.get(1), v.get(2))),
                    Unit.CELSIUS)));
      }
      case NONE -> {}
    }
  }

  private static String relay(List<Double> v) {
    SideSums.Delay d = SideSums.delay(v.get(0), v.get(1), v.get(2), v.get(3), v.get(4));
    return d.delaySeconds().isPresent()
        ? Labels.of(
            "sums.delay",
            Quantity.volts(d.endVolts()),
            Quantity.of(d.secondsConstant(), Unit.SECOND),
            Quantity.of(d.delaySeconds().getAsDouble(), Unit.SECOND))
        : Labels.of("sums.never", Quantity.volts(d.endVolts()));
  }

  private void field(String label, Measure measure) {
    TextField field = new TextField();
    field.setPrefColumnCount(6);
    field.setId("sum-" + typed.size());
    field.setAccessibleText(Labels.of(label));
    Label above = Page.text(Labels.of(label), "form-label");
    above.setLabelFor(field);
    fields.getChildren().add(new VBox(above, field));
    typed.add(field);
    measures.add(measure);
  }

  /** Works it out as soon as every field says something; an empty leak or load is none. */
  private void work(Function<List<Double>, String> sum) {
    Runnable work =
        () -> {
          List<Double> values = new ArrayList<>();
          try {
            for (int k = 0; k < typed.size(); k++) {
              OptionalDouble v = measures.get(k).read(typed.get(k).getText());
              boolean none = measures.get(k) == Measure.OHMS && v.isEmpty();
              if (v.isEmpty() && !none) {
                result.setText(Labels.of("sums.fill"));
                return;
              }
              values.add(v.orElse(Double.POSITIVE_INFINITY));
            }
            String text = sum.apply(values);
            result.setText(
                text.contains("NaN") || text.contains("∞") ? Labels.of("sums.fill") : text);
          } catch (IllegalArgumentException e) {
            result.setText(Labels.of("sums.bad", e.getMessage()));
          }
        };
    typed.forEach(f -> f.textProperty().addListener((_, _, _) -> work.run()));
    work.run();
  }
}
