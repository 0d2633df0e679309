package org.yellowhearth.desk.finaltest;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnIn.BurnEnd;
import org.yellowhearth.core.finaltest.BurnWatch;
import org.yellowhearth.core.finaltest.BurnWatch.BurnCounsel;
import org.yellowhearth.core.finaltest.Drift;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.drawing.BandChart;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FinalTestModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/**
 * The burn-in: a strip for each channel with its bound, when the next reading is due, and whether
 * it has passed.
 */
final class BurnPage extends Page {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("EEE HH:mm", Locale.ENGLISH);
  private static final double STRIP = 150;

  private final FinalTestModel prove;
  private final Label counsel = text("", "wake-counsel");
  private final Label more = text("", "quiet");
  private final VBox running = column();
  private final VBox strips = column();
  private final VBox odd = column();
  private final VBox planned = column();
  private final List<BurnIn.BurnChannel> channels = new ArrayList<>();
  private final List<TextField> typed = new ArrayList<>();
  private final TextField hours = new TextField("24");
  private String shownFor = "";

  BurnPage(DeskModel model) {
    super(model);
    prove = model.prove();
    counsel.setId("burn-counsel");
    more.setId("burn-more");
    strips.setId("burn-strips");
    planned.setId("burn-planned");
    AddLine line =
        new AddLine(
            model,
            () ->
                model.made(() -> {
                  channels.add(
                      new BurnIn.BurnChannel(
                          typed.get(0).getText().strip(),
                          typed.get(1).getText().strip(),
                          Measure.PLAIN.read(typed.get(2).getText()),
                          Measure.PLAIN
                              .read(typed.get(3).getText())
                              .orElseThrow(() ->
                                  new IllegalArgumentException(
                                      Labels.of(
                                          "finaltest.needed",
                                          Labels.of("finaltest.burn.bound"))))));
                  show(job());
                }));
    typed.add(line.field("finaltest.burn.channel", "burn-channel", 10));
    typed.add(line.field("finaltest.unit", "burn-unit", 4));
    typed.add(line.field("finaltest.burn.expected", "burn-expected", 6));
    typed.add(line.field("finaltest.burn.bound", "burn-bound", 6));
    line.button("finaltest.add", "burn-add");
    hours.setId("burn-hours");
    hours.setPrefColumnCount(5);
    hours.setAccessibleText(Labels.of("finaltest.burn.hours"));
    FlowPane begin =
        new FlowPane(
            text(Labels.of("finaltest.burn.hours"), "form-label"),
            hours,
            button("finaltest.burn.begin", "burn-begin", this::begin));
    begin.getStyleClass().add("line-form");
    add(
        text(Labels.of("finaltest.burn.care"), "caution", "caution-danger"),
        counsel,
        more,
        running,
        strips,
        odd,
        heading("finaltest.burn.new"),
        text(Labels.of("finaltest.burn.about"), "quiet"),
        planned,
        line,
        begin);
    model.reform().momentProperty().addListener((_, _, _) -> tick());
  }

  private void begin() {
    if (prove.beginBurn(read(hours.getText()), List.copyOf(channels))) {
      channels.clear();
    }
  }

  private OptionalDouble read(String text) {
    OptionalDouble[] value = {OptionalDouble.empty()};
    model().made(() -> value[0] = Measure.HOURS.read(text));
    return value[0];
  }

  @Override
  protected void show(Job job) {
    Optional<BurnWatch> burn = prove.burn();
    shownFor = key(burn);
    fillRows(
        planned,
        channels,
        "finaltest.burn.channels.none",
        c ->
            row(
                text(
                    c.name()
                        + "   "
                        + (c.expected().isPresent()
                            ? AccuracyPage.figure(c.expected().getAsDouble()) + " "
                            : "")
                        + "± "
                        + AccuracyPage.figure(c.bound())
                        + " "
                        + c.unit()),
                quiet(
                    "form.take-out",
                    () -> {
                      channels.remove(c);
                      show(job());
                    })));
    running.getChildren().clear();
    strips.getChildren().clear();
    odd.getChildren().clear();
    tick();
    if (burn.isEmpty()) {
      return;
    }
    BurnWatch b = burn.get();
    b.channels().forEach(c -> strips.getChildren().add(strip(b, c)));
    b.odd()
        .forEach(r ->
            odd.getChildren()
                .add(
                    text(
                        "!  "
                            + MOMENT.format(r.at().atZone(model().now().getZone()))
                            + "  "
                            + r.note(),
                        "point-against")));
    if (b.of().end() == BurnEnd.UNDECIDED) {
      running.getChildren().addAll(reading(b), ending(b));
    }
  }

