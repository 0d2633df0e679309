package org.yellowhearth.desk.forms;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.workshop.words.Labels;

/** The tabs of the pages of a stage, which wrap where the window is narrow. */
public final class PageTabs extends FlowPane {
  private final Map<String, ToggleButton> tabs = new LinkedHashMap<>();
  private final String labels;

  /**
   * A tab for each page.
   *
   * @param labels what the key of a label begins with, before the name of its page
   * @param ids the same for the id of a tab
   * @param asked what happens when a page is asked for
   */
  public PageTabs(Collection<String> pages, String labels, String ids, Consumer<String> asked) {
    this.labels = labels;
    getStyleClass().add("page-tabs");
    ToggleGroup group = new ToggleGroup();
    for (String page : pages) {
      ToggleButton tab = new ToggleButton(Labels.of(labels + page));
      tab.setId(ids + page);
      tab.setToggleGroup(group);
      tab.getStyleClass().add("page-tab");
      tab.setOnAction(_ -> asked.accept(page));
      tabs.put(page, tab);
      getChildren().add(tab);
    }
  }

  /** Marks a page as the one that is shown. */
  public void mark(String page) {
    tabs.get(page).setSelected(true);
  }

  /** Marks none, while something else is shown. */
  public void unmark() {
    tabs.values().forEach(t -> t.setSelected(false));
  }

  /** Says on a tab how many things wait there; none is not said. */
  public void count(String page, long waiting) {
    tabs.get(page).setText(Labels.of(labels + page) + (waiting > 0 ? "  " + waiting : ""));
  }

  /** The head of a stage: its title, and these tabs beside it. */
  public VBox head(String titleKey) {
    Label title = new Label(Labels.of(titleKey));
    title.getStyleClass().add("stage-title");
    title.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(this, Priority.ALWAYS);
    HBox line = new HBox(title, this);
    line.getStyleClass().add("stage-line");
    VBox head = new VBox(line);
    head.getStyleClass().add("trace-head");
    return head;
  }
}
