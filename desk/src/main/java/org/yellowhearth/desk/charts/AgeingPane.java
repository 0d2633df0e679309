package org.yellowhearth.desk.charts;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.publishing.drawing.AgeingField;
import org.yellowhearth.publishing.drawing.Plot;

/**
 * Draws the ageing field. The pointer reads a token out, a click chooses it, a drag draws a lasso
 * around many; with the keyboard the arrows walk from token to token and the space bar picks one
 * more.
 */
public final class AgeingPane extends Pane {
  private static final double LEAST_DRAG = 6;
  private static final double GLYPH_EMS = 0.9;

  /**
   * Tells the size of the text as it is styled; what hangs on it is drawn anew once the styling is
   * over, not while it goes through the children.
   */
  private final Label ruler = new Label("M");

  private final Label readout = new Label();
  private final Polygon lasso = new Polygon();
  private final Function<PartRef, String> words;
  private Consumer<PartRef> choosing = _ -> {};
  private Consumer<Set<PartRef>> picking = _ -> {};
  private Optional<AgeingField> field = Optional.empty();
  private Optional<AgeingField.Frame> frame = Optional.empty();
  private Optional<PartRef> chosen = Optional.empty();
  private Set<PartRef> picked = Set.of();

  /**
   * An empty field.
   *
   * @param words what is read out of a part
   */
  public AgeingPane(Function<PartRef, String> words) {
    this.words = words;
    getStyleClass().add("ageing-field");
    readout.getStyleClass().add("plot-readout");
    readout.setMouseTransparent(true);
    lasso.getStyleClass().add("field-lasso");
    lasso.setMouseTransparent(true);
    ruler.setVisible(false);
    ruler.setManaged(false);
    getChildren().add(ruler);
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setMinSize(0, 0);
    ruler.fontProperty().addListener((_, _, _) -> Platform.runLater(this::draw));
    widthProperty().addListener((_, _, _) -> draw());
    heightProperty().addListener((_, _, _) -> draw());
    addEventHandler(MouseEvent.MOUSE_MOVED, e -> read(place(e).map(p -> p.ageing().part().ref())));
    addEventHandler(MouseEvent.MOUSE_EXITED, _ -> read(Optional.empty()));
    addEventHandler(
        MouseEvent.MOUSE_PRESSED,
        e -> {
          requestFocus();
          lasso.getPoints().setAll(e.getX(), e.getY());
        });
    addEventHandler(
        MouseEvent.MOUSE_DRAGGED,
        e -> {
          lasso.getPoints().addAll(e.getX(), e.getY());
          lasso.setVisible(true);
        });
    addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
  }

  /** What happens when a token is chosen. */
  public void onChosen(Consumer<PartRef> action) {
    choosing = action;
  }

  /** What happens when tokens are picked together. */
  public void onPicked(Consumer<Set<PartRef>> action) {
    picking = action;
  }

  /** Shows a field. */
  public void show(AgeingField shown, Optional<PartRef> newlyChosen, Set<PartRef> newlyPicked) {
    field = Optional.of(shown);
    chosen = newlyChosen;
    picked = Set.copyOf(newlyPicked);
    setAccessibleText(shown.title());
    draw();
  }

  /** The field that is shown. */
  public Optional<AgeingField> field() {
    return field;
  }

  private Optional<AgeingField.Place> place(MouseEvent e) {
    return frame.flatMap(f -> f.at(e.getX(), e.getY()));
  }

  private void released(MouseEvent e) {
    lasso.setVisible(false);
    List<Double> points = lasso.getPoints();
    boolean dragged =
        points.size() > 4
            && Math.hypot(e.getX() - points.get(0), e.getY() - points.get(1)) + points.size()
                > LEAST_DRAG + 10;
    if (dragged) {
      Set<PartRef> caught = new LinkedHashSet<>(e.isShortcutDown() ? picked : Set.of());
      frame.ifPresent(f ->
          f.places().stream()
              .filter(p -> lasso.contains(p.x(), p.y()))
              .forEach(p -> caught.add(p.ageing().part().ref())));
      picking.accept(caught);
    } else {
      place(e).map(p -> p.ageing().part().ref()).ifPresent(ref -> take(ref, e.isShortcutDown()));
    }
    lasso.getPoints().clear();
  }

