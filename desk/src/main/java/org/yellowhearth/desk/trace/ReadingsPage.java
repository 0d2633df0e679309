package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.trace.BridgeForecast;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Promised;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the meter showed under power, what the drawing promises, and what is clipped across what.
 */
final class ReadingsPage extends Page {
  private final GridPane readings = new GridPane();
  private final VBox targets = column();
  private final VBox bridges = column();
  private final GridPane forecast = new GridPane();

  ReadingsPage(DeskModel model) {
    super(model);
    readings.getStyleClass().add("sums");
    readings.setId("supply-readings");
    forecast.getStyleClass().add("sums");
    forecast.setId("bridge-forecast");
    VBox care = new VBox(text(Labels.of("readings.care"), "reasons-text"));
    care.getStyleClass().addAll("caution", "caution-danger");
    add(
        heading("readings.title"),
        readingLine(),
        care,
        readings,
        columns(
            column(
                heading("readings.targets"),
                text(Labels.of("readings.targets.how"), "quiet"),
                targetLine(),
                targets),
            column(
                heading("readings.bridges"),
                text(Labels.of("readings.bridges.how"), "quiet"),
                bridgeLine(),
                forecast,
                bridges)));
    model
        .trace()
        .workedProperty()
        .addListener((_, _, _) -> {
          if (getScene() != null && model.openProperty().get().isPresent()) {
            table(job());
          }
        });
  }

