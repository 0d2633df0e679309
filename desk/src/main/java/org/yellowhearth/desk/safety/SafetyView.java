package org.yellowhearth.desk.safety;

import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Safety: what must be checked before this set gets power, what can hurt, and what it still holds.
 */
public final class SafetyView extends BorderPane {
  private final HBox middle = new HBox();
  private final HearthPage hearth;

  /** A view of the model's open job. */
  public SafetyView(DeskModel model, FileAsk files) {
    getStyleClass().addAll("stage", "safety");
    Label title = new Label(Labels.of("safety.title"));
    title.getStyleClass().add("stage-title");
    ToggleGroup group = new ToggleGroup();
    hearth = new HearthPage(model, files);
    ToggleButton checks = tab("safety.checks", "safety-checks", group, new ChecksPage(model));
    ToggleButton cautions =
        tab("safety.cautions", "safety-cautions", group, new CautionsPage(model));
    HBox head = new HBox(title, checks, cautions);
    head.getStyleClass().add("stage-head");
    middle.getStyleClass().add("page-columns");
    setTop(head);
    setCenter(middle);
    checks.fire();
  }

  private ToggleButton tab(String label, String id, ToggleGroup group, Page page) {
    ToggleButton tab = new ToggleButton(Labels.of(label));
    tab.setId(id);
    tab.setToggleGroup(group);
    tab.getStyleClass().add("page-tab");
    tab.setOnAction(_ -> {
      tab.setSelected(true);
      middle.getChildren().setAll(page, hearth);
      for (Page side : new Page[] {page, hearth}) {
        side.setPrefWidth(100);
        side.setMinWidth(0);
        HBox.setHgrow(side, Priority.ALWAYS);
      }
    });
    return tab;
  }
}