  private AddLine reading(BurnWatch b) {
    Map<String, TextField> fields = new LinkedHashMap<>();
    List<TextField> note = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      Map<String, Double> shown = new LinkedHashMap<>();
                      fields.forEach((name, f) ->
                          Measure.PLAIN.read(f.getText()).ifPresent(v -> shown.put(name, v)));
                      prove.readBurn(shown, note.getFirst().getText());
                    }));
    int k = 0;
    for (BurnWatch.Channel c : b.channels()) {
      TextField f = line.field("finaltest.shown", "burn-read-" + k++, 6);
      f.setAccessibleText(c.of().name());
      ((Label) ((VBox) f.getParent()).getChildren().getFirst())
          .setText(c.of().name() + ", " + c.of().unit());
      fields.put(c.of().name(), f);
    }
    note.add(line.field("finaltest.burn.odd", "burn-odd", 16));
    return line.button("finaltest.keep", "burn-read");
  }

  private FlowPane ending(BurnWatch b) {
    TextField reason = new TextField();
    reason.setPromptText(Labels.of("finaltest.burn.reason"));
    reason.setAccessibleText(Labels.of("finaltest.burn.reason"));
    reason.setId("burn-reason");
    Button pass =
        button(
            "finaltest.burn.pass",
            "burn-pass",
            () -> prove.endBurn(BurnEnd.PASSED, reason.getText()));
    pass.setDisable(b.counsel() != BurnCounsel.PASS);
    FlowPane line =
        new FlowPane(
            pass,
            button(
                "finaltest.burn.fail",
                "burn-fail",
                () -> prove.endBurn(BurnEnd.FAILED, reason.getText())),
            button(
                "finaltest.burn.stop",
                "burn-stop",
                () -> prove.endBurn(BurnEnd.STOPPED, reason.getText())),
            reason);
    line.getStyleClass().add("line-form");
    return line;
  }

  private Node strip(BurnWatch b, BurnWatch.Channel c) {
    Drift d = c.drift();
    String how =
        d.verdict() == Drift.DriftVerdict.TOO_FEW
            ? model().words().word(d.verdict())
            : Labels.of(
                "finaltest.burn.drift",
                model().words().word(d.verdict()),
                AccuracyPage.rough(d.over()),
                AccuracyPage.rough(d.unsure()),
                c.of().unit(),
                AccuracyPage.figure(b.of().hours()));
    boolean bad = c.beyond() || d.verdict() == Drift.DriftVerdict.DRIFTS;
    VBox box =
        column(
            text((bad ? "✗ " : "") + c.of().name() + "   " + how, bad ? "run-bad" : "strong-note"));
    if (!c.readings().isEmpty()) {
      double base = c.base().orElse(c.readings().getFirst().value());
      List<BandChart.Edge> band =
          List.of(
              new BandChart.Edge(0, base - c.of().bound(), base + c.of().bound()),
              new BandChart.Edge(b.of().hours(), base - c.of().bound(), base + c.of().bound()));
      List<BandChart.At> at =
          c.readings().stream()
              .map(r ->
                  new BandChart.At(
                      r.hours(),
                      r.value(),
                      r.hours() >= Drift.WARM_UP_HOURS
                          && Math.abs(r.value() - base) > c.of().bound()))
              .toList();
      MarkPane pane = new MarkPane("band-chart");
      pane.setMinHeight(STRIP);
      pane.setPrefHeight(STRIP);
      pane.show((w, h, em) ->
          BandChart.marks(at, band, Labels.of("finaltest.burn.axis"), c.of().unit(), w, h, em));
      box.getChildren().add(pane);
    }
    return box;
  }

  private static String key(Optional<BurnWatch> burn) {
    return burn.map(b -> b.of().id() + b.counsel()).orElse("");
  }

  private void tick() {
    if (model().openProperty().get().isEmpty()
        || model().stageProperty().get() != Stage.FINAL_TEST) {
      return;
    }
    Optional<BurnWatch> burn = prove.burn();
    String now = key(burn);
    counsel.setText(
        burn.map(b ->
                model().words().word(b.counsel())
                    + (b.counsel() == BurnCounsel.ENDED
                        ? ": " + model().words().word(b.of().end())
                        : ""))
            .orElse(Labels.of("finaltest.burn.none")));
    counsel
        .getStyleClass()
        .setAll(
            "label",
            "wake-counsel",
            burn.map(b ->
                    switch (b.counsel()) {
                      case STOP -> "run-bad";
                      case PASS -> "run-good";
                      case WAIT, READ, UNDECIDED, ENDED -> "run-off";
                    })
                .orElse("run-off"));
    more.setText(burn.flatMap(BurnWatch::next).map(this::due).orElse(""));
    if (!now.equals(shownFor)) {
      shownFor = now;
      show(job());
    }
  }

  private String due(Instant next) {
    Instant now = model().now().toInstant();
    return now.isBefore(next)
        ? Labels.of(
            "finaltest.burn.next",
            MOMENT.format(next.atZone(model().now().getZone())),
            ChargeText.time(Duration.between(now, next)))
        : Labels.of("finaltest.burn.due", MOMENT.format(next.atZone(model().now().getZone())));
  }
}
