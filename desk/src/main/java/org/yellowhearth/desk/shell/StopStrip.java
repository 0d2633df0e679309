package org.yellowhearth.desk.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FirstPowerModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Stands above everything, over help and questions too, while an output may be on: what it is, what
 * stops it, and one button that does. After a stop of which nobody here can see whether it was
 * obeyed it stays and asks a person to look.
 */
final class StopStrip extends VBox {
  private final DeskModel model;
  private final Label what = new Label();
  private final Label how = Page.text("", "stop-how");
  private final Button stop = Page.button("stop.stop", "stop-all", this::stop);
  private final Label look = Page.text("", "stop-look");
  private final FlowPane answers = new FlowPane();
  private final HBox running;
  private boolean keyboard = true;

  StopStrip(DeskModel model) {
    this.model = model;
    getStyleClass().add("stop-strip");
    what.getStyleClass().add("stop-what");
    what.setId("stop-what");
    what.setMinWidth(USE_PREF_SIZE);
    how.setId("stop-how");
    look.setId("stop-look");
    stop.getStyleClass().add("stop-all");
    stop.setMinWidth(USE_PREF_SIZE);
    answers.getStyleClass().add("stop-answers");
    running = new HBox(what, how, stop);
    running.getStyleClass().add("stop-running");
    HBox.setHgrow(how, Priority.ALWAYS);
    how.setMaxWidth(Double.MAX_VALUE);
    getChildren().addAll(running, look, answers);
    getChildren().forEach(n -> n.managedProperty().bind(n.visibleProperty()));
    managedProperty().bind(visibleProperty());
    model.wake().runProperty().addListener((_, _, _) -> show());
    model.wake().unseenProperty().addListener((_, _, _) -> show());
    model.reform().lanesProperty().addListener((_, _, _) -> show());
    model.reform().unseenProperty().addListener((_, _, _) -> show());
    model.hearthProperty().addListener((_, _, _) -> show());
    show();
  }

  /** Whether the keyboard is with this window at all: keys pressed elsewhere never come here. */
  void keyboard(boolean here) {
    keyboard = here;
    show();
  }

  private void stop() {
    model.stopAll();
  }

  private void show() {
    List<String> on = new ArrayList<>();
    if (model.openProperty().get().isPresent()) {
      model
          .wake()
          .runProperty()
          .get()
          .filter(_ -> model.wake().on())
          .ifPresent(r -> on.add(Labels.of("stop.power", r.step() + 1, r.plan().steps().size())));
      if (!model.reform().underVoltage().isEmpty()) {
        on.add(Labels.of("stop.reform", refs(model.reform().underVoltage())));
      }
    }
    what.setText("● " + String.join("   ", on));
    how.setText(Labels.of(keyboard ? "stop.how" : "stop.no-keyboard"));
    how.getStyleClass().removeAll("stop-warning");
    if (!keyboard) {
      how.getStyleClass().add("stop-warning");
    }
    running.setVisible(!on.isEmpty());
    Set<PartRef> lanes = model.reform().unseenProperty().get();
    List<String> unseen = new ArrayList<>();
    model
        .wake()
        .unseenProperty()
        .get()
        .ifPresent(u ->
            unseen.add(
                Labels.of(
                    switch (u) {
                      case BY_HAND -> "stop.look.by-hand";
                      case LINK_GONE -> "stop.look.link-gone";
                      case NOT_ANSWERED -> "stop.look.not-answered";
                    })));
    if (!lanes.isEmpty()) {
      unseen.add(Labels.of("stop.look.reform", refs(lanes)));
    }
    look.setText(String.join("  ", unseen));
    look.setVisible(!unseen.isEmpty());
    answers.setVisible(!unseen.isEmpty());
    answers.getChildren().clear();
    boolean power =
        model
            .wake()
            .unseenProperty()
            .get()
            .filter(u -> u != FirstPowerModel.Unseen.NOT_ANSWERED)
            .isPresent();
    if (power) {
      answers
          .getChildren()
          .addAll(
              Page.button("stop.seen-off", "stop-seen-off", model.wake()::seenOff),
              Page.button("stop.still-on", "stop-still-on", model.wake()::seenOn));
    }
    if (!lanes.isEmpty()) {
      answers
          .getChildren()
          .add(Page.button("stop.lanes-off", "stop-lanes-off", model.reform()::seenOff));
    }
    setVisible(!on.isEmpty() || !unseen.isEmpty());
  }

  private static String refs(Iterable<PartRef> of) {
    List<String> all = new ArrayList<>();
    of.forEach(ref -> all.add(ref.toString()));
    return all.stream().collect(Collectors.joining(", "));
  }
}
