package org.yellowhearth.desk.charts;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import org.yellowhearth.publishing.drawing.Plot;

/** Draws marks that are laid out anew for its size and the size of the text. */
public final class MarkPane extends Pane {
  /**
   * Tells the size of the text as it is styled; what hangs on it is drawn anew once the styling is
   * over, not while it goes through the children.
   */
  private final Label ruler = new Label("M");

  private Drawing drawing = (_, _, _) -> List.of();

  /** What is drawn into a box of pixels. */
  @FunctionalInterface
  public interface Drawing {
    List<Plot.Mark> marks(double width, double height, double em);
  }

  /** An empty pane. */
  public MarkPane(String... styles) {
    getStyleClass().addAll(styles);
    ruler.setVisible(false);
    ruler.setManaged(false);
    getChildren().add(ruler);
    setMinSize(0, 0);
    ruler.fontProperty().addListener((_, _, _) -> Platform.runLater(this::draw));
    widthProperty().addListener((_, _, _) -> draw());
    heightProperty().addListener((_, _, _) -> draw());
  }

  /** Shows something else. */
  public void show(Drawing shown) {
    drawing = shown;
    draw();
  }

  /** The height of the text. */
  public double em() {
    return ruler.getFont().getSize();
  }

  /** Calls back when the height of the text changes. */
  public void whenTextChanges(Runnable then) {
    ruler.fontProperty().addListener((_, _, _) -> Platform.runLater(then));
  }

  private void draw() {
    getChildren().setAll(ruler);
    if (getWidth() > 4 * em() && getHeight() > 2 * em()) {
      drawing
          .marks(getWidth(), getHeight(), em())
          .forEach(m -> getChildren().add(PlotPane.node(m, ruler.getFont())));
      // What is added while its parents are laid out is not styled by the pulse that lays them out.
      applyCss();
    }
  }
}
