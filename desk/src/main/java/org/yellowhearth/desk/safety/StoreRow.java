package org.yellowhearth.desk.safety;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.HazardClass;
import org.yellowhearth.core.safety.Store;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * One store of charge: what it holds, what the meter shows, the discharge resistor. Its fields stay
 * while its figures move.
 */
final class StoreRow extends VBox {
  private final DeskModel model;
  private final Label name = Page.text("", "store-name");
  private final Label volts = Page.text("", "figure", "store-volts");
  private final Label what = Page.text("", "reasons-source");
  private final Label when = Page.text("");
  private final TextField meter = new TextField();
  private final TextField ohms = new TextField();
  private final Button clip;
  private final Button found;
  private final Button bleeder;
  private Optional<ChargeReading.StoreReading> shown = Optional.empty();

  StoreRow(DeskModel model, Consumer<Store> plan) {
    this.model = model;
    getStyleClass().add("store");
    meter.setPrefColumnCount(6);
    meter.setPromptText(Labels.of("safety.meter"));
    meter.setOnAction(_ -> measured(false));
    ohms.setPrefColumnCount(5);
    ohms.setPromptText(Labels.of("safety.clip.ohms"));
    ohms.setOnAction(_ -> clipped());
    clip = Page.button("safety.clip.on", null, this::clipped);
    bleeder = Page.quiet("safety.bleeder.measured", this::bleederMeasured);
    found = Page.button("safety.found", null, () -> measured(true));
    found.setTooltip(new Tooltip(Labels.of("safety.found.tip")));
    FlowPane actions =
        new FlowPane(
            meter, found, Page.button("safety.measured", null, () -> measured(false)), ohms, clip);
    actions.getStyleClass().add("check-answers");
    volts.setMinWidth(USE_PREF_SIZE);
    getChildren()
        .addAll(
            Page.row(name, volts),
            when,
            Page.row(
                what,
                bleeder,
                Page.quiet("safety.plan", () -> shown.ifPresent(r -> plan.accept(r.store()))),
                Page.quiet("form.take-out", this::takeOut)),
            actions);
  }

  void show(ChargeReading.StoreReading s, ChargeState state) {
    shown = Optional.of(s);
    Store store = s.store();
    boolean tube = store.id().equals(Edit.PICTURE_TUBE);
    String label = tube ? Labels.of("safety.tube") : store.name();
    name.setText(label);
    meter.setId("meter-" + store.name());
    meter.setAccessibleText(label + ": " + Labels.of("safety.meter"));
    ohms.setId("clip-" + store.name());
    ohms.setAccessibleText(label + ": " + Labels.of("safety.clip.ohms"));
    volts.setText(held(s, state));
    when.setText(when(s, state));
    what.setText(
        Labels.of(
            "safety.store.what",
            Quantity.volts(store.litVolts()),
            Quantity.farads(store.highFarads())
                + (store.stacked() ? " " + Labels.of("safety.store.stacked") : ""),
            model.words().word(store.bleeder())
                + (store.bleederOhms().isPresent()
                    ? " " + Quantity.ohms(store.bleederOhms().getAsDouble())
                    : ""),
            model.words().word(s.hazard())));
    bleeder.setVisible(!tube);
    bleeder.setManaged(!tube);
    found.setId("found-" + store.name());
    found.setVisible(!s.known());
    found.setManaged(!s.known());
    clip.setText(
        s.clipOhms().isPresent()
            ? Labels.of("safety.clip.off", Quantity.ohms(s.clipOhms().getAsDouble()))
            : Labels.of("safety.clip.on"));
    ohms.setVisible(s.clipOhms().isEmpty());
    ohms.setManaged(s.clipOhms().isEmpty());
  }

  private static String held(ChargeReading.StoreReading s, ChargeState state) {
    if (state == ChargeState.LIT) {
      return Labels.of("safety.store.up-to", Quantity.volts(s.safeVolts()));
    }
    if (!s.known()) {
      return Labels.of("safety.store.unknown");
    }
    if (Math.abs(s.safeVolts()) < HazardClass.METER_VOLTS) {
      return Labels.of("safety.store.under");
    }
    Quantity most = Quantity.volts(ChargeText.shown(s.safeVolts()));
    Quantity likely = Quantity.volts(ChargeText.shown(s.likelyVolts()));
    return most.equals(likely) ? most.toString() : Labels.of("safety.store.likely", most, likely);
  }

  private static String when(ChargeReading.StoreReading s, ChargeState state) {
    if (!s.store().complete()) {
      return Labels.of("safety.store.incomplete");
    }
    if (state == ChargeState.LIT || !s.known()) {
      return Labels.of(state == ChargeState.LIT ? "safety.store.lit" : "safety.store.measure");
    }
    if (s.highestVolts() < HazardClass.METER_VOLTS) {
      return Labels.of("safety.store.cold");
    }
    ChargeReading alone = new ChargeReading(ChargeState.BANKED, List.of(s));
    return ChargeText.line(alone, Optional.empty());
  }

  private void measured(boolean asFound) {
    model.made(() -> {
      OptionalDouble read = Measure.VOLTS.read(meter.getText());
      if (read.isEmpty()) {
        throw new IllegalArgumentException(Labels.of("safety.meter.needed"));
      }
      shown.ifPresent(
          s -> model.happened(new Edit.VoltsMeasured(s.store().id(), read.getAsDouble(), asFound)));
      meter.clear();
    });
  }

  private void clipped() {
    model.made(() ->
        shown.ifPresent(s -> {
          if (s.clipOhms().isPresent()) {
            model.happened(new Edit.ClipTaken(s.store().id()));
            return;
          }
          OptionalDouble read = Measure.OHMS.read(ohms.getText());
          if (read.isEmpty()) {
            throw new IllegalArgumentException(Labels.of("safety.clip.needed"));
          }
          model.happened(new Edit.ClipPut(s.store().id(), read.getAsDouble()));
          ohms.clear();
        }));
  }

  /** The ohms in the field are those of the bleeder, measured: from now on it may be counted on. */
  private void bleederMeasured() {
    model.made(() -> {
      OptionalDouble read = Measure.OHMS.read(ohms.getText());
      if (read.isEmpty()) {
        throw new IllegalArgumentException(Labels.of("safety.bleeder.needed"));
      }
      shown
          .flatMap(s -> model.job().item(s.store().id()))
          .filter(Rail.class::isInstance)
          .map(Rail.class::cast)
          .ifPresent(r -> model.put(r.bledBy(read.getAsDouble())));
      ohms.clear();
    });
  }

  private void takeOut() {
    shown
        .flatMap(s -> model.job().item(s.store().id()))
        .filter(Rail.class::isInstance)
        .ifPresentOrElse(model::take, () -> model.tell(Labels.of("safety.tube.take"), false));
  }
}
