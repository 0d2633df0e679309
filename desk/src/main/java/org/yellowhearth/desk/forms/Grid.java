package org.yellowhearth.desk.forms;

import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.text.TextAlignment;

/**
 * A table of figures: headings above, figures at the right of their columns, words at the left of
 * the first.
 */
public final class Grid extends GridPane {
  private final boolean words;
  private int rows;

  /** An empty table of figures, which stand one below the other at their right. */
  public Grid(String id) {
    this(id, false);
  }

  /** An empty table of words. */
  public static Grid ofWords(String id) {
    return new Grid(id, true);
  }

  private Grid(String id, boolean words) {
    this.words = words;
    setId(id);
    getStyleClass().add("ramp-table");
  }

  /** Empties it and puts headings up. */
  public void head(List<String> heads) {
    getChildren().clear();
    rows = 0;
    row(heads, "form-label");
  }

  /** A row of texts. */
  public void row(List<String> texts, String style) {
    for (int c = 0; c < texts.size(); c++) {
      put(Page.text(texts.get(c), style), c);
    }
    rows++;
  }

  /** A row that ends with something else. */
  public void row(List<String> texts, String style, Node... rest) {
    row(texts, style);
    for (int k = 0; k < rest.length; k++) {
      add(rest[k], texts.size() + k, rows - 1);
    }
  }

  private void put(Label l, int column) {
    l.setWrapText(false);
    l.setMinWidth(USE_PREF_SIZE);
    boolean left = words || column == 0;
    l.setTextAlignment(left ? TextAlignment.LEFT : TextAlignment.RIGHT);
    setHalignment(l, left ? HPos.LEFT : HPos.RIGHT);
    add(l, column, rows);
  }
}
