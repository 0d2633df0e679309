package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.PinMap;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * One photograph large: its pins, those of the other side mirrored into it, and what is written
 * about it.
 */
final class PhotographView extends VBox {
  private static final double WIDTH_EMS = 42;
  private static final double HEIGHT_EMS = 27;
  private static final double WIDTH_SHARE = 0.58;

  private final DeskModel model;
  private final ImageView picture = new ImageView();
  private final Pane pins = new Pane();
  private final TextField label;
  private final List<TextField> place;
  private final Form form;
  private final Label facts = Page.text("", "quiet");
  private final ComboBox<Photograph> mirrors = new ComboBox<>();
  private Optional<Photograph> shown = Optional.empty();
  private String loaded = "";
  private boolean showing;

  PhotographView(DeskModel model, DoubleBinding em) {
    this.model = model;
    getStyleClass().add("photograph");
    picture.setPreserveRatio(true);
    picture
        .fitWidthProperty()
        .bind(Bindings.min(em.multiply(WIDTH_EMS), widthProperty().multiply(WIDTH_SHARE)));
    setMinWidth(0);
    picture.fitHeightProperty().bind(em.multiply(HEIGHT_EMS));
    Pane stack = new Pane(picture, pins);
    pins.setOnMouseClicked(this::clicked);
    pins.setId("photo-pins");
    pins.setAccessibleText(Labels.of("photo.pins"));
    form = new Form(model);
    form.text(
        "photo.caption",
        "photo-caption",
        () -> shown.map(Photograph::caption).orElse(""),
        text -> shown.ifPresent(p -> model.put(p.captioned(text))));
    form.choice(
        "photo.side",
        "photo-side",
        List.of(Photograph.Side.values()),
        () -> shown.map(Photograph::side).orElse(Photograph.Side.DETAIL),
        side -> shown.ifPresent(p -> model.put(p.from(side, p.mirrors()))));
    mirrors.setId("photo-mirrors");
    mirrors.setConverter(Shown.by(Photographs::name, Labels.of("photo.mirrors.none")));
    mirrors.setAccessibleText(Labels.of("photo.mirrors"));
    mirrors
        .valueProperty()
        .addListener((_, _, other) -> {
          if (!showing) {
            shown.ifPresent(
                p -> model.put(p.from(p.side(), Optional.ofNullable(other).map(Photograph::id))));
          }
        });
    AddLine pinLine = new AddLine(model, this::pinByKeyboard);
    label = pinLine.field("photo.pin.label", "pin-label", 8);
    TextField across = pinLine.field("photo.pin.across", "pin-across", 4);
    TextField down = pinLine.field("photo.pin.down", "pin-down", 4);
    place = List.of(across, down);
    pinLine.button("photo.pin.add", "pin-add");
    VBox side =
        new VBox(
            form,
            Page.text(Labels.of("photo.mirrors"), "form-label"),
            mirrors,
            facts,
            pinLine,
            Page.text(Labels.of("photo.pin.how"), "quiet"),
            Page.quiet("photo.take-out", () -> shown.ifPresent(model::take)));
    side.getStyleClass().add("page-column");
    side.setMinWidth(0);
    side.setPrefWidth(100);
    stack.minWidthProperty().bind(picture.boundsInParentProperty().map(Bounds::getWidth));
    HBox all = new HBox(stack, side);
    all.getStyleClass().add("page-columns");
    HBox.setHgrow(side, Priority.ALWAYS);
    getChildren().add(all);
    picture.boundsInParentProperty().addListener((_, _, _) -> showPins());
  }

  void show(Job job, Optional<Photograph> photograph) {
    shown = photograph;
    setVisible(photograph.isPresent());
    setManaged(photograph.isPresent());
    photograph.ifPresent(p -> show(job, p));
  }

