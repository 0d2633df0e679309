package org.yellowhearth.desk.finaltest;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.finaltest.LoadLine;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Within;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** Rails under load: what each load brought, output resistance and regulation. */
final class LoadsPage extends Page {
  private final VBox list = column();
  private final List<TextField> typed = new ArrayList<>();

  LoadsPage(DeskModel model) {
    super(model);
    list.setId("prove-loads");
    AddLine line =
        new AddLine(
            model,
            () ->
                model.made(() -> {
                  Within limit = Within.read(typed.get(4).getText(), "V");
                  model
                      .prove()
                      .load(
                          typed.get(0).getText(),
                          Measure.AMPERES.read(typed.get(1).getText()),
                          Measure.VOLTS.read(typed.get(2).getText()),
                          Measure.VOLTS.read(typed.get(3).getText()),
                          limit.absolute(),
                          limit.share());
                }));
    typed.add(line.field("finaltest.point", "load-point", 6));
    typed.add(line.field("finaltest.amperes", "load-amperes", 7));
    typed.add(line.field("finaltest.volts", "load-volts", 7));
    typed.add(line.field("finaltest.line", "load-line", 6));
    typed.add(line.field("finaltest.loads.limit", "load-limit", 8));
    line.button("finaltest.keep", "load-keep");
    add(
        text(Labels.of("finaltest.loads.care"), "caution", "caution-danger"),
        text(Labels.of("finaltest.loads.about"), "quiet"),
        line,
        list);
  }

  @Override
  protected void show(Job job) {
    double nominal = job.plate().mains().map(SetPlate.Mains::volts).orElse(230.0);
    fillRows(
        list,
        job.items(LoadTest.class),
        "finaltest.loads.none",
        t -> {
          String loads =
              t.loads().stream()
                  .map(l -> Quantity.amperes(l.amperes()) + ": " + Quantity.volts(l.volts()))
                  .collect(Collectors.joining("   "));
          VBox box =
              column(
                  row(
                      text(t.point() + "   " + loads, "figure"),
                      quiet("form.take-out", () -> model().take(t))),
                  text(said(t, nominal), "strong-note"));
          LoadLine.held(t).ifPresent(h -> box.getChildren().add(promised(t, h)));
          box.getStyleClass().add("renew-card");
          return box;
        });
  }

  private Label promised(LoadTest t, LoadLine.Held held) {
    boolean good = held == LoadLine.Held.WITHIN;
    String limit =
        t.limitVolts().isPresent()
            ? Quantity.volts(t.limitVolts().getAsDouble()).toString()
            : Quantity.percent(t.limitShare().orElseThrow()).toString();
    return text(
        (good ? "✓ " : "✗ ")
            + Labels.of(good ? "finaltest.loads.within" : "finaltest.loads.beyond", limit),
        good ? "run-good" : "run-bad");
  }

  private static String said(LoadTest t, double nominal) {
    try {
      LoadLine l = LoadLine.of(t.loads(), nominal);
      String unsure =
          l.ohmsUncertainty().isPresent()
              ? " ± " + Quantity.ohms(l.ohmsUncertainty().orElseThrow())
              : "";
      return Labels.of(
          "finaltest.loads.line",
          Quantity.ohms(l.ohms()) + unsure,
          Quantity.percent(l.regulation()),
          Quantity.volts(l.openVolts()));
    } catch (IllegalArgumentException _) {
      return Labels.of("finaltest.loads.few");
    }
  }
}