  private AddLine readingLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<SupplyReading.Kind>> kind = new ArrayList<>();
    List<ComboBox<SupplyReading.State>> state = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        model()
                            .put(
                                new SupplyReading(
                                    model().newId(),
                                    model().now().toInstant(),
                                    point(kind.getFirst().getValue(), f.get(0).getText().strip()),
                                    kind.getFirst().getValue(),
                                    (kind.getFirst().getValue() == SupplyReading.Kind.WATTS
                                            ? Measure.WATTS
                                            : Measure.VOLTS)
                                        .read(f.get(1).getText())
                                        .orElseThrow(() ->
                                            new IllegalArgumentException(
                                                Labels.of("readings.volts.needed"))),
                                    Measure.VOLTS.read(f.get(2).getText()),
                                    Measure.OHMS.read(f.get(3).getText()),
                                    OptionalDouble.empty(),
                                    state.getFirst().getValue(),
                                    Measure.PLAIN.read(f.get(6).getText()),
                                    f.get(7).getText().strip(),
                                    f.get(4).getText().strip(),
                                    job().items(SupplyBridge.class).stream()
                                        .map(SupplyBridge::clipped)
                                        .toList(),
                                    Measure.VOLTS.read(f.get(5).getText())))));
    f.add(line.field("readings.point", "reading-point", 5));
    kind.add(line.choice("readings.kind", "reading-kind", List.of(SupplyReading.Kind.values())));
    f.add(line.field("readings.volts", "reading-volts", 5));
    f.add(line.field("readings.line", "reading-line", 5));
    f.add(line.field("readings.meter", "reading-meter", 5));
    state.add(
        line.choice("readings.state", "reading-state", List.of(SupplyReading.State.values())));
    f.add(line.field("readings.after", "reading-after", 9));
    f.add(line.field("readings.twin", "reading-twin", 5));
    f.add(line.field("readings.seconds", "reading-seconds", 5));
    f.add(line.field("readings.settings", "reading-settings", 9));
    return line.button("readings.add", "reading-add");
  }

  /** Watts are read at the mains, and nowhere else. */
  private static String point(SupplyReading.Kind kind, String typed) {
    return kind == SupplyReading.Kind.WATTS && typed.isEmpty() ? SupplyMains.POINT : typed;
  }

  private AddLine targetLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<SupplyTarget.Follows>> follows = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      Promised promised = Promised.read(f.get(1).getText(), f.get(2).getText());
                      model()
                          .put(
                              new SupplyTarget(
                                  model().newId(),
                                  f.get(0).getText().strip(),
                                  promised
                                      .volts()
                                      .orElseThrow(() ->
                                          new IllegalArgumentException(
                                              Labels.of("readings.volts.needed"))),
                                  promised.tolerance(),
                                  Measure.VOLTS.read(f.get(3).getText()),
                                  Measure.OHMS.read(f.get(4).getText()),
                                  follows.getFirst().getValue(),
                                  promised.alternating()));
                    }));
    f.add(line.field("readings.point", "target-point", 5));
    f.add(line.field("readings.volts", "target-volts", 5));
    f.add(line.field("readings.tolerance", "target-tolerance", 4));
    f.add(line.field("readings.line", "target-line", 5));
    f.add(line.field("readings.meter", "target-meter", 5));
    follows.add(
        line.choice("readings.follows", "target-follows", List.of(SupplyTarget.Follows.values())));
    return line.button("readings.add", "target-add");
  }

  private AddLine bridgeLine() {
    List<TextField> f = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      PartRef across =
                          PartRef.parse(f.get(0).getText().strip())
                              .orElseThrow(() ->
                                  new IllegalArgumentException(Labels.of("readings.bridge.part")));
                      Capacitor part =
                          job()
                              .capacitor(across)
                              .orElseThrow(() ->
                                  new IllegalArgumentException(Labels.of("readings.bridge.part")));
                      double farads = Measure.FARADS.read(f.get(1).getText()).orElse(part.farads());
                      OptionalDouble rated = Measure.VOLTS.read(f.get(2).getText());
                      double works = part.ratedVolts().orElse(0);
                      if (rated.isPresent() && rated.getAsDouble() < works) {
                        throw new IllegalArgumentException(
                            Labels.of("readings.bridge.low", Quantity.volts(works)));
                      }
                      model()
                          .put(
                              new SupplyBridge(
                                  model().newId(),
                                  new SupplyBridge.Clipped(across, farads),
                                  rated));
                    }));
    f.add(line.field("readings.across", "bridge-part", 5));
    f.add(line.field("readings.farads", "bridge-farads", 5));
    f.add(line.field("readings.rated", "bridge-rated", 5));
    f.subList(0, 2)
        .forEach(field ->
            field
                .textProperty()
                .addListener((_, _, _) -> forecast(f.get(0).getText(), f.get(1).getText())));
    return line.button("readings.clip", "bridge-add");
  }

  /** What the meter would show before and after, for every way in which the part may be bad. */
  private void forecast(String across, String farads) {
    forecast.getChildren().clear();
    Optional<SupplyModel> now = model().trace().workedProperty().get().map(TraceModel.Worked::now);
    Optional<Capacitor> part = PartRef.parse(across.strip()).flatMap(job()::capacitor);
    if (part.isEmpty() || now.flatMap(SupplyModel::supply).isEmpty()) {
      return;
    }
    double good;
    try {
      good = Measure.FARADS.read(farads).orElse(part.get().farads());
    } catch (IllegalArgumentException _) {
      return;
    }
    model()
        .background()
        .aside(
            () ->
                BridgeForecast.of(
                    now.get().supply().get(),
                    now.get().points(),
                    part.get().ref().toString(),
                    good),
            found -> found.ifPresent(this::forecast));
  }

  private void forecast(BridgeForecast f) {
    forecast.getChildren().clear();
    int column = 0;
    for (String key :
        List.of(
            "readings.if",
            "trace.dc",
            "readings.then",
            "readings.ripple",
            "readings.then",
            "readings.tells")) {
      forecast.add(
          text(key.equals("readings.if") ? Labels.of(key, f.point()) : Labels.of(key), "quiet"),
          column++,
          0);
    }
    for (BridgeForecast.Case c : f.cases()) {
      forecast.addRow(
          forecast.getRowCount(),
          text(c.mode().map(m -> model().words().word(m)).orElse(Labels.of("readings.sound"))),
          text(Quantity.volts(c.dcBefore()).toString(), "figure"),
          text(Quantity.volts(c.dcAfter()).toString(), "figure"),
          text(Quantity.volts(c.rippleBefore()).toString(), "figure"),
          text(Quantity.volts(c.rippleAfter()).toString(), "figure"),
          text(Labels.of(c.answers() ? "readings.answers" : "readings.silent"), "quiet"));
    }
  }

  @Override
  protected void show(Job job) {
    Describe describe = new Describe(model().words());
    fillRows(
        targets,
        job.items(SupplyTarget.class),
        "readings.targets.none",
        t -> row(text(describe.item(t)), quiet("form.take-out", () -> model().take(t))));
    fillRows(
        bridges,
        job.items(SupplyBridge.class),
        "readings.bridges.none",
        b ->
            row(
                text(describe.item(b), "strong-note"),
                quiet("readings.bridge.off", () -> model().take(b))));
    table(job);
  }

  /** Every reading beside the model, the drawing and the twin. */
  private void table(Job job) {
    readings.getChildren().clear();
    List<String> points =
        model().trace().workedProperty().get().map(w -> w.now().readable()).orElse(List.of());
    List<SupplyReading> all =
        Readings.all(job).stream()
            .sorted(
                Comparator.comparingInt(
                    r -> points.contains(r.point()) ? points.indexOf(r.point()) : points.size()))
            .toList();
    if (all.isEmpty()) {
      readings.add(text(Labels.of("readings.none"), "quiet"), 0, 0);
      return;
    }
    head();
    Optional<SupplyFigures> now =
        model().trace().workedProperty().get().flatMap(TraceModel.Worked::nowFigures);
    for (SupplyReading r : all) {
      double line = line(r);
      String model = now.map(f -> modelled(f, r)).orElse("");
      Optional<SupplyTarget> target =
          job.items(SupplyTarget.class).stream().filter(t -> t.speaksOf(r)).findFirst();
      String drawn = target.map(t -> Quantity.volts(atLine(t, line)).toString()).orElse("");
      Label off = target.map(t -> off(r.volts(), atLine(t, line), t)).orElseGet(() -> text(""));
      readings.addRow(
          readings.getRowCount(),
          text(r.point(), "strong-note"),
          text(model().words().word(r.kind())),
          text(Readings.figure(r.kind(), r.volts()).toString(), "figure"),
          text(model, "figure"),
          text(drawn, "figure"),
          off,
          text(
              r.twinVolts().isPresent()
                  ? Quantity.volts(r.twinVolts().getAsDouble()).toString()
                  : "",
              "figure"),
          text(remarks(r), "quiet"),
          quiet("form.take-out", () -> model().take(r)));
    }
  }

  private static String modelled(SupplyFigures f, SupplyReading r) {
    OptionalDouble figure =
        r.kind() == SupplyReading.Kind.WATTS
            ? f.mainsWatts()
            : f.points().stream()
                .filter(p -> p.name().equals(r.point()))
                .mapToDouble(p ->
                    switch (r.kind()) {
                      case DIRECT, WATTS -> p.dcVolts();
                      case TRUE_RMS -> p.rippleRms();
                      case AVERAGE -> p.rippleAverage();
                      case PEAK_TO_PEAK -> p.ripplePeakToPeak();
                    })
                .findFirst();
    return figure.isPresent() ? Readings.figure(r.kind(), figure.getAsDouble()).toString() : "";
  }

  private void head() {
    int column = 0;
    for (String key :
        List.of(
            "readings.point",
            "readings.kind",
            "readings.read",
            "readings.model",
            "readings.drawn",
            "readings.off",
            "readings.twin",
            "readings.with")) {
      readings.add(text(Labels.of(key), "quiet"), column++, 0);
    }
  }

  /** The line a reading was taken at; that of the model where nobody said. */
  private double line(SupplyReading r) {
    return r.lineVolts()
        .orElse(
            model()
                .trace()
                .workedProperty()
                .get()
                .flatMap(w -> w.now().supply())
                .map(s -> s.mains().volts())
                .orElse(0.0));
  }

  /** What the drawing promises, at the line of the reading. */
  private static double atLine(SupplyTarget t, double line) {
    return t.lineVolts().isPresent() && line > 0
        ? t.volts() * line / t.lineVolts().getAsDouble()
        : t.volts();
  }

  private static Label off(double read, double promised, SupplyTarget t) {
    double share = promised == 0 ? 0 : read / promised - 1;
    boolean out = t.tolerance().isPresent() && Math.abs(share) > t.tolerance().getAsDouble();
    return text(
        (share >= 0 ? "+" : "−") + Quantity.percent(Math.abs(share)),
        "figure",
        out ? "outcome-bad" : "quiet");
  }

  private String remarks(SupplyReading r) {
    List<String> all = new ArrayList<>();
    r.lineVolts().ifPresent(v -> all.add(Labels.of("readings.at-line", Quantity.volts(v))));
    r.secondsOn()
        .ifPresent(t -> all.add(Labels.of("readings.on-for", Quantity.of(t, Unit.SECOND))));
    if (!r.settings().isEmpty()) {
      all.add(r.settings());
    }
    if (r.state() != SupplyReading.State.UNSTATED) {
      all.add(model().words().word(r.state()));
    }
    if (!r.after().isEmpty()) {
      all.add(Labels.of("readings.after-that", r.after()));
    }
    r.bridged()
        .forEach(
            b -> all.add(Labels.of("readings.bridged", Quantity.farads(b.farads()), b.across())));
    return String.join(", ", all);
  }
}
