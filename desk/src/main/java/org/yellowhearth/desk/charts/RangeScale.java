package org.yellowhearth.desk.charts;

import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.yellowhearth.core.quantity.Quantity;

/**
 * A scale from nothing upwards with a range on it, its middle, and marks for what it is held
 * against.
 */
public final class RangeScale extends Pane {
  private static final double HEIGHT_EMS = 6;
  private static final double HEADROOM = 1.12;

  /**
   * Tells the size of the text as it is styled; what hangs on it is drawn anew once the styling is
   * over, not while it goes through the children.
   */
  private final Label ruler = new Label("M");

  private double from;
  private double middle;
  private double to;
  private String unit = "";
  private List<Mark> marks = List.of();

  /** Something the range is held against. */
  public record Mark(double at, String name) {}

  /** An empty scale. */
  public RangeScale() {
    getStyleClass().add("range-scale");
    ruler.setVisible(false);
    ruler.setManaged(false);
    getChildren().add(ruler);
    ruler.fontProperty().addListener((_, _, _) -> Platform.runLater(this::draw));
    widthProperty().addListener((_, _, _) -> draw());
    heightProperty().addListener((_, _, _) -> draw());
  }

  /** Shows a range. */
  public void show(double low, double mean, double high, String of, List<Mark> against) {
    from = low;
    middle = mean;
    to = high;
    unit = of;
    marks = List.copyOf(against);
    setAccessibleText(text(low) + " – " + text(high));
    draw();
  }

  private String text(double value) {
    return (Quantity.ratio(value) + " " + unit).strip();
  }

  private void draw() {
    getChildren().setAll(ruler);
    double em = ruler.getFont().getSize();
    setPrefHeight(HEIGHT_EMS * em);
    setMinHeight(HEIGHT_EMS * em);
    double most = Math.max(to, marks.stream().mapToDouble(Mark::at).max().orElse(0)) * HEADROOM;
    if (!(most > 0) || getWidth() < em) {
      return;
    }
    double left = 0.5 * em;
    double perUnit = (getWidth() - em) / most;
    double y = 3.1 * em;
    List<Node> nodes = new ArrayList<>();
    Line axis = new Line(left, y, left + most * perUnit, y);
    axis.getStyleClass().add("plot-axis");
    Rectangle bar =
        new Rectangle(
            left + from * perUnit, y - 0.6 * em, Math.max(2, (to - from) * perUnit), 0.6 * em);
    bar.getStyleClass().add("range-bar");
    Line mean =
        new Line(left + middle * perUnit, y - 0.9 * em, left + middle * perUnit, y + 0.2 * em);
    mean.getStyleClass().add("range-mean");
    nodes.addAll(List.of(axis, bar, mean));
    nodes.add(label(text(middle), left + middle * perUnit, y - 2.2 * em, "figure"));
    double row = 0.4 * em;
    for (Mark m : marks) {
      double x = left + m.at * perUnit;
      Polygon flag = new Polygon(x, y, x - 0.4 * em, y + 0.7 * em, x + 0.4 * em, y + 0.7 * em);
      flag.getStyleClass().add("range-mark");
      nodes.add(flag);
      nodes.add(label(m.name + " " + text(m.at), x, y + row + 0.3 * em, "plot-label"));
      row += 1.1 * em;
    }
    nodes.add(label("0", left, y + 0.2 * em, "plot-label"));
    getChildren().addAll(nodes);
  }

  private Label label(String text, double x, double y, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label
        .layoutXProperty()
        .bind(
            label
                .widthProperty()
                .map(w ->
                    Math.clamp(
                        x - w.doubleValue() / 2, 0, Math.max(0, getWidth() - w.doubleValue()))));
    label.setLayoutY(y);
    return label;
  }
}