  private void show(Job job, Photograph p) {
    showing = true;
    form.show();
    List<Photograph> others =
        job.items(Photograph.class).stream().filter(o -> !o.id().equals(p.id())).toList();
    mirrors.getItems().setAll(others);
    mirrors.getItems().addFirst(null);
    mirrors.setValue(
        p.mirrors()
            .flatMap(id -> others.stream().filter(o -> o.id().equals(id)).findFirst())
            .orElse(null));
    showing = false;
    facts.setText(
        Labels.of(
            "photo.facts",
            p.original(),
            p.widthPixels(),
            p.heightPixels(),
            p.taken().map(t -> t.toString().replace('T', ' ')).orElse(Labels.of("photo.no-time"))));
    if (!loaded.equals(p.file())) {
      loaded = p.file();
      picture.setImage(null);
      model
          .photographs()
          .picture(
              p,
              PhotoStore.Size.LARGE,
              path -> {
                if (loaded.equals(p.file())) {
                  path.ifPresent(
                      file -> picture.setImage(new Image(file.toUri().toString(), true)));
                }
              });
    }
    showPins();
  }

  private void showPins() {
    double width = picture.getBoundsInParent().getWidth();
    double height = picture.getBoundsInParent().getHeight();
    pins.setPrefSize(width, height);
    pins.resize(width, height);
    pins.getChildren().clear();
    if (shown.isEmpty() || picture.getImage() == null || model.openProperty().get().isEmpty()) {
      return;
    }
    Photograph p = shown.get();
    List<Node> all = new ArrayList<>();
    PinMap.pins(model.job(), p.id()).forEach(pin -> all.add(node(pin, width, height)));
    PinMap.found(model.job(), p).stream()
        .filter(PinMap.Found::inside)
        .forEach(f -> {
          Label mirrored = new Label("◇ " + f.label());
          mirrored.getStyleClass().addAll("pin", "pin-mirrored");
          mirrored.setTooltip(new Tooltip(Labels.of("photo.pin.mirrored", f.label())));
          all.add(at(mirrored, f.across() * width, f.down() * height));
        });
    pins.getChildren().setAll(all);
  }

  private Node node(Pin pin, double width, double height) {
    Button button = new Button("● " + pin.label());
    button.getStyleClass().addAll("pin");
    button.setId("pin-" + pin.label());
    button.setTooltip(new Tooltip(Labels.of("photo.pin.tip")));
    button.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.DELETE) {
        model.take(pin);
        e.consume();
      }
    });
    button.setOnAction(_ ->
        model.job().census().stream()
            .filter(c -> c.ref().toString().equalsIgnoreCase(pin.label()))
            .findFirst()
            .ifPresent(c -> model.chosenProperty().set(Optional.of(c.ref()))));
    return at(button, pin.across() * width, pin.down() * height);
  }

  /** The sign before the label stands on the place itself. */
  private static Node at(Node node, double x, double y) {
    node.setLayoutX(x - 7);
    node.setLayoutY(y - 11);
    return node;
  }

  private void clicked(MouseEvent e) {
    if (pins.equals(e.getTarget())) {
      pinAt(e.getX() / pins.getWidth(), e.getY() / pins.getHeight());
    }
  }

  private boolean pinByKeyboard() {
    List<OptionalDouble> percent = place.stream().map(f -> number(f.getText())).toList();
    if (percent.stream().anyMatch(OptionalDouble::isEmpty)) {
      model.tell(Labels.of("photo.pin.place"), true);
      return false;
    }
    double whole = 100;
    return pinAt(percent.get(0).getAsDouble() / whole, percent.get(1).getAsDouble() / whole);
  }

  private static OptionalDouble number(String text) {
    return text.strip().matches("\\d{1,3}([.,]\\d+)?")
        ? OptionalDouble.of(Double.parseDouble(text.strip().replace(',', '.')))
        : OptionalDouble.empty();
  }

  /** A pin with the label typed, or that of the part chosen. */
  private boolean pinAt(double across, double down) {
    String name =
        Stream.of(
                label.getText().strip(),
                model.chosenProperty().get().map(Object::toString).orElse(""))
            .filter(t -> !t.isEmpty())
            .findFirst()
            .orElse("");
    if (name.isEmpty()) {
      model.tell(Labels.of("photo.pin.needs-label"), true);
      return false;
    }
    return model.made(
        () -> model.put(new Pin(model.newId(), shown.orElseThrow().id(), across, down, name)));
  }
}
