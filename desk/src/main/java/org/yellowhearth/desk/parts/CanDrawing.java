package org.yellowhearth.desk.parts;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.words.Labels;

/**
 * A can from below: its shell is the common end, and each section has a terminal with the symbol
 * that is cut beside it.
 */
public final class CanDrawing extends Pane {
  private static final double SIZE = 150;
  private static final double WIDE = 300;
  private static final double SHELL = 58;
  private static final double RING = 34;

  /** Nothing drawn. */
  public CanDrawing() {
    setMinSize(WIDE, SIZE);
    setPrefSize(WIDE, SIZE);
    setMaxSize(WIDE, SIZE);
    getStyleClass().add("can-drawing");
  }

  /** Draws the sections of one can, the one that is chosen marked. */
  public void show(List<Capacitor> sections, PartRef chosen, Describe describe) {
    List<Node> nodes = new ArrayList<>();
    double middle = SIZE / 2;
    Circle shell = new Circle(middle, middle, SHELL);
    shell.getStyleClass().add("can-shell");
    nodes.add(shell);
    for (int i = 0; i < 3; i++) {
      double angle = Math.PI / 2 + i * 2 * Math.PI / 3;
      Rectangle lug =
          new Rectangle(
              middle + SHELL * Math.cos(angle) - 5, middle + SHELL * Math.sin(angle) - 3, 10, 6);
      lug.getStyleClass().add("can-terminal");
      nodes.add(lug);
    }
    for (int i = 0; i < sections.size(); i++) {
      Capacitor c = sections.get(i);
      double angle = -Math.PI / 2 + i * 2 * Math.PI / sections.size();
      double x = middle + (sections.size() == 1 ? 0 : RING * Math.cos(angle));
      double y = middle + (sections.size() == 1 ? 0 : RING * Math.sin(angle));
      Circle terminal = new Circle(x, y, 5);
      terminal.getStyleClass().add("can-terminal");
      nodes.add(terminal);
      Shape mark = mark(c.canMark(), x + 13, y);
      mark.getStyleClass().add("can-mark");
      nodes.add(mark);
      Label name = new Label(c.ref().section() + "  " + describe.value(c));
      name.getStyleClass().add(c.ref().equals(chosen) ? "can-chosen" : "can-name");
      name.relocate(SIZE + 26, 8 + i * 22);
      Shape again = mark(c.canMark(), SIZE + 10, 18 + i * 22);
      again.getStyleClass().add("can-mark");
      nodes.add(again);
      nodes.add(name);
    }
    boolean positive =
        sections.stream().anyMatch(c -> c.polarity() == Polarity.POSITIVE_TO_CHASSIS);
    Label common = new Label(Labels.of(positive ? "can.common.positive" : "can.common"));
    common.getStyleClass().add(positive ? "can-chosen" : "can-name");
    common.relocate(SIZE + 4, SIZE - 24);
    nodes.add(common);
    getChildren().setAll(nodes);
  }

  private static Shape mark(CanMark mark, double x, double y) {
    return switch (mark) {
      case SQUARE -> new Rectangle(x - 5, y - 5, 10, 10);
      case TRIANGLE -> new Polygon(x, y - 6, x + 6, y + 5, x - 6, y + 5);
      case HALF_ROUND -> {
        Arc arc = new Arc(x, y + 3, 6, 6, 0, 180);
        arc.setType(ArcType.ROUND);
        yield arc;
      }
      case PLAIN, UNSTATED -> new Rectangle(x - 5, y - 0.5, 10, 1);
    };
  }
}
