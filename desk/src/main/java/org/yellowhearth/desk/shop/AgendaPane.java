package org.yellowhearth.desk.shop;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.agenda.Agenda.Bucket;
import org.yellowhearth.core.agenda.ClockWatch;
import org.yellowhearth.core.agenda.Later;
import org.yellowhearth.core.agenda.WhenText;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.workshop.AgendaModel;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What is due across all jobs, day by day, with an answer to each: open it, put it off, done. */
final class AgendaPane extends VBox {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter LONG_DAY =
      DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH);
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
  private static final int MOST = 200;

  private final DeskModel model;
  private final AgendaModel agenda;
  private final VBox list = new VBox();
  private final Label clock = Page.text("", "caution", "caution-care");
  private final ComboBox<String> set = new ComboBox<>();
  private final ComboBox<OwnTask.TaskKind> kind = new ComboBox<>();
  private final TextField what = new TextField();
  private final TextField when = new TextField();
  private final Label echo = Page.text("", "quiet");
  private final Button undo;

  /** The row whose time or words are being changed. */
  private Optional<String> editing = Optional.empty();

  private boolean doneShown;

  AgendaPane(DeskModel model, FileAsk files) {
    this.model = model;
    agenda = model.agenda();
    getStyleClass().add("agenda");
    setMinHeight(0);
    list.getStyleClass().add("agenda-list");
    list.setId("agenda-list");
    list.setMinWidth(0);
    clock.setId("agenda-clock");
    clock.managedProperty().bind(clock.visibleProperty());
    undo = Page.button("agenda.undo", "agenda-undo", agenda::undo);
    HBox.setHgrow(echo, Priority.ALWAYS);
    echo.setMaxWidth(Double.MAX_VALUE);
    VBox all = new VBox(addLine());
    all.getStyleClass().add("agenda-list");
    all.setMinWidth(0);
    ScrollPane scroll = new ScrollPane(all);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("page");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    HBox below =
        new HBox(
            echo,
            undo,
            Page.button(
                "agenda.out",
                "agenda-out",
                () ->
                    files
                        .newPaper(Labels.of("agenda.file"))
                        .ifPresent(f -> model.save(f, agenda.calendar()))),
            Page.button(
                "agenda.in",
                "agenda-in",
                () -> files.calendar().ifPresent(f -> job().ifPresent(j -> agenda.bringIn(f, j)))));
    below.getStyleClass().add("agenda-below");
    all.getChildren().addAll(below, list);
    getChildren().addAll(clock, scroll);
    agenda
        .agendaProperty()
        .addListener((_, _, _) -> {
          // What is being typed is not swept away.
          if (editing.isEmpty()) {
            show();
          }
        });
    agenda.jumpProperty().addListener((_, _, _) -> show());
    model.shelf().jobsProperty().addListener((_, _, jobs) -> sets(jobs));
    sceneProperty().addListener((_, _, _) -> show());
    sets(model.shelf().jobsProperty().get());
    show();
  }

  private Optional<String> job() {
    return Optional.ofNullable(set.getValue());
  }

  private static VBox labelled(String label, String id, javafx.scene.control.Control control) {
    Label above = new Label(Labels.of(label));
    above.getStyleClass().add("form-label");
    above.setLabelFor(control);
    control.setId(id);
    control.setAccessibleText(above.getText());
    VBox box = new VBox(above, control);
    box.setMinWidth(0);
    return box;
  }

  private FlowPane addLine() {
    what.setPrefColumnCount(24);
    when.setPrefColumnCount(12);
    when.setPromptText(Labels.of("agenda.when.prompt"));
    kind.getItems().setAll(OwnTask.TaskKind.values());
    kind.setValue(OwnTask.TaskKind.TASK);
    kind.setConverter(Form.words(model));
    set.setPrefWidth(Region.USE_COMPUTED_SIZE);
    set.setMaxWidth(Double.MAX_VALUE);
    set.setConverter(Shown.by(this::name, ""));
    when.textProperty().addListener((_, _, text) -> echo.setText(heard(text)));
    what.setOnAction(_ -> add());
    when.setOnAction(_ -> add());
    FlowPane line =
        new FlowPane(
            labelled("agenda.what", "agenda-what", what),
            labelled("agenda.when", "agenda-when", when),
            labelled("agenda.kind", "agenda-kind", kind),
            labelled("agenda.set", "agenda-set", set),
            Page.button("agenda.add", "agenda-add", this::add));
    line.getStyleClass().add("line-form");
    return line;
  }

  private void add() {
    if (job().isEmpty()) {
      model.tell(Labels.of("agenda.no-set"), true);
    } else if (agenda.add(set.getValue(), kind.getValue(), what.getText(), when.getText())) {
      what.clear();
      when.clear();
      what.requestFocus();
    }
  }

  /** How a time is understood, while it is typed. */
  private String heard(String text) {
    if (text.isBlank()) {
      return "";
    }
    try {
      WhenText w = WhenText.parse(text, model.now());
      String said = LONG_DAY.format(w.at()) + (w.wholeDay() ? "" : ", " + TIME.format(w.at()));
      return w.skipped() ? said + "  " + Labels.of("agenda.skipped") : said;
    } catch (IllegalArgumentException e) {
      return e.getMessage();
    }
  }

  private void sets(List<ShelfLine> jobs) {
    String before = set.getValue();
    List<String> ids = jobs.stream().map(ShelfLine::id).toList();
    set.getItems().setAll(ids);
    set.setValue(ids.contains(before) ? before : ids.stream().findFirst().orElse(null));
  }

  private String name(String id) {
    return model.shelf().jobsProperty().get().stream()
        .filter(o -> o.id().equals(id))
        .map(ShelfLine::name)
        .findFirst()
        .orElse("");
  }

  private void show() {
    if (getScene() == null) {
      return;
    }
    Optional<String> focused =
        Optional.ofNullable(getScene().getFocusOwner())
            .map(Node::getId)
            .filter(id -> list.lookup("#" + id) != null);
    ZonedDateTime now = model.now();
    undo.setDisable(!agenda.canUndo());
    Optional<Agenda> is = agenda.agendaProperty().get();
    clock.setText(clock(is, now));
    clock.setVisible(!clock.getText().isEmpty());
    list.getChildren().clear();
    List<Agenda.Row> rows = is.map(Agenda::rows).orElse(List.of());
    if (is.isPresent() && rows.stream().allMatch(r -> r.first().bucket() == Bucket.DONE)) {
      Label empty = Page.text(Labels.of("agenda.empty"), "empty-state");
      list.getChildren().add(empty);
    }
    rows.stream()
        .limit(MOST)
        .collect(
            Collectors.groupingBy(
                r -> r.first().bucket(), java.util.TreeMap::new, Collectors.toList()))
        .forEach((bucket, some) -> bucket(bucket, some, now));
    if (rows.size() > MOST) {
      list.getChildren().add(Page.text(Labels.of("agenda.more", rows.size() - MOST), "quiet"));
    }
    focused.map(id -> list.lookup("#" + id)).ifPresent(Node::requestFocus);
  }

  private String clock(Optional<Agenda> is, ZonedDateTime now) {
    Optional<String> behind =
        is.flatMap(Agenda::behind)
            .map(b ->
                Labels.of(
                    "agenda.behind",
                    LONG_DAY.format(b.atZone(now.getZone()))
                        + " "
                        + TIME.format(b.atZone(now.getZone()))));
    return behind
        .or(() ->
            agenda
                .jumpProperty()
                .get()
                .map(j ->
                    Labels.of(
                        j.jump() == ClockWatch.Jump.BACK
                            ? "agenda.clock-back"
                            : "agenda.clock-ahead",
                        ChargeText.time(j.by()))))
        .orElse("");
  }

  private void bucket(Bucket bucket, List<Agenda.Row> rows, ZonedDateTime now) {
    Label title =
        Page.text(
            Words.of(org.yellowhearth.core.job.SetPlate.Dialect.BRITISH).word(bucket)
                + "   "
                + rows.size(),
            "section-title");
    if (bucket == Bucket.DONE) {
      Button toggle =
          Page.quiet(
              doneShown ? "agenda.hide" : "agenda.show",
              () -> {
                doneShown = !doneShown;
                show();
              });
      toggle.setId("agenda-done-shown");
      list.getChildren().add(Page.row(title, toggle));
      if (!doneShown) {
        return;
      }
    } else {
      list.getChildren().add(title);
    }
    rows.forEach(r -> list.getChildren().add(row(r, now)));
  }

  private Node row(Agenda.Row of, ZonedDateTime now) {
    Agenda.Line line = of.first();
    Label time = Page.text(time(line, now), "agenda-time", "figure");
    time.setMinWidth(Region.USE_PREF_SIZE);
    Label said = Page.text(agenda.say(line), "strong-note");
    Label source =
        Page.text(
            model.words().word(line.due().source())
                + "  ·  "
                + line.set()
                + (line.due().moved() ? "  ·  " + Labels.of("agenda.moved") : ""),
            "quiet");
    VBox words = new VBox(said, source);
    if (!of.then().isEmpty()) {
      words
          .getChildren()
          .add(
              Page.text(
                  Labels.of(
                      "agenda.then",
                      of.then().stream()
                          .map(l -> TIME.format(l.due().at().orElseThrow().atZone(now.getZone())))
                          .collect(Collectors.joining(", "))),
                  "quiet"));
    }
    words.setMinWidth(0);
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(time, words);
    row.getStyleClass().addAll("agenda-row", "agenda-" + line.bucket().code());
    String id = line.due().key();
    row.getChildren()
        .add(named(Page.button("agenda.open", "open-" + id, () -> agenda.open(line)), line));
    if (line.bucket() == Bucket.DONE) {
      row.getChildren()
          .add(
              named(
                  Page.button(
                      "agenda.not-done", "undone-" + id, () -> agenda.done(line, /* is= */ false)),
                  line));
      return row;
    }
    row.getChildren()
        .addAll(
            named(put(line, id), line),
            named(
                Page.button("agenda.done", "done-" + id, () -> agenda.done(line, /* is= */ true)),
                line));
    return editing.filter(line.key()::equals).isPresent() ? new VBox(row, editor(line)) : row;
  }

  /** A screen reader hears what the button is about. */
  private <B extends javafx.scene.control.Labeled> B named(B button, Agenda.Line line) {
    button.setAccessibleText(button.getText() + ": " + agenda.say(line) + ", " + line.set());
    return button;
  }

  private MenuButton put(Agenda.Line line, String id) {
    MenuButton later = new MenuButton(Labels.of("agenda.later"));
    later.setId("later-" + id);
    later.setMinWidth(Region.USE_PREF_SIZE);
    for (Later l : Later.values()) {
      MenuItem item = new MenuItem(model.words().word(l));
      item.setOnAction(_ -> agenda.later(line, l));
      later.getItems().add(item);
    }
    MenuItem at =
        new MenuItem(Labels.of(line.due().own().isPresent() ? "agenda.change" : "agenda.at"));
    at.setOnAction(_ -> {
      editing = Optional.of(line.key());
      show();
      Optional.ofNullable(lookup("#agenda-edit-when")).ifPresent(Node::requestFocus);
    });
    later.getItems().add(at);
    line.due()
        .own()
        .ifPresent(_ -> {
          MenuItem out = new MenuItem(Labels.of("form.take-out"));
          out.setOnAction(_ -> agenda.take(line));
          later.getItems().add(out);
        });
    return later;
  }

  private FlowPane editor(Agenda.Line line) {
    TextField to = new TextField();
    to.setPrefColumnCount(14);
    to.setPromptText(Labels.of("agenda.when.prompt"));
    Label said = Page.text("", "quiet");
    to.textProperty().addListener((_, _, text) -> said.setText(heard(text)));
    TextField words = new TextField(line.due().own().map(OwnTask::what).orElse(""));
    words.setPrefColumnCount(24);
    Runnable keep =
        () -> {
          if (agenda.change(line, words.getText(), to.getText())) {
            editing = Optional.empty();
            show();
          }
        };
    to.setOnAction(_ -> keep.run());
    words.setOnAction(_ -> keep.run());
    FlowPane box = new FlowPane(labelled("agenda.when", "agenda-edit-when", to));
    line.due()
        .own()
        .ifPresent(_ -> box.getChildren().add(labelled("agenda.what", "agenda-edit-what", words)));
    box.getChildren()
        .addAll(
            Page.button("agenda.keep", "agenda-edit-keep", keep),
            Page.quiet(
                "agenda.leave",
                () -> {
                  editing = Optional.empty();
                  show();
                }),
            said);
    box.getStyleClass().addAll("line-form", "agenda-editor");
    return box;
  }

  private static String time(Agenda.Line line, ZonedDateTime now) {
    if (line.due().at().isEmpty()) {
      return "—";
    }
    ZonedDateTime at = line.due().at().get().atZone(now.getZone());
    LocalDate day = at.toLocalDate();
    boolean near = day.equals(now.toLocalDate()) || line.bucket() == Bucket.TOMORROW;
    if (line.due().wholeDay()) {
      return DAY.format(day);
    }
    Duration over = Duration.between(at, now);
    String ago =
        line.bucket() == Bucket.OVERDUE && over.toMinutes() > 0 && over.toHours() < 24
            ? "  −" + (over.toHours() > 0 ? over.toHours() + " h" : over.toMinutes() + " min")
            : "";
    return (near ? "" : DAY.format(day) + "  ") + TIME.format(at) + ago;
  }
}
