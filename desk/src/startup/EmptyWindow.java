import java.time.Duration;
import java.time.Instant;

import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;

/** A window with nothing but a field, for the start of the application to be held against: says when its first keystroke was accepted, and ends. */
public final class EmptyWindow {
    private EmptyWindow() {
    }

    public static void main(String[] args) {
        Application.launch(Window.class, args);
    }

    /** The window. */
    public static final class Window extends Application {
        @Override
        public void start(Stage stage) {
            TextField field = new TextField();
            field.textProperty().addListener((_, _, _) -> {
                Instant began = ProcessHandle.current().info().startInstant().orElseThrow();
                System.out.println("ready " + Duration.between(began, Instant.now()).toMillis());
                Platform.exit();
            });
            stage.setScene(new Scene(field, 1280, 800));
            stage.show();
            Platform.runLater(() -> Event.fireEvent(field, new KeyEvent(KeyEvent.KEY_TYPED, "x", "", KeyCode.UNDEFINED, false, false, false, false)));
        }
    }
}
