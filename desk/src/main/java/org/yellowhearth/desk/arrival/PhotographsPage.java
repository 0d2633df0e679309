package org.yellowhearth.desk.arrival;

import java.io.File;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.PhotoModel;
import org.yellowhearth.workshop.words.Labels;

/** The photographs of the set as a contact sheet, and one of them large with its pins. */
final class PhotographsPage extends Page {
  private static final double SMALL_EMS = 10;

  private final FlowPane sheet = new FlowPane();
  private final Label empty = text(Labels.of("photo.none"), "quiet");
  private final Label progress = new Label();
  private final Button stop;
  private final PhotographView large;
  private final DoubleBinding em;
  private final Map<String, Image> pictures = new HashMap<>();
  private Optional<String> chosen = Optional.empty();

  PhotographsPage(DeskModel model, FileAsk files, DoubleBinding em) {
    super(model);
    this.em = em;
    large = new PhotographView(model, em);
    sheet.getStyleClass().add("contact-sheet");
    stop = button("photo.stop", "photo-stop", () -> model.photographs().stop());
    HBox head =
        new HBox(
            button(
                "photo.pick", "photo-pick", () -> model.photographs().bringIn(files.photographs())),
            text(Labels.of("photo.drop"), "quiet"),
            progress,
            stop);
    head.getStyleClass().add("item-row");
    add(head, empty, sheet, large);
    model.photographs().progressProperty().addListener((_, _, now) -> progress(now));
    progress(Optional.empty());
    setOnDragOver(this::over);
    setOnDragDropped(this::dropped);
  }

  private void progress(Optional<PhotoModel.Progress> now) {
    progress.setText(now.map(p -> Labels.of("photo.progress", p.done(), p.of())).orElse(""));
    stop.setVisible(now.isPresent());
  }

  private void over(DragEvent e) {
    if (e.getDragboard().hasFiles()) {
      e.acceptTransferModes(TransferMode.COPY);
    }
    e.consume();
  }

  private void dropped(DragEvent e) {
    List<Path> files = e.getDragboard().getFiles().stream().map(File::toPath).toList();
    model().photographs().bringIn(files);
    e.setDropCompleted(!files.isEmpty());
    e.consume();
  }

  @Override
  protected void show(Job job) {
    List<Photograph> all = job.items(Photograph.class);
    chosen =
        chosen
            .filter(id -> all.stream().anyMatch(p -> p.id().equals(id)))
            .or(() -> all.stream().map(Photograph::id).findFirst());
    empty.setVisible(all.isEmpty());
    empty.setManaged(all.isEmpty());
    sheet.getChildren().setAll(all.stream().map(this::small).toList());
    showLarge(job);
  }

  private void showLarge(Job job) {
    large.show(job, chosen.flatMap(job::item).map(Photograph.class::cast));
  }

  private ToggleButton small(Photograph photograph) {
    ImageView view = new ImageView();
    view.setPreserveRatio(true);
    view.fitWidthProperty().bind(em.multiply(SMALL_EMS));
    view.fitHeightProperty().bind(em.multiply(SMALL_EMS * 3 / 4));
    ToggleButton button = new ToggleButton(Photographs.name(photograph), view);
    button.setContentDisplay(ContentDisplay.TOP);
    button.getStyleClass().add("contact");
    button.setId("photo-" + photograph.id());
    button.setSelected(chosen.filter(photograph.id()::equals).isPresent());
    button.setOnAction(_ -> {
      chosen = Optional.of(photograph.id());
      show(job());
    });
    Image known = pictures.get(photograph.file());
    if (known != null) {
      view.setImage(known);
      return button;
    }
    model()
        .photographs()
        .picture(
            photograph,
            PhotoStore.Size.SMALL,
            path ->
                path.ifPresentOrElse(
                    p -> {
                      Image image = new Image(p.toUri().toString(), true);
                      pictures.put(photograph.file(), image);
                      view.setImage(image);
                    },
                    () ->
                        button.setText(Labels.of("photo.missing", Photographs.name(photograph)))));
    return button;
  }
}
