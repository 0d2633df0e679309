package org.yellowhearth.desk.reform;

import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.drawing.HoursChart;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** When: the hours at the bench, the lanes packed into them, and what is due by when. */
final class HoursPage extends Page {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEE d MMM  HH:mm", Locale.ENGLISH);
  private static final int MOST_DAYS = 14;
  private static final int MOST_DUES = 60;
  private static final double DAY_EMS = 2.6;
  private static final double CHANNEL_EMS = 1.5;

  private final MarkPane chart = new MarkPane("hours-chart");
  private final Label due = heading("reform.hours.due");
  private final FlowPane out = new FlowPane();
  private final GridPane dues = new GridPane();
  private final VBox said = column();
  private final AddLine hours;
  private final List<TextField> fields = new ArrayList<>();

  HoursPage(DeskModel model, FileAsk files) {
    super(model);
    hours =
        new AddLine(
            model,
            () ->
                model.made(() ->
                    model
                        .reform()
                        .schedule()
                        .say(
                            text(0, hours().hours()),
                            Measure.PLAIN.read(fields.get(1).getText()).orElse(hours().channels()),
                            Measure.AMPERES
                                .read(fields.get(2).getText())
                                .orElse(hours().supplyAmperes()))));
    fields.add(hours.field("reform.hours.when", "hours-when", 22));
    fields.add(hours.field("reform.hours.channels", "hours-channels", 4));
    fields.add(hours.field("reform.hours.supply", "hours-supply", 6));
    hours.button("reform.hours.keep", "hours-keep");
    dues.getStyleClass().add("sums");
    dues.setId("hours-dues");
    chart.setId("hours-chart");
    for (Node n : List.of(due, dues, out)) {
      n.managedProperty().bind(n.visibleProperty());
      n.visibleProperty().bind(chart.visibleProperty());
    }
    out.getChildren()
        .add(
            button(
                "reform.hours.calendar",
                "hours-calendar",
                () ->
                    files
                        .newPaper(Labels.of("reform.hours.file"))
                        .ifPresent(f -> model.save(f, model.reform().schedule().calendar()))));
    out.getStyleClass().add("line-form");
    add(hours, said, chart, due, dues, out, text(Labels.of("reform.hours.how"), "quiet"));
    model.reform().schedule().scheduleProperty().addListener((_, _, _) -> show());
  }

  private BenchHours hours() {
    return model().reform().schedule().hours();
  }

  private String text(int field, String otherwise) {
    return fields.get(field).getText().isBlank() ? otherwise : fields.get(field).getText();
  }

  @Override
  protected void show(Job job) {
    fields.get(0).setPromptText(hours().hours());
    fields.get(1).setPromptText(Integer.toString(hours().channels()));
    fields.get(2).setPromptText(Quantity.amperes(hours().supplyAmperes()).toString());
    show();
  }

  private void show() {
    if (getScene() == null || model().openProperty().get().isEmpty()) {
      return;
    }
    dues.getChildren().clear();
    said.getChildren().clear();
    Optional<Schedule> made = model().reform().schedule().scheduleProperty().get();
    boolean any = made.map(s -> !s.sittings().isEmpty()).orElse(false);
    said.getChildren()
        .add(
            text(
                Labels.of(
                    "reform.hours.now",
                    hours().hours(),
                    hours().channels(),
                    Quantity.amperes(hours().supplyAmperes()))));
    chart.setVisible(any);
    chart.setManaged(any);
    if (made.isEmpty() || !any) {
      said.getChildren()
          .add(
              text(Labels.of(made.isEmpty() ? "reform.working" : "reform.hours.nothing"), "quiet"));
    }
    made.ifPresent(s -> show(s, model().now()));
  }

  private void show(Schedule s, ZonedDateTime now) {
    BenchHours bench = hours();
    int days = HoursChart.days(s, now, MOST_DAYS);
    double high = (days * Math.max(DAY_EMS, CHANNEL_EMS * bench.channels()) + 2.2) * chart.em();
    chart.setMinHeight(high);
    chart.setPrefHeight(high);
    chart.show((w, h, em) -> HoursChart.marks(s, bench, now, days, w, h, em));
    if (!s.unplaced().isEmpty()) {
      said.getChildren()
          .add(
              text(
                  Labels.of(
                      "reform.hours.unplaced",
                      String.join(", ", s.unplaced().stream().map(Object::toString).toList())),
                  "run-bad"));
    }
    s.end()
        .ifPresent(end ->
            said.getChildren()
                .add(text(Labels.of("reform.hours.end", WHEN.format(end.atZone(now.getZone()))))));
    int row = 0;
    for (Schedule.Due d : s.dues().stream().limit(MOST_DUES).toList()) {
      dues.addRow(
          row++,
          text(WHEN.format(d.at().atZone(now.getZone())), "figure"),
          text(d.part().toString(), "lane-ref"),
          text(model().reform().schedule().deed(d)));
    }
  }
}
