package org.yellowhearth.desk.replace;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.replace.CounterList;
import org.yellowhearth.core.replace.Shopping;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.dossier.ReplacePapers;
import org.yellowhearth.storage.stock.CounterText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.StockModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What is to be ordered for every job on the shelf, with spares, packs, postage and the small
 * order's surcharge; and whether to wait.
 */
final class ShoppingPage extends Page {
  private static final double USUAL_SPARES = 0.1;

  private final GridPane lines = new GridPane();
  private final VBox sums = column();
  private final VBox waiting = column();
  private final List<TextField> terms = new ArrayList<>();
  private final List<TextField> wait = new ArrayList<>();
  private Shopping.Terms now = new Shopping.Terms(USUAL_SPARES, 0, 0, 0);
  private Optional<Shopping> list = Optional.empty();

  ShoppingPage(DeskModel model, FileAsk files, PaperTray tray) {
    super(model);
    lines.getStyleClass().add("sums");
    lines.setId("shopping-lines");
    sums.setId("shopping-sums");
    AddLine form =
        new AddLine(
            model,
            () -> {
              model.made(() -> {
                now =
                    new Shopping.Terms(
                        figure(terms.get(0)) / 100,
                        figure(terms.get(1)),
                        figure(terms.get(2)),
                        figure(terms.get(3)));
                show(job());
              });
              // The terms stay where they were typed.
              return false;
            });
    for (String key : List.of("spares", "postage", "least", "surcharge")) {
      terms.add(form.field("replace.shopping." + key, "shopping-" + key, 6));
    }
    terms.getFirst().setText(Long.toString(Math.round(100 * USUAL_SPARES)));
    AddLine weigh =
        new AddLine(
            model,
            () -> {
              model.made(this::weigh);
              return false;
            });
    for (String key : List.of("others", "weeks", "per-week")) {
      wait.add(weigh.field("replace.shopping." + key, "shopping-" + key, 6));
    }
    FlowPane papers =
        new FlowPane(
            button(
                "replace.shopping.save",
                "shopping-save",
                () ->
                    list.ifPresent(l -> {
                      ZonedDateTime at = model.now();
                      tray.save(
                          Labels.of("replace.shopping.file"), () -> ReplacePapers.shopping(l, at));
                    })),
            button(
                "replace.print",
                "shopping-print",
                () ->
                    list.ifPresent(l -> {
                      ZonedDateTime at = model.now();
                      tray.print(() -> ReplacePapers.shopping(l, at));
                    })),
            button(
                "replace.shopping.csv",
                "shopping-csv",
                () -> write(files, "replace.shopping.file.csv", CounterText::csv)),
            button(
                "replace.shopping.text",
                "shopping-text",
                () -> write(files, "replace.shopping.file.text", CounterText::lines)));
    papers.getStyleClass().add("line-form");
    add(
        text(Labels.of("replace.shopping.how"), "quiet"),
        form.button("replace.shopping.work", "shopping-work"),
        lines,
        sums,
        papers,
        heading("replace.shopping.wait"),
        weigh.button("replace.shopping.weigh", "shopping-weigh"),
        waiting);
    model
        .stock()
        .shelvedProperty()
        .addListener((_, _, _) -> {
          if (getScene() != null && model.openProperty().get().isPresent()) {
            show(job());
          }
        });
  }

  /** Writes the list in the order of a counter. */
  private void write(FileAsk files, String name, BiFunction<CounterText, CounterList, String> as) {
    CounterText text = new CounterText(model().words());
    list.filter(l -> !l.lines().isEmpty())
        .flatMap(l -> model().stock().counter(l))
        .ifPresent(c ->
            files
                .newList(Labels.of(name))
                .ifPresent(f -> model().stock().takeOut(f, as.apply(text, c))));
  }

  private static double figure(TextField f) {
    return Measure.PLAIN.read(f.getText().replace("%", "")).orElse(0);
  }

  private void weigh() {
    waiting.getChildren().clear();
    list.ifPresent(l -> {
      double saved =
          l.waitingSaves(
              (int) Math.round(figure(wait.get(0))), figure(wait.get(1)), figure(wait.get(2)));
      waiting
          .getChildren()
          .add(
              text(
                  Labels.of(
                      saved > 0 ? "replace.shopping.pays" : "replace.shopping.costs",
                      money(Math.abs(saved))),
                  "strong-note"));
    });
  }

  @Override
  protected void show(Job job) {
    lines.getChildren().clear();
    sums.getChildren().clear();
    Optional<StockModel.Shelved> shelved = model().stock().shelvedProperty().get();
    list =
        shelved.map(s ->
            Shopping.of(
                s.jobs().values().stream()
                    .map(j ->
                        new Shopping.Wanting(
                            j.plate().name(), j.items(Choice.class), j.items(Fitting.class)))
                    .toList(),
                s.byId(),
                now));
    if (list.map(l -> l.lines().isEmpty()).orElse(true)) {
      sums.getChildren().add(text(Labels.of("replace.shopping.empty"), "quiet"));
      return;
    }
    Shopping l = list.get();
    int column = 0;
    for (String key : List.of("order", "needed", "spares-of", "buy", "price", "for")) {
      lines.add(text(Labels.of("replace.shopping." + key), "quiet"), column++, 0);
    }
    int row = 1;
    for (Shopping.Line line : l.lines()) {
      lines.addRow(
          row++,
          text(line.title(), "lane-ref"),
          text(Integer.toString(line.needed()), "figure"),
          text(Integer.toString(line.spares()), "figure"),
          text(Integer.toString(line.bought()), "figure"),
          text(line.each().isPresent() ? money(line.price()) : "—", "figure"),
          text(line.where()));
    }
    sums.getChildren()
        .add(
            text(
                Labels.of(
                    "replace.shopping.total",
                    money(l.goods()),
                    money(l.postage()),
                    money(l.extra()),
                    money(l.total())),
                "strong-note"));
  }

  private static String money(double sum) {
    return Money.amount(sum);
  }
}
