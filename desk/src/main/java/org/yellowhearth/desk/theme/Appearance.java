package org.yellowhearth.desk.theme;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.prefs.Preferences;
import javafx.beans.binding.DoubleBinding;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.Parent;
import javafx.scene.text.Font;

/** Day bench or night bench, and the size of the text. */
public final class Appearance {
  /** Text sizes in per cent that can be chosen, rising. */
  public static final List<Integer> SIZES = List.of(90, 100, 115, 130, 150, 175, 200);

  private static final double BASE_PIXELS = 14;
  private static final List<String> FACES = List.of("Lato-Regular.ttf", "Lato-Bold.ttf");
  private static final List<String> FIGURES =
      List.of("DejaVuSansMono.ttf", "DejaVuSansMono-Bold.ttf");

  /** The style as the packaging compiled it, which is read faster; elsewhere as it was written. */
  private static final String SHEET =
      Optional.ofNullable(Appearance.class.getResource("hearth.bss"))
          .orElseGet(() -> Appearance.class.getResource("hearth.css"))
          .toExternalForm();

  private static final String SIZE = "text-size-";

  private final BooleanProperty night = new SimpleBooleanProperty();
  private final IntegerProperty percent = new SimpleIntegerProperty(100);

  /** Loads the typefaces that ship with the program. */
  public static void loadTypefaces() {
    loadWords();
    loadFigures();
  }

  /** Loads the typeface of the words, which the first picture needs. */
  public static void loadWords() {
    load(FACES);
  }

  /** Loads the typeface of the figures. */
  public static void loadFigures() {
    load(FIGURES);
  }

  private static void load(List<String> faces) {
    for (String face : faces) {
      try (InputStream in =
          Appearance.class.getResourceAsStream("/org/yellowhearth/publishing/fonts/" + face)) {
        Font.loadFont(in, BASE_PIXELS);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** An appearance that starts as the user left it and remembers what is chosen. */
  public static Appearance remembered(Preferences preferences) {
    Appearance a = new Appearance();
    a.night.set(preferences.getBoolean("night", false));
    int size = preferences.getInt("text", 100);
    a.percent.set(SIZES.contains(size) ? size : 100);
    a.night.addListener((_, _, now) -> preferences.putBoolean("night", now));
    a.percent.addListener((_, _, now) -> preferences.putInt("text", now.intValue()));
    return a;
  }

  public BooleanProperty nightProperty() {
    return night;
  }

  public IntegerProperty percentProperty() {
    return percent;
  }

  /** The height of the text in pixels, for layouts that must give way when it grows. */
  public DoubleBinding em() {
    return percent.multiply(BASE_PIXELS / 100);
  }

  /** One size larger or smaller. */
  public void resize(int step) {
    int at = Math.clamp((long) SIZES.indexOf(percent.get()) + step, 0, SIZES.size() - 1);
    percent.set(SIZES.get(at));
  }

  /**
   * Gives a root its style and keeps it in step. The style stands on the scene and the size of the
   * text in a class of its own: a stylesheet or a style on the root itself made each pass of the
   * toolkit over the window a seventh dearer.
   */
  public void applyTo(Parent root) {
    root.sceneProperty()
        .subscribe(scene -> {
          if (scene != null && !scene.getStylesheets().contains(SHEET)) {
            scene.getStylesheets().add(SHEET);
          }
        });
    Runnable dress =
        () -> {
          root.getStyleClass().removeIf(c -> c.equals("day") || c.equals("night") || isSize(c));
          root.getStyleClass().addAll(night.get() ? "night" : "day", SIZE + percent.get());
        };
    night.addListener((_, _, _) -> dress.run());
    percent.addListener((_, _, _) -> dress.run());
    dress.run();
  }

  private static boolean isSize(String styleClass) {
    return styleClass.startsWith(SIZE);
  }
}
