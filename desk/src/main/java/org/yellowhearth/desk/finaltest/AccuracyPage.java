package org.yellowhearth.desk.finaltest;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.finaltest.Accuracy;
import org.yellowhearth.core.finaltest.Accuracy.AccuracyVerdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Columns;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Within;
import org.yellowhearth.publishing.drawing.BandChart;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FinalTestModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Ranges of an instrument against a reference: what is waited for first, then zero, calibrate,
 * measure; each point in both per cents.
 */
final class AccuracyPage extends Page {
  private static final double CHART = 210;
  private static final int FIGURES = 4;

  /** A double tells so many digits surely; a counter shows eleven. */
  private static final int READ_FIGURES = 13;

  /** Below this share of the reading parts per million are plainer than per cent. */
  private static final double PLAIN_SHARE = 1e-4;

  private final FinalTestModel prove;
  private final VBox holds = column();
  private final VBox ranges = column();
  private final List<TextField> held = new ArrayList<>();
  private final List<TextField> typed = new ArrayList<>();

  AccuracyPage(DeskModel model) {
    super(model);
    prove = model.prove();
    holds.setId("prove-holds");
    ranges.setId("prove-ranges");
    AddLine hold =
        new AddLine(
            model,
            () ->
                model.made(() ->
                    prove.hold(held.get(0).getText(), Measure.HOURS.read(held.get(1).getText()))));
    held.add(hold.field("finaltest.hold.what", "hold-what", 20));
    held.add(hold.field("finaltest.hold.hours", "hold-hours", 6));
    hold.button("finaltest.add", "hold-add");
    AddLine range =
        new AddLine(
            model,
            () ->
                model.made(() -> {
                  String unit = typed.get(1).getText();
                  Within within = Within.read(typed.get(3).getText(), unit);
                  prove.range(
                      typed.get(0).getText(),
                      unit,
                      plain(2),
                      within.share(),
                      within.absolute(),
                      plain(4),
                      typed.get(5).getText(),
                      plain(6));
                }));
    typed.add(range.field("finaltest.range", "range-name", 8));
    typed.add(range.field("finaltest.unit", "range-unit", 4));
    typed.add(range.field("finaltest.full-scale", "range-full", 5));
    typed.add(range.field("finaltest.of-reading", "range-reading", 4));
    typed.add(range.field("finaltest.of-full-scale", "range-scale", 4));
    typed.add(range.field("finaltest.reference", "range-reference", 12));
    typed.add(range.field("finaltest.reference.within", "range-within", 4));
    range.button("finaltest.add", "range-add");
    Label said = text("", "strong-note");
    said.setId("references-said");
    List<TextField> two = new ArrayList<>();
    AddLine references =
        new AddLine(
            model,
            () -> {
              model.made(() ->
                  said.setText(
                      apart(two.stream().map(f -> Measure.PLAIN.read(f.getText())).toList())));
              // The figures stay where they were typed.
              return false;
            });
    two.add(references.field("finaltest.references.first", "references-first", 7));
    two.add(references.field("finaltest.references.within", "references-first-within", 6));
    two.add(references.field("finaltest.references.second", "references-second", 7));
    two.add(references.field("finaltest.references.within", "references-second-within", 6));
    references.button("finaltest.references.compare", "references-compare");
    add(
        heading("finaltest.holds"),
        holds,
        hold,
        heading("finaltest.ranges"),
        text(Labels.of("finaltest.ranges.order"), "quiet"),
        range,
        ranges,
        heading("finaltest.references"),
        references,
        said);
  }

  private static String apart(List<OptionalDouble> typed) {
    double[] v =
        typed.stream()
            .mapToDouble(d ->
                d.orElseThrow(
                    () -> new IllegalArgumentException(Labels.of("finaltest.references.needed"))))
            .toArray();
    double apart = Accuracy.apart(v[0], v[1], v[2], v[3]);
    return Labels.of(
        apart > 1 ? "finaltest.references.differ" : "finaltest.references.agree",
        String.format(Locale.ROOT, "%.2f", apart));
  }

  private OptionalDouble plain(int k) {
    return Measure.PLAIN.read(typed.get(k).getText());
  }

  @Override
  protected void show(Job job) {
    Instant now = model().now().toInstant();
    fillRows(
        holds,
        job.items(CalibrationHold.class),
        "finaltest.holds.none",
        h -> {
          boolean over = !h.holds(now);
          String left =
              over || h.until().isEmpty()
                  ? ""
                  : "   " + ChargeText.time(Duration.between(now, h.until().get()));
          Label words = text((over ? "✓ " : "○ ") + h.what() + left, over ? "run-good" : "run-off");
          return over
              ? row(words, quiet("form.take-out", () -> model().take(h)))
              : row(
                  words,
                  quiet("finaltest.hold.settled", () -> prove.settle(h)),
                  quiet("form.take-out", () -> model().take(h)));
        });
    fillRows(ranges, job.items(AccuracyTest.class), "finaltest.ranges.none", this::range);
  }