  private void take(PartRef ref, boolean more) {
    if (more) {
      Set<PartRef> changed = new LinkedHashSet<>(picked);
      if (!changed.remove(ref)) {
        changed.add(ref);
      }
      picking.accept(changed);
    }
    choosing.accept(ref);
  }

  private void pressed(KeyEvent e) {
    Optional<AgeingField.Place> now =
        chosen.flatMap(ref ->
            frame.flatMap(f ->
                f.places().stream().filter(p -> p.ageing().part().ref().equals(ref)).findFirst()));
    Optional<AgeingField.Place> then =
        switch (e.getCode()) {
          case LEFT -> step(now, -1, 0);
          case RIGHT -> step(now, 1, 0);
          case UP -> step(now, 0, -1);
          case DOWN -> step(now, 0, 1);
          case SPACE -> now;
          default -> Optional.empty();
        };
    then.ifPresent(p -> {
      take(p.ageing().part().ref(), e.getCode() == KeyCode.SPACE);
      read(Optional.of(p.ageing().part().ref()));
      e.consume();
    });
  }

  private Optional<AgeingField.Place> step(Optional<AgeingField.Place> from, int dx, int dy) {
    return frame.flatMap(
        f -> from.isEmpty() ? f.places().stream().findFirst() : f.next(from.get(), dx, dy));
  }

  private void draw() {
    getChildren().setAll(ruler);
    if (field.isEmpty() || getWidth() < 60 || getHeight() < 60) {
      return;
    }
    double em = ruler.getFont().getSize();
    AgeingField.Frame laid = field.get().in(getWidth(), getHeight(), em);
    frame = Optional.of(laid);
    List<Plot.Mark.Token> tokens = new ArrayList<>();
    for (Plot.Mark mark : laid.marks()) {
      if (mark instanceof Plot.Mark.Token t) {
        tokens.add(t);
      } else {
        getChildren().add(PlotPane.node(mark, ruler.getFont()));
      }
    }
    tokens.forEach(t -> token(t, em));
    getChildren().addAll(lasso, readout);
    lasso.setVisible(false);
    readout.setVisible(false);
  }

  private void token(Plot.Mark.Token t, double em) {
    PartRef ref = PartRef.of(t.name());
    boolean isChosen = chosen.filter(ref::equals).isPresent();
    if (isChosen || picked.contains(ref)) {
      Circle ring = new Circle(t.x(), t.y(), 0.85 * em);
      ring.getStyleClass().add(isChosen ? "field-chosen" : "field-picked");
      getChildren().add(ring);
    }
    Region glyph = new VerdictGlyph(t.verdict());
    glyph.resizeRelocate(
        t.x() - GLYPH_EMS * em / 2, t.y() - GLYPH_EMS * em / 2, GLYPH_EMS * em, GLYPH_EMS * em);
    glyph.setManaged(false);
    getChildren().add(glyph);
    if (t.named() || isChosen) {
      Text name = new Text(t.x() + 0.7 * em, t.y() + 0.35 * em, t.name());
      name.getStyleClass().add("field-name");
      name.setFont(ruler.getFont());
      getChildren().add(name);
    }
  }

  private void read(Optional<PartRef> ref) {
    readout.setVisible(ref.isPresent());
    ref.flatMap(r ->
            frame.flatMap(f ->
                f.places().stream().filter(p -> p.ageing().part().ref().equals(r)).findFirst()))
        .ifPresent(p -> {
          readout.setText(words.apply(p.ageing().part().ref()));
          readout.applyCss();
          readout.autosize();
          double width = readout.prefWidth(-1);
          readout.setLayoutX(Math.clamp(p.x() + 12, 0, Math.max(0, getWidth() - width)));
          readout.setLayoutY(Math.clamp(p.y() - 34, 0, Math.max(0, getHeight() - 30)));
        });
  }
}
