package org.yellowhearth.desk.finaltest;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.finaltest.BeforeAfter;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.finaltest.VoltageChart.ChartVerdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Promised;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.publishing.dossier.FinalTestPapers;
import org.yellowhearth.workshop.Background.Work;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FinalTestModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The drawing's table with what was measured beside it, before and after, and every other pair of
 * before and after.
 */
final class ChartPage extends Page {
  private final FinalTestModel prove;
  private final Grid table = new Grid("prove-chart");
  private final VBox pairs = column();
  private final List<TextField> read = new ArrayList<>();
  private final List<TextField> drawn = new ArrayList<>();

  ChartPage(DeskModel model, PaperTray tray) {
    super(model);
    prove = model.prove();
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(Bound.number(prove.progressProperty()));
    bar.visibleProperty().bind(Bound.number(prove.progressProperty()).greaterThanOrEqualTo(0));
    pairs.setId("prove-pairs");
    add(
        text(Labels.of("finaltest.care"), "caution", "caution-danger"),
        row(
            text(Labels.of("finaltest.chart.about"), "quiet"),
            bar,
            button(
                "finaltest.save",
                "prove-save",
                () -> tray.save(Labels.of("finaltest.file"), paper())),
            button("replace.print", "prove-print", () -> tray.print(paper()))),
        table,
        heading("finaltest.read"),
        reading(),
        heading("finaltest.promise"),
        promise(),
        heading("finaltest.pairs"),
        pairs);
    prove
        .chartProperty()
        .addListener((_, _, _) -> {
          if (model.openProperty().get().isPresent()) {
            show(job());
          }
        });
  }

  private Work<byte[]> paper() {
    Job job = job();
    VoltageChart chart = prove.chartProperty().get();
    List<SignOff.Owed> open = prove.open();
    ZonedDateTime now = model().now();
    return () -> FinalTestPapers.evidence(job, chart, model().knowledge(), open, now);
  }

  private AddLine reading() {
    List<ComboBox<SupplyReading.Kind>> kind = new ArrayList<>();
    List<ComboBox<SupplyReading.State>> state = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        prove.read(
                            read.get(0).getText(),
                            kind.getFirst().getValue(),
                            Measure.VOLTS.read(read.get(1).getText()),
                            Measure.VOLTS.read(read.get(2).getText()),
                            Measure.OHMS.read(read.get(3).getText()),
                            state.getFirst().getValue(),
                            read.get(4).getText())));
    read.add(line.field("finaltest.point", "read-point", 6));
    kind.add(
        line.choice(
            "finaltest.kind",
            "read-kind",
            List.of(
                SupplyReading.Kind.DIRECT,
                SupplyReading.Kind.TRUE_RMS,
                SupplyReading.Kind.AVERAGE,
                SupplyReading.Kind.PEAK_TO_PEAK)));
    read.add(line.field("finaltest.volts", "read-volts", 7));
    read.add(line.field("finaltest.line", "read-line", 6));
    read.add(line.field("finaltest.meter", "read-meter", 6));
    state.add(line.choice("finaltest.state", "read-state", List.of(SupplyReading.State.values())));
    read.add(line.field("finaltest.settings", "read-settings", 12));
    return line.button("finaltest.keep", "read-keep");
  }

  private AddLine promise() {
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      Promised said = Promised.read(drawn.get(1).getText(), drawn.get(2).getText());
                      prove.promise(
                          drawn.get(0).getText(),
                          said.volts(),
                          said.tolerance(),
                          Measure.VOLTS.read(drawn.get(3).getText()),
                          Measure.OHMS.read(drawn.get(4).getText()),
                          said.alternating());
                    }));
    drawn.add(line.field("finaltest.point", "drawn-point", 6));
    drawn.add(line.field("finaltest.volts", "drawn-volts", 7));
    drawn.add(line.field("finaltest.within", "drawn-within", 5));
    drawn.add(line.field("finaltest.line", "drawn-line", 6));
    drawn.add(line.field("finaltest.meter", "drawn-meter", 6));
    return line.button("finaltest.keep", "drawn-keep");
  }

  @Override
  protected void show(Job job) {
    List<VoltageChart.Line> lines = prove.chartProperty().get().lines();
    if (lines.isEmpty()) {
      table.head(List.of(Labels.of("finaltest.chart.none")));
    } else {
      table.head(
          List.of(
              Labels.of("finaltest.point"),
              Labels.of("finaltest.drawing"),
              Labels.of("finaltest.within.short"),
              Labels.of("finaltest.before"),
              Labels.of("finaltest.after"),
              Labels.of("finaltest.off"),
              "",
              Labels.of("finaltest.read-with")));
      lines.forEach(this::line);
    }
    BeforeAfter all = BeforeAfter.of(job);
    pairs.getChildren().clear();
    all.readings()
        .forEach(p ->
            pairs
                .getChildren()
                .add(
                    text(
                        p.point()
                            + "  "
                            + model().words().word(p.kind())
                            + "   "
                            + FinalTestPapers.pair(p),
                        "figure")));
    Describe describe = new Describe(model().words());
    all.parts()
        .forEach(p ->
            pairs
                .getChildren()
                .add(
                    text(
                        p.ref()
                            + "   "
                            + p.read()
                                .map(r -> describe.reading(r.figures(), r.conditions()))
                                .orElse(Labels.of("finaltest.not-measured"))
                            + "  →  "
                            + (p.fitted().isEmpty()
                                ? Labels.of("finaltest.new-part")
                                : p.fitted()))));
    if (pairs.getChildren().isEmpty()) {
      pairs.getChildren().add(text(Labels.of("finaltest.pairs.none"), "quiet"));
    }
  }

  private void line(VoltageChart.Line l) {
    Label verdict = text(mark(l.verdict()) + model().words().word(l.verdict()), style(l.verdict()));
    verdict.setWrapText(false);
    verdict.setMinWidth(USE_PREF_SIZE);
    table.row(
        List.of(
            l.target().point(),
            Quantity.volts(l.target().volts())
                + (l.target().alternating() ? " " + Labels.of("finaltest.ac") : ""),
            "±" + Quantity.percent(l.tolerance()),
            FinalTestPapers.measured(l.before()),
            FinalTestPapers.measured(l.after()),
            FinalTestPapers.off(l.deviation())),
        "figure",
        verdict,
        text(FinalTestPapers.conditions(l, model().words()), "quiet"));
  }

  private static String mark(ChartVerdict v) {
    return switch (v) {
      case WITHIN -> "✓ ";
      case OUT -> "✗ ";
      case UNDECIDED -> "~ ";
      case UNREAD -> "○ ";
    };
  }

  private static String style(ChartVerdict v) {
    return switch (v) {
      case WITHIN -> "run-good";
      case OUT -> "run-bad";
      case UNDECIDED, UNREAD -> "run-off";
    };
  }
}
