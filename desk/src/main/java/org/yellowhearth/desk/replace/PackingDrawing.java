package org.yellowhearth.desk.replace;

import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.text.Text;
import org.yellowhearth.core.replace.CanPacking;
import org.yellowhearth.workshop.words.Labels;

/** An old can from above, layer beside layer, with the parts that stand in it. */
final class PackingDrawing extends Pane {
  private static final double SHELL = 96;
  private static final double GAP = 14;

  PackingDrawing(CanPacking packing, List<CanPacking.Body> bodies, double boreMetres) {
    getStyleClass().add("can-drawing");
    int layers = packing.parts().stream().mapToInt(CanPacking.Standing::layer).max().orElse(0) + 1;
    double scale = SHELL / boreMetres;
    for (int k = 0; k < layers; k++) {
      Circle shell = new Circle(middle(k), SHELL / 2 + 2, SHELL / 2);
      shell.getStyleClass().add("can-shell");
      getChildren().add(shell);
    }
    for (CanPacking.Standing s : packing.parts()) {
      double x = middle(s.layer()) + scale * s.x();
      double y = SHELL / 2 + 2 + scale * s.y();
      Circle body = new Circle(x, y, scale * bodies.get(s.part()).diameterMetres() / 2);
      body.getStyleClass().add("can-body");
      Text number = new Text(Integer.toString(s.part() + 1));
      number.getStyleClass().add("can-number");
      number.setX(x - 4);
      number.setY(y + 5);
      getChildren().addAll(body, number);
    }
    double width = layers * (SHELL + GAP);
    setMinSize(0, SHELL + 6);
    setPrefSize(width, SHELL + 6);
    setMaxSize(width, SHELL + 6);
    setAccessibleText(Labels.of("replace.cans.drawn", packing.parts().size(), layers));
  }

  private static double middle(int layer) {
    return SHELL / 2 + 2 + layer * (SHELL + GAP);
  }
}
