package org.yellowhearth.desk.replace;

import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.workshop.words.Labels;

/**
 * Which end goes where: the new part between the rail above and the chassis below; where plus is on
 * the chassis, it is drawn upside down.
 */
final class PolarityDrawing extends Pane {
  private static final double WIDTH = 300;
  private static final double HEIGHT = 92;
  private static final double LEFT = 22;
  private static final double CAN = 28;

  PolarityDrawing(Polarity polarity) {
    getStyleClass().add("polarity");
    setMinSize(0, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    boolean head = polarity == Polarity.POSITIVE_TO_CHASSIS;
    boolean known = head || polarity == Polarity.NEGATIVE_TO_CHASSIS;
    wire(LEFT + CAN / 2, 4, LEFT + CAN / 2, HEIGHT - 10);
    Rectangle can = new Rectangle(LEFT, 20, CAN, HEIGHT - 44);
    can.getStyleClass().add(head ? "polarity-can-head" : "polarity-can");
    getChildren().add(can);
    if (known) {
      // The band is on the minus end of the part.
      Rectangle band = new Rectangle(LEFT, head ? 20 : HEIGHT - 32, CAN, 8);
      band.getStyleClass().add("polarity-band");
      getChildren().add(band);
    }
    for (int k = 0; k < 3; k++) {
      wire(
          LEFT + CAN / 2 - 12 + 4 * k,
          HEIGHT - 10 + 3 * k,
          LEFT + CAN / 2 + 12 - 4 * k,
          HEIGHT - 10 + 3 * k);
    }
    String above = !known ? "?" : head ? "−" : "+";
    String below = !known ? "?" : head ? "+" : "−";
    sign(above, 34);
    sign(below, HEIGHT - 26);
    note(
        Labels.of(
            !known
                ? "replace.sheet.end-unknown"
                : head ? "replace.sheet.end-minus-rail" : "replace.sheet.end-plus-rail"),
        30);
    note(
        Labels.of(
            !known
                ? "replace.sheet.end-find"
                : head ? "replace.sheet.end-plus-chassis" : "replace.sheet.end-minus-chassis"),
        HEIGHT - 24);
    setAccessibleText(
        Labels.of(
            !known
                ? "replace.sheet.end-find"
                : head ? "replace.sheet.end-plus-chassis" : "replace.sheet.end-minus-chassis"));
  }

  private void wire(double x1, double y1, double x2, double y2) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add("polarity-wire");
    getChildren().add(line);
  }

  private void sign(String text, double y) {
    Text t = new Text(LEFT + CAN + 8, y, text);
    t.getStyleClass().add("polarity-sign");
    getChildren().add(t);
  }

  private void note(String text, double y) {
    Text t = new Text(LEFT + CAN + 34, y, text);
    t.getStyleClass().add("polarity-note");
    getChildren().add(t);
  }
}
