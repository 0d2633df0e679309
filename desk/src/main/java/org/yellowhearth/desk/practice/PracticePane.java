package org.yellowhearth.desk.practice;

import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.PracticeModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The practice bench: graded exercises with the scores they brought, and others made by a number.
 */
public final class PracticePane extends VBox {
  private final DeskModel model;
  private final PracticeModel practice;
  private final VBox list = new VBox();
  private final List<Exercise> graded;
  private final ComboBox<Theme> theme;
  private final TextField seed;

  /** A pane over a model. */
  public PracticePane(DeskModel model) {
    this.model = model;
    practice = model.practice();
    graded = practice.graded();
    getStyleClass().add("agenda");
    list.setId("practice-list");
    list.getStyleClass().add("agenda-list");
    ScrollPane scroll = new ScrollPane(list);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("page");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    AddLine line = new AddLine(model, this::make);
    theme = line.choice("practice.theme", "practice-theme", List.of(Theme.values()));
    seed = line.field("practice.seed", "practice-seed", 8);
    line.button("practice.make", "practice-make");
    getChildren().addAll(Page.text(Labels.of("practice.about"), "quiet"), scroll, line);
    practice.changesProperty().addListener((_, _, _) -> show());
    show();
  }

  private boolean make() {
    return model.made(() -> {
      String typed = seed.getText().strip();
      if (!typed.matches("\\d{1,9}")) {
        throw new IllegalArgumentException(Labels.of("practice.no-seed"));
      }
      practice.begin(theme.getValue(), Long.parseLong(typed));
    });
  }

  private void show() {
    Page.fillRows(list, graded, "practice.none", this::row);
  }

  private Node row(Exercise e) {
    Theme t = e.theme();
    String score =
        practice.times(t) == 0
            ? Labels.of("practice.untried")
            : Labels.of(
                "practice.scores",
                practice.best(t),
                practice.history(t).stream().map(String::valueOf).collect(Collectors.joining(", ")),
                practice.times(t));
    VBox text =
        new VBox(
            Page.text((graded.indexOf(e) + 1) + ".  " + model.words().word(t), "form-title"),
            Page.text(
                model.words().word(e.plate().kind())
                    + "  ·  "
                    + Labels.of("practice.parts", e.parts().size(), e.minutes()),
                "quiet"),
            Page.text(PracticeView.asked(e, model.words()), "quiet"));
    Node row =
        Page.row(
            text,
            Page.text(score, "strong-note"),
            Page.button("practice.begin", "begin-" + t.code(), () -> practice.begin(t, e.seed())));
    row.getStyleClass().add("renew-card");
    return row;
  }
}
