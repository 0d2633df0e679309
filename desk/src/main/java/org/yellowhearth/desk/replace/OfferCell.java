package org.yellowhearth.desk.replace;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * One part, or several joined, that could come in: its place in the order, what it is, and what
 * speaks for or against it.
 */
final class OfferCell<T> extends ListCell<T> {
  private final DeskModel model;
  private final Function<T, Lines> describe;

  /**
   * What is shown of one.
   *
   * @param drawer whether some of it lies in the drawer
   * @param price in the shop's money; empty where it is not known
   */
  record Lines(
      int rank, String name, String kind, boolean drawer, String price, List<Label> points) {
    Lines {
      points = List.copyOf(points);
    }
  }

  OfferCell(DeskModel model, Function<T, Lines> describe) {
    this.model = model;
    this.describe = describe;
    getStyleClass().add("lane-cell");
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(T item, boolean empty) {
    super.updateItem(item, empty);
    if (empty || item == null || model.openProperty().get().isEmpty()) {
      setGraphic(null);
      setAccessibleText(null);
      return;
    }
    Lines l = describe.apply(item);
    Label rank = new Label(Integer.toString(l.rank));
    rank.getStyleClass().add("offer-rank");
    Label name = new Label(l.name);
    name.getStyleClass().add("lane-ref");
    name.setMinWidth(0);
    Label kind = new Label(l.kind);
    kind.getStyleClass().add("quiet");
    kind.setMinWidth(0);
    kind.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(kind, Priority.ALWAYS);
    Label drawer = new Label(l.drawer ? Labels.of("replace.from-drawer") : "");
    drawer.getStyleClass().add("offer-drawer");
    drawer.setMinWidth(Region.USE_PREF_SIZE);
    Label price = new Label(l.price);
    price.getStyleClass().add("figure");
    price.setMinWidth(Region.USE_PREF_SIZE);
    HBox head = new HBox(rank, name, kind, drawer, price);
    head.getStyleClass().add("lane-head");
    VBox box = new VBox(head);
    l.points.forEach(p -> {
      p.setWrapText(false);
      box.getChildren().add(p);
    });
    box.getStyleClass().add("lane");
    box.setId("offer-" + l.rank);
    box.setMinWidth(0);
    setAccessibleText(l.rank + ", " + l.name + ", " + l.kind);
    setGraphic(box);
  }
}
