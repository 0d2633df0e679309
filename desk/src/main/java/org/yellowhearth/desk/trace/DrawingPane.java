package org.yellowhearth.desk.trace;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.publishing.drawing.River;
import org.yellowhearth.publishing.drawing.SupplySymbols;

/**
 * The drawing of a supply, each of its symbols a place that can be pointed at and reached by the
 * keyboard.
 */
final class DrawingPane extends StackPane {
  private final MarkPane drawing;
  private final Pane spots = new Pane();
  private final String prefix;
  private final BiConsumer<Region, SupplySymbols.Spot> prepare;
  private List<SupplySection> sections = List.of();

  /**
   * An empty drawing.
   *
   * @param id of the drawing in the window
   * @param prefix what the ids of its places begin with
   * @param prepare says what a place does
   */
  DrawingPane(String id, String prefix, BiConsumer<Region, SupplySymbols.Spot> prepare) {
    this.drawing = new MarkPane(id);
    this.prefix = prefix;
    this.prepare = prepare;
    spots.setPickOnBounds(false);
    getChildren().addAll(drawing, spots);
    spots.widthProperty().addListener((_, _, _) -> placeSpots());
  }

  /** Shows a supply, with what is written under the name of an element. */
  void show(List<SupplySection> now, Function<String, String> values) {
    sections = now;
    drawing.show((width, _, em) -> SupplySymbols.marks(now, values, left(), width, em));
    double height = SupplySymbols.height(now, drawing.em());
    setMinHeight(height);
    setPrefHeight(height);
    placeSpots();
  }

  void whenTextChanges(Runnable then) {
    drawing.whenTextChanges(then);
  }

  private double left() {
    return River.LEFT_EMS * drawing.em();
  }

  private void placeSpots() {
    spots.getChildren().clear();
    for (SupplySymbols.Spot s :
        SupplySymbols.spots(sections, left(), spots.getWidth(), drawing.em())) {
      Region spot = new Region();
      spot.getStyleClass().add("supply-spot");
      spot.setId(prefix + s.element());
      spot.setAccessibleText(s.element());
      spot.setFocusTraversable(true);
      spot.setAccessibleRole(AccessibleRole.BUTTON);
      spot.resizeRelocate(s.x(), s.y(), s.width(), s.height());
      spot.setManaged(false);
      prepare.accept(spot, s);
      spots.getChildren().add(spot);
    }
  }

  /** Gives the keyboard to the symbol of an element. */
  void focus(String element) {
    spots.getChildren().stream()
        .filter(n -> n.getId().equals(prefix + element))
        .findFirst()
        .ifPresent(n -> n.requestFocus());
  }
}