  private VBox range(AccuracyTest t) {
    Accuracy a = Accuracy.of(t);
    String full =
        t.fullScale().isPresent()
            ? Labels.of("finaltest.full", figure(t.fullScale().getAsDouble()), t.unit())
            : "";
    Label name =
        text(
            t.range()
                + "   "
                + full
                + Labels.of(
                    t.absolute().isPresent() ? "finaltest.limit.absolute" : "finaltest.limit",
                    limit(t),
                    Quantity.percent(t.ofFullScale()),
                    t.reference(),
                    Quantity.percent(t.referenceUncertainty())),
            "strong-note");
    CheckBox zeroed =
        box("finaltest.zeroed", t.zeroed(), on -> prove.prepared(t, on, t.calibrated()));
    CheckBox calibrated =
        box("finaltest.calibrated", t.calibrated(), on -> prove.prepared(t, t.zeroed(), on));
    List<TextField> point = new ArrayList<>();
    AddLine add =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        prove.point(
                            t,
                            Measure.PLAIN.read(point.get(0).getText()),
                            Measure.PLAIN.read(point.get(1).getText()))));
    point.add(add.field("finaltest.applied", "applied-" + t.id(), 6));
    point.add(add.field("finaltest.shown", "shown-" + t.id(), 6));
    add.button("finaltest.keep", "point-" + t.id());
    FlowPane first = new FlowPane(zeroed, calibrated, add);
    first.getStyleClass().add("line-form");
    VBox box = column(row(name, quiet("form.take-out", () -> model().take(t))), first);
    box.getStyleClass().add("renew-card");
    if (!a.lines().isEmpty()) {
      box.getChildren()
          .addAll(
              new Columns(table(t, a), plot(t, a)),
              text(
                  Labels.of(
                      "finaltest.residual",
                      rough(a.residual()),
                      t.unit(),
                      model().words().word(a.verdict())),
                  "strong-note"));
    }
    return box;
  }

  private interface Ticked {
    void to(boolean on);
  }

  private static CheckBox box(String label, boolean on, Ticked then) {
    CheckBox box = new CheckBox(Labels.of(label));
    box.setSelected(on);
    box.selectedProperty().addListener((_, _, now) -> then.to(now));
    return box;
  }

  private Node table(AccuracyTest t, Accuracy a) {
    Grid grid = new Grid("points-" + t.id());
    grid.head(
        List.of(
            Labels.of("finaltest.applied"),
            Labels.of("finaltest.shown"),
            Labels.of("finaltest.error"),
            Labels.of("finaltest.of-reading.short"),
            Labels.of("finaltest.of-full-scale.short"),
            ""));
    for (Accuracy.Line l : a.lines()) {
      boolean bad = l.verdict() == AccuracyVerdict.BEYOND;
      grid.row(
          List.of(
              read(l.applied()),
              read(l.shown()),
              figure(l.error()),
              percent(l.ofReading()),
              percent(l.ofFullScale())),
          "figure",
          text(
              (bad ? "✗ " : l.verdict() == AccuracyVerdict.WITHIN ? "✓ " : "~ ")
                  + model().words().word(l.verdict()),
              bad ? "run-bad" : l.verdict() == AccuracyVerdict.WITHIN ? "run-good" : "run-off"));
    }
    return new VBox(grid);
  }

  private static Node plot(AccuracyTest t, Accuracy a) {
    List<BandChart.Edge> band = new ArrayList<>();
    double most =
        Math.max(
            t.fullScale().orElse(0),
            a.lines().stream().mapToDouble(l -> Math.abs(l.applied())).max().orElse(1));
    double least =
        Math.min(0, a.lines().stream().mapToDouble(Accuracy.Line::applied).min().orElse(0));
    for (double x : new double[] {least, 0, most}) {
      double limit = t.limitAt(x);
      band.add(new BandChart.Edge(x, -limit, limit));
    }
    List<BandChart.At> at =
        a.lines().stream()
            .sorted(Comparator.comparingDouble(Accuracy.Line::applied))
            .map(l ->
                new BandChart.At(l.applied(), l.error(), l.verdict() == AccuracyVerdict.BEYOND))
            .toList();
    MarkPane pane = new MarkPane("band-chart");
    pane.setMinHeight(CHART);
    pane.show((w, h, em) ->
        BandChart.marks(
            at,
            band,
            Labels.of("finaltest.applied") + ", " + t.unit(),
            Labels.of("finaltest.error") + ", " + t.unit(),
            w,
            h,
            em));
    return pane;
  }

  private static String limit(AccuracyTest t) {
    String share =
        t.ofReading() > 0 && t.ofReading() < PLAIN_SHARE
            ? figure(t.ofReading() * 1e6) + " ppm"
            : Quantity.percent(t.ofReading()).toString();
    return t.absolute().isEmpty()
        ? share
        : (t.ofReading() > 0 ? share + " + " : "")
            + figure(t.absolute().getAsDouble())
            + " "
            + t.unit();
  }

  /** What was set or read, with every digit that was typed, in threes. */
  static String read(double value) {
    String plain =
        new BigDecimal(value)
            .round(new MathContext(READ_FIGURES))
            .stripTrailingZeros()
            .toPlainString();
    int point = plain.indexOf('.');
    String whole = point < 0 ? plain : plain.substring(0, point);
    String grouped = whole.replaceAll("(?<=\\d)(?=(\\d{3})+$)", "\u2009");
    return (whole.length() > 4 ? grouped : whole) + (point < 0 ? "" : plain.substring(point));
  }

  /** Four figures, without powers of ten where they are not needed. */
  static String figure(double value) {
    return value == 0 || (Math.abs(value) >= 1e-3 && Math.abs(value) < 1e6)
        ? new BigDecimal(value).round(new MathContext(FIGURES)).stripTrailingZeros().toPlainString()
        : String.format(Locale.ROOT, "%.3g", value);
  }

  /** Two figures, for what is only estimated. */
  static String rough(double value) {
    return figure(value == 0 ? 0 : new BigDecimal(value).round(new MathContext(2)).doubleValue());
  }

  private static String percent(OptionalDouble share) {
    return share.isEmpty()
        ? "—"
        : Math.abs(share.getAsDouble()) < PLAIN_SHARE && share.getAsDouble() != 0
            ? String.format(Locale.ROOT, "%+.3g ppm", 1e6 * share.getAsDouble())
            : String.format(Locale.ROOT, "%+.2f %%", 100 * share.getAsDouble());
  }
}
