package org.yellowhearth.desk.shell;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.desk.theme.HearthDrawing;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** The plate across the top: what the set is, and the hearth. */
final class SetPlateView extends HBox {
  /** How much of the plate a long name may take before it is cut short. */
  private static final double NAME_SHARE = 0.42;

  private final DeskModel model;
  private final Label name = new Label();
  private final Label made = new Label();
  private final Label mains = new Label();
  private final Label chassis = new Label();
  private final Label place = new Label();
  private final Label state = new Label();
  private final Label since = new Label();
  private final HearthDrawing drawing = new HearthDrawing();
  private final HBox facts = new HBox();
  private final Button hearth = new Button();

  /**
   * Says beside the hearth what is under voltage on the bench: the hearth speaks of the set alone.
   */
  private final Button live = new Button();

  /** Says how much of the whole shop is due; it leads to the agenda. */
  private final Button due = new Button();

  SetPlateView(DeskModel model, Runnable toAgenda) {
    this.model = model;
    getStyleClass().add("set-plate");
    name.getStyleClass().add("plate-name");
    Button shop = new Button(Labels.of("plate.shop"));
    shop.getStyleClass().add("plate-button");
    shop.setId("to-shop");
    shop.setOnAction(_ -> model.toShop());
    facts.getStyleClass().add("plate-facts");
    facts
        .getChildren()
        .addAll(
            fact("plate.made", made),
            fact("plate.mains", mains),
            fact("plate.chassis", chassis),
            fact("plate.place", place));
    facts.setMinWidth(0);
    name.setMinWidth(0);
    name.maxWidthProperty().bind(widthProperty().multiply(NAME_SHARE));
    shop.setMinWidth(Region.USE_PREF_SIZE);
    widthProperty().addListener((_, _, _) -> fit());
    name.fontProperty().addListener((_, _, _) -> Platform.runLater(this::fit));
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    VBox words = new VBox(state, since);
    words.getStyleClass().add("hearth-words");
    words.setMinWidth(Region.USE_PREF_SIZE);
    state.getStyleClass().add("hearth-state");
    state.setId("hearth-state");
    since.getStyleClass().add("hearth-since");
    since.setId("hearth-since");
    HBox fire = new HBox(words, drawing);
    fire.getStyleClass().add("hearth-fire");
    hearth.setGraphic(fire);
    hearth.getStyleClass().add("hearth-button");
    hearth.setId("hearth");
    hearth.setTooltip(new Tooltip(Labels.of("hearth.tip")));
    hearth.setAccessibleText(Labels.of("hearth.tip"));
    hearth.setMinWidth(Region.USE_PREF_SIZE);
    hearth.setOnAction(_ -> model.stageProperty().set(Stage.SAFETY));
    live.setId("lanes-live");
    live.getStyleClass().addAll("plate-button", "lanes-live");
    live.setMinWidth(Region.USE_PREF_SIZE);
    live.setOnAction(_ -> model.stageProperty().set(Stage.REFORM));
    live.managedProperty().bind(live.visibleProperty());
    live.setVisible(false);
    model.reform().lanesProperty().addListener((_, _, _) -> lanes());
    due.setId("plate-due");
    due.getStyleClass().add("plate-button");
    due.setMinWidth(Region.USE_PREF_SIZE);
    due.setOnAction(_ -> toAgenda.run());
    due.managedProperty().bind(due.visibleProperty());
    due.setVisible(false);
    model
        .agenda()
        .agendaProperty()
        .addListener((_, _, now) -> due(now.map(Agenda::overdue).orElse(0L)));
    getChildren().addAll(shop, name, facts, gap, due, live, hearth);
    model.openProperty().addListener((_, _, open) -> open.ifPresent(o -> show(o.job())));
    model.hearthProperty().addListener((_, _, now) -> show(now));
  }

  private void due(long count) {
    due.setText(Labels.of("plate.due", count));
    if (due.isVisible() == (count == 0)) {
      due.setVisible(count > 0);
      Platform.runLater(this::fit);
    }
  }

  private void lanes() {
    List<PartRef> on = model.reform().underVoltage();
    live.setText(
        Labels.of("plate.live", String.join(", ", on.stream().map(PartRef::toString).toList())));
    if (live.isVisible() == on.isEmpty()) {
      live.setVisible(!on.isEmpty());
      Platform.runLater(this::fit);
    }
  }

  /**
   * Where the plate is narrow the facts give way, the last first, so that the name and the hearth
   * are always whole.
   */
  private void fit() {
    facts.getChildren().forEach(f -> f.setManaged(true));
    double room =
        getWidth()
            - getPadding().getLeft()
            - getPadding().getRight()
            - (getChildren().size() - 1) * getSpacing();
    double others =
        getChildren().stream()
            .filter(c -> c.isManaged() && !c.equals(facts))
            .mapToDouble(c -> Math.min(c.prefWidth(-1), c.maxWidth(-1)))
            .sum();
    for (Node fact : facts.getChildren().reversed()) {
      fact.setManaged(others + facts.prefWidth(-1) <= room);
    }
    facts.getChildren().forEach(f -> f.setVisible(f.isManaged()));
  }

  private static VBox fact(String label, Label value) {
    Label above = new Label(Labels.of(label));
    above.getStyleClass().add("plate-label");
    value.getStyleClass().add("plate-value");
    VBox box = new VBox(above, value);
    box.setMinWidth(0);
    return box;
  }

  private void show(Job job) {
    name.setText(job.plate().name());
    name.setTooltip(new Tooltip(job.plate().name()));
    made.setText(Describe.year(job.plate()));
    mains.setText(new Describe(model.words()).mains(job.plate()));
    chassis.setText(model.words().word(job.plate().chassis()));
    place.setText(job.plate().place().isEmpty() ? Labels.of("plate.nothing") : job.plate().place());
    show(model.hearthProperty().get());
    Platform.runLater(this::fit);
  }

  private void show(ChargeReading now) {
    String before = since.getText();
    drawing.show(now.state());
    state.setText(ChargeText.state(now, model.words().word(now.state())));
    state.getStyleClass().removeIf(c -> c.startsWith("state-"));
    state.getStyleClass().add("state-" + now.state().code());
    since.setText(
        ChargeText.line(now, model.openProperty().get().flatMap(o -> o.hearth().since())));
    if (before.length() != since.getText().length()) {
      Platform.runLater(this::fit);
    }
  }
}
