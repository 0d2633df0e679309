package org.yellowhearth.desk.forms;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/**
 * Columns of one width that know their height at a width. A plain box asks its children how high
 * they are at widths it does not give them, where every sentence is a tower of words, and a page
 * scrolls on into nothing.
 */
public final class Columns extends HBox {
  /** Columns side by side. */
  public Columns(Node... nodes) {
    getStyleClass().add("page-columns");
    set(List.of(nodes));
  }

  /** Other columns in their place. */
  public void set(List<? extends Node> nodes) {
    nodes.forEach(n -> {
      HBox.setHgrow(n, Priority.ALWAYS);
      ((Region) n).setPrefWidth(100);
      ((Region) n).setMinWidth(0);
      ((Region) n).setMaxWidth(Double.MAX_VALUE);
    });
    getChildren().setAll(nodes);
  }

  @Override
  protected double computePrefHeight(double width) {
    List<Node> columns = getManagedChildren();
    if (width < 0 || columns.isEmpty()) {
      return super.computePrefHeight(width);
    }
    double each =
        (width
                - getInsets().getLeft()
                - getInsets().getRight()
                - getSpacing() * (columns.size() - 1))
            / columns.size();
    double most = columns.stream().mapToDouble(n -> n.prefHeight(each)).max().orElse(0);
    return getInsets().getTop() + most + getInsets().getBottom();
  }

  @Override
  protected double computeMinHeight(double width) {
    return computePrefHeight(width);
  }
}
