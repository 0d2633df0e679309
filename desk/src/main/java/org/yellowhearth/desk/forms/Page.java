package org.yellowhearth.desk.forms;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * A page of a stage that scrolls: it shows itself anew whenever the job changes while it is looked
 * at.
 */
public abstract class Page extends ScrollPane {
  private final DeskModel model;
  private final VBox content = new VBox();
  private boolean stale = true;

  /** An empty page. */
  @SuppressWarnings(
      "this-escape") // the listeners run only once the page is in a window, whole by then
  protected Page(DeskModel model) {
    this.model = model;
    getStyleClass().add("page");
    content.getStyleClass().add("page-content");
    // What is too wide wraps instead of making the page scroll sideways.
    content.setMinWidth(0);
    setFitToWidth(true);
    setContent(content);
    model
        .openProperty()
        .addListener((_, _, _) -> {
          stale = true;
          showIfSeen();
        });
    sceneProperty().addListener((_, _, _) -> showIfSeen());
  }

  private void showIfSeen() {
    if (stale && getScene() != null && model.openProperty().get().isPresent()) {
      stale = false;
      Optional<String> focused = focusedHere();
      show(model.job());
      focused.map(id -> lookup("#" + id)).ifPresent(Node::requestFocus);
    }
  }

  /**
   * The id of what has the focus on this page: rows are made anew, and the keyboard must find its
   * place again.
   */
  private Optional<String> focusedHere() {
    Node owner = getScene().getFocusOwner();
    for (Node n = owner; n != null; n = n.getParent()) {
      if (equals(n)) {
        return Optional.ofNullable(owner.getId());
      }
    }
    return Optional.empty();
  }

  /** Shows what stands in the job. */
  protected abstract void show(Job job);

  protected final DeskModel model() {
    return model;
  }

  /** The job as it stands. */
  protected final Job job() {
    return model.job();
  }

  protected final void add(Node... nodes) {
    content.getChildren().addAll(nodes);
  }

  /** Two or more columns of one width. */
  protected static Columns columns(Node... nodes) {
    return new Columns(nodes);
  }

  /** A column of nodes. */
  protected static VBox column(Node... nodes) {
    VBox box = new VBox(nodes);
    box.getStyleClass().add("page-column");
    return box;
  }

  /** The heading of a section. */
  protected static Label heading(String key) {
    return text(Labels.of(key), "section-title");
  }

  /** What fills its place, and scrolls where large text needs more. */
  public static ScrollPane tall(Region page) {
    ScrollPane scroll = new ScrollPane(page);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.getStyleClass().add("page");
    return scroll;
  }

  /** A sentence that wraps. */
  public static Label text(String text, String... styles) {
    Label label = new Label(text);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    label.getStyleClass().addAll(styles);
    return label;
  }

  /** A small button. */
  public static Button button(String label, String id, Runnable action) {
    Button button = new Button(Labels.of(label));
    button.setId(id);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(_ -> action.run());
    return button;
  }

  /** A button that does not shout. */
  public static Button quiet(String label, Runnable action) {
    Button button = button(label, null, action);
    button.getStyleClass().add("quiet-button");
    return button;
  }

  /** A row with something that grows at its left and buttons at its right. */
  public static HBox row(Node grows, Node... rest) {
    HBox row = new HBox(grows);
    row.getChildren().addAll(rest);
    row.getStyleClass().add("item-row");
    HBox.setHgrow(grows, Priority.ALWAYS);
    if (grows instanceof Region r) {
      r.setMaxWidth(Double.MAX_VALUE);
      r.setMinWidth(0);
    }
    return row;
  }

  /** Fills a box with what is added for each, or with a sentence where there is none. */
  protected static <T> void fill(VBox box, List<T> all, String emptyKey, Consumer<T> add) {
    box.getChildren().clear();
    if (all.isEmpty()) {
      box.getChildren().add(text(Labels.of(emptyKey), "quiet"));
    }
    all.forEach(add);
  }

  /** Fills a box with a row for each, or with a sentence where there is none. */
  public static <T> void fillRows(VBox box, List<T> all, String emptyKey, Function<T, Node> row) {
    fill(box, all, emptyKey, one -> box.getChildren().add(row.apply(one)));
  }
}
