package org.yellowhearth.desk.shop;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.storage.archive.Hit;
import org.yellowhearth.workshop.ArchiveModel;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.watch.Watched;
import org.yellowhearth.workshop.words.Labels;

/** Find: words and values in any notation over all jobs; a hit opens where it is. */
final class FindPane extends VBox {
  private final ArchiveModel archive;
  private final TextField search = new TextField();
  private final ListView<Hit> hits = new ListView<>();
  private final Label said = Page.text("", "quiet");
  private final Watched<Integer> behind;

  FindPane(DeskModel model) {
    archive = model.archive();
    behind = model.shelf().behindProperty();
    getStyleClass().add("agenda");
    search.setId("find-text");
    search.setPromptText(Labels.of("find.prompt"));
    search.setAccessibleText(Labels.of("find.prompt"));
    search.textProperty().addListener((_, _, now) -> archive.searchProperty().set(now));
    said.setId("find-said");
    hits.setId("find-hits");
    hits.setAccessibleText(Labels.of("shop.page.find"));
    hits.getStyleClass().add("shelf");
    hits.setCellFactory(_ -> new HitCell());
    hits.setPlaceholder(Page.text(Labels.of("find.empty"), "empty-state"));
    hits.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        open();
      }
    });
    hits.setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        open();
      }
    });
    // Down leads into the list without the mouse, Enter opens the first.
    search.setOnAction(_ -> open());
    search.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.DOWN && !hits.getItems().isEmpty()) {
        hits.requestFocus();
        hits.getSelectionModel().select(Math.max(0, hits.getSelectionModel().getSelectedIndex()));
        e.consume();
      }
    });
    VBox.setVgrow(hits, Priority.ALWAYS);
    getChildren().addAll(search, said, hits);
    archive.foundProperty().addListener((_, _, now) -> now.ifPresent(this::show));
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene != null) {
            search.requestFocus();
          }
        });
  }

  private void show(ArchiveModel.Found f) {
    hits.getItems().setAll(f.hits());
    hits.getSelectionModel().selectFirst();
    said.setText(
        f.search().isBlank()
            ? ""
            : Labels.of("find.found", f.hits().size(), f.among())
                + (behind.get() > 0 ? Labels.of("find.behind", behind.get()) : ""));
  }

  private void open() {
    Optional.ofNullable(hits.getSelectionModel().getSelectedItem()).ifPresent(archive::open);
  }

  /** One hit: the set, and what stands there. */
  private static final class HitCell extends ListCell<Hit> {
    @Override
    protected void updateItem(Hit hit, boolean empty) {
      super.updateItem(hit, empty);
      if (empty || hit == null) {
        setGraphic(null);
        return;
      }
      Label text = new Label(hit.text());
      text.getStyleClass().add("card-name");
      Label set =
          new Label(
              Labels.of(
                      switch (hit.where()) {
                        case SET -> "find.where.set";
                        case PART -> "find.where.part";
                        case WRITTEN -> "find.where.written";
                        case NOTE -> "find.where.note";
                      })
                  + "  ·  "
                  + hit.set());
      set.getStyleClass().add("card-facts");
      VBox card = new VBox(text, set);
      card.getStyleClass().add("card");
      card.setMinWidth(0);
      card.prefWidthProperty().bind(getListView().widthProperty().subtract(44));
      setGraphic(card);
    }
  }
}
