package org.yellowhearth.desk.replace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.KitMatch;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * A bought kit or the whole drawer against every place that is open: which part goes where, what
 * stays open and why.
 */
final class KitPage extends Page {
  private final ReplaceModel renew;
  private final GridPane placed = new GridPane();
  private final VBox open = column();
  private final VBox left = column();
  private final Button accept =
      button("replace.kit.accept", "kit-accept", () -> model().renew().acceptMatch());
  private final FlowPane papers = new FlowPane();
  private final PaperTray tray;

  KitPage(DeskModel model, FileAsk files, PaperTray tray) {
    super(model);
    this.tray = tray;
    renew = model.renew();
    placed.getStyleClass().add("sums");
    placed.setId("kit-placed");
    open.setId("kit-open");
    left.setId("kit-left");
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(Bound.number(renew.sums().progressProperty()));
    progress
        .visibleProperty()
        .bind(Bound.number(renew.sums().progressProperty()).greaterThanOrEqualTo(0));
    FlowPane ask =
        new FlowPane(
            button("replace.kit.drawer", "kit-drawer", renew::matchDrawer),
            button("replace.kit.bring", "kit-bring", () -> files.list().ifPresent(renew::matchKit)),
            progress);
    ask.getStyleClass().add("line-form");
    papers.getStyleClass().add("line-form");
    accept.getStyleClass().add("keep-button");
    add(
        text(Labels.of("replace.kit.how"), "quiet"),
        ask,
        heading("replace.kit.placed"),
        placed,
        new FlowPane(accept),
        heading("replace.kit.open"),
        open,
        heading("replace.kit.left"),
        left,
        heading("replace.kit.labels"),
        papers);
    renew.matchProperty().addListener((_, _, _) -> again());
  }

  private void again() {
    if (getScene() != null && model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    placed.getChildren().clear();
    Optional<KitMatch> match = renew.matchProperty().get();
    accept.setDisable(match.map(m -> m.placed().isEmpty()).orElse(true));
    if (match.isEmpty()) {
      fill(open, List.of(), "replace.kit.not-yet", _ -> {});
      fill(left, List.of(), "replace.kit.not-yet", _ -> {});
    } else {
      match(job, match.get());
    }
    papers(job);
  }

  private void match(Job job, KitMatch m) {
    Describe describe = new Describe(model().words());
    int row = 0;
    for (KitMatch.Placed p : m.placed()) {
      String old = job.part(p.part()).map(describe::value).orElse("");
      Label why =
          text(
              p.up() > 0
                  ? Labels.of("replace.kit.up", Quantity.volts(p.up()))
                  : p.as().points().stream()
                      .filter(x -> x.weight() >= 0)
                      .findFirst()
                      .map(x -> model().words().say(x.words()))
                      .orElse(""),
              p.up() > 0 ? "strong-note" : "quiet");
      placed.addRow(
          row++,
          text(p.part().toString(), "lane-ref"),
          text(old, "quiet"),
          text("→"),
          text(p.ware().title() + "  " + describe.ware(p.ware().ware())),
          why);
    }
    fill(
        open,
        m.open(),
        "replace.kit.none-open",
        o ->
            open.getChildren()
                .add(
                    text(
                        o.part()
                            + "  "
                            + job.part(o.part()).map(describe::value).orElse("")
                            + ": "
                            + model().words().say(o.why()))));
    Map<StockPart, Long> over =
        m.left().stream()
            .collect(
                Collectors.groupingBy(p -> p, java.util.LinkedHashMap::new, Collectors.counting()));
    fill(
        left,
        List.copyOf(over.entrySet()),
        "replace.kit.none-left",
        e ->
            left.getChildren()
                .add(
                    text(
                        e.getValue()
                            + " × "
                            + e.getKey().title()
                            + "  "
                            + describe.ware(e.getKey().ware()))));
  }

  private void papers(Job job) {
    papers.getChildren().clear();
    if (job.items(Choice.class).isEmpty()) {
      papers.getChildren().add(text(Labels.of("replace.kit.no-labels"), "quiet"));
      return;
    }
    papers
        .getChildren()
        .addAll(
            button(
                "replace.kit.labels.save",
                "kit-labels",
                () -> tray.save(Labels.of("replace.labels.file"), model().dossier().labels())),
            button("replace.print", "kit-print", () -> tray.print(model().dossier().labels())));
  }
}
