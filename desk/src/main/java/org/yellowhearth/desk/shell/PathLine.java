package org.yellowhearth.desk.shell;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.words.Labels;

/**
 * A path that is typed. While an output is on it stands in for the desktop's own file dialog: that
 * would take the keyboard away from the window, and no stop would be heard.
 */
final class PathLine extends StackPane {
  private final Label title = new Label(Labels.of("path.title"));
  private final Label trouble = Page.text("", "echo-trouble");
  private final TextField field = new TextField();
  private boolean asking;

  PathLine() {
    getStyleClass().add("gate");
    title.getStyleClass().add("gate-title");
    field.setId("path-line");
    field.setAccessibleText(Labels.of("path.title"));
    field.setOnAction(_ -> take());
    FlowPane buttons =
        new FlowPane(
            Page.button("path.take", "path-take", this::take),
            Page.button("path.leave", "path-leave", this::leave));
    buttons.getStyleClass().add("form-buttons");
    VBox box = new VBox(title, Page.text(Labels.of("path.why"), "quiet"), field, trouble, buttons);
    box.getStyleClass().add("gate-box");
    box.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
    getChildren().add(box);
    setVisible(false);
    // A window that closes answers as well.
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene == null) {
            leave();
          }
        });
  }

  /** Thinks better of it. */
  void leave() {
    answer(Optional.empty());
  }

  /** Asks for one, and comes back with the answer; nothing where the person thinks better of it. */
  @SuppressWarnings("unchecked")
  Optional<Path> ask(String suggested) {
    if (asking) {
      return Optional.empty();
    }
    asking = true;
    trouble.setText("");
    field.setText(suggested);
    setVisible(true);
    Platform.runLater(() -> {
      field.requestFocus();
      field.end();
    });
    return (Optional<Path>) Platform.enterNestedEventLoop(this);
  }

  private void take() {
    try {
      Path path = Path.of(field.getText().strip());
      if (field.getText().isBlank()) {
        answer(Optional.empty());
      } else {
        answer(
            Optional.of(
                path.isAbsolute() ? path : Path.of(System.getProperty("user.home")).resolve(path)));
      }
    } catch (InvalidPathException e) {
      trouble.setText(Labels.of("path.bad", e.getMessage()));
    }
  }

  private void answer(Optional<Path> path) {
    if (asking) {
      asking = false;
      setVisible(false);
      Platform.exitNestedEventLoop(this, path);
    }
  }
}
