package org.yellowhearth.desk.reform;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.reform.ForecastTrial;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ForecastQuality;
import org.yellowhearth.workshop.words.Labels;

/**
 * How good the forecasts are: tried here and now over simulated capacitors whose end is known, of
 * our own model and of others.
 */
final class QualityPage extends Page {
  private static final int CURVES = 100;

  private final ForecastQuality quality;
  private final GridPane table = new GridPane();
  private final ProgressBar bar = new ProgressBar();
  private final Button run;
  private final Button stop;

  QualityPage(DeskModel model) {
    super(model);
    quality = model.reform().quality();
    table.getStyleClass().add("sums");
    table.setId("quality-table");
    run = button("reform.quality.run", "quality-run", () -> quality.run(CURVES));
    stop = button("reform.quality.stop", "quality-stop", quality::stop);
    bar.progressProperty().bind(Bound.number(quality.progressProperty()));
    bar.visibleProperty().bind(Bound.number(quality.progressProperty()).greaterThanOrEqualTo(0));
    stop.visibleProperty().bind(bar.visibleProperty());
    run.disableProperty().bind(bar.visibleProperty());
    FlowPane line = new FlowPane(run, stop, bar);
    line.getStyleClass().addAll("line-form", "link-line");
    add(
        text(Labels.of("reform.quality.what", CURVES)),
        line,
        table,
        text(Labels.of("reform.quality.how"), "quiet"));
    quality.trialsProperty().addListener((_, _, now) -> show(now));
  }

  @Override
  protected void show(Job job) {
    show(quality.trialsProperty().get());
  }

  private void show(List<ForecastTrial> trials) {
    table.getChildren().clear();
    if (trials.isEmpty()) {
      return;
    }
    int column = 0;
    for (String key : List.of("origin", "coverage", "error", "hopeless", "false")) {
      table.add(text(Labels.of("reform.quality." + key), "quiet"), column++, 0);
    }
    int row = 1;
    for (ForecastTrial t : trials) {
      table.addRow(
          row++,
          text(model().words().word(t.origin())),
          figure(Labels.of("reform.quality.of", percent(t.coverage()), t.forecasts())),
          figure(t.errors().isEmpty() ? "—" : percent(t.medianError())),
          figure(
              t.hopeless() == 0
                  ? "—"
                  : Labels.of("reform.quality.of", percent(t.inTime()), t.hopeless())),
          figure(
              t.recovering() == 0
                  ? "—"
                  : Labels.of("reform.quality.of", percent(t.falseCalls()), t.recovering())));
    }
  }

  private static Label figure(String text) {
    Label figure = text(text, "figure");
    figure.setMinWidth(USE_PREF_SIZE);
    return figure;
  }

  private static String percent(double share) {
    return Double.isFinite(share) ? String.format(Locale.ROOT, "%.1f %%", 100 * share) : "—";
  }
}
