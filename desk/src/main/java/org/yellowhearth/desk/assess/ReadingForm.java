package org.yellowhearth.desk.assess;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.parts.LineForm;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.InstrumentLine;
import org.yellowhearth.workshop.words.Labels;

/** What the meter shows, field by field, for hands on the mouse. */
final class ReadingForm {
  private static final double USUAL_HERTZ = 100;

  private final DeskModel model;
  private final LineForm form;
  private final TextField capacitance;
  private final TextField esr;
  private final TextField dissipation;
  private final TextField hertz;
  private final TextField leakage;
  private final TextField insulation;
  private final TextField volts;
  private final TextField minutes;
  private final ComboBox<Connection> connection;

  ReadingForm(DeskModel model) {
    this.model = model;
    form = new LineForm(model);
    capacitance = form.field("assess.form.c", "read-c", 5);
    esr = form.field("assess.form.esr", "read-esr", 5);
    dissipation = form.field("assess.form.d", "read-d", 4);
    hertz = form.field("assess.form.at", "read-at", 4);
    leakage = form.field("assess.form.leak", "read-leak", 5);
    insulation = form.field("assess.form.ir", "read-ir", 5);
    volts = form.field("assess.form.volts", "read-volts", 4);
    minutes = form.field("assess.form.minutes", "read-minutes", 3);
    connection =
        form.choice(
            "assess.form.how",
            "read-how",
            List.of(Connection.values()),
            c -> model.words().word(c));
    Button keep = new Button(Labels.of("assess.form.keep"));
    keep.setId("keep-reading");
    keep.getStyleClass().add("keep-button");
    keep.setOnAction(_ -> model.benchLine().enter());
    model.benchLine().echoProperty().addListener((_, _, e) -> keep.setDisable(!e.ready()));
    keep.setDisable(true);
    Button meter = new Button(Labels.of("assess.form.meter"));
    meter.setId("read-linked");
    meter.setOnAction(_ ->
        model
            .chosenProperty()
            .get()
            .ifPresent(ref ->
                model.made(() ->
                    model
                        .instruments()
                        .take(ref, Measure.HERTZ.read(hertz.getText()).orElse(USUAL_HERTZ)))));
    meter.managedProperty().bind(meter.visibleProperty());
    meter
        .visibleProperty()
        .bind(
            Bound.to(
                model
                    .instruments()
                    .lcr()
                    .howProperty()
                    .map(h -> h.state() == InstrumentLine.How.State.OPEN)));
    form.getChildren().addAll(keep, meter);
    model.chosenProperty().addListener((_, _, _) -> form.clear());
    form.writes(this::line);
  }

  /** The form itself. */
  Node node() {
    return form;
  }

  private String line() {
    String figures =
        united(capacitance, "u")
            + united(esr, "r")
            + lettered("D", dissipation)
            + united(leakage, "mA")
            + lettered("IR", insulation, "M")
            + condition(hertz, "")
            + condition(volts, "V")
            + condition(minutes, "min");
    String how =
        connection.getValue() == null
            ? ""
            : switch (connection.getValue()) {
              case OUT_OF_CIRCUIT -> " out";
              case ONE_LEG_LIFTED -> " leg";
              case IN_CIRCUIT -> " in";
            };
    String reference = model.chosenProperty().get().map(r -> r + "").orElse("");
    return (figures + how).isBlank() ? "" : (reference + figures + how).strip();
  }

  /** The figure with the unit of its field, unless one was typed with it. */
  private static String united(TextField field, String unit) {
    String text = field.getText().strip();
    return text.isEmpty()
        ? ""
        : " " + text + (Character.isDigit(text.charAt(text.length() - 1)) ? unit : "");
  }

  private static String lettered(String letter, TextField field, String unit) {
    String text = united(field, unit).strip();
    return text.isEmpty() ? "" : " " + letter + "=" + text;
  }

  private static String lettered(String letter, TextField field) {
    return lettered(letter, field, "");
  }

  private static String condition(TextField field, String unit) {
    String text = united(field, unit).strip();
    return text.isEmpty() ? "" : " @" + text;
  }
}
