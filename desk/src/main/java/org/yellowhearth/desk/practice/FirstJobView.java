package org.yellowhearth.desk.practice;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.FirstJob;
import org.yellowhearth.workshop.FirstJob.Step;
import org.yellowhearth.workshop.words.Labels;

/** The first job: the whole program with an empty shop, and under it what to do next and why. */
public final class FirstJobView extends BorderPane {
  private final FirstJob job;
  private final Label title = Page.text("", "form-title");
  private final Label what = Page.text("");
  private final Label seen = Page.text("", "strong-note");
  private final Button type = Page.button("first.type-it", "first-type", this::type);
  private final Button next = Page.button("first.skip", "first-next", this::next);

  /**
   * A view.
   *
   * @param stages the window of the job's model
   * @param leave ends it
   */
  public FirstJobView(FirstJob job, Node stages, Runnable leave) {
    this.job = job;
    getStyleClass().add("practice");
    setCenter(stages);
    title.setId("first-title");
    what.setId("first-what");
    seen.setId("first-seen");
    seen.managedProperty().bind(seen.visibleProperty());
    FlowPane buttons = new FlowPane(type, next, Page.button("first.leave", "first-leave", leave));
    buttons.getStyleClass().add("line-form");
    VBox card = new VBox(title, what, seen, buttons);
    card.getStyleClass().addAll("practice-bar", "first-card");
    setBottom(card);
    job.atProperty().addListener((_, _, _) -> show());
    job.doneProperty().addListener((_, _, _) -> show());
    addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.F3) {
            next();
            e.consume();
          }
        });
    show();
  }

  private void next() {
    job.next();
  }

  private Optional<String> typed() {
    return job.step().map(s -> Labels.of("first." + s.code() + ".type")).filter(t -> !t.isEmpty());
  }

  private void type() {
    if (job.model().openProperty().get().isPresent()) {
      typed().ifPresent(job.model().benchLine().lineProperty()::set);
    }
  }

  private void show() {
    Optional<Step> step = job.step();
    title.setText(
        step.map(s ->
                Labels.of(
                    "first.step",
                    job.atProperty().get() + 1,
                    Step.values().length,
                    Labels.of("first." + s.code())))
            .orElse(Labels.of("first.over")));
    what.setText(
        step.map(s -> Labels.of("first." + s.code() + ".do")).orElse(Labels.of("first.over.do")));
    boolean done = job.doneProperty().get();
    seen.setText(
        step.filter(_ -> done)
            .map(s -> "✓ " + Labels.of("first." + s.code() + ".seen"))
            .orElse(""));
    seen.setVisible(!seen.getText().isEmpty());
    type.setVisible(typed().isPresent() && !done && step.filter(s -> s != Step.ARRIVE).isPresent());
    type.setManaged(type.isVisible());
    next.setText(Labels.of(done ? "first.next" : "first.skip"));
    next.setVisible(step.isPresent());
    next.setManaged(step.isPresent());
  }
}
