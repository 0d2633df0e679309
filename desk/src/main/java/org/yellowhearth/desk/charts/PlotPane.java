package org.yellowhearth.desk.charts;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.publishing.drawing.Plot;

/** Draws a plot, and reads it out under the pointer. */
public final class PlotPane extends Pane {
  /**
   * Tells the size of the text as it is styled; what hangs on it is drawn anew once the styling is
   * over, not while it goes through the children.
   */
  private final Label ruler = new Label("M");

  private final Label readout = new Label();
  private final Line cursor = new Line();
  private Optional<Plot> plot = Optional.empty();
  private Optional<Plot.Frame> frame = Optional.empty();

  /** An empty chart. */
  public PlotPane() {
    getStyleClass().add("plot");
    readout.getStyleClass().add("plot-readout");
    cursor.getStyleClass().add("plot-cursor");
    ruler.setVisible(false);
    ruler.setManaged(false);
    getChildren().add(ruler);
    ruler.fontProperty().addListener((_, _, _) -> Platform.runLater(this::draw));
    widthProperty().addListener((_, _, _) -> draw());
    heightProperty().addListener((_, _, _) -> draw());
    setOnMouseMoved(e -> readAt(e.getX()));
    setOnMouseExited(_ -> readAt(-1));
  }

  /** Shows a plot. */
  public void show(Plot shown) {
    plot = Optional.of(shown);
    setAccessibleText(shown.title());
    draw();
  }

  /** The plot that is shown. */
  public Optional<Plot> plot() {
    return plot;
  }

  private void draw() {
    getChildren().setAll(ruler);
    if (plot.isEmpty() || getWidth() < 60 || getHeight() < 60) {
      return;
    }
    Plot.Frame laid = plot.get().in(getWidth(), getHeight(), ruler.getFont().getSize());
    frame = Optional.of(laid);
    laid.marks().forEach(m -> getChildren().add(node(m, ruler.getFont())));
    readAt(-1);
    getChildren().addAll(cursor, readout);
  }

  private static Node area(Plot.Mark.Area a) {
    Rectangle ground = new Rectangle(a.left(), a.top(), a.width(), a.height());
    ground.getStyleClass().add(a.style());
    return ground;
  }

  static Node node(Plot.Mark mark, Font font) {
    return switch (mark) {
      case Plot.Mark.Stroke s -> {
        Polyline line = new Polyline();
        line.getPoints().setAll(s.pixels());
        line.getStyleClass().add(s.style());
        yield line;
      }
      case Plot.Mark.Shape s -> {
        Polygon shape = new Polygon();
        shape.getPoints().setAll(s.pixels());
        shape.getStyleClass().add(s.style());
        yield shape;
      }
      case Plot.Mark.Area a -> area(a);
      case Plot.Mark.Token t -> new Group(new VerdictGlyph(t.verdict()));
      case Plot.Mark.Words w -> {
        Text text = new Text(w.text());
        text.getStyleClass().add(w.style());
        text.setFont(font);
        text.setTextAlignment(TextAlignment.LEFT);
        double width = text.getLayoutBounds().getWidth();
        text.setX(
            w.x()
                - switch (w.anchor()) {
                  case START -> 0;
                  case MIDDLE -> width / 2;
                  case END -> width;
                });
        text.setY(w.y());
        yield text;
      }
    };
  }

  private void readAt(double x) {
    List<String> said = frame.map(f -> f.readout(x)).orElse(List.of());
    cursor.setVisible(!said.isEmpty());
    readout.setVisible(!said.isEmpty());
    if (!said.isEmpty()) {
      cursor.setStartX(x);
      cursor.setEndX(x);
      cursor.setStartY(20);
      cursor.setEndY(getHeight() - 40);
      readout.setText(String.join("   ", said));
      readout.setLayoutX(Math.clamp(x + 8, 0, Math.max(0, getWidth() - readout.prefWidth(-1))));
      readout.setLayoutY(22);
    }
  }
}
