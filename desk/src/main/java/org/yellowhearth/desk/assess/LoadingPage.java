package org.yellowhearth.desk.assess;

import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.MeterLoading;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the usual meters show at a node of a given source resistance, and what a shown voltage was
 * without the meter.
 */
final class LoadingPage extends Page {
  private final Form form;
  private final GridPane table = new GridPane();
  private OptionalDouble volts = OptionalDouble.empty();
  private OptionalDouble source = OptionalDouble.empty();
  private OptionalDouble range = OptionalDouble.empty();

  LoadingPage(DeskModel model) {
    super(model);
    form = new Form(model);
    field("loading.volts", "loading-volts", Measure.VOLTS, () -> volts, v -> volts = v);
    field("loading.source", "loading-source", Measure.OHMS, () -> source, v -> source = v);
    field("loading.range", "loading-range", Measure.VOLTS, () -> range, v -> range = v);
    table.getStyleClass().add("sums");
    table.setId("loading-table");
    add(
        heading("loading.title"),
        text(Labels.of("loading.how"), "quiet"),
        form,
        table,
        text(Labels.of("loading.valid"), "quiet"));
    table();
  }

  private void field(
      String label,
      String id,
      Measure measure,
      Supplier<OptionalDouble> get,
      Consumer<OptionalDouble> set) {
    TextField field =
        form.figure(
            label,
            id,
            measure,
            get,
            value -> {
              set.accept(value);
              table();
            });
    field.setMaxWidth(Double.MAX_VALUE);
  }

  @Override
  protected void show(Job job) {
    form.show();
    table();
  }

  private void table() {
    table.getChildren().clear();
    table.addRow(
        0,
        text(Labels.of("loading.meter"), "quiet"),
        text(Labels.of("loading.its"), "quiet"),
        text(Labels.of("loading.shows"), "quiet"),
        text(Labels.of("loading.low"), "quiet"),
        text(Labels.of("loading.was"), "quiet"));
    for (MeterLoading.Meter meter : MeterLoading.Meter.values()) {
      boolean known = !meter.perVolt() || range.isPresent();
      String name = model().words().word(meter);
      if (!known || volts.isEmpty() || source.isEmpty()) {
        table.addRow(
            table.getRowCount(),
            text(name),
            text(
                known
                    ? Quantity.ohms(meter.on(range.orElse(1)).meterOhms()).toString()
                    : Labels.of("loading.needs")));
        continue;
      }
      MeterLoading loading = meter.on(range.orElse(1));
      double share = loading.share(source.getAsDouble());
      table.addRow(
          table.getRowCount(),
          text(name),
          text(Quantity.ohms(loading.meterOhms()).toString(), "figure"),
          text(
              Quantity.volts(loading.shows(volts.getAsDouble(), source.getAsDouble())).toString(),
              "figure"),
          text(Quantity.percent(1 - share).toString(), "figure"),
          text(
              Quantity.volts(loading.without(volts.getAsDouble(), source.getAsDouble())).toString(),
              "figure"));
    }
  }
}
