package org.yellowhearth.desk.shop;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.learn.JobTallies.Heat;
import org.yellowhearth.core.learn.Learned;
import org.yellowhearth.core.learn.Learned.Share;
import org.yellowhearth.core.learn.Posterior;
import org.yellowhearth.core.learn.Topic;
import org.yellowhearth.core.learn.WorkDone;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the shop has learned: shares with how sure they are, how readings are spread, and where the
 * time went.
 */
final class LearnedPane extends VBox {
  private static final double TRACK = 460;
  private static final double HEIGHT = 14;
  private static final int COLUMNS = 5;
  private static final String BAD = "learned.bad-of";
  private static final String GOOD = "learned.good-of";

  private final DeskModel model;
  private final VBox content = new VBox();
  private final Map<String, Consumer<Learned>> pages = new LinkedHashMap<>();
  private String page = "groups";

  LearnedPane(DeskModel model) {
    this.model = model;
    getStyleClass().add("agenda");
    content.setId("learned");
    content.getStyleClass().add("agenda-list");
    pages.put("groups", l -> table(BAD, l.shares(Topic.GROUP), s -> group(s.codes()[0])));
    pages.put(
        "kinds",
        l -> table(BAD, l.shares(Topic.KIND), s -> model.words().capacitorKind(s.codes()[0])));
    pages.put("roles", l -> within(l, Topic.ROLE, code -> word(Role.values(), code)));
    pages.put("ages", l -> within(l, Topic.AGE, LearnedPane::years));
    pages.put("heat", l -> within(l, Topic.HEAT, code -> word(Heat.values(), code)));
    pages.put("readings", this::readings);
    pages.put(
        "forming",
        l -> {
          table(GOOD, l.shares(Topic.REFORMED), s -> model.words().capacitorKind(s.codes()[0]));
          if (!l.shares(Topic.REFORMED_AGE).isEmpty()) {
            content.getChildren().add(Page.text(Labels.of("learned.by-age"), "section-title"));
            table(GOOD, l.shares(Topic.REFORMED_AGE), s -> years(s.codes()[0]));
          }
        });
    pages.put("time", this::time);
    PageTabs tabs =
        new PageTabs(
            pages.keySet(),
            "learned.page.",
            "learned-",
            name -> {
              page = name;
              show();
            });
    tabs.mark(page);
    ScrollPane scroll = new ScrollPane(content);
    scroll.getStyleClass().add("page");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(tabs, scroll, Page.text(Labels.of("learned.method"), "quiet"));
    model.archive().learnedProperty().addListener((_, _, _) -> show());
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene != null) {
            model.archive().learn();
          }
        });
  }

  private void show() {
    content.getChildren().clear();
    model.archive().learnedProperty().get().ifPresent(l -> pages.get(page).accept(l));
    if (content.getChildren().isEmpty()) {
      content.getChildren().add(Page.text(Labels.of("learned.empty"), "empty-state"));
    }
  }

  private void within(Learned learned, Topic topic, Function<String, String> words) {
    GridPane grid = headed(BAD);
    for (Share group : learned.shares(Topic.GROUP)) {
      List<Share> rows = learned.shares(topic, group.key());
      if (!rows.isEmpty()) {
        grid.add(Page.text(group(group.key()), "section-title"), 0, grid.getRowCount(), COLUMNS, 1);
        rows.forEach(s -> row(grid, s, words.apply(s.codes()[1])));
      }
    }
    show(grid);
  }

  private void table(String counted, List<Share> rows, Function<Share, String> words) {
    GridPane grid = headed(counted);
    rows.forEach(s -> row(grid, s, words.apply(s)));
    show(grid);
  }

  private void show(GridPane grid) {
    if (grid.getRowCount() > 1) {
      content.getChildren().add(grid);
    }
  }

  /** A table with its headings; columns stand below one another through all its groups. */
  private static GridPane headed(String counted) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("learned-table");
    Label none = Page.text("0 %", "form-label");
    Label all = Page.text("100 %", "form-label");
    HBox axis = new HBox(none, new Region(), all);
    HBox.setHgrow(axis.getChildren().get(1), Priority.ALWAYS);
    axis.setMaxWidth(TRACK);
    grid.addRow(
        0,
        Page.text("", "form-label"),
        axis,
        Page.text(Labels.of(counted), "form-label"),
        Page.text(Labels.of("learned.nine"), "form-label"));
    return grid;
  }

  private static void row(GridPane grid, Share share, String words) {
    Posterior p = share.of();
    Label name = Page.text(words, p.few() ? "quiet" : "strong-note");
    name.setMinWidth(Region.USE_PREF_SIZE);
    grid.addRow(
        grid.getRowCount(),
        name,
        bar(p),
        figure(Labels.of("learned.share", p.hits(), p.seen())),
        figure(Labels.of("learned.range", percent(p.low()), percent(p.high()))),
        Page.text(p.few() ? Labels.of("learned.few") : "", "quiet"));
  }

  private static Label figure(String text) {
    Label label = Page.text(text, "figure");
    label.setWrapText(false);
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static String percent(double share) {
    return Long.toString(Math.round(100 * share));
  }

  /**
   * Nothing at the left, all at the right: the range in which the share lies nine times in ten, and
   * its mean.
   */
  private static Node bar(Posterior p) {
    Region track = new Region();
    track.getStyleClass().add("learned-track");
    track.resizeRelocate(0, HEIGHT / 2 - 1, TRACK, 2);
    Region range = new Region();
    range.getStyleClass().add("learned-range");
    range.resizeRelocate(p.low() * TRACK, 1, Math.max(2, (p.high() - p.low()) * TRACK), HEIGHT - 2);
    Region mean = new Region();
    mean.getStyleClass().add("learned-mean");
    mean.resizeRelocate(p.mean() * TRACK - 1.5, 0, 3, HEIGHT);
    Pane pane = new Pane(track, range, mean);
    pane.setMinSize(TRACK, HEIGHT);
    pane.setPrefSize(TRACK, HEIGHT);
    pane.setMaxSize(TRACK, HEIGHT);
    pane.getChildren().forEach(n -> n.setManaged(false));
    pane.setAccessibleText(Labels.of("learned.range", percent(p.low()), percent(p.high())));
    return pane;
  }

  private void readings(Learned learned) {
    spreads("learned.kept", "kept", learned.kept(), v -> Quantity.percent(v).toString());
    spreads(
        "learned.dissipation",
        "dissipation",
        learned.dissipation(),
        v -> Quantity.ratio(v).toString());
  }

  private void spreads(
      String title, String id, List<Learned.OfKind> rows, Function<Double, String> text) {
    if (rows.isEmpty()) {
      return;
    }
    Grid grid = new Grid("learned-" + id);
    grid.head(
        List.of(
            Labels.of("learned.kind"),
            Labels.of("learned.seen"),
            Labels.of("learned.tenth"),
            Labels.of("learned.median"),
            Labels.of("learned.ninth")));
    rows.forEach(k ->
        grid.row(
            List.of(
                model.words().capacitorKind(k.kind()),
                Long.toString(k.spread().seen()),
                text.apply(k.spread().tenth()),
                text.apply(k.spread().median()),
                text.apply(k.spread().ninth())),
            k.spread().seen() < Posterior.FEW ? "quiet" : "figure"));
    content.getChildren().addAll(Page.text(Labels.of(title), "section-title"), grid);
  }

  private void time(Learned learned) {
    List<Learned.Minutes> rows = learned.minutes();
    if (rows.isEmpty()) {
      return;
    }
    long all = rows.stream().mapToLong(Learned.Minutes::minutes).sum();
    Grid grid = new Grid("learned-minutes");
    grid.head(
        List.of(
            Labels.of("learned.work"),
            Labels.of("learned.hours"),
            Labels.of("learned.part-of-all"),
            Labels.of("learned.per-job"),
            Labels.of("learned.jobs")));
    rows.forEach(m ->
        grid.row(
            List.of(
                word(WorkDone.Work.values(), m.work()),
                String.format(Locale.ROOT, "%.1f", m.minutes() / 60.0),
                percent((double) m.minutes() / all) + " %",
                Labels.of("learned.minutes", Math.round(m.perJob())),
                Long.toString(m.jobs())),
            "figure"));
    content
        .getChildren()
        .addAll(
            grid, Page.text(Labels.of("learned.time-how", WorkDone.PAUSE.toMinutes()), "quiet"));
  }

  private String group(String code) {
    for (Family f : Family.values()) {
      if (f.code().equals(code)) {
        return model.words().word(f);
      }
    }
    return word(Sort.values(), code);
  }

  private String word(Coded[] all, String code) {
    for (Coded c : all) {
      if (c.code().equals(code)) {
        return model.words().word(c);
      }
    }
    return code;
  }

  private static String years(String band) {
    return band.equals("-") ? Labels.of("learned.age-unknown") : Labels.of("learned.years", band);
  }
}
